/** What was signed stays as it was signed. */
import type { Baseline } from '../model';
import { isSame } from './Field';

/** What a signature stands under; what is tried at hand-over comes after it. */
const SIGNED_PARTS = ['functions', 'radio', 'listening', 'damage'] as const satisfies readonly (keyof Baseline)[];

/**
 * What a signature forbids.
 *
 * @returns the field and why, or null. Who signed, signed what stands there: it changes only once the signature is taken off, which is the
 *   owner's to do
 */
export function signatureForbids(
  before: Baseline,
  after: Baseline,
  isOwner: boolean,
): { readonly path: string; readonly message: string } | null {
  if (before.signed === null) return null;
  const { by, at } = before.signed;
  const told = `${by} signed this on ${at.slice(0, 10)}.`;
  if (!isSame(before.signed, after.signed)) {
    if (isOwner && after.signed === null) return null;
    const todo = isOwner ? 'Take that signature off first.' : 'The owner can take the signature off.';
    return { path: 'baseline.signed', message: `${told} ${todo}` };
  }
  const changed = SIGNED_PARTS.find((part) => !isSame(before[part], after[part]));
  if (!changed) return null;
  return {
    path: `baseline.${changed}`,
    message: `${told} It stays as it was; the owner can take the signature off, and then it is signed again.`,
  };
}
