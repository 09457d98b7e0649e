/** Sends what waits, oldest first, until something has to wait longer. */
import { newId } from '../ui/newId';
import { type Entry, nextToSend } from './Entry';
import type { Outbox } from './Outbox';
import { rebased } from './rebased';
import type { Sent } from './Sent';
import { sendEntry } from './sendEntry';

/** @returns when nothing of the entry is kept elsewhere on the device */
export type Done = (entry: Entry, answer: unknown) => Promise<void>;

export async function sendAll(outbox: Outbox, onDone: Done, isStopped: () => boolean, send = sendEntry): Promise<void> {
  for (let entry = nextToSend(outbox.entries()); entry && !isStopped(); entry = nextToSend(outbox.entries())) {
    const sent = await send(entry, newId).catch((error: unknown) => faultOf(entry as Entry, error));
    if (sent.kind === 'later') return;
    if (sent.kind === 'replaced') await outbox.replace(entry.id, sent.entry);
    else {
      // Before its entry: a page that is closed in between sends it again, and finds no draft of what the shop has.
      await onDone(entry, sent.answer);
      for (const later of await rebased(outbox.entries(), entry, sent.answer)) await outbox.replace(later.id, later);
      await outbox.settle(entry.id, sent.answer);
    }
  }
}

/** An answer that cannot be read is no reason to send for ever. */
function faultOf(entry: Entry, error: unknown): Sent {
  const message = error instanceof Error ? error.message : String(error);
  return { kind: 'replaced', entry: { ...entry, refused: { type: '', message, errors: [] } } };
}
