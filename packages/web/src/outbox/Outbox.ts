/**
 * What one person did at this device and the shop does not have yet, kept on the device. Each change is made to what is kept, not
 * to what this tab has read of it, so that two tabs lose nothing of each other's; other tabs of the same person see it too.
 *
 * What the device does not keep stays in this page, is sent from here, and is reported as not kept.
 */
import type { DeviceStore } from '../device/DeviceStore';
import { reportKept, reportNotKept } from '../device/notKept';
import { readStored, writeStored } from '../device/stored';
import { listenToTabs } from '../device/tabs';
import { lateCode } from '../ui/late';
import type { Entry } from './Entry';
import { type KeptEntry, toKept, type UnreadableEntry } from './keptEntries';

/** Every record's schema hangs on it, and most pages find nothing that was kept. */
const entryReader = lateCode(() => import('./readEntry').then((code) => code.readEntry));
/** What was kept is read later where the code for it did not come, ms. */
const READ_AGAIN_MS = 2000;

/** A change of the list that is on its way to the device. */
type Change = { readonly of: Entry | null; readonly make: (list: readonly KeptEntry[]) => readonly KeptEntry[] };

type Read = { readonly entries: readonly Entry[]; readonly unreadable: readonly UnreadableEntry[] };
const NOTHING: Read = { entries: [], unreadable: [] };

export class Outbox {
  private readonly key: string;
  private readonly listeners = new Set<() => void>();
  /** What the server answered to entries that are done, as long as this page is open. */
  private readonly answers = new Map<string, unknown>();
  private readonly tabs: ReturnType<typeof listenToTabs>;
  /** What is kept, by its text, as it was read, or why it cannot be. This page's own entries are known without being read. */
  private readonly known = new Map<string, Entry | string>();
  private kept: readonly KeptEntry[] = [];
  /** How many lists the device gave, and the last of them that is taken. */
  private given = 0;
  private taken = 0;
  private readAgain: ReturnType<typeof setTimeout> | undefined;
  private underWay: readonly Change[] = [];
  /** Of what is under way, what the device would not take. */
  private readonly failed = new WeakSet<Change>();
  private shown: Read = NOTHING;

  constructor(
    readonly personId: string,
    private readonly store: DeviceStore,
    listen = listenToTabs,
  ) {
    this.key = `outbox.${personId}`;
    this.tabs = listen((key) => {
      if (key === this.key) void this.reload();
    });
  }

  /** Reads what is kept, and takes over what an earlier program kept in local storage. */
  async open(): Promise<void> {
    await this.reload();
    const old = readStored(this.key);
    if (old === null) return;
    const found = parseList(old);
    await this.read(found);
    const has = (list: readonly KeptEntry[], each: KeptEntry) => list.some((other) => isSameEntry(other, each));
    await this.change(null, (list) => [...found.filter((each) => !has(list, each)), ...list]);
    // Only what is safe in its new place is taken away from its old one.
    if (this.underWay.length === 0) writeStored(this.key, null);
  }

  close(): void {
    this.tabs.stop();
    clearTimeout(this.readAgain);
  }

  /** In the order in which they were done; the same array until something changes. */
  entries = (): readonly Entry[] => this.shown.entries;

  /** What was kept by another program and cannot be read by this one. Nothing of it is thrown away by itself. */
  unreadable = (): readonly UnreadableEntry[] => this.shown.unreadable;

  /** Whether it would be found here after the page was closed. */
  isKept(id: string): boolean {
    return this.kept.some((each) => idOf(each) === id);
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** @returns when it is kept, or is known not to be */
  add(entry: Entry): Promise<void> {
    const kept = this.toKept(entry);
    return this.change(entry, (list) => [...list, kept], 'once');
  }

  /** Puts another in an entry's place; nothing when that is gone. */
  replace(id: string, next: Entry): Promise<void> {
    if (this.giveUp(id)) return this.add(next);
    const kept = this.toKept(next);
    return this.change(next, (list) => list.map((each) => (idOf(each) === id ? kept : each)));
  }

  remove(id: string): Promise<void> {
    this.giveUp(id);
    for (const [text, read] of this.known) if (typeof read !== 'string' && read.id === id) this.known.delete(text);
    return this.change(null, (list) => list.filter((each) => idOf(each) !== id));
  }

  dropUnreadable({ raw }: UnreadableEntry): Promise<void> {
    return this.change(null, (list) => list.filter((each) => !isSameEntry(each, raw as KeptEntry)));
  }

  /** The shop has it: the entry is gone, its answer can be asked for. */
  settle(id: string, answer: unknown): Promise<void> {
    this.answers.set(id, answer);
    return this.remove(id);
  }

  answerTo(id: string): unknown {
    return this.answers.get(id);
  }

  /** Takes back an entry that the device did not keep; tells whether there was one. */
  private giveUp(id: string): boolean {
    const found = this.underWay.find((each) => each.of?.id === id && this.failed.has(each));
    if (!found) return false;
    this.underWay = this.underWay.filter((each) => each !== found);
    reportKept(notKeptKey(id));
    return true;
  }

  /** @param shownAt once: what somebody did is seen before it is kept; what is taken away is seen when it is gone for good */
  private async change(of: Entry | null, make: Change['make'], shownAt: 'once' | 'kept' = 'kept'): Promise<void> {
    const change = { of, make };
    if (shownAt === 'once') this.underWay = [...this.underWay, change];
    this.tell();
    try {
      await this.take(await this.store.update(this.key, (before) => make(listOf(before))));
      this.underWay = this.underWay.filter((each) => each !== change);
      if (of) reportKept(notKeptKey(of.id));
      this.tabs.tell(this.key);
    } catch {
      // It stays among what is under way, which is shown and sent like the rest.
      this.failed.add(change);
      if (!this.underWay.includes(change)) this.underWay = [...this.underWay, change];
      if (of) reportNotKept({ key: notKeptKey(of.id), label: of.label, value: of });
    }
    this.tell();
  }

  private async reload(): Promise<void> {
    try {
      await this.take(listOf(await this.store.get(this.key)));
    } catch {
      // Nothing was kept here.
    }
    this.tell();
  }

  private toKept(entry: Entry): KeptEntry {
    const kept = toKept(entry);
    this.known.set(textOf(kept), entry);
    return kept;
  }

  /** What another page or program kept. */
  private async read(list: readonly KeptEntry[]): Promise<void> {
    const unknown = list.filter((each) => !this.known.has(textOf(each)));
    if (unknown.length === 0) return;
    const readEntry = await entryReader().catch(() => null);
    if (readEntry) for (const each of unknown) this.known.set(textOf(each), readEntry(each, this.personId));
    else {
      clearTimeout(this.readAgain);
      this.readAgain = setTimeout(() => void this.reload(), READ_AGAIN_MS);
    }
  }

  /** A list that is older than one already taken is not taken any more: reading it may have taken its time. */
  private async take(kept: readonly KeptEntry[]): Promise<void> {
    this.given += 1;
    const turn = this.given;
    await this.read(kept);
    if (turn < this.taken) return;
    this.taken = turn;
    this.kept = kept;
  }

  private tell(): void {
    const list = this.underWay.reduce<readonly KeptEntry[]>((before, { make }) => make(before), this.kept);
    const entries: Entry[] = [];
    const unreadable: UnreadableEntry[] = [];
    for (const raw of list) {
      const read = this.known.get(textOf(raw)) ?? NOT_READ_YET;
      if (typeof read === 'string') unreadable.push({ raw, why: read });
      else entries.push(read);
    }
    this.shown = { entries, unreadable };
    for (const listener of this.listeners) listener();
  }
}

const NOT_READ_YET = 'what reads it is not on this page yet: it is asked for again';

const textOf = (kept: KeptEntry) => String(JSON.stringify(kept));

const notKeptKey = (id: string) => `entry.${id}`;

function listOf(kept: unknown): readonly KeptEntry[] {
  return Array.isArray(kept) ? kept : [];
}

function parseList(text: string): readonly KeptEntry[] {
  try {
    return listOf(JSON.parse(text));
  } catch {
    // Half of a text is kept as what it is: somebody may make sense of it.
    return [{ text }];
  }
}

function idOf(entry: KeptEntry): unknown {
  return (entry as { readonly id?: unknown } | null)?.id;
}

function isSameEntry(a: KeptEntry, b: KeptEntry): boolean {
  return idOf(a) !== undefined ? idOf(a) === idOf(b) : JSON.stringify(a) === JSON.stringify(b);
}
