/** The spaces of the vehicle to choose from; what was chosen stays to be seen, though the vehicle has it no more. */
import type { Job } from '@low-quarry/core/contracts/jobs';

export function spaceOptions({ vehicle: { spaces }, crossovers, stowed }: Job): Readonly<Record<string, string>> {
  const names = [...(spaces ?? []), ...[...crossovers, ...stowed].map(({ space }) => ({ name: space }))]
    .map(({ name }) => name)
    .filter((name) => name !== '');
  return Object.fromEntries(names.map((name) => [name, name]));
}
