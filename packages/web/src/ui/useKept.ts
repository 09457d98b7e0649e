/**
 * A form's state, kept on the device by person from the first letter until the shop has it or it is given up: a reload, a
 * crash or the end of a session loses nothing.
 */
import { useState } from 'react';
import type { z } from 'zod';
import { useMe } from '../api/me';
import { deviceStore } from '../device/DeviceStore';
import { draftPrefix, readDraftText, writeDraftText } from '../device/drafts';

export type Kept<State> = {
  readonly state: State;
  readonly keep: (next: State) => void;
  /** The shop has it, or it was given up: this is what is shown from now on. */
  readonly settle: (next: State) => void;
  /** Something was typed, and is neither in the shop nor given up. */
  readonly isTouched: boolean;
  /** It was found on the device when the form opened. */
  readonly broughtBack: boolean;
};

/** @param schema reads what an older page may have kept; what it cannot read is let go */
export function useKept<State>(name: string, schema: z.ZodType<State>, initial: () => State): Kept<State> {
  const key = `${draftPrefix(useMe().id)}${name}`;
  const [held, setHeld] = useState(() => {
    const found = readKept(readDraftText(key), schema);
    return { state: found ?? initial(), isTouched: found !== null, broughtBack: found !== null };
  });
  const keep = (state: State) => {
    writeDraftText(deviceStore, key, JSON.stringify(state));
    setHeld((before) => ({ ...before, state, isTouched: true }));
  };
  const settle = (state: State) => {
    writeDraftText(deviceStore, key, null);
    setHeld({ state, isTouched: false, broughtBack: false });
  };
  return { ...held, keep, settle };
}

/** What was kept, as far as it can be read today. */
export function readKept<State>(text: string | null, schema: z.ZodType<State>): State | null {
  try {
    const read = schema.safeParse(JSON.parse(text ?? ''));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
