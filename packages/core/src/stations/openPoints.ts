/**
 * What keeps a station of a job from being done, each with the one thing that settles it. A point that does not matter for this car and
 * this wish is not asked; what is not known is never "fine".
 *
 * They are sorted by where asking is cheap, and there the dearest first. What an answer costs when it is missing is common practice, no
 * source: a wrong loom or part is a return and a second visit, an owner who did not agree is an argument after the work.
 */

import { FREE_KINDS, type Housing, STAYS_FREE } from '../housing';
import { listed } from '../listed';
import { CONSENT_LABELS, KEEP_LABELS, type Keep, placeLabel, SETTINGS_DEFAULTS, takesSpeaker } from '../model';
import { type ConsentKind, lowerFirst, missingConsents, type NeededConsent } from '../order';
import { baselinePoints, handOverPoints } from './baselinePoints';
import { counterPoints, telephonePoints } from './bookInPoints';
import { bayPoints, buildPoints, foundPoints } from './buildPoints';
import { carFactPoints } from './carFactPoints';
import { channelPoints } from './channelPoints';
import { crossoverPoints } from './crossoverPoints';
import { devicePlugPoints } from './devicePlugPoints';
import { newWirePoints } from './newWirePoints';
import { pinPoints } from './pinPoints';
import { type OpenPoint, type PointJob, type PointOpening, RAIL, type RailStation, type ShopWishes } from './point';
import { polarityPoints } from './polarityPoints';
import { startValuePoints } from './startValuePoints';
import { stowedPoints } from './stowedSheets';
import { seatPoints } from './tweeterSeats';
import { unservedWishes } from './unserved';
import { wirePoints } from './wirePoints';

/**
 * @param dayWords a day of ISO 8601 as the shop writes it
 * @returns the points of a job that has not ended, in the order in which they are best settled
 */
export function openPoints(
  job: PointJob,
  openings: readonly PointOpening[],
  shop: ShopWishes = SETTINGS_DEFAULTS,
  dayWords: (day: string) => string = (day) => day,
): readonly OpenPoint[] {
  const there = openings.filter(({ record }) => takesSpeaker(record));
  const facts = carFactPoints(job, there);
  const atStation = (at: OpenPoint['askedAt']) => facts.filter(({ askedAt }) => askedAt === at);
  const asked = [
    ...telephonePoints(job, there, dayWords),
    ...atStation('telephone'),
    ...counterPoints(job, there),
    ...atStation('counter'),
    ...baselinePoints(job, there, shop),
  ];
  return [
    // A car stands open in the bay.
    ...foundPoints(job),
    // What nothing may be done before is the dearest of all.
    ...asked.filter(({ isHeld }) => isHeld),
    ...asked.filter(({ isHeld }) => !isHeld),
    ...atStation('doorOpen'),
    ...atStation('panelOff'),
    ...there.flatMap((opening) => measurePoints(opening, job)),
    ...there.flatMap((opening) => [...wirePoints(opening), ...polarityPoints(opening, shop)]),
    ...channelPoints(job, openings, shop.confidence),
    ...crossoverPoints(job, openings, shop.confidence),
    ...stowedPoints(job, shop.confidence),
    ...newWirePoints(job, there),
    ...seatPoints(there, job.consents, shop),
    ...pinPoints(job, there),
    ...devicePlugPoints(job),
    ...there.flatMap(matchPoints),
    ...wishPoints(job, openings),
    ...consentPoints(job, there),
    ...there.flatMap((opening) => buildPoints(opening, job)),
    ...bayPoints(job),
    ...handOverPoints(job, there),
    ...startValuePoints(job, there, shop.confidence),
  ];
}

/** How many points keep each station from being done; a station holds where one of them does. */
export function railOf(points: readonly OpenPoint[]): Readonly<Record<RailStation, { open: number; isHeld: boolean }>> {
  const of = (station: RailStation) => points.filter((point) => point.station === station);
  return Object.fromEntries(
    RAIL.map((station) => [station, { open: of(station).length, isHeld: of(station).some(({ isHeld }) => isHeld) }]),
  ) as Record<RailStation, { open: number; isHeld: boolean }>;
}

/** With the panel off, or on the first side of two. */
function measurePoints({ id, record, state }: PointOpening, { doneBefore }: PointJob): readonly OpenPoint[] {
  // What is made is known: only what it is open to is looked at.
  const isMade = record.housing?.back === 'closed';
  const free = record.housing ? freeNotLooked(record.housing) : [];
  const looks = [
    ...(!isMade && record.assumed.length > 0 ? ['its hole, its screws and what is behind'] : []),
    // Nobody asks about it where the customer knows of nothing.
    ...(doneBefore && record.earlier === null ? ['what was done to it before'] : []),
    ...(isMade || record.obstaclesLooked ? [] : ['beams, rails and wires behind it']),
  ];
  const common = { station: 'measure', settledAt: { kind: 'measure', openingId: id }, isHeld: false } as const;
  const label = placeLabel(record);
  return [
    ...(looks.length > 0
      ? [
          {
            ...common,
            id: `looks ${id}`,
            askedAt: 'panelOff' as const,
            words: `${label}: look at ${listed(looks)}.`,
            stake: 'A minute and a lamp; a part that does not fit is a return and a second visit.',
          },
        ]
      : []),
    ...(free.length > 0
      ? [
          {
            ...common,
            id: `free ${id}`,
            askedAt: 'counter' as const,
            words: `${label}: look where these are, which must stay free of what is built: ${listed(free)}.`,
            stake:
              'Five minutes with a tape, before anything is cut; a pod under a belt or a bag’s cover is built again.',
          },
        ]
      : []),
    ...(state.kind === 'toMeasure'
      ? [
          {
            ...common,
            id: `lengths ${id}`,
            askedAt: 'panelOff' as const,
            words: `${label}: ${state.missing.length === 1 ? 'one dimension is' : `${state.missing.length} dimensions are`} missing.`,
            stake: 'Nothing can be judged without.',
          },
        ]
      : []),
  ];
}

function freeNotLooked(housing: Housing): readonly string[] {
  return FREE_KINDS.filter((kind) => housing.free[kind] === undefined).map((kind) =>
    lowerFirst(STAYS_FREE[kind].label),
  );
}

function matchPoints({ id, record, state }: PointOpening): readonly OpenPoint[] {
  const label = placeLabel(record);
  const common = { askedAt: null, settledAt: { kind: 'match', openingId: id } } as const;
  switch (state.kind) {
    case 'chosen':
      return state.heldBack === null
        ? []
        : [
            {
              ...common,
              id: `heldBack ${id}`,
              station: 'order',
              words: `${label}: ${state.speakerName} is held back.`,
              stake: state.heldBack,
              isHeld: state.summary.verdict === 'hold',
            },
          ];
    case 'cannotJudge':
    case 'unreadable':
      return [
        {
          ...common,
          id: `broken ${id}`,
          station: 'match',
          words: `${label}: ${state.sentence}`,
          stake: 'It is not on the order list.',
          isHeld: true,
        },
      ];
    case 'hold':
    case 'toMeasure':
    case 'nothingChosen':
      return [
        {
          ...common,
          id: `choice ${id}`,
          station: 'match',
          words: `${label}: nothing is chosen.`,
          stake: state.kind === 'hold' ? state.sentence : 'A place that is not worked on is better said so.',
          isHeld: state.kind === 'hold',
        },
      ];
    case 'noOpening':
      return [];
  }
}

/** A wish that nothing serves is met, planned or given up: not forgotten. */
function wishPoints(job: PointJob, openings: readonly PointOpening[]): readonly OpenPoint[] {
  return unservedWishes(job, openings).map(({ id, words, could }) => ({
    id,
    station: 'match',
    askedAt: null,
    words,
    stake: could,
    settledAt: { kind: 'bookIn', field: id === 'bass' ? 'later' : 'goals' },
    isHeld: false,
  }));
}

/** What changes the car for good is agreed to in writing, each thing by itself, before anything is ordered for it. */
function consentPoints({ consents, keeps }: PointJob, openings: readonly PointOpening[]): readonly OpenPoint[] {
  const needed = openings.flatMap(({ state }) => (state.kind === 'chosen' ? state.needsConsent : []));
  const missing = missingConsents(needed, consents);
  const once = missing.filter((each, at) => missing.findIndex((other) => other.join() === each.join()) === at);
  return once.map((kinds) => ({
    id: `consent ${kinds.join()}`,
    station: 'order',
    askedAt: null,
    words: `Get the written consent: ${kinds.map((kind) => lowerFirst(CONSENT_LABELS[kind])).join(', or ')}.`,
    stake: consentStake(kinds, keeps),
    settledAt: { kind: 'bookIn', field: 'consents' },
    isHeld: true,
  }));
}

/** What is to stay by the customer's own word is no matter of a signature alone. */
function consentStake(kinds: NeededConsent, keeps: PointJob['keeps']): string {
  const kept = (keeps ?? []).filter((keep) => kinds.some((kind) => FORBIDDEN_BY[keep]?.includes(kind)));
  if (kept.length > 0)
    return `The customer said: ${kept.map((keep) => lowerFirst(KEEP_LABELS[keep])).join(', ')}. Ask again, or choose otherwise.`;
  return 'It cannot be undone, shows, or may not hold, and it is not ordered for before.';
}

const FORBIDDEN_BY: Readonly<Partial<Record<Keep, readonly ConsentKind[]>>> = {
  cutting: ['cutCloth', 'fileHole', 'drill', 'grind', 'loomCut', 'oldSpeakerCut'],
  grille: ['grilleOff', 'cutCloth'],
  pocket: ['pocketGone'],
};
