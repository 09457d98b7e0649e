/**
 * Refuses text that PostgreSQL cannot keep, before it gets there: the character U+0000, and halves of characters (lone
 * surrogates), which JSON lets through (RFC 8259, section 8.2).
 */
import { AppError } from './AppError';

const UNSTORABLE = /\p{Surrogate}|\0/u;
const LONGEST_PATH = 200;

/** @throws AppError 400 with the path of such a text */
export function requireStorable(value: unknown): void {
  const path = findUnstorable(value);
  if (path === null) return;
  const message = 'It holds a character that cannot be kept (U+0000, or half of one); send text without it.';
  throw new AppError(400, 'invalid', 'Not valid', `${path ? `${path}: ` : ''}${message}`, {
    errors: [{ path, message }],
  });
}

/** By a list of what is still to be looked at: what somebody sends may be nested deeper than calls may be. */
function findUnstorable(value: unknown): string | null {
  const open: { readonly path: string; readonly value: unknown }[] = [{ path: '', value }];
  for (let next = open.pop(); next; next = open.pop()) {
    if (typeof next.value === 'string') {
      if (UNSTORABLE.test(next.value)) return next.path;
    } else if (typeof next.value === 'object' && next.value !== null) {
      for (const [key, each] of Object.entries(next.value)) {
        if (UNSTORABLE.test(key)) return next.path;
        // Of what is nested deeper than any record only that it is there is said.
        const path = next.path === '' ? key : next.path.length < LONGEST_PATH ? `${next.path}.${key}` : next.path;
        open.push({ path, value: each });
      }
    }
  }
  return null;
}
