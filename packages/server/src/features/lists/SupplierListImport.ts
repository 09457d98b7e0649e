/** Brings a supplier's list into the library, offers of known parts and new speakers: one change, with one undo. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import {
  type importList,
  type ListImported,
  MOST_LIST_ROWS,
  MOST_TOLD,
  SHOWN_ROWS,
} from '@low-quarry/core/contracts/supplierLists';
import {
  type ColumnUnit,
  type Finding,
  guessColumns,
  type ListColumn,
  type OfferPlan,
  planOffers,
  planSpeakers,
  readList,
  type SpeakerPlan,
  type Table,
} from '@low-quarry/core/lists';
import { stringify } from 'csv-stringify/sync';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { refused } from '../../http/AppError';
import type { History } from '../history/History';
import { PartsImport } from '../library/PartsImport';
import { PartsStore } from '../library/PartsStore';
import { SettingsStore } from '../settings/SettingsStore';
import { type ReadTable, readTable } from './readTable';

type Asked = z.output<typeof importList.body>;

export class SupplierListImport {
  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {}

  /** @throws AppError for a file that is no list, or one without what a list needs: then nothing is changed */
  async bringIn(asked: Asked, importId: string): Promise<ListImported> {
    const { name, supplier, day, tryOut } = asked;
    const file = readTable(Buffer.from(asked.base64, 'base64'), MOST_LIST_ROWS);
    if (!file.ok) throw refused(file.failure, [{ path: 'base64', message: file.failure }]);
    const { table } = file.value;
    const guessed = guessColumns(table);
    const columns = asked.columns ?? guessed.columns;
    const { currency } = await new SettingsStore(this.manager).get();
    const list = readList(table, { ...guessed, columns, units: asked.units ?? guessed.units, ownCurrency: currency });
    const parts = await new PartsStore(this.manager).listAllParts();
    const offers = planOffers(list, { supplier, parts, day, withDoubts: asked.withDoubts });
    const speakers = planSpeakers(offers, { supplier, parts, day, columns, withDoubted: asked.withDoubted });
    if (!tryOut) await this.write(`${supplier}: ${name}`, changedParts(parts, offers, speakers), importId);
    return toAnswer(file.value, { headRows: guessed.headRows, columns, units: list.units }, offers, speakers);
  }

  private async write(name: string, parts: readonly PartRecord[], importId: string): Promise<void> {
    await new PartsImport(this.manager, this.history).bringIn(
      name.slice(0, 120),
      { format: 'parts', version: 2, parts: [...parts], connectors: [] },
      importId,
      { tryOut: false, mayReplace: true },
    );
  }
}

/** Every part that is another one by the list: with its offers, with its figures, or new. */
function changedParts(
  parts: readonly PartRecord[],
  { changes }: OfferPlan,
  { added, changed }: SpeakerPlan,
): PartRecord[] {
  const figures = new Map(changed.map((speaker) => [speaker.id, speaker]));
  const others = parts.flatMap((part): PartRecord[] => {
    const offers = changes.get(part.id);
    const now = figures.get(part.id) ?? part;
    return offers ? [{ ...now, offers: [...offers] }] : now === part ? [] : [now];
  });
  return [...others, ...added];
}

const GRAVEST_FIRST: readonly Finding['grade'][] = ['error', 'doubt', 'note'];

type Understood = Pick<ListImported, 'headRows'> & {
  readonly columns: readonly (ListColumn | null)[];
  readonly units: readonly (ColumnUnit | null)[];
};

function toAnswer(
  { table, readAs, delimiter }: ReadTable,
  { headRows, columns, units }: Understood,
  offers: OfferPlan,
  speakers: SpeakerPlan,
): ListImported {
  const { added, changed, same, priceRatio, gone } = offers;
  const { unknown, doubted, notCompared } = speakers;
  const keptOut = [...new Set([...offers.keptOut, ...speakers.keptOut])].sort((a, b) => a - b);
  const findings = [...offers.findings, ...speakers.findings].sort(
    (a, b) => GRAVEST_FIRST.indexOf(a.grade) - GRAVEST_FIRST.indexOf(b.grade) || a.line - b.line,
  );
  return {
    readAs,
    rows: table.length,
    headRows,
    columns: [...columns],
    units: [...units],
    shown: table.slice(0, headRows + SHOWN_ROWS).map((row) => [...row]),
    ...{ added, changed, same, priceRatio, gone, doubted, notCompared },
    newSpeakers: speakers.added.length,
    changedSpeakers: speakers.changed.length,
    unknown: unknown.length,
    unknownRows: unknown.slice(0, MOST_TOLD).map(({ line, number, name }) => ({ line, number, name })),
    doubts: offers.findings.filter(({ grade }) => grade === 'doubt').length,
    keptOut: keptOut.length,
    findings: findings.slice(0, MOST_TOLD).map((each) => ({ ...each })),
    found: findings.length,
    toMend: toMend(table, headRows, delimiter, keptOut),
  };
}

/** With the list's own headings, so that it is understood again; nothing in it is run by a spreadsheet that opens it. */
function toMend(table: Table, headRows: number, delimiter: string, lines: readonly number[]): string | null {
  if (lines.length === 0) return null;
  const rows = [...table.slice(0, headRows), ...lines.map((line) => table[line - 1] ?? [])];
  return stringify(
    rows.map((row) => [...row]),
    { delimiter, escape_formulas: true, record_delimiter: '\r\n', bom: true },
  );
}
