/** How long something takes, and how much memory a process has had. */
import { readFileSync } from 'node:fs';

/** The middle one, and those that 95 and 99 of 100 are not above. */
export function figuresOf(took: readonly number[]) {
  const sorted = [...took].sort((a, b) => a - b);
  const at = (share: number) => Math.round((sorted[Math.floor((sorted.length - 1) * share)] ?? Number.NaN) * 10) / 10;
  return { median: at(0.5), p95: at(0.95), p99: at(0.99) };
}

/** @returns ms */
export async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

/** The most that a process has had in memory, MB. */
export function mostMb(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  return Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1]) / 1024);
}
