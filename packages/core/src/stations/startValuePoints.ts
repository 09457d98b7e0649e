/** What was set is written down before the keys go back: whoever opens the car next begins there. */
import { isWorkBegun } from './baselinePoints';
import { channelSheets } from './channelSheets';
import type { OpenPoint, PointJob, PointOpening } from './point';
import { settablesOf } from './settable';

export function startValuePoints(
  job: PointJob,
  openings: readonly PointOpening[],
  confidence: number,
): readonly OpenPoint[] {
  if (!isWorkBegun(job, openings)) return [];
  const settables = settablesOf(channelSheets(job, openings, confidence));
  const left = settables.filter(({ what }) => job.baseline.settings[what] === undefined).length;
  if (left === 0) return [];
  return [
    {
      id: 'settings',
      station: 'handOver',
      askedAt: 'handOver',
      words: `Write down how it was set: ${left} of ${settables.length} ${left === 1 ? 'is' : 'are'} left.`,
      stake: 'A battery that was off forgets, and whoever comes next begins anew.',
      settledAt: { kind: 'handOver' },
      isHeld: false,
    },
  ];
}
