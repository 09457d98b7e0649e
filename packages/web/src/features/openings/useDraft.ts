/** The draft of one opening, kept on the device at every change until it is saved or given up. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { useCallback, useState } from 'react';
import { useMe } from '../../api/me';
import { readStored, writeStored } from '../../ui/stored';
import { type OpeningDraft, readDraft, toDraft } from './openingDraft';

export type DraftState = {
  readonly draft: OpeningDraft;
  /** Something is typed that the shop does not have. */
  readonly dirty: boolean;
  /** The draft was found on the device when the screen opened. */
  readonly broughtBack: boolean;
  readonly change: (next: (before: OpeningDraft) => OpeningDraft) => void;
  /** Gives the draft up for what is stored. */
  readonly startFrom: (opening: Opening) => void;
  /** Tells that a draft was saved. What was typed since stays a draft, on the version that is stored now. */
  readonly saved: (opening: Opening, sent: OpeningDraft) => void;
};

type Held = { readonly draft: OpeningDraft; readonly dirty: boolean; readonly broughtBack: boolean };

export function useDraft(opening: Opening): DraftState {
  // By person: at a shared tablet nobody finds what somebody else was typing.
  const key = `draft.${useMe().id}.opening.${opening.id}`;
  const [held, setHeld] = useState<Held>(() => {
    const kept = readDraft(readStored(key) ?? '');
    if (kept) return { draft: kept, dirty: true, broughtBack: true };
    return clean(opening);
  });

  const change = useCallback(
    (next: (before: OpeningDraft) => OpeningDraft) =>
      setHeld((before) => {
        const draft = next(before.draft);
        writeStored(key, JSON.stringify(draft));
        return { ...before, draft, dirty: true };
      }),
    [key],
  );

  const startFrom = useCallback(
    (stored: Opening) => {
      writeStored(key, null);
      setHeld(clean(stored));
    },
    [key],
  );

  const saved = useCallback(
    (stored: Opening, sent: OpeningDraft) => {
      // Done here and not below: the screen may have been left before the answer came.
      if (readStored(key) === JSON.stringify(sent)) writeStored(key, null);
      setHeld((before) => {
        if (before.draft === sent) return clean(stored);
        const draft = { ...before.draft, version: stored.version };
        writeStored(key, JSON.stringify(draft));
        return { ...before, draft };
      });
    },
    [key],
  );

  // Nothing is typed here: show what others have saved in the meantime.
  if (!held.dirty && held.draft.version !== opening.version) {
    setHeld(clean(opening));
  }
  return { ...held, change, startFrom, saved };
}

function clean({ record, version }: Opening): Held {
  return { draft: toDraft(record, version), dirty: false, broughtBack: false };
}
