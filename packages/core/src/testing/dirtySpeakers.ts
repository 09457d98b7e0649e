/**
 * Speakers of an invented trade with slips planted among them, the same for the same seed. Makers have lines (slim, usual, deep), a line has
 * families that share basket and motor, and figures go together as they do where copper, ferrite and steel are what they are: a magnet
 * carries power and weighs, a deep one is heavier. Some figures are not stated. Drawn otherwise than by what looks for the slips.
 */
import { FIGURE_WORDS, type FigureId, type SpeakerRecord } from '../catalogue';
import type { ComparedSpeaker } from '../doubt';
import { seededRandom } from '../math';

type Kind = SpeakerRecord['speakerKind'];
type Size = SpeakerRecord['nominalSize'];

/** Cutout and depth that a size usually has, mm, and how many of all rows are of it. */
const SIZES: readonly (readonly [Size, number, number, number])[] = [
  ['1 in', 45, 17, 0.1],
  ['3.5 in', 77, 39, 0.08],
  ['4 in', 94, 45, 0.12],
  ['4×6', 144, 48, 0.04],
  ['5.25 in', 117, 54, 0.2],
  ['6×8', 174, 62, 0.05],
  ['6.5 in', 134, 61, 0.28],
  ['6.75 in', 143, 62, 0.05],
  ['6×9', 219, 82, 0.08],
];
const LINES = [0.78, 0.95, 1, 1.05, 1.18] as const;

export type Planted = {
  /** Place of the row. */
  readonly at: number;
  readonly what: string;
  readonly figure: FigureId;
  /** What it was before. */
  readonly was: number;
};
/** How far natural figures stray: as a normal distribution has it, or with tails. */
export type Tails = 'normal' | 'heavy';
export type DirtySpeakers = { readonly rows: readonly ComparedSpeaker[]; readonly planted: readonly Planted[] };

type Figures = Partial<Record<FigureId, number>>;

export function dirtySpeakers({
  rows: count,
  slips,
  seed,
  tails = 'normal',
}: {
  readonly rows: number;
  readonly slips: number;
  readonly seed: number;
  readonly tails?: Tails;
}): DirtySpeakers {
  const random = seededRandom(seed);
  const rows: (ComparedSpeaker & { figures: Figures; family: number })[] = [];
  for (let family = 0; rows.length < count; family++) for (const row of familyOf(random, family, tails)) rows.push(row);
  rows.length = count;
  const planted = plant(rows, slips, random);
  return { rows: rows.map(({ family: _, ...row }) => row), planted };
}

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Student's t with 5 degrees of freedom, of variance 1. */
function heavy(random: () => number): number {
  const squares = Array.from({ length: 5 }, () => normal(random) ** 2).reduce((sum, each) => sum + each, 0);
  return (normal(random) / Math.sqrt(squares / 5)) * Math.sqrt(3 / 5);
}

function familyOf(random: () => number, family: number, tails: Tails) {
  const stray = tails === 'normal' ? normal : heavy;
  // A small magnet of another stuff does as much: unusual, and right.
  const isNeodymium = random() < 0.06;
  const draw = random();
  let sum = 0;
  const [nominalSize, cutoutMm, depthMm] =
    SIZES.find(([, , , share]) => {
      sum += share;
      return sum >= draw;
    }) ?? (SIZES[6] as (typeof SIZES)[number]);
  const isTweeter = nominalSize === '1 in';
  const maker = `Maker ${Math.floor(random() * 24)}`;
  const line = LINES[Math.floor(random() * LINES.length)] as number;
  const motor = Math.exp(0.13 * stray(random));
  const half = (value: number) => Math.round(2 * value) / 2;
  const cutout = half(cutoutMm * (1 + 0.018 * stray(random)));
  const flange = half(cutout + cutoutMm * 0.18 + 1.5 * stray(random));
  const flangeThickness = half(Math.max(2, 4.2 + 0.9 * stray(random)));
  const depth = half(depthMm * line * motor ** 0.45 * Math.exp(0.03 * stray(random)));
  const magnet = half(cutoutMm * (isNeodymium ? 0.38 : 0.6) * motor ** 0.5 * Math.exp(0.035 * stray(random)));
  const size = 1 + Math.floor(random() * 4);
  return Array.from({ length: size }, () => {
    const kinds: readonly Kind[] = isTweeter ? ['tweeter'] : ['coaxial', 'component woofer', 'full range'];
    const mass = 0.0021 * magnet ** 2 * (depth + 20) * 0.55 * Math.exp(0.09 * stray(random));
    const power =
      0.021 * (isNeodymium ? magnet * 1.55 : magnet) ** 1.75 * (isTweeter ? 2 : 1) * Math.exp(0.18 * stray(random));
    const stated = <Value>(share: number, value: Value) => (random() < share ? value : undefined);
    const figures: Figures = {
      cutout,
      flange,
      flangeThickness: stated(0.85, flangeThickness),
      depth: Math.max(5, half(depth + 0.25 * stray(random))),
      frontHeight: stated(0.7, half(Math.max(0, 7 + 3 * stray(random)))),
      magnet: stated(0.9, magnet),
      mass: stated(0.75, Math.round(mass)),
      impedance: random() < 0.86 ? 4 : random() < 0.6 ? 2 : 8,
      power: stated(0.9, Math.max(5, 5 * Math.round(power / 5))),
      sensitivity: stated(0.85, half(87 + 12 * Math.log10(cutoutMm / 100) + 1.3 * stray(random))),
    } as Figures;
    for (const id of Object.keys(figures) as FigureId[]) if (figures[id] === undefined) delete figures[id];
    return { maker, speakerKind: kinds[Math.floor(random() * kinds.length)] as Kind, nominalSize, figures, family };
  });
}

/** A slip: which rows it may be made in, and what it does. */
type SlipKind = {
  readonly what: string;
  readonly figure: FigureId;
  readonly make: (figures: Figures) => Figures | null;
};

const times = (what: string, figure: FigureId, factor: number): SlipKind => ({
  what,
  figure,
  make: (figures) =>
    figures[figure] === undefined
      ? null
      : { ...figures, [figure]: Number(((figures[figure] as number) * factor).toPrecision(4)) },
});
const swapped = (a: FigureId, b: FigureId): SlipKind => ({
  what: `${a} and ${b} swapped`,
  figure: a,
  // Two that are as large as each other are no slip that anybody could see, nor one that harms.
  make: (figures) => {
    const [one, other] = [figures[a], figures[b]];
    if (one === undefined || other === undefined || Math.abs(Math.log(one / other)) < 0.35) return null;
    return { ...figures, [a]: other, [b]: one };
  },
});

const SLIP_KINDS: readonly SlipKind[] = [
  times('in inches', 'depth', 1 / 25.4),
  times('in inches', 'cutout', 1 / 25.4),
  times('in inches', 'magnet', 1 / 25.4),
  times('in centimetres', 'depth', 0.1),
  times('in centimetres', 'flange', 0.1),
  times('decimal sign lost', 'depth', 10),
  times('decimal sign lost', 'magnet', 10),
  times('in kilograms', 'mass', 1e-3),
  times('in pounds', 'mass', 1 / 453.59237),
  times('a peak of ten times', 'power', 10),
  times('decimal sign lost', 'impedance', 10),
  swapped('depth', 'cutout'),
  swapped('depth', 'magnet'),
  swapped('cutout', 'magnet'),
  {
    what: 'from the top of the flange',
    figure: 'depth',
    make: (figures) => ({ ...figures, depth: (figures.depth as number) + (figures.flangeThickness as number) }),
  },
];

function plant(rows: { figures: Figures; family: number }[], slips: number, random: () => number): Planted[] {
  const planted: Planted[] = [];
  const taken = new Set<number>();
  for (let tries = 0; planted.length < slips && tries < 400 * slips; tries++) {
    const kind = SLIP_KINDS[planted.length % SLIP_KINDS.length] as SlipKind;
    const at = Math.floor(random() * rows.length);
    const row = rows[at] as (typeof rows)[number];
    // One slip a family: what its sisters say is all that tells a misread depth.
    if (taken.has(row.family)) continue;
    if (kind.what.startsWith('from the top') && !hasSisters(rows, at)) continue;
    const was = row.figures[kind.figure];
    const made = was === undefined ? null : kind.make(row.figures);
    if (!made || was === undefined) continue;
    row.figures = made;
    taken.add(row.family);
    planted.push({ at, what: `${FIGURE_WORDS[kind.figure].label} ${kind.what}`, figure: kind.figure, was });
  }
  return planted;
}

function hasSisters(rows: readonly { figures: Figures; family: number }[], at: number): boolean {
  const { figures, family } = rows[at] as (typeof rows)[number];
  if (figures.magnet === undefined || figures.flangeThickness === undefined) return false;
  const sisters = rows.filter(
    (row) => row.family === family && row.figures.magnet !== undefined && row.figures.flangeThickness !== undefined,
  );
  return sisters.length >= 3;
}
