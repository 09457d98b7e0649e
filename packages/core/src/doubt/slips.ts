/**
 * What people and programs do to a figure on its way into a list, and how often: common practice, no source. The shares are what a slip is
 * weighed by against a speaker that is merely unusual.
 */
import { FIGURE_WORDS } from '../catalogue';
import type { Compared } from './classFigures';

type Known = Readonly<Partial<Record<Compared, number>>>;
export type Slip = {
  /** The end of "… is likely that", such as "it is in inches". */
  readonly words: string;
  /** Of all rows, those in which it was made. */
  readonly share: number;
  /** What was meant, by what is there; one or two figures. */
  readonly meant: Readonly<Partial<Record<Compared, (values: Known) => number>>>;
  /** The figure that is named for it. */
  readonly figure: Compared;
};

const LENGTHS = ['cutout', 'flange', 'flangeThickness', 'depth', 'frontHeight', 'magnet'] as const;
/** Those that stand beside one another in lists, and are as large as one another. */
const SWAPPED: readonly (readonly [Compared, Compared])[] = [
  ['depth', 'cutout'],
  ['depth', 'magnet'],
  ['depth', 'flange'],
  ['cutout', 'flange'],
  ['cutout', 'magnet'],
  ['flange', 'magnet'],
  ['flangeThickness', 'frontHeight'],
  ['power', 'sensitivity'],
];

const SHARE = 1e-4;

const FACTORS: readonly (readonly [readonly Compared[], number, string])[] = [
  [LENGTHS, 25.4, 'it is in inches'],
  [LENGTHS, 10, 'it is in centimetres'],
  [LENGTHS, 0.1, 'its decimal sign was lost'],
  [LENGTHS, 1 / 25.4, 'it was turned from inches twice'],
  [['mass'], 1000, 'it is in kilograms'],
  [['mass'], 453.59237, 'it is in pounds'],
  [['mass'], 28.349523125, 'it is in ounces'],
  [['mass'], 0.1, 'its decimal sign was lost'],
  [['power'], 10, 'a figure was lost at its end'],
  [['power'], 0.1, 'its decimal sign was lost'],
  [['power'], 0.5, 'it is the peak'],
  [['power'], 0.25, 'it is the peak of a pair'],
];

/** Of a figure each. */
const FACTOR_SLIPS: readonly Slip[] = FACTORS.flatMap(([figures, factor, words]) =>
  figures.map((figure) => ({ words, share: SHARE, figure, meant: { [figure]: timesFigure(figure, factor) } })),
);

function timesFigure(figure: Compared, factor: number) {
  return (values: Known) => (values[figure] ?? Number.NaN) * factor;
}

const SWAPS: readonly Slip[] = SWAPPED.map(([a, b]) => ({
  words: `it and the ${FIGURE_WORDS[b].label.toLowerCase()} stand in each other’s column`,
  share: SHARE,
  figure: a,
  meant: {
    [a]: (values: Known) => values[b] ?? Number.NaN,
    [b]: (values: Known) => values[a] ?? Number.NaN,
  } as Slip['meant'],
}));

export const SLIPS: readonly Slip[] = [...FACTOR_SLIPS, ...SWAPS];
/** That a figure is simply another one, for whatever reason. */
export const OTHER_SHARE = 1e-4;
/** That the row is called by another size's name. */
export const SIZE_SHARE = 5e-5;
