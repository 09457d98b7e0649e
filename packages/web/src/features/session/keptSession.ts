/** Who was signed in at this device when the server last answered: enough to look at the open job while it is away. */
import { type SessionState, sessionStateSchema } from '@low-quarry/core/contracts/session';
import { readStored, writeStored } from '../../ui/stored';

const KEY = 'session';
type SignedIn = Extract<SessionState, { kind: 'signedIn' }>;

export function keepSession(state: SessionState): void {
  writeStored(KEY, state.kind === 'signedIn' ? JSON.stringify(state) : null);
}

export function readSession(): SignedIn | null {
  try {
    const state = sessionStateSchema.safeParse(JSON.parse(readStored(KEY) ?? 'null'));
    return state.success && state.data.kind === 'signedIn' ? state.data : null;
  } catch {
    return null;
  }
}
