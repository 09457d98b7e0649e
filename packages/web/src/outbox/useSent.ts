/** One entry that a form sends: whether it is under way, what was refused, and what the shop answered. */
import { useEffect, useRef, useState } from 'react';
import { newId } from '../ui/newId';
import type { FieldProblem } from '../ui/problemFields';
import type { Entry } from './Entry';
import { useOutbox } from './OutboxProvider';

type Common = 'id' | 'personId' | 'at' | 'refused';
type Without<Each> = Each extends Entry ? Omit<Each, Common> : never;
export type NewEntry = Without<Entry>;

const NOTHING_REFUSED: readonly FieldProblem[] = [];

/** @param onDone when the shop has it, with what it answered */
export function useSent(onDone: (answer: unknown) => void): {
  readonly isSending: boolean;
  /** Why it cannot be sent as it is; null while nothing was refused. */
  readonly refusal: Entry['refused'];
  /** What was refused, by field; the same list until it is another. */
  readonly problems: readonly FieldProblem[];
  /** Sends it in the place of what was refused before. */
  readonly send: (entry: NewEntry) => void;
} {
  const { outbox, entries } = useOutbox();
  const [sentId, setSentId] = useState<string | null>(null);
  const sent = entries.find(({ id }) => id === sentId) ?? null;
  const done = useRef(onDone);
  done.current = onDone;
  const isThere = sent !== null;
  useEffect(() => {
    if (sentId === null || isThere) return;
    setSentId(null);
    done.current(outbox.answerTo(sentId));
  }, [sentId, isThere, outbox]);
  const send = (entry: NewEntry) => {
    if (sent) void outbox.remove(sent.id);
    const id = newId();
    const { personId } = outbox;
    void outbox.add({ ...entry, id, personId, at: new Date().toISOString(), refused: null } as Entry);
    setSentId(id);
  };
  const refusal = sent?.refused ?? null;
  return { isSending: isThere && refusal === null, refusal, problems: refusal?.errors ?? NOTHING_REFUSED, send };
}
