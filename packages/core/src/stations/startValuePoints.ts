/** What was set is written down before the keys go back: whoever opens the car next begins there. */
import { isWorkBegun } from './baselinePoints';
import type { OpenPoint, PointJob, PointOpening } from './point';
import { startValues, startValuesLeft } from './startValues';

export function startValuePoints(
  job: PointJob,
  openings: readonly PointOpening[],
  confidence: number,
): readonly OpenPoint[] {
  if (!isWorkBegun(job, openings)) return [];
  const values = startValues(job, openings, confidence);
  const left = startValuesLeft(values, job.baseline.settings);
  if (left.length === 0) return [];
  return [
    {
      id: 'settings',
      station: 'handOver',
      askedAt: 'handOver',
      words: `Write down how it was set: ${left.length} of ${values.length} ${left.length === 1 ? 'is' : 'are'} left.`,
      stake: 'A battery that was off forgets, and whoever comes next begins anew.',
      settledAt: { kind: 'handOver' },
      isHeld: false,
    },
  ];
}
