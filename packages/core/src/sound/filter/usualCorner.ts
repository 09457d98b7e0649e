/**
 * Where a high-pass usually lies: a cone that gets no bass it cannot play stands more of everything else, and a tweeter is kept from its
 * resonance. Common practice, no source.
 */
import type { DriverKind } from '../channel/electrics';
import type { FilterCorner } from './designFilter';

/** By nominal size, from small to large: up to so many inches, Hz. */
const BY_INCH: readonly (readonly [number, number])[] = [
  [3.5, 175],
  [4, 110],
  [5.25, 80],
  [Number.POSITIVE_INFINITY, 55],
];
const TWEETER_HZ = 5000;
/** Of a tweeter of which the resonance is known: so many times that (common practice). */
const OVER_RESONANCE = 2.5;

/**
 * @param nominalSize such as "6.5 in" or "6×9": of an oval its short side counts; another text for nobody says
 * @param resonanceHz null where nobody says
 */
export function usualHighPass(kind: DriverKind | null, nominalSize: string, resonanceHz: number | null): FilterCorner {
  if (kind === 'tweeter')
    return {
      hz: resonanceHz === null ? TWEETER_HZ : Math.max(2000, Math.round(OVER_RESONANCE * resonanceHz)),
      order: 1,
    };
  const inch = Number.parseFloat(nominalSize);
  const [, hz] = BY_INCH.find(([most]) => (Number.isNaN(inch) ? Number.POSITIVE_INFINITY : inch) <= most) as readonly [
    number,
    number,
  ];
  return { hz, order: 1 };
}
