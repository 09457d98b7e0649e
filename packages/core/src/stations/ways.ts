/** Ways for wires of a vehicle, by what they begin and end at. */
import type { Route } from '../model';

/** From the radio or an amplifier to a place, m; null where nobody measured it. */
export function wayTo(routes: readonly Route[], label: string): number | null {
  const way = routes.find(({ from, to }) => isSame(to, label) && !isSame(from, 'battery'));
  return way?.lengthMm ? way.lengthMm / 1000 : null;
}

export function wayBetween(routes: readonly Route[], start: string, end: string): number | null {
  const way = routes.find(({ from, to }) => isSame(from, start) && isSame(to, end));
  return way?.lengthMm ? way.lengthMm / 1000 : null;
}

export function isSame(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}

/** A cable is cut too long rather than too short: rounded up to a decimetre. */
export function metres(m: number): string {
  return `${(Math.ceil(m * 10 - 1e-6) / 10).toFixed(1)} m`;
}
