/**
 * What a person types and has not saved, kept on the device by person. All of it is read once when they come in, so that a
 * screen has its draft at its first drawing; each change is written at once. A draft names its form; one of an earlier form, and
 * those that earlier programs kept in local storage, are taken over.
 */

import type { DeviceStore } from './DeviceStore';
import { reportKept, reportNotKept } from './notKept';
import { readStored, storedKeys, writeStored } from './stored';
import { listenToTabs } from './tabs';

/** 1: text in local storage. 2: text with the number of its form in IndexedDB. */
const FORM = 2;
type KeptDraft = { readonly form: typeof FORM; readonly text: string };

const drafts = new Map<string, string>();
const turns = new Map<string, Promise<void>>();
let tabs: ReturnType<typeof listenToTabs> | null = null;

export const draftPrefix = (personId: string) => `draft.${personId}.`;

/**
 * Reads every draft of a person, takes over what an earlier program kept, and follows what other tabs change.
 *
 * @returns stops following, and forgets what is in memory: the next person's drafts are read anew
 */
export async function openDrafts(store: DeviceStore, personId: string, listen = listenToTabs): Promise<() => void> {
  const prefix = draftPrefix(personId);
  drafts.clear();
  tabs?.stop();
  const mine = listen((key) => {
    if (key.startsWith(prefix)) void follow(store, key);
  });
  tabs = mine;
  try {
    for (const [key, kept] of await store.list(prefix)) {
      const text = textOf(kept);
      if (text !== null && !drafts.has(key)) drafts.set(key, text);
    }
  } catch {
    // A device that keeps nothing: each change says so when it is made.
  }
  for (const key of storedKeys(prefix)) {
    const text = readStored(key);
    if (text === null) continue;
    if (!drafts.has(key)) drafts.set(key, text);
    await write(store, key);
    // Only what is safe in its new place is taken away from its old one.
    if (!unsafe.has(key)) writeStored(key, null);
  }
  return () => {
    mine.stop();
    if (tabs !== mine) return;
    tabs = null;
    drafts.clear();
  };
}

/** Another tab has changed it: that is what there is. */
async function follow(store: DeviceStore, key: string): Promise<void> {
  const text = textOf(await store.get(key).catch(() => null));
  if (text === null) drafts.delete(key);
  else drafts.set(key, text);
}

export function readDraftText(key: string): string | null {
  return drafts.get(key) ?? null;
}

/** @param text null when there is none any more */
export function writeDraftText(store: DeviceStore, key: string, text: string | null): void {
  if (text === null) drafts.delete(key);
  else drafts.set(key, text);
  void write(store, key);
}

/**
 * Forgets a draft unless it was typed on since, here or in another tab.
 *
 * @returns when the device has forgotten it, or is known to keep nothing
 */
export function forgetDraft(store: DeviceStore, key: string, text: string): Promise<void> {
  if (drafts.get(key) === text) drafts.delete(key);
  return inTurn(key, async () => {
    await store.update(key, (before) => (textOf(before) === text ? null : (before ?? null)));
    tabs?.tell(key);
  }).catch(() => {
    // What was not kept is not there.
  });
}

const unsafe = new Set<string>();

/** One change after the other for a key. */
function inTurn(key: string, work: () => Promise<void>): Promise<void> {
  const next = (turns.get(key) ?? Promise.resolve()).catch(() => {}).then(work);
  turns.set(key, next);
  return next;
}

/** Of what is typed at this moment: by its turn the list may be another person's. */
function write(store: DeviceStore, key: string): Promise<void> {
  const text = drafts.get(key);
  return inTurn(key, async () => {
    try {
      await (text === undefined ? store.remove(key) : store.set(key, { form: FORM, text } satisfies KeptDraft));
      unsafe.delete(key);
      reportKept(key);
      tabs?.tell(key);
    } catch {
      if (text === undefined) return;
      unsafe.add(key);
      reportNotKept({ key, label: 'what is typed and not saved', value: parsed(text) });
    }
  });
}

function textOf(kept: unknown): string | null {
  if (typeof kept === 'string') return kept;
  const { form, text } = (kept ?? {}) as Partial<KeptDraft>;
  return form === FORM && typeof text === 'string' ? text : null;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
