/** Nobody signs as the second person for somebody else. */
import type { Bay } from '../model';
import { isSame } from './Field';

/** @returns the first signature that this person cannot have given, with why; null where there is none */
export function forgedSecond(
  before: Bay,
  after: Bay,
  personName: string,
): { readonly path: string; readonly message: string } | null {
  for (const [id, { seconded }] of Object.entries(after.steps)) {
    if (!seconded || isSame(before.steps[id]?.seconded, seconded) || seconded.by === personName) continue;
    const message = `${seconded.by} signs this where ${seconded.by} is signed in: this is ${personName}’s screen.`;
    return { path: `bay.steps.${id}.seconded.by`, message };
  }
  return null;
}
