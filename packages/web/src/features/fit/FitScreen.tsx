/** Which speaker fits here, and why do the others not? */
import type { Catalogue } from '@low-quarry/core/contracts/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type PartRecord, toFitCatalogue } from '@low-quarry/core/model/parts';
import { placeLabel } from '@low-quarry/core/model/place';
import { readingHalfWidthsMm, type Shop, toFitRules } from '@low-quarry/core/model/shop';
import { toFitOpening } from '@low-quarry/core/model/toFitOpening';
import { missingDimensions } from '@low-quarry/core/model/wantedDimensions';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { ProblemError } from '../../api/call';
import { catalogueQuery, shopQuery } from '../../api/sharedQueries';
import { LinkButton } from '../../ui/Button';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { jobTitle } from '../jobs/jobTitle';
import { otherSide } from '../openings/otherSide';
import { FitWorkspace } from './FitWorkspace';
import { rankingQuery } from './fitQueries';

export function FitScreen() {
  const { jobId = '', openingId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  const opening = job.data?.openings.find(({ id }) => id === openingId);
  const label = opening ? placeLabel(opening.record) : 'Opening';
  const here = `/jobs/${jobId}/openings/${openingId}`;
  return (
    <Shell
      title={`What fits the ${label.toLowerCase()}`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: `/jobs/${jobId}`, label: job.data ? jobTitle(job.data.job) : 'Job' },
        { to: here, label },
        { to: `${here}/fit`, label: 'What fits' },
      ]}
      aside={<LinkButton to={here}>Measurements</LinkButton>}
    >
      <Answered query={job} what="the job">
        {(answer) => (
          <Answered query={shop} what="the shop’s settings">
            {(settings) => (
              <Answered query={catalogue} what="the catalogue">
                {(parts) => (
                  <Ranked
                    job={answer.job}
                    openings={answer.openings}
                    openingId={openingId}
                    shop={settings}
                    catalogue={parts}
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

type RankedProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly openingId: string;
  readonly shop: Shop;
  readonly catalogue: Catalogue;
};

function Ranked({ job, openings, openingId, shop, catalogue }: RankedProps) {
  const opening = openings.find(({ id }) => id === openingId);
  // Thrown to the screen's fault view, which knows what to offer.
  if (!opening)
    throw new ProblemError({
      type: '/problems/not-found',
      title: 'Not found',
      status: 404,
      detail: 'This job has no such opening.',
    });

  const parts = useMemo(
    () => new Map(catalogue.parts.map((part): [string, PartRecord] => [part.id, part])),
    [catalogue],
  );
  const fitCatalogue = useMemo(() => toFitCatalogue(catalogue.parts), [catalogue]);
  const rules = useMemo(() => toFitRules(shop), [shop]);
  const toFit = useMemo(() => {
    const names = new Map(catalogue.connectors.map(({ id, name }) => [id, name]));
    return (of: OpeningWithState) => toFitOpening(of.record, readingHalfWidthsMm(shop), (id) => names.get(id) ?? id);
  }, [catalogue, shop]);
  const fitOpening = useMemo(() => toFit(opening), [toFit, opening]);
  const ranking = useQuery(rankingQuery(fitOpening, fitCatalogue, rules));

  if (fitCatalogue.speakers.length === 0)
    return (
      <p className="border-y border-hairline py-8 text-muted">The catalogue is empty: there is no speaker to try.</p>
    );
  if (ranking.isError) return <p role="alert">The ranking failed: {ranking.error.message}</p>;
  if (!ranking.data) return <Loading what={`the verdicts of ${fitCatalogue.speakers.length} speakers`} />;
  return (
    <FitWorkspace
      key={opening.id}
      jobId={job.id}
      opening={opening}
      other={otherSide(opening, openings)}
      toFit={toFit}
      catalogue={fitCatalogue}
      parts={parts}
      rules={rules}
      shop={shop}
      ranking={ranking.data}
      missing={missingDimensions(opening.record)}
    />
  );
}
