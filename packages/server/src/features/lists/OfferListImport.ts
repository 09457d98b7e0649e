/** Brings a supplier's list into the offers of the parts that it names: one change, with one undo. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import {
  type importOffers,
  MOST_LIST_ROWS,
  MOST_TOLD,
  type OffersImported,
  SHOWN_ROWS,
} from '@low-quarry/core/contracts/offerLists';
import {
  guessColumns,
  type OfferColumn,
  type OfferPlan,
  planOffers,
  readOfferList,
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

type Asked = z.output<typeof importOffers.body>;

export class OfferListImport {
  constructor(
    private readonly manager: EntityManager,
    private readonly history: History,
  ) {}

  /** @throws AppError for a file that is no list, or one without what a list needs: then nothing is changed */
  async bringIn(asked: Asked, importId: string): Promise<OffersImported> {
    const { name, supplier, day, withDoubts, tryOut } = asked;
    const file = readTable(Buffer.from(asked.base64, 'base64'), MOST_LIST_ROWS);
    if (!file.ok) throw refused(file.failure, [{ path: 'base64', message: file.failure }]);
    const { table } = file.value;
    const guessed = guessColumns(table);
    const columns = asked.columns ?? guessed.columns;
    const { currency } = await new SettingsStore(this.manager).get();
    const list = readOfferList(table, { headRows: guessed.headRows, columns, ownCurrency: currency });
    const parts = await new PartsStore(this.manager).listAllParts();
    const plan = planOffers(list, { supplier, parts, day, withDoubts });
    if (!tryOut) await this.write(`${supplier}: ${name}`, parts, plan, importId);
    return toAnswer(file.value, guessed.headRows, columns, plan);
  }

  private async write(
    name: string,
    parts: readonly PartRecord[],
    { changes }: OfferPlan,
    importId: string,
  ): Promise<void> {
    const changed = parts.flatMap((part) => {
      const offers = changes.get(part.id);
      return offers ? [{ ...part, offers: [...offers] }] : [];
    });
    await new PartsImport(this.manager, this.history).bringIn(
      name.slice(0, 120),
      { format: 'parts', version: 2, parts: changed, connectors: [] },
      importId,
      { tryOut: false, mayReplace: true },
    );
  }
}

function toAnswer(
  { table, encoding, delimiter }: ReadTable,
  headRows: number,
  columns: readonly (OfferColumn | null)[],
  plan: OfferPlan,
): OffersImported {
  const { added, changed, same, unknown, keptOut, priceRatio, gone, findings } = plan;
  return {
    encoding,
    partedBy: delimiter === '\t' ? 'tab' : delimiter,
    rows: table.length,
    headRows,
    columns: [...columns],
    shown: table.slice(0, headRows + SHOWN_ROWS).map((row) => [...row]),
    ...{ added, changed, same, priceRatio, gone },
    unknown: unknown.length,
    unknownRows: unknown.slice(0, MOST_TOLD).map(({ line, number, name }) => ({ line, number, name })),
    doubts: findings.filter(({ grade }) => grade === 'doubt').length,
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
