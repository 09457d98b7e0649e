/** Bolt patterns for tests and simulations. */
import { type BoltPattern, type HoleMm, patternHoles } from '../geometry/BoltPattern';
import { exactly } from '../uncertainty/Dimension';

export function onCircle(
  count: number,
  diameterMm: number,
  firstAngleRad = 0,
  slotMm = 0,
  slotRuns: 'radial' | 'tangential' = 'tangential',
) {
  const pattern: BoltPattern = {
    shape: { kind: 'circle', count, diameter: exactly(diameterMm), firstAngleRad },
    holeDiameterMm: 5,
    slotMm,
    slotRuns,
  };
  return patternHoles(pattern);
}

/** Patterns as they occur and as they do not: circles, free holes, slots at any angle, keyholes. */
export function anyPair(random: () => number): { screws: readonly HoleMm[]; holes: readonly HoleMm[]; playMm: number } {
  const between = (low: number, high: number) => low + (high - low) * random();
  const count = 2 + Math.floor(5 * random());
  const radius = between(30, 90);
  const screws = onCircle(count, 2 * radius, between(0, 6));
  const isCircle = random() < 0.5;
  const runs = random() < 0.5 ? 'radial' : 'tangential';
  const holes = isCircle
    ? onCircle(
        2 + Math.floor(7 * random()),
        2 * radius + between(-3, 3),
        between(0, 6),
        random() < 0.5 ? 0 : between(1, 8),
        runs,
      )
    : Array.from({ length: 2 + Math.floor(7 * random()) }, (): HoleMm => {
        const angle = between(0, 2 * Math.PI);
        const away = radius + between(-4, 4);
        const [slot, runsTo] = [random() < 0.6 ? between(0.5, 5) : 0, between(0, Math.PI)];
        return {
          xMm: away * Math.cos(angle),
          yMm: away * Math.sin(angle),
          slotXMm: slot * Math.cos(runsTo),
          slotYMm: slot * Math.sin(runsTo),
        };
      });
  return { screws, holes, playMm: between(0.2, 1.2) };
}
