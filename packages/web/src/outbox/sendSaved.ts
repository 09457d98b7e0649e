/** Sends a record that a form handed over, and puts it together with what somebody else saved of it meanwhile. */
import { isSame, mergeChanges } from '@low-quarry/core/records';
import type { SaveRecord } from './Entry';
import type { Sent } from './Sent';
import type { Versioned } from './saved/SavedKind';
import { savedKind } from './saved/savedKinds';

/** @throws what is kept and cannot be read any more, naming what is wrong with it */
export function putSaved({ of, recordId, version, record, id, personId }: SaveRecord): Promise<unknown> {
  const kind = savedKind(of);
  return kind.put(recordId, { version, record: kind.schema.parse(record) }, { key: id, personId });
}

/** @returns null where what the shop has cannot be read */
export function resolveSaved(entry: SaveRecord, current: unknown, newId: () => string): Sent | null {
  const kind = savedKind(entry.of);
  const theirs = kind.read(current);
  if (!theirs) return null;
  const { merged, clashes } = mergedOn(entry, entry.base, theirs);
  if (clashes.length > 0) return { kind: 'replaced', entry: { ...entry, clash: theirs } };
  if (isSame(merged, theirs.record)) return { kind: 'done', answer: current };
  const again = { ...entry, id: newId(), version: theirs.version, base: theirs.record, record: merged, clash: null };
  return { kind: 'replaced', entry: again };
}

/** What was handed over later was typed on top of what was sent. */
export function rebasedSaved(later: readonly SaveRecord[], sent: SaveRecord, answer: unknown): readonly SaveRecord[] {
  const now = savedKind(sent.of).read(answer);
  if (!now) return [];
  return later.map((entry) => {
    const { merged } = mergedOn(entry, sent.record, now);
    return { ...entry, version: now.version, base: now.record, record: merged, clash: null };
  });
}

function mergedOn({ of, record }: SaveRecord, base: unknown, theirs: Versioned<unknown>) {
  return mergeChanges(savedKind(of).fieldsOf(base, record, theirs.record), base, record, theirs.record);
}
