/** A margin in plain numbers, written over and over. */
import { isWorseAlike, verdictOf } from './Scratch';

export type MarginMm = { value: number; expanded: number };

export function newMargin(): MarginMm {
  return { value: 0, expanded: 0 };
}

export function setMargin(out: MarginMm, value: number, expanded: number): void {
  out.value = value;
  out.expanded = expanded;
}

/** Nothing to ask for yet; to be filled by `keepWorse`. */
export function clearMargin(out: MarginMm): void {
  setMargin(out, Number.POSITIVE_INFINITY, 0);
}

/** Keeps the worse of what stands there and another margin, as the checks have it. */
export function keepWorse(out: MarginMm, value: number, expanded: number): void {
  if (out.value === Number.POSITIVE_INFINITY) {
    setMargin(out, value, expanded);
    return;
  }
  const now = verdictOf(out.value, out.expanded);
  const next = verdictOf(value, expanded);
  if (now !== next ? next < now : !isWorseAlike(value, expanded, out.value, out.expanded, next)) return;
  out.value = value;
  out.expanded = expanded;
}
