/** The spacers of a search as the engine tries them: figures side by side, the lowest first. */
import { toMargin } from '../../uncertainty/Margin';
import { ringRoomOf } from '../checks/boltsCheck';
import type { FitOpening, FitRules, FitSpacer } from '../shapes';
import { addedParts, madeRings } from '../stackSearch';

export type SpacerOption = {
  readonly spacer: FitSpacer;
  readonly heightMm: number;
  /** Of its height, and the square of that: how rectangular it is. */
  readonly variance: number;
  readonly fourth: number;
  readonly parts: number;
  /** Room of the screws in a bought ring; NaN in one that is cut. */
  readonly ringValue: number;
  readonly ringExpanded: number;
};

/** Bought rings in which the screws land, and rings that can be cut from the shop's sheet. */
export function spacerOptions(
  { bolts }: FitOpening,
  spacers: readonly FitSpacer[],
  rules: FitRules,
): readonly SpacerOption[] {
  if (!bolts) return [];
  const bought = spacers.flatMap((spacer): readonly SpacerOption[] => {
    const room = ringRoomOf(bolts, spacer);
    if (room.valueMm < 0) return [];
    const { valueMm, expandedMm } = toMargin(room, rules.confidence);
    return [optionOf(spacer, valueMm, expandedMm)];
  });
  const made = madeRings(rules).map((ring) => optionOf(ring, Number.NaN, Number.NaN));
  return [...bought, ...made].sort((a, b) => a.heightMm - b.heightMm);
}

/** Whether two lists hold the same spacers in the same order. Rings that are cut to suit are made anew for every opening. */
export function areSameSpacers(spacers: readonly SpacerOption[], others: readonly SpacerOption[]): boolean {
  return spacers.length === others.length && spacers.every(({ spacer }, at) => spacer.id === others[at]?.spacer.id);
}

function optionOf(spacer: FitSpacer, ringValue: number, ringExpanded: number): SpacerOption {
  const { valueMm, uncertaintyMm } = spacer.height;
  return {
    spacer,
    heightMm: valueMm,
    variance: uncertaintyMm ** 2,
    fourth: uncertaintyMm ** 4,
    parts: addedParts({ brackets: [], spacer }),
    ringValue,
    ringExpanded,
  };
}
