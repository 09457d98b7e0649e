/** What a check has to be able to do: look at a stack in numbers, and put into words what decided. */
import type { LengthUnit } from '../../units';
import type { Nearest, OpeningDimensionKey } from '../Check';
import type { View } from '../layout/View';
import type { FitRules } from '../shapes';
import type { Gaps } from './Gaps';

export type Told = {
  readonly sentence: string;
  /** Where the margin is; null where it has no place in space. */
  readonly nearest: Nearest | null;
  /** Dimensions of the opening that must be taken before this can be judged. */
  readonly missing?: readonly OpeningDimensionKey[];
};

export type CheckKind = {
  /**
   * Its place when a catalogue is ranked: the cheap ones first, then those that fail most often. 'beside' is never the
   * candidate's own word, so that it is asked only when words are made.
   */
  readonly askedAt: number | 'beside';
  /** From how many sides of equal chance one of the gaps that it offers may close at the most: a sheet that leans, from four. */
  readonly mostSides: number;
  /** Whether another turn of the parts may change the answer. */
  readonly dependsOnTurn: (view: View) => boolean;
  /** Which end of the range of spacer heights it sets: the least by what is behind, the most by what is in front. */
  readonly setsHeight: 'least' | 'most' | null;
  /** Offers every gap that it knows of, or a fact. */
  readonly ask: (view: View, gaps: Gaps, rules: FitRules) => void;
  /** The same gaps seen from their sides, for the chance alone; left out where they have none. */
  readonly askAround?: (view: View, gaps: Gaps, rules: FitRules) => void;
  /** Words for what `gaps` says decided. */
  readonly tell: (view: View, gaps: Gaps, rules: FitRules, unit: LengthUnit) => Told;
};
