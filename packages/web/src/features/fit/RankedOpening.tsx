/** What is ranked for an opening, with the parts that are named now. */
import { type PartRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { RankedSpeaker } from '@low-quarry/core/fit';
import {
  missingDimensions,
  readingHalfWidthsMm,
  type ShopSettings,
  toFitOpening,
  toFitRules,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../../api/call';
import type { KnownCatalogue } from '../../catalogue/KnownCatalogue';
import { useAddress } from '../../ui/address';
import { Empty, Loading } from '../../ui/states';
import { otherSide } from '../openings/otherSide';
import { channelQuestion } from './channelQuestion';
import { FitWorkspace } from './FitWorkspace';
import { channelQuery, lookQuery, namedPartsQuery, rankingQuery } from './fitQueries';
import { ChannelJoin } from './joinChannel';
import { bestOf, startingIds } from './startingIds';

type RankedProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly openingId: string;
  readonly shop: ShopSettings;
  readonly catalogue: KnownCatalogue;
};

const NOBODY_YET: readonly RankedSpeaker[] = [];

export function RankedOpening({ job, openings, openingId, shop, catalogue }: RankedProps) {
  const opening = openings.find(({ id }) => id === openingId);
  // Thrown to the screen's fault view, which knows what to offer.
  if (!opening)
    throw new ProblemError({
      type: '/problems/not-found',
      title: 'Not found',
      status: 404,
      detail: 'This job has no such opening.',
    });

  const { version, listed } = catalogue;
  const [search, changeAddress] = useAddress();
  const rules = useMemo(() => toFitRules(shop), [shop]);
  const toFit = useMemo(() => {
    const names = new Map(catalogue.connectors.map(({ id, name }) => [id, name]));
    return (of: OpeningWithState) => toFitOpening(of.record, readingHalfWidthsMm(shop), (id) => names.get(id) ?? id);
  }, [catalogue, shop]);
  const fitOpening = useMemo(() => toFit(opening), [toFit, opening]);
  const question = useMemo(
    () =>
      channelQuestion(job, openings, {
        ...{ openingId, confidence: shop.confidence, wiring: fitOpening.wiring },
      }),
    [job, openings, openingId, shop.confidence, fitOpening.wiring],
  );
  const told = useQuery(channelQuery(version, question));
  const join = useMemo(() => new ChannelJoin(told.data ?? null, listed.speakerIds), [told.data, listed.speakerIds]);
  // The channel first: the worker does one thing after the other, and which is the best nobody knows before both are told.
  const ranked = useQuery({
    ...rankingQuery(version, listed.speakerIds.length, fitOpening, rules),
    enabled: !told.isPending,
  });
  const ranking = ranked.data ?? null;
  // Asked for by the ranking, where that takes long.
  const look = useQuery({ ...lookQuery(version, fitOpening, rules), enabled: false, placeholderData: () => undefined });
  const speakers = useMemo(() => {
    if (told.isPending) return NOBODY_YET;
    return ranking ? join.ranking(ranking).speakers : look.data ? join.look(look.data).best : NOBODY_YET;
  }, [told.isPending, ranking, look.data, join]);
  const ids = useMemo(
    () => startingIds(search, opening, speakers, listed, rules),
    [search, opening, speakers, listed, rules],
  );
  const overId = search.get('over');
  const over = speakers.find(({ speakerId }) => speakerId === overId);
  const named = useQuery(namedPartsQuery(version, ids, over ? bestOf(over) : null));
  const shelf = useMemo(
    () => named.data && toFitCatalogue([...catalogue.shelf, ...named.data.parts.filter(isNoShelf)]),
    [catalogue, named.data],
  );

  if (listed.speakerIds.length === 0)
    return (
      <Empty>
        The catalogue is empty: there is no speaker to try.{' '}
        <Link to="/parts" className="text-action underline">
          Bring in a parts pack
        </Link>{' '}
        or{' '}
        <Link to={`/will-it-fit?vehicle=${job.vehicle.id}&speaker=by-hand`} className="text-action underline">
          type one in by hand
        </Link>
        .
      </Empty>
    );
  if (told.isError) return <p role="alert">The channel could not be asked: {told.error.message}</p>;
  if (ranked.isError) return <p role="alert">The ranking failed: {ranked.error.message}</p>;
  if (named.isError) return <p role="alert">The parts could not be read: {named.error.message}</p>;
  // What is named may have gone from the catalogue a moment ago: the next version says so.
  const isThere = shelf?.speakers.some(({ id }) => id === named.data?.ids.speakerId);
  if (!named.data || !shelf || !isThere)
    return <Loading what={`the verdicts of ${listed.speakerIds.length} speakers`} />;
  return (
    <FitWorkspace
      key={opening.id}
      jobId={job.id}
      vehicleId={job.vehicle.id}
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
      channel={{ question, told: told.data ?? null, join }}
      missing={missingDimensions(opening.record)}
      search={search}
      changeAddress={changeAddress}
    />
  );
}

function isNoShelf({ kind }: PartRecord): boolean {
  return kind === 'speaker' || kind === 'bracket';
}
