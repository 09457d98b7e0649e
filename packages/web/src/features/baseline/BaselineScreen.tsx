/** What works today, before anybody touches the car? */
import { jobTitle } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { crumbsTo } from '../../stations/crumbsTo';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { Rail } from '../rail/Rail';

const BaselineForm = late(
  () => import('./BaselineForm').then((code) => code.BaselineForm),
  () => <Loading what="what was tried" />,
);
void BaselineForm.load();

export function BaselineScreen() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  return (
    <Shell
      title="What works today"
      crumbs={crumbsTo('baseline', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      rail={<Rail jobId={jobId} station="bookIn" />}
    >
      <Answered query={job} what="the job">
        {(answer) => <BaselineForm key={answer.job.id} {...answer} />}
      </Answered>
    </Shell>
  );
}
