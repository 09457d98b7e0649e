/**
 * What one person did at this device and the shop does not have yet, kept on the device. Other tabs of the same person see
 * it too.
 */
import { readStored, subscribeToStored, writeStored } from '../ui/stored';
import { type Entry, entrySchema } from './Entry';

type Listener = () => void;

export class Outbox {
  private readonly key: string;
  private readonly listeners = new Set<Listener>();
  /** What the server answered to entries that are done, as long as this page is open. */
  private readonly answers = new Map<string, unknown>();
  private text: string | null = null;
  private list: readonly Entry[] = [];

  constructor(personId: string) {
    this.key = `outbox.${personId}`;
  }

  /** In the order in which they were done; the same array until something changes. */
  entries = (): readonly Entry[] => {
    const text = readStored(this.key);
    if (text !== this.text) {
      this.text = text;
      this.list = readEntries(text);
    }
    return this.list;
  };

  subscribe = (listener: Listener): (() => void) => {
    this.listeners.add(listener);
    const unsubscribe = subscribeToStored(this.key, listener);
    return () => {
      this.listeners.delete(listener);
      unsubscribe();
    };
  };

  add(entry: Entry): void {
    this.write([...this.entries(), entry]);
  }

  /** Puts another in an entry's place; nothing when that is gone. */
  replace(id: string, next: Entry): void {
    this.write(this.entries().map((entry) => (entry.id === id ? next : entry)));
  }

  remove(id: string): void {
    this.write(this.entries().filter((entry) => entry.id !== id));
  }

  /** The shop has it: the entry is gone, its answer can be asked for. */
  settle(id: string, answer: unknown): void {
    this.answers.set(id, answer);
    this.remove(id);
  }

  answerTo(id: string): unknown {
    return this.answers.get(id);
  }

  private write(entries: readonly Entry[]): void {
    if (!writeStored(this.key, entries.length === 0 ? null : JSON.stringify(entries))) {
      // A device that keeps nothing: it is held in this page, and sent from here.
      this.list = entries;
      this.text = readStored(this.key);
    }
    for (const listener of this.listeners) listener();
  }
}

/** What an older program wrote and this one cannot read is left out; it was shown when it was written. */
function readEntries(text: string | null): readonly Entry[] {
  try {
    const parsed: unknown = JSON.parse(text ?? '[]');
    if (!Array.isArray(parsed)) return [];
    return parsed.flatMap((each) => {
      const entry = entrySchema.safeParse(each);
      return entry.success ? [entry.data] : [];
    });
  } catch {
    return [];
  }
}
