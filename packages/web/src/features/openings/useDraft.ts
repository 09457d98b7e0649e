/** The draft of one opening, kept on the device at every change until it is saved or given up. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { useCallback, useState } from 'react';
import { readStored, writeStored } from '../../ui/stored';
import { type OpeningDraft, readDraft, toDraft } from './openingDraft';

export type DraftState = {
  readonly draft: OpeningDraft;
  /** Something is typed that the shop does not have. */
  readonly dirty: boolean;
  /** The draft was found on the device when the screen opened. */
  readonly broughtBack: boolean;
  readonly change: (next: (before: OpeningDraft) => OpeningDraft) => void;
  /** Starts over from what is stored: after a save, or when the person gives the draft up. */
  readonly startFrom: (opening: Opening) => void;
};

type Held = { readonly draft: OpeningDraft; readonly dirty: boolean; readonly broughtBack: boolean };

export function useDraft(opening: Opening): DraftState {
  const key = `draft.opening.${opening.id}`;
  const [held, setHeld] = useState<Held>(() => {
    const kept = readDraft(readStored(key) ?? '');
    if (kept) return { draft: kept, dirty: true, broughtBack: true };
    return { draft: toDraft(opening.record, opening.version), dirty: false, broughtBack: false };
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
      setHeld({ draft: toDraft(stored.record, stored.version), dirty: false, broughtBack: false });
    },
    [key],
  );

  // Nothing is typed here: show what others have saved in the meantime.
  if (!held.dirty && held.draft.version !== opening.version) {
    setHeld({ draft: toDraft(opening.record, opening.version), dirty: false, broughtBack: false });
  }
  return { ...held, change, startFrom };
}
