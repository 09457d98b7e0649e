/**
 * The draft of one opening, kept on the device at every change until the shop has it or it is given up. Saving hands it to
 * the outbox; it is forgotten here once its entry is gone from there, whichever tab sent it.
 */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { useMe } from '../../api/me';
import { deviceStore } from '../../device/DeviceStore';
import { forgetDraft, readDraftText, writeDraftText } from '../../device/drafts';
import type { SaveOpening } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { draftKey } from './draftKey';
import { type OpeningDraft, readDraft, rebase, toDraft } from './openingDraft';
import { openingKeys } from './openingKeys';

export type DraftState = {
  readonly draft: OpeningDraft;
  /** Something is typed that the shop does not have. */
  readonly dirty: boolean;
  /** The draft was found on the device when the screen opened. */
  readonly broughtBack: boolean;
  /** What of this opening waits to be sent, in order. */
  readonly waiting: readonly SaveOpening[];
  /** The shop has it, and this device has not forgotten its draft yet. */
  readonly isSettling: boolean;
  readonly change: (next: (before: OpeningDraft) => OpeningDraft) => void;
  /** Saves: the entry is sent as soon as the server takes it. */
  readonly handOver: (entry: SaveOpening) => void;
  /** Gives the draft up for what is stored. */
  readonly startFrom: (opening: Opening) => void;
};

type Held = {
  readonly draft: OpeningDraft;
  readonly dirty: boolean;
  readonly broughtBack: boolean;
  /** What was sent of a draft that was typed on meanwhile, until the shop's answer is here to put it on. */
  readonly typedOn: string | null;
};

export function useDraft(opening: Opening): DraftState {
  // By person: at a shared tablet nobody finds what somebody else was typing.
  const key = draftKey(useMe().id, opening.id);
  const queries = useQueryClient();
  const { outbox, entries } = useOutbox();
  const waiting = entries.filter(
    (entry): entry is SaveOpening => entry.kind === 'saveOpening' && entry.openingId === opening.id,
  );
  const last = waiting.at(-1) ?? null;
  const [held, setHeld] = useState<Held>(() => {
    const kept = readDraft(readDraftText(key) ?? '');
    if (kept) return { draft: kept, dirty: true, broughtBack: last === null, typedOn: null };
    return clean(opening);
  });
  /** The draft of the last entry that was handed over here. */
  const [sent, setSent] = useState<string | null>(last?.draft ?? null);

  const isGone = sent !== null && !waiting.some((entry) => entry.draft === sent);
  useEffect(() => {
    if (!isGone || sent === null) return;
    void queries.invalidateQueries({ queryKey: openingKeys.one(opening.id) });
    // Saved is said once the draft is nowhere any more: a page that is left at that very moment would find it again, on what stood there before.
    void forgetDraft(deviceStore, key, sent).then(() => {
      setSent((now) => (now === sent ? null : now));
      setHeld((before) =>
        JSON.stringify(before.draft) === sent
          ? { ...before, dirty: false, broughtBack: false, typedOn: null }
          : { ...before, typedOn: sent },
      );
    });
  }, [isGone, sent, key, opening.id, queries]);

  const handOver = useCallback(
    (entry: SaveOpening) => {
      setSent(entry.draft);
      void outbox.add(entry);
    },
    [outbox],
  );

  const change = useCallback(
    (next: (before: OpeningDraft) => OpeningDraft) =>
      setHeld((before) => {
        const draft = next(before.draft);
        writeDraftText(deviceStore, key, JSON.stringify(draft));
        return { ...before, draft, dirty: true };
      }),
    [key],
  );

  const startFrom = useCallback(
    (stored: Opening) => {
      writeDraftText(deviceStore, key, null);
      setHeld(clean(stored));
    },
    [key],
  );

  if (opening.version > held.draft.version) {
    // Nothing is typed here: show what others have saved in the meantime.
    if (!held.dirty) setHeld(clean(opening));
    else if (held.typedOn !== null) {
      const from = readDraft(held.typedOn);
      const draft = from ? rebase(held.draft, from, opening) : held.draft;
      writeDraftText(deviceStore, key, JSON.stringify(draft));
      setHeld({ ...held, draft, typedOn: null });
    }
  }
  return { ...held, waiting, isSettling: isGone, change, handOver, startFrom };
}

function clean({ record, version }: Opening): Held {
  return { draft: toDraft(record, version), dirty: false, broughtBack: false, typedOn: null };
}
