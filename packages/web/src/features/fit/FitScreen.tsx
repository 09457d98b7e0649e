/** Which speaker fits here, and why do the others not? */

import { type PartRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  jobTitle,
  missingDimensions,
  placeLabel,
  readingHalfWidthsMm,
  type Shop,
  toFitOpening,
  toFitRules,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { type ComponentProps, Suspense, useMemo } from 'react';
import { useParams } from 'react-router';
import { ProblemError } from '../../api/call';
import { shopQuery } from '../../api/sharedQueries';
import { useCatalogueProgress } from '../../catalogue/catalogueProgress';
import { beginReading, catalogueQuery } from '../../catalogue/catalogueQueries';
import type { KnownCatalogue } from '../../catalogue/KnownCatalogue';
import { listedView } from '../../catalogue/listedView';
import { useAddress } from '../../ui/address';
import { LinkButton } from '../../ui/Button';
import { lateCode } from '../../ui/lateCode';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { jobQuery } from '../jobs/jobsQueries';
import { otherSide } from '../openings/otherSide';
import type { FitWorkspace } from './FitWorkspace';
import { namedPartsQuery, rankingQuery } from './fitQueries';
import { bestOf, startingIds } from './startingIds';

// This file is loaded when somebody is on the way here: what it needs next comes meanwhile.
void beginReading();
const workspace = lateCode(() => import('./FitWorkspace'));
workspace.load().catch(() => {});

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
              <Answered query={catalogue} what="the catalogue" progress={<CatalogueComing />}>
                {(known) => (
                  <Ranked
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

type RankedProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly openingId: string;
  readonly shop: Shop;
  readonly catalogue: KnownCatalogue;
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

  const { version } = catalogue;
  const [search, changeAddress] = useAddress();
  const listed = useMemo(() => listedView(catalogue), [catalogue]);
  const rules = useMemo(() => toFitRules(shop), [shop]);
  const toFit = useMemo(() => {
    const names = new Map(catalogue.connectors.map(({ id, name }) => [id, name]));
    return (of: OpeningWithState) => toFitOpening(of.record, readingHalfWidthsMm(shop), (id) => names.get(id) ?? id);
  }, [catalogue, shop]);
  const fitOpening = useMemo(() => toFit(opening), [toFit, opening]);
  const ranked = useQuery(rankingQuery(version, listed.speakerIds.length, fitOpening, rules));
  const ranking = ranked.data ?? null;
  const ids = useMemo(
    () => startingIds(search, opening, ranking, listed.parts, rules),
    [search, opening, ranking, listed, rules],
  );
  const overId = search.get('over');
  const over = ranking?.speakers.find(({ speakerId }) => speakerId === overId);
  const named = useQuery(namedPartsQuery(version, ids, over ? bestOf(over) : null));
  const shelf = useMemo(
    () => named.data && toFitCatalogue([...catalogue.shelf, ...named.data.parts.filter(isNoShelf)]),
    [catalogue, named.data],
  );

  if (listed.speakerIds.length === 0)
    return (
      <p className="border-y border-hairline py-8 text-muted">The catalogue is empty: there is no speaker to try.</p>
    );
  if (ranked.isError) return <p role="alert">The ranking failed: {ranked.error.message}</p>;
  if (named.isError) return <p role="alert">The parts could not be read: {named.error.message}</p>;
  // What is named may have gone from the catalogue a moment ago: the next version says so.
  const isThere = shelf?.speakers.some(({ id }) => id === named.data?.ids.speakerId);
  if (!named.data || !shelf || !isThere)
    return <Loading what={`the verdicts of ${listed.speakerIds.length} speakers`} />;
  return (
    <Suspense fallback={<Loading what="the drawing" />}>
      <Workspace
        key={opening.id}
        jobId={job.id}
        opening={opening}
        other={otherSide(opening, openings)}
        toFit={toFit}
        version={version}
        catalogue={shelf}
        listed={listed}
        start={named.data.ids}
        over={named.data.over}
        rules={rules}
        shop={shop}
        ranking={ranking}
        missing={missingDimensions(opening.record)}
        search={search}
        changeAddress={changeAddress}
      />
    </Suspense>
  );
}

function Workspace(props: ComponentProps<typeof FitWorkspace>) {
  const { FitWorkspace: Loaded } = workspace.use();
  return <Loaded {...props} />;
}

function isNoShelf({ kind }: PartRecord): boolean {
  return kind === 'speaker' || kind === 'bracket';
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
