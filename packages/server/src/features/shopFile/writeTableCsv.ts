/** Jobs, openings, parts or the history as CSV (RFC 4180), one line a record, nested facts as JSON in their cell. */
import { JOB_FACT_KEYS } from '@low-quarry/core/model';
import type { DataSource, EntityManager } from 'typeorm';
import { csvText } from '../../http/csvText';
import { atOneMoment } from './readRows';
import { readHistory, readJobs, readRecords } from './shopFileRows';

export const CSV_TABLES = ['jobs', 'openings', 'parts', 'history'] as const;
export type CsvTable = (typeof CSV_TABLES)[number];

type Row = Readonly<Record<string, unknown>>;

const JOB_COLUMNS = [
  'id',
  'number',
  'version',
  'vehicleId',
  ...JOB_FACT_KEYS,
  'ended',
  'createdAt',
  'deletedAt',
  'deletedBy',
  'openings',
];
const HISTORY_COLUMNS = [
  'id',
  'at',
  'personId',
  'personName',
  'deviceName',
  'kind',
  'recordId',
  'jobId',
  'label',
  'action',
  'version',
  'before',
  'after',
  'undoes',
  'batch',
];

/** In bits of one line, read as they are asked for. */
export function writeTableCsv(db: DataSource, table: CsvTable): AsyncGenerator<string> {
  return atOneMoment(db, async function* (manager) {
    const { columns, rows } = await tableOf(manager, table);
    yield csvText([columns]);
    for await (const row of rows) yield csvText([columns.map((column) => toCell(row[column]))], { isBeginning: false });
  });
}

async function tableOf(manager: EntityManager, table: CsvTable) {
  switch (table) {
    case 'jobs':
      return { columns: JOB_COLUMNS, rows: jobRows(manager) };
    case 'openings':
      return {
        columns: ['job', 'id', 'version', ...(await keysOf(manager, 'opening')), 'choice'],
        rows: openingRows(manager),
      };
    case 'parts':
      return { columns: await keysOf(manager, 'part'), rows: readRecords(manager, 'part') as AsyncGenerator<Row> };
    case 'history':
      return { columns: HISTORY_COLUMNS, rows: readHistory(manager) as AsyncGenerator<Row> };
  }
}

async function* jobRows(manager: EntityManager): AsyncGenerator<Row> {
  for await (const { openings, ...job } of readJobs(manager)) yield { ...job, openings: openings.length };
}

async function* openingRows(manager: EntityManager): AsyncGenerator<Row> {
  for await (const { number, openings } of readJobs(manager)) {
    for (const { id, version, record, choice } of openings) yield { job: number, id, version, ...record, choice };
  }
}

/** Every key that a record of the table has. */
async function keysOf(manager: EntityManager, table: 'opening' | 'part'): Promise<string[]> {
  const rows: { key: string }[] = await manager.query(
    `SELECT DISTINCT jsonb_object_keys("record") AS "key" FROM "${table}" ORDER BY 1`,
  );
  return rows.map(({ key }) => key);
}

function toCell(value: unknown): string {
  if (value === null || value === undefined) return '';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
