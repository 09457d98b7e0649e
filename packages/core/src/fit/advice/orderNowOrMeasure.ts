/**
 * For a favourite: what ordering now is expected to cost, against measuring first.
 *
 * Ordering now costs a return with the chance that it does not fit. Measuring costs the minutes at the car, and a return
 * only where the measurement still says "clears" and it does not fit after all; where it says "hits", nothing is ordered.
 */
import type { Judgement } from '../Judgement';
import { type Action, outcomesOf } from './nextMeasurement';

export type OrderCosts = {
  readonly returnCostMinor: number;
  readonly minuteCostMinor: number;
  /** Common practice, no source: to take one more reading at an open door. */
  readonly minutes: number;
};

export type OrderNowOrMeasure = {
  readonly orderNowMinor: number;
  readonly measureMinor: number;
  readonly better: 'order' | 'measure';
};

export const READING_MINUTES = 4;

export function orderNowOrMeasure(
  judgement: Judgement,
  chance: number,
  action: Action,
  confidence: number,
  { returnCostMinor, minuteCostMinor, minutes }: OrderCosts,
): OrderNowOrMeasure {
  const outcomes = outcomesOf(judgement, action, confidence);
  const share = (verdict: string) => outcomes.filter((each) => each === verdict).length / outcomes.length;
  // What is still open after the reading carries the risk that it had before.
  const wrong = share('clears') * (1 - confidence) + share('measure') * (1 - chance);
  const orderNowMinor = (1 - chance) * returnCostMinor;
  const measureMinor = minutes * minuteCostMinor + wrong * returnCostMinor;
  return { orderNowMinor, measureMinor, better: orderNowMinor <= measureMinor ? 'order' : 'measure' };
}
