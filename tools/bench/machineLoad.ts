/**
 * How much of the machine others use while something is timed: a loop that has nothing to do with the fit, and that wants
 * all of a core's arithmetic, takes longer then.
 */

const numbers = Float64Array.from({ length: 2048 }, (_, at) => 1 + at * 1e-5);
let leastMs = Number.POSITIVE_INFINITY;
let sink = 0;

function loopMs(): number {
  const start = performance.now();
  let [a, b, c, d] = [0, 0, 0, 0];
  // Four sums side by side: one alone would wait for itself and leave room for a neighbour.
  for (let round = 0; round < 160; round++) {
    for (let at = 0; at < numbers.length; at += 4) {
      a += (numbers[at] as number) * 1.1;
      b += (numbers[at + 1] as number) * 1.2;
      c += (numbers[at + 2] as number) * 1.3;
      d += (numbers[at + 3] as number) * 1.4;
    }
  }
  sink += a + b + c + d;
  return performance.now() - start;
}

/** How many times as long as at its best the loop takes now: 1 on a machine that nobody else uses. */
export function machineLoad(): number {
  const ms = loopMs();
  leastMs = Math.min(leastMs, ms);
  if (!Number.isFinite(sink)) throw new Error('machineLoad: expected finite sums');
  return ms / leastMs;
}

/** Until the machine has compiled it, and has been at its best once. */
export function warmMachineLoad(): void {
  for (let each = 0; each < 400; each++) machineLoad();
}
