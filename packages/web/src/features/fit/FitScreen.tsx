/** Which speaker fits here, and why do the others not? */

import { jobTitle, placeLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { useCatalogueProgress } from '../../catalogue/catalogueProgress';
import { beginReading, catalogueQuery } from '../../catalogue/catalogueQueries';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { Rail } from '../rail/Rail';

// This file is loaded when somebody is on the way here: what it needs next comes meanwhile.
void beginReading();
const RankedOpening = late(
  () => import('./RankedOpening').then((code) => code.RankedOpening),
  () => <Loading what="the drawing" />,
);
void RankedOpening.load();

export function FitScreen() {
  const { jobId = '', openingId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const shop = useQuery(shopSettingsQuery);
  const catalogue = useQuery(catalogueQuery);
  const opening = job.data?.openings.find(({ id }) => id === openingId);
  const label = opening ? placeLabel(opening.record) : 'Opening';
  const here = { jobId, openingId };
  return (
    <Shell
      title={`What fits the ${label.toLowerCase()}`}
      crumbs={crumbsTo('match', here, { job: job.data && jobTitle(job.data.job), measure: label })}
      rail={<Rail jobId={jobId} station="match" />}
      aside={
        <div className="flex flex-wrap gap-3">
          <LinkButton to={`/plot?job=${jobId}&opening=${openingId}`}>By two lengths</LinkButton>
          <LinkButton to={addressOf('measure', here)}>Measurements</LinkButton>
        </div>
      }
    >
      <Answered query={job} what="the job">
        {(answer) => (
          <Answered query={shop} what="the shop’s settings">
            {(settings) => (
              <Answered query={catalogue} what="the catalogue" progress={<CatalogueComing />}>
                {(known) => (
                  <RankedOpening
                    job={answer.job}
                    openings={answer.openings}
                    openingId={openingId}
                    shop={settings}
                    catalogue={known}
                  />
                )}
              </Answered>
            )}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

/** How far a catalogue has come that this device sees for the first time. */
function CatalogueComing() {
  const progress = useCatalogueProgress();
  if (!progress) return null;
  const { come, toCome } = progress;
  return (
    <p className="flex max-w-md flex-col gap-1 px-4">
      <progress value={come} max={come + toCome} className="w-full" aria-label="Parts that have come" />
      {come.toLocaleString('en')} of {(come + toCome).toLocaleString('en')} parts. The next time they are here already.
    </p>
  );
}
