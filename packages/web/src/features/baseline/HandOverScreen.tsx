/** Does everything work that worked before? */
import { jobTitle } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { crumbsTo } from '../../stations/crumbsTo';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { Rail } from '../rail/Rail';
import { HandOverForm } from './HandOverForm';

export function HandOverScreen() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  return (
    <Shell
      title="Hand over"
      crumbs={crumbsTo('handOver', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      rail={<Rail jobId={jobId} station="handOver" />}
    >
      <Answered query={job} what="the job">
        {(answer) => <HandOverForm key={answer.job.id} {...answer} />}
      </Answered>
    </Shell>
  );
}
