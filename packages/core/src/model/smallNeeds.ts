/**
 * What a job needs beside the parts that are on its lines: what earlier work left missing, what breaks when a panel comes off, what a
 * riveted speaker asks for. How many clips break is nobody's figure: the panel's own count stands beside it. Common practice, no source.
 */
import { HOUSING_LABELS } from '../housing';
import { EARLIER_WORK } from './earlierWork';
import { lineFilterPieces } from './lineFilterWords';
import type { OpeningRecord } from './opening';
import { FASTENER_LABELS, type Fastener, newPanel, type Panel, panelAt, panelLabel } from './panel';
import { placeLabel } from './place';
import { TWEETER_HOLDS } from './tweeterSeat';
import type { Years } from './vehicle';

/** Goods of the library that do for a need, by kind and type: their size is seen at the car. */
export type Good = {
  readonly kind: 'panelClip' | 'fastener' | 'deadeningSheet' | 'foam' | 'consumable';
  readonly types: readonly string[];
};

/** Something to have at hand, and why. */
export type SmallNeed = {
  readonly what: string;
  readonly why: string;
  /** Left out where nobody can say how many. */
  readonly pieces?: number;
  /** Of what is sold by its length, m. */
  readonly lengthM?: number;
  readonly good?: Good;
};

type NeedingOpening = Pick<
  OpeningRecord,
  | 'place'
  | 'side'
  | 'name'
  | 'fixing'
  | 'earlier'
  | 'presence'
  | 'lineFilter'
  | 'tweeterSeat'
  | 'bolts'
  | 'housing'
  | 'dimensions'
>;

/** What holds a panel and may be left on the floor when it comes off. */
const BREAKS_OFTEN: ReadonlySet<Fastener['kind']> = new Set(['treeClip', 'pushPin', 'plasticRivet', 'expandingPlug']);

/**
 * @param openings those that are worked on
 * @param ageYears of the car; null where nobody knows
 * @returns each once, in the order of the openings
 */
export function smallNeeds(
  openings: readonly NeedingOpening[],
  panels: readonly Panel[],
  ageYears: number | null,
): readonly SmallNeed[] {
  const inFront = panelsOf(openings, panels);
  const needs = [
    ...openings.flatMap((opening) => [
      ...riveted(opening),
      ...leftByEarlierWork(opening),
      ...lineNeeds(opening),
      ...seatNeeds(opening),
      ...housingNeeds(opening),
    ]),
    ...inFront.flatMap((panel) => spares(panel, ageYears)),
    ...notDescribed(inFront.filter(({ fasteners }) => fasteners === null)),
  ];
  return needs.filter((need, at) => needs.findIndex(({ what, why }) => what === need.what && why === need.why) === at);
}

function riveted(opening: NeedingOpening): readonly SmallNeed[] {
  if (opening.fixing !== 'rivets' || opening.presence !== 'fitted') return [];
  return [
    {
      what: 'Rivet nuts, clip nuts or screws, and a drill for the rivets',
      why: `${placeLabel(opening)}: the old speaker is riveted.`,
      ...rivetsOf(opening),
      good: { kind: 'fastener', types: ['clipNut', 'rivetNut', 'tappingScrew'] },
    },
  ];
}

function rivetsOf({ bolts }: NeedingOpening): { readonly pieces?: number } {
  if (bolts.kind === 'circle') return { pieces: bolts.count };
  return bolts.kind === 'free' ? { pieces: bolts.holes.length } : {};
}

/** What goes into the line before a speaker, a new one or one that stays. */
export function lineNeeds(
  opening: Pick<OpeningRecord, 'place' | 'side' | 'name' | 'lineFilter'>,
): readonly SmallNeed[] {
  if (opening.lineFilter === null) return [];
  const why = `${placeLabel(opening)}: in the line before its speaker.`;
  return lineFilterPieces(opening.lineFilter).map((what) => ({ what, why }));
}

/** What holds a new tweeter in its seat. */
function seatNeeds({ tweeterSeat, ...opening }: NeedingOpening): readonly SmallNeed[] {
  const what = tweeterSeat && TWEETER_HOLDS[tweeterSeat.heldBy].need;
  return what ? [{ what, why: `${placeLabel(opening)}: it holds the new tweeter.` }] : [];
}

/** What is built needs board for its two pieces, and what goes between and over them. */
function housingNeeds({ housing, ...opening }: NeedingOpening): readonly SmallNeed[] {
  if (!housing) return [];
  const { base, faceMm, boardMm } = housing;
  const xs = base.kind === 'round' ? [0, base.diameterMm] : base.corners.map(({ xMm }) => xMm);
  const ys = base.kind === 'round' ? [0, base.diameterMm] : base.corners.map(({ yMm }) => yMm);
  const span = (all: readonly number[]) => Math.ceil(Math.max(...all) - Math.min(...all));
  const why = `${placeLabel(opening)}: a ${HOUSING_LABELS[housing.as].toLowerCase()} is built.`;
  return [
    {
      what: `Board of ${boardMm} mm, for a base and a face`,
      why: `${why} ${span(xs)} × ${span(ys)} mm, and ${faceMm} × ${faceMm} mm, with the saw’s way beside.`,
    },
    { what: 'Resin or filler, cloth to skin it, glue, and screws for its base', why },
  ];
}

function leftByEarlierWork(opening: NeedingOpening): readonly SmallNeed[] {
  return (opening.earlier ?? []).flatMap((each) => {
    const { need, label } = EARLIER_WORK[each];
    return need === null ? [] : [{ what: need, why: `${placeLabel(opening)}: ${label.toLowerCase()}, from before.` }];
  });
}

/** In front of these openings, each once; of one that nobody has described, that nobody has. */
function panelsOf(openings: readonly NeedingOpening[], panels: readonly Panel[]): readonly Panel[] {
  const inFront = openings.flatMap(({ place, side }) => {
    const where = panelAt(place, side);
    if (where === null) return [];
    const known = panels.filter(({ kind, spot }) => kind === where.kind && spot === where.spot);
    return known.length > 0 ? known : [newPanel({ ...where, name: '' })];
  });
  return inFront.filter((panel, at) => inFront.findIndex((each) => panelLabel(each) === panelLabel(panel)) === at);
}

function spares(panel: Panel, ageYears: number | null): readonly SmallNeed[] {
  const label = panelLabel(panel);
  const clips = (panel.fasteners ?? [])
    .filter(({ kind }) => BREAKS_OFTEN.has(kind))
    .map((fastener) => spareOf(label, fastener, ageYears));
  const breaks = panel.breaks
    ? [{ what: 'Spares of what breaks easily', why: `${label}: ${panel.breaks.replace(/[.!]?$/, '.')}` }]
    : [];
  return [...clips, ...breaks];
}

/** All of them in one line: nobody knows more of one than of the other. */
function notDescribed(panels: readonly Panel[]): readonly SmallNeed[] {
  if (panels.length === 0) return [];
  const labels = panels.map(panelLabel).join('; ');
  return [
    {
      what: 'Spare clips',
      why: `${labels}: nobody has written down what holds ${panels.length === 1 ? 'it' : 'them'}.`,
    },
  ];
}

/** One in so many breaks or stays behind, up to an age in years: common practice, no source. */
const BREAKS: readonly { readonly upTo: number; readonly oneIn: number }[] = [
  { upTo: 5, oneIn: 10 },
  { upTo: 12, oneIn: 5 },
  { upTo: Number.POSITIVE_INFINITY, oneIn: 3 },
];
const MIDDLE_AGE = 8;

function spareOf(label: string, { kind, count }: Fastener, ageYears: number | null): SmallNeed {
  const { oneIn } = BREAKS.find(({ upTo }) => (ageYears ?? MIDDLE_AGE) <= upTo) as (typeof BREAKS)[number];
  const of = ageYears === null ? 'of a car whose age nobody knows' : `of a car of ${ageYears} years`;
  const does = goodFor(kind);
  const good = does ? { good: does } : {};
  const what = `Spares of the ${FASTENER_LABELS[kind]}s`;
  if (count === null)
    return { what, why: `${label}: nobody counted how many hold it, and some break or stay behind.`, ...good };
  const pieces = Math.ceil(count / oneIn);
  return {
    what,
    why: `${label}: ${count} hold it, and ${of} one in ${oneIn} breaks or stays behind.`,
    pieces,
    ...good,
  };
}

/** Goods of the library that hold a panel as this does; null where it has none of the kind. */
export function goodFor(kind: Fastener['kind']): Good | null {
  if (kind === 'treeClip' || kind === 'pushPin' || kind === 'expandingPlug' || kind === 'crankClip')
    return { kind: 'panelClip', types: [kind] };
  if (kind === 'screw' || kind === 'bolt') return { kind: 'fastener', types: ['tappingScrew', 'machineScrew'] };
  return kind === 'plasticRivet' || kind === 'steelRivet' ? { kind: 'fastener', types: ['blindRivet'] } : null;
}

/** How old a car is at the least, by the last year in which its variant was built, else by the first. @param year by the calendar */
export function ageOf({ from, to }: Years, year: number): number | null {
  const built = to ?? from;
  return built === null ? null : Math.max(0, year - built);
}
