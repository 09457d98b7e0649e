/** Who was signed in at this device when the server last answered: enough to look at the open job while it is away. */
import { type SessionState, sessionStateSchema } from '@low-quarry/core/contracts/sessions';
import { z } from 'zod';
import { readStored, writeStored } from '../../device/stored';

const KEY = 'session';
const LEFT_KEY = 'left';
type SignedIn = Extract<SessionState, { kind: 'signedIn' }>;

/** Somebody signed out here while the server was away: it does not know yet. */
const leftSchema = z.object({ kind: z.literal('left'), name: z.string(), waiting: z.int() });
export type Left = z.infer<typeof leftSchema>;

export function keepSession(state: SessionState): void {
  writeStored(KEY, state.kind === 'signedIn' ? JSON.stringify(state) : null);
}

export function readSession(): SignedIn | null {
  const state = parse(KEY, sessionStateSchema);
  return state?.kind === 'signedIn' ? state : null;
}

export function keepLeft(left: Left | null): void {
  writeStored(LEFT_KEY, left && JSON.stringify(left));
}

export function readLeft(): Left | null {
  return parse(LEFT_KEY, leftSchema);
}

function parse<Kept>(key: string, schema: z.ZodType<Kept>): Kept | null {
  try {
    const read = schema.safeParse(JSON.parse(readStored(key) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
