/**
 * Makes a demo shop large: 20,000 speakers and 2,000 brackets in its catalogue, 5,000 variants of vehicles, 2,000 jobs with their openings and choices, 300,000
 * lines of history. Everything is invented, and the same each time. What is chosen is the best stack of the demo's own parts.
 *
 * Run with the address of a database that has the demo shop, as its owner or above.
 */

import { type PartRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import { CatalogueIndex } from '@low-quarry/core/fit/search/CatalogueIndex';
import { FitEngine } from '@low-quarry/core/fit/search/FitEngine';
import { readingHalfWidthsMm, toFitRules } from '@low-quarry/core/model/settings';
import { toFitOpening } from '@low-quarry/core/model/toFitOpening';
import type { VehicleRecord } from '@low-quarry/core/model/vehicle';
import { readStored } from '@low-quarry/core/records/storedRecord';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { manyVehicles } from '@low-quarry/core/testing/manyVehicles';
import pg from 'pg';

const SPEAKERS = 20_000;
const BRACKETS = 2_000;
const JOBS = 2_000;
const VARIANTS = 5_000;
const LINES = Number(process.env.LQ_LINES ?? 300_000);
const ROWS = 500;

const [url] = process.argv.slice(2);
if (!url) throw new Error('largeShop: expected the address of a database');
const client = new pg.Client({ connectionString: url });
await client.connect();
await client.query(`SET lq.schema = '9223372036854775807'`);

async function insert(table: string, rows: readonly object[]): Promise<void> {
  const columns = Object.keys(rows[0] ?? {})
    .map((column) => `"${column}"`)
    .join(', ');
  for (let at = 0; at < rows.length; at += ROWS) {
    await client.query(
      `INSERT INTO "${table}" (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(NULL::"${table}", $1::jsonb)`,
      [JSON.stringify(rows.slice(at, at + ROWS))],
    );
  }
}

async function recordsOf<Kind extends 'part' | 'vehicle'>(kind: Kind) {
  const { rows } = await client.query(`SELECT "record" FROM "${kind}" ORDER BY "id"`);
  return rows.flatMap(({ record }) => {
    const read = readStored(kind, record);
    return read.ok ? [read.value] : [];
  });
}

const { rows: shops } = await client.query('SELECT "settings" FROM "shop"');
const settings = readStored('settings', shops[0]?.settings);
if (!settings.ok) throw new Error('largeShop: expected a shop, got none');
const shop = settings.value;
const vehicles = (await recordsOf('vehicle')) as VehicleRecord[];
const demo = (await recordsOf('part')) as PartRecord[];
const engine = new FitEngine(new CatalogueIndex(toFitCatalogue(demo)), toFitRules(shop));

const best = new Map<object, { readonly speakerId: string; readonly layerIds: readonly string[] }>();
for (const opening of vehicles.flatMap(({ openings }) => openings)) {
  engine.rank(toFitOpening(opening, readingHalfWidthsMm(shop), (id) => id));
  const [first] = engine.ranking().speakers;
  if (first) best.set(opening, { speakerId: first.speakerId, layerIds: first.best.layerIds });
}

await client.query('BEGIN');
const large = largeParts({ speakers: SPEAKERS, brackets: BRACKETS, seed: 1 });
await insert(
  'connector',
  [...new Set(large.flatMap((part) => (part.kind === 'harnessAdapter' ? [part.fromConnectorId] : [])))].map((id) => ({
    id,
    record: { id, name: id, ways: 2 },
  })),
);
await insert(
  'part',
  large.map((record) => ({ id: record.id, kind: record.kind, record, version: 1 })),
);

// Each with as much in its record as one of the demo's.
const [known] = vehicles;
await insert(
  'vehicle',
  manyVehicles(VARIANTS).map((record) => ({
    id: record.id,
    record: { ...record, openings: known?.openings ?? [] },
    version: 1,
  })),
);
await client.query('ANALYZE "vehicle"');

const id = (kind: number, at: number) => `00000000-0000-4000-9${kind}00-${String(at).padStart(12, '0')}`;
const jobs: object[] = [];
const openings: object[] = [];
const choices: object[] = [];
for (let at = 0; at < JOBS; at++) {
  const vehicle = vehicles[at % vehicles.length] as VehicleRecord;
  const due = new Date(Date.UTC(2026, 0, 1 + (at % 360))).toISOString().slice(0, 10);
  jobs.push({
    id: id(1, at),
    number: 1000 + at,
    vehicle_id: vehicle.id,
    customer: `Berth ${at}`,
    registration: `LARGE ${at}`,
    wants: 'clearer voices',
    contact: '',
    ownership: { owner: 'customer', leave: 'notAsked', by: '' },
    consents: {},
    expectations: [],
    due_on: at % 9 === 0 ? null : due,
    created_at: '2026-01-01T08:00:00Z',
    version: 1,
  });
  vehicle.openings.forEach((record, position) => {
    const openingId = id(2, openings.length);
    openings.push({ id: openingId, job_id: id(1, at), position, version: 1, record: { ...record, note: `car ${at}` } });
    const chosen = best.get(record);
    if (!chosen || (at + position) % 3 === 0) return;
    choices.push({
      opening_id: openingId,
      speaker_id: chosen.speakerId,
      layer_ids: chosen.layerIds,
      works: [],
      answers: [],
      earlier_reason: null,
      verdict_when_chosen: 'clears',
      chosen_at: '2026-01-02T08:00:00Z',
      version: 1,
      snapshot: null,
    });
  });
}
await insert('job', jobs);
await insert('opening', openings);
await insert('choice', choices);
await client.query(`SELECT setval(pg_get_serial_sequence('job', 'number'), 1000 + ${JOBS})`);

// Nobody listens yet: the lines are not told one by one.
await client.query('ALTER TABLE "change" DISABLE TRIGGER "change_is_told"');
const PLACES = ['Front door, left', 'Front door, right', 'Rear door, left', 'Rear deck, right', 'Dash, centre'];
const lines = Array.from({ length: LINES }, (_, at) => ({
  at: new Date(Date.UTC(2024, 0, 1) + at * 180_000).toISOString(),
  batch: id(3, at),
  person_id: null,
  person_name: ['Okke', 'Rieke', 'Jory', 'Merle'][at % 4],
  device_name: ['counter', 'bay 1', 'bay 2'][at % 3],
  kind: 'opening',
  record_id: id(4, Math.floor(at / 100)),
  job_id: null,
  label: PLACES[at % PLACES.length],
  action: 'changed',
  version: (at % 100) + 1,
  before: {
    note: `reading ${at}`,
    dimensions: { depthBehind: { readingsMm: [50 + (at % 300) / 10], source: 'measured' } },
  },
  after: {
    note: at === 777 ? 'the ptarmigan seal is torn' : `reading ${at + 1}`,
    dimensions: { depthBehind: { readingsMm: [50 + ((at + 7) % 300) / 10], source: 'measured' } },
  },
  undoes: null,
}));
await insert('change', lines);
await client.query('ALTER TABLE "change" ENABLE TRIGGER "change_is_told"');
await client.query('COMMIT');
await client.query('VACUUM ANALYZE');
await client.end();
console.log(
  `${large.length} parts, ${jobs.length} jobs, ${openings.length} openings, ${choices.length} choices, ${LINES} lines`,
);
