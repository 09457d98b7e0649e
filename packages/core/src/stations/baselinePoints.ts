/** What is open of the baseline: before the work, and when the keys go back. */
import { comparedAtHandOver, functionsTried, type Standing, untried } from '../model';
import type { OpenPoint, PointJob, PointOpening, ShopWishes } from './point';

/** What nobody tried before the work is the shop's fault after it. */
export function baselinePoints(
  job: PointJob,
  openings: readonly PointOpening[],
  { signature }: ShopWishes,
): readonly OpenPoint[] {
  const { vehicle, baseline } = job;
  const all = functionsTried(vehicle, baseline);
  const left = untried(vehicle, baseline, openings);
  const common = {
    station: 'bookIn',
    askedAt: 'counter',
    settledAt: { kind: 'baseline' },
    isHeld: false,
  } as const;
  const stake = 'What was broken before is blamed on the shop afterwards.';
  return [
    ...(left.length > 0
      ? [
          {
            ...common,
            id: 'functions',
            words: `Try what works: ${left.length} of ${countOf(all.length, 'thing')} ${left.length === 1 ? 'is' : 'are'} not tried.`,
            stake,
          },
        ]
      : []),
    ...(baseline.damage === null
      ? [{ ...common, id: 'damage', words: 'Look for scratches and missing parts.', stake }]
      : []),
    ...(baseline.radio === null
      ? [
          {
            ...common,
            id: 'radioSettings',
            words: 'Write down how the radio is set.',
            stake: 'Without supply it forgets, and nothing sounds as it did.',
          },
        ]
      : []),
    ...(baseline.listening.length === 0
      ? [
          {
            ...common,
            id: 'listening',
            words: 'Listen at a few volume steps, and write them down.',
            stake: 'Nobody can say afterwards what improved; only what was heard before is compared.',
          },
        ]
      : []),
    ...(signature === 'asked' && baseline.signed === null
      ? [
          {
            ...common,
            id: 'signature',
            words: 'Have the customer sign for what works and what is scratched.',
            stake: 'Unsigned it is one word against another afterwards.',
          },
        ]
      : []),
  ];
}

/** Whether something was done to the car, or tried again after it. */
export function isWorkBegun({ baseline }: PointJob, openings: readonly PointOpening[]): boolean {
  return Object.keys(baseline.after).length > 0 || openings.some(({ record: { build } }) => build.length > 0);
}

/** The same list again before the keys go back, once there is work: what worked and does not any more is the shop's. */
export function handOverPoints(job: PointJob, openings: readonly PointOpening[]): readonly OpenPoint[] {
  if (!isWorkBegun(job, openings)) return [];
  const compared = comparedAtHandOver(job.vehicle, job.baseline, openings);
  const of = (standing: Standing) => compared.filter((each) => each.standing === standing).length;
  const common = { station: 'handOver', askedAt: 'handOver', settledAt: { kind: 'handOver' } } as const;
  const [worse, left] = [of('worse'), of('notTried')];
  return [
    ...(worse > 0
      ? [
          {
            ...common,
            id: 'worse',
            words: `${countOf(worse, 'thing')} that worked before ${worse === 1 ? 'does' : 'do'} not work now.`,
            stake: 'The car does not leave like that.',
            isHeld: true,
          },
        ]
      : []),
    ...(left > 0
      ? [
          {
            ...common,
            id: 'triedAgain',
            words: `Try again what was tried before: ${countOf(left, 'thing')} ${left === 1 ? 'is' : 'are'} left.`,
            stake: 'A plug that was forgotten is found by the customer.',
            isHeld: false,
          },
        ]
      : []),
  ];
}

/** "1 thing", "2 things" */
function countOf(count: number, thing: string): string {
  return `${count} ${count === 1 ? thing : `${thing}s`}`;
}
