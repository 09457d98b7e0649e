/** What has to be asked before the customer hangs up, and what has been answered? */
import { jobTitle } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { Rail } from '../rail/Rail';

const IntakeForm = late(
  () => import('./IntakeForm').then((code) => code.IntakeForm),
  () => <Loading what="what was asked" />,
);
void IntakeForm.load();
const JobFacts = late(
  () => import('../facts/JobFacts').then((code) => code.JobFacts),
  () => <Loading what="what was found on the car" />,
);

export function BookInScreen() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const shop = useQuery(shopSettingsQuery);
  return (
    <Shell
      title="Book in"
      crumbs={crumbsTo('bookIn', { jobId }, { job: job.data && jobTitle(job.data.job) })}
      aside={<LinkButton to={addressOf('baseline', { jobId })}>What works today</LinkButton>}
      rail={<Rail jobId={jobId} station="bookIn" />}
    >
      <Answered query={job} what="the job">
        {(answer) => (
          <Answered query={shop} what="the shop’s settings">
            {({ currency }) => (
              <>
                <IntakeForm job={answer.job} currency={currency} />
                <JobFacts job={answer.job} />
              </>
            )}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}
