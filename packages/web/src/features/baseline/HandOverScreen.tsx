/** Does everything work that worked before? */
import { jobTitle } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { crumbsTo } from '../../stations/crumbsTo';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { Rail } from '../rail/Rail';
import { HandOverForm } from './HandOverForm';

/** What they are worked out by comes behind the screen, as the rail does. */
const HeldPoints = late(
  () => import('../rail/HeldPoints').then((code) => code.HeldPoints),
  () => <Loading what="what holds" />,
);
void HeldPoints.load();

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
        {(answer) => (
          <>
            {/* What is worse than before is said where it is tried. */}
            <HeldPoints
              {...answer}
              which={({ station, settledAt }) => station === 'handOver' && settledAt.kind !== 'handOver'}
            />
            <HandOverForm key={answer.job.id} {...answer} />
          </>
        )}
      </Answered>
    </Shell>
  );
}
