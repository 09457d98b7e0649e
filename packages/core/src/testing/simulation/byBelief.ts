/**
 * What a measurement is worth by what is believed before it is taken: every outcome that is as likely as any other is
 * written down and all candidates are judged anew. Nothing of the true car is in it, and nothing of how the advice counts.
 */
import { type Action, spreadOf } from '../../fit/advice/nextMeasurement';
import { mapOpening } from '../../fit/dimensionNames';
import { sheetFit } from '../../fit/layout/sheetFit';
import type { Candidate, FitOpening, FitRules } from '../../fit/shapes';
import { sheetDepthMm } from '../../geometry/glassSheet';
import { normalQuantile } from '../../math/normalQuantile';
import type { OpeningRecord } from '../../model/opening';
import { rimPlaceList } from '../../model/toFitOpening';
import { judgeSimulated } from './simulateCar';
import { withReading, writtenOpening } from './written';

/**
 * @param open candidates that are to be measured
 * @param outcomes how many, each in the middle of an equal part of the normal distribution
 * @returns how many of them it settles on average; null where nothing is believed of what it would read
 */
export function settledByBelief(
  record: OpeningRecord,
  open: readonly Candidate[],
  action: Action,
  rules: FitRules,
  outcomes: number,
): number | null {
  const opening = writtenOpening(record);
  const believed = believedMm(record, opening, action.key);
  if (believed === null) return null;
  let settled = 0;
  for (let at = 0; at < outcomes; at++) {
    const valueMm = believed + spreadOf(action) * normalQuantile((at + 0.5) / outcomes);
    const reading = { readingsMm: [valueMm], source: action.instrument, entered: '', takenBy: null, takenAt: null };
    const after = writtenOpening(withReading(record, action.key, reading));
    settled += open.filter((candidate) => judgeSimulated(after, candidate, rules).verdict !== 'measure').length;
  }
  return settled / outcomes;
}

/** What a reading is expected to be, mm. */
function believedMm(record: OpeningRecord, opening: FitOpening, key: string): number | null {
  let found: number | null = null;
  mapOpening(opening, (name, dimension) => {
    if (name === `opening.${key}` || name === `opening.${key}Y`) found = dimension.valueMm;
    return dimension;
  });
  if (found !== null) return found;
  const place = rimPlaceList(record, opening).find((each) => each.key === key);
  const fitted = sheetFit(opening);
  return place && fitted ? sheetDepthMm(fitted.sheet, place.xMm, place.yMm) : null;
}
