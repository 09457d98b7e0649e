/**
 * Brings many parts in as one change: whole or not at all, one line of the history with the list of them behind it, and one undo. What
 * was changed by hand since is not undone over.
 */

import { type ConnectorRecord, namedConnectors, type PartRecord } from '@low-quarry/core/catalogue';
import type { PartsImported } from '@low-quarry/core/contracts/importParts';
import type { PartsFile } from '@low-quarry/core/formats';
import type { ListSaid, PartsImportState } from '@low-quarry/core/records';
import { isSame, readStored, toStored } from '@low-quarry/core/records';
import type { EntityManager } from 'typeorm';
import { insertRows } from '../../db/insertRows';
import { AppError, type FieldError, notFound, refused } from '../../http/AppError';
import type { History } from '../history/History';
import { HistoryStore } from '../history/HistoryStore';
import { ShelfStore } from '../shelf/ShelfStore';
import { inOwnCurrency } from './inOwnCurrency';
import { MakersBias, makersOf, withOwnBias, withoutBias } from './MakersBias';
import { type KeptPart, PartsStore, type StoredPart } from './PartsStore';

const MOST_ERRORS = 20;
/** So many parts are written at once. */
const BATCH = 1000;

/** A part as it was and as it is after an import; null where it was not, or is no more. */
type Step = {
  readonly id: string;
  readonly version: number;
  readonly before: object | null;
  readonly after: object | null;
};
type Wish = {
  readonly tryOut: boolean;
  readonly mayReplace: boolean;
  /** Kept with it for the next list of this supplier. */
  readonly said?: ListSaid | null;
  /** What it was worked out from, where that took long: what somebody else changed meanwhile is not written over. */
  readonly from?: readonly KeptPart[];
};
type InBatches = {
  readonly said: ListSaid | null;
  readonly from: readonly KeptPart[];
  /** Told after each batch how many parts are written. */
  readonly wrote: (parts: number) => void;
};
type Line = { readonly id: string; readonly version: number; readonly label: string };

export class PartsImport {
  private readonly store: PartsStore;

  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {
    this.store = new PartsStore(manager);
  }

  /** @throws AppError with the paths in the pack of what does not go with the catalogue: then nothing is changed */
  async bringIn(
    name: string,
    { parts: given, connectors }: PartsFile,
    importId: string,
    { tryOut, mayReplace, said = null, from }: Wish,
  ): Promise<PartsImported> {
    if (from) await this.requireUnchanged(versionsOf(from), given);
    const steps = await this.stepsFor(given, connectors);
    const added = steps.filter(({ before }) => before === null).length;
    const newConnectors = await this.store.newConnectors(connectors);
    const counts = { added, changed: steps.length - added, same: given.length - steps.length };
    if (counts.changed > 0 && !mayReplace) throw notYours(counts.changed);
    const answer = { ...counts, connectors: newConnectors.length };
    if (tryOut || steps.length + newConnectors.length === 0) return answer;
    await this.store.saveConnectors(newConnectors);
    await this.write(steps);
    await this.note(
      { id: importId, version: 1, label: name },
      'created',
      null,
      { name, added, changed: counts.changed, ...(said ? { said } : {}) },
      steps,
    );
    return answer;
  }

  /**
   * Brings so many parts in that they are never all in memory as what they change: in batches, and yet as one change.
   *
   * @throws AppError for a part that does not go with the catalogue, or was changed meanwhile: then nothing is changed
   */
  async bringInBatches(
    name: string,
    given: readonly PartRecord[],
    importId: string,
    { said, from, wrote }: InBatches,
  ): Promise<void> {
    const versions = versionsOf(from);
    const makers = new Set<string>();
    let [added, changed] = [0, 0];
    for (let at = 0; at < given.length; at += BATCH) {
      const batch = given.slice(at, at + BATCH);
      await this.requireUnchanged(versions, batch);
      const steps = await this.stepsFor(batch, []);
      const isNew = steps.filter(({ before }) => before === null).length;
      added += isNew;
      changed += steps.length - isNew;
      for (const maker of makersOf(steps.flatMap(({ before, after }) => [before, after]))) makers.add(maker);
      await this.put(steps);
      await this.keepSteps(importId, 1, steps);
      wrote(at + batch.length);
    }
    if (added + changed === 0) return;
    await new MakersBias(this.manager).renew(makers);
    const state = { name, added, changed, ...(said ? { said } : {}) };
    await this.noteLine({ id: importId, version: 1, label: name }, 'created', null, state);
  }

  /** What of these parts is another one than the library's. */
  private async stepsFor(given: readonly PartRecord[], own: readonly ConnectorRecord[]): Promise<readonly Step[]> {
    const known = await this.store.stored(given.map(({ id }) => id));
    const parts = (await inOwnCurrency(this.manager, given)).map((part) => withOwnBias(part, known.get(part.id)?.kept));
    await this.requireConnectors(parts, own);
    requireSameKinds(parts, known);
    return parts.flatMap((part) => stepTo(part, known.get(part.id)));
  }

  /**
   * Makes every part what it was before the import (`null`), or what the import made of it: those that were new are taken away, or
   * are there again.
   */
  async setTo(importId: string, label: string, state: PartsImportState | null): Promise<void> {
    const [last] = await new HistoryStore(this.manager).list({ kind: 'partsImport', record: importId }, 1);
    if (!last) throw notFound('parts pack');
    const is = last.after as PartsImportState | null;
    if ((is === null) === (state === null)) return;
    const steps = await this.stepsOf(importId, last.version);
    if (state === null) await this.requireUnused(steps.filter(({ before }) => before === null).map(({ id }) => id));
    await this.turn(steps, { id: importId, version: last.version + 1, label }, is, state);
  }

  private async requireUnused(ids: readonly string[]): Promise<void> {
    const used = await this.store.countChoicesOf(ids);
    const what = used === 1 ? '1 choice names a part' : `${used} choices name parts`;
    if (used > 0) throw cannot(`${what} of this pack; choose something else there first`);
    const lots = await new ShelfStore(this.manager).countOf(ids);
    if (lots > 0)
      throw cannot(`${lots === 1 ? '1 lot' : `${lots} lots`} of its parts on the shelf; take them off first`);
  }

  private async turn(
    steps: readonly Step[],
    line: Line,
    before: PartsImportState | null,
    after: PartsImportState | null,
  ): Promise<void> {
    const now = await this.store.stored(steps.map(({ id }) => id));
    const isAsLeft = ({ id, after: left }: Step) => {
      const found = now.get(id);
      return left === null
        ? found === undefined
        : found !== undefined && isSame(withoutBias(found.kept), withoutBias(left));
    };
    const others = steps.filter((step) => !isAsLeft(step));
    if (others.length > 0) throw changedSince(line.label, others.length);
    const back = steps.map((step): Step => {
      const { id, before: was, after: is } = step;
      return { id, version: (now.get(id)?.version ?? step.version) + 1, before: is, after: was };
    });
    await this.write(back);
    await this.note(line, after === null ? 'deleted' : 'broughtBack', before, after, back);
  }

  private async write(steps: readonly Step[]): Promise<void> {
    await this.put(steps);
    await new MakersBias(this.manager).renew(makersOf(steps.flatMap(({ before, after }) => [before, after])));
  }

  private async put(steps: readonly Step[]): Promise<void> {
    const gone = steps.filter(({ after }) => after === null).map(({ id }) => id);
    await new ShelfStore(this.manager).forgetRemoved(gone);
    await this.store.removeParts(gone);
    await this.store.putParts(steps.flatMap(({ id, version, after }) => (after ? [{ id, version, kept: after }] : [])));
  }

  private async note(
    line: Line,
    action: 'created' | 'deleted' | 'broughtBack',
    before: PartsImportState | null,
    after: PartsImportState | null,
    steps: readonly Step[],
  ): Promise<void> {
    await this.keepSteps(line.id, line.version, steps);
    await this.noteLine(line, action, before, after);
  }

  private async keepSteps(id: string, version: number, steps: readonly Step[]): Promise<void> {
    await insertRows(
      this.manager,
      'import_part',
      steps.map((step) => ({
        import_id: id,
        import_version: version,
        part_id: step.id,
        version: step.version,
        before: step.before,
        after: step.after,
      })),
    );
  }

  private async noteLine(
    { id, version, label }: Line,
    action: 'created' | 'deleted' | 'broughtBack',
    before: PartsImportState | null,
    after: PartsImportState | null,
  ): Promise<void> {
    await this.history.note({ kind: 'partsImport', recordId: id, jobId: null, label, action, version, before, after });
  }

  private async stepsOf(importId: string, version: number): Promise<readonly Step[]> {
    const steps: Step[] = await this.manager.query(
      `SELECT "part_id" AS "id", "version", "before", "after" FROM "import_part"
        WHERE "import_id" = $1 AND "import_version" = $2 ORDER BY "part_id"`,
      [importId, version],
    );
    if (steps.length === 0) throw notFound('parts pack');
    return steps;
  }

  private async requireUnchanged(from: ReadonlyMap<string, number>, given: readonly PartRecord[]): Promise<void> {
    const changed = await this.store.changedSince(
      from,
      given.map(({ id }) => id),
    );
    if (changed.length > 0) throw changedMeanwhile(changed.length);
  }

  private async requireConnectors(parts: readonly PartRecord[], own: readonly ConnectorRecord[]): Promise<void> {
    const named = parts.flatMap(namedConnectors).map(({ id }) => id);
    const there = new Set([...own, ...(await this.store.listConnectors(named))].map(({ id }) => id));
    const errors = parts.flatMap((part, at) =>
      namedConnectors(part)
        .filter(({ id }) => !there.has(id))
        .map(
          ({ field, id }): FieldError => ({
            path: `pack.parts.${at}.${field}`,
            message: `"${id}" is a connector neither of the pack nor of this shop.`,
          }),
        ),
    );
    refuseAll(errors);
  }
}

function versionsOf(from: readonly KeptPart[]): ReadonlyMap<string, number> {
  return new Map(from.map(({ id, version }) => [id, version]));
}

/** A part whose id is known stays of its kind: choices and openings go by it. */
function requireSameKinds(parts: readonly PartRecord[], known: ReadonlyMap<string, StoredPart>): void {
  const errors = parts.flatMap((part, at): FieldError[] => {
    const before = known.get(part.id);
    return before && before.kind !== part.kind
      ? [{ path: `pack.parts.${at}.kind`, message: `"${part.id}" is a ${before.kind} of this shop and stays one.` }]
      : [];
  });
  refuseAll(errors);
}

function refuseAll(errors: readonly FieldError[]): void {
  const [first] = errors;
  if (!first) return;
  throw refused(`${first.path}: ${first.message} Nothing was changed.`, errors.slice(0, MOST_ERRORS));
}

/** @returns nothing where the part is as the pack has it */
function stepTo(part: PartRecord, before: StoredPart | undefined): readonly Step[] {
  const after = toStored('part', part);
  if (!before) return [{ id: part.id, version: 1, before: null, after }];
  const read = readStored('part', before.kept);
  if (read.ok && isSame(read.value, part)) return [];
  return [{ id: part.id, version: before.version + 1, before: before.kept, after }];
}

function changedSince(label: string, others: number): AppError {
  const what = others === 1 ? '1 part of it was' : `${others} parts of it were`;
  return new AppError(
    409,
    'overtaken',
    'Changed since',
    `"${label}" cannot be taken back as a whole: ${what} changed since. Nothing was changed.`,
  );
}

function changedMeanwhile(count: number): AppError {
  const what = count === 1 ? '1 part of it was' : `${count} parts of it were`;
  return new AppError(
    409,
    'overtaken',
    'Changed meanwhile',
    `${what} changed by somebody else while this was worked out. Nothing was changed: ask for it again.`,
  );
}

function cannot(why: string): AppError {
  const message = `The parts pack cannot be taken back: ${why}.`;
  return refused(message, [{ path: 'to', message }]);
}

function notYours(changed: number): AppError {
  const what = changed === 1 ? '1 part of it is' : `${changed} parts of it are`;
  return new AppError(
    403,
    'not-yours',
    'Not yours to replace',
    `${what} here already with other figures: replacing them is for the owner. Leave them out of the pack, and what is new comes in. Nothing was changed.`,
  );
}
