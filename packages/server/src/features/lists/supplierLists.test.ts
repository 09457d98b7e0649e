/** A supplier's list through the server: tried out, brought in, taken back; what is wrong in it changes nothing. */
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Offer, PartRecord } from '@low-quarry/core/catalogue';
import { type ListImported, MOST_LIST_ROWS } from '@low-quarry/core/contracts/supplierLists';
import { seededRandom } from '@low-quarry/core/math';
import { ABOVE, dirtyList } from '@low-quarry/core/testing/dirtyList';
import { dirtySpeakers } from '@low-quarry/core/testing/dirtySpeakers';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';
import type { History } from '../history/History';
import { type ListTask, planList } from './planList';
import { SupplierListImport } from './SupplierListImport';

const QUAYSIDE = 'Quayside Trade';
const HEADINGS = 'Art.-Nr.;Bezeichnung;VPE;Netto;Lieferzeit';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const send = (text: string | Buffer, changes: object = {}, http: Http = app.http) =>
  http.post('/api/parts/imports/lists').send({
    ...{ name: 'prices.csv', supplier: QUAYSIDE, columns: null, day: '2026-11-28' },
    base64: Buffer.from(text as string).toString('base64'),
    ...changes,
  });
const bring = async (text: string, changes: object = {}): Promise<ListImported> =>
  (await send(text, changes).expect(200)).body;
const offersOf = async (id: string): Promise<readonly Offer[]> =>
  (await app.http.get(`/api/parts/${id}`).expect(200)).body.record.offers;
const undo = async () => {
  const { body } = await app.http.get('/api/undo').expect(200);
  await app.http
    .post('/api/undo')
    .send({ changeIds: body.changes.map(({ id }: { id: number }) => id) })
    .expect(200);
};
const all = async () => {
  const rows: { record: PartRecord }[] = await app.db.query('SELECT "record" FROM "part" ORDER BY "id"');
  return rows.map(({ record }) => record);
};

describe('a list', () => {
  const SHOAL = 'spk-wrackline-shoal-65-slim';
  const LIST = [
    HEADINGS,
    'QT-1014;Wrackline Shoal 65 Slim;Paar;111,18;2-4 Tage',
    'NEW-1;Skerrivar Tide 6½;2;69,00;1 Woche',
    'QT-9999;Nobody knows it;1;5,00;',
  ].join('\n');

  test('that is tried out says what it changes, and changes nothing', async () => {
    const before = await all();
    const answer = await bring(LIST, { tryOut: true });
    expect(answer).toMatchObject({
      ...{ readAs: 'UTF-8, cells parted by “;”', rows: 4, headRows: 1 },
      columns: ['number', 'name', 'packSize', 'price', 'leadDays'],
      ...{ added: 1, changed: 1, same: 0, unknown: 1, keptOut: 0, findings: [], toMend: null },
      unknownRows: [{ line: 4, number: 'QT-9999', name: 'Nobody knows it' }],
    });
    // 111.18 over 109.00, worked by hand.
    expect(answer.priceRatio).toBeCloseTo(1.02, 12);
    expect(await all()).toEqual(before);
  });

  test('that is brought in changes the offers, is one line of the history, and is taken back as one', async () => {
    const before = await all();
    await bring(LIST);
    expect(await offersOf(SHOAL)).toMatchObject([
      { number: 'QT-1014', packSize: 2, packPriceMinor: 11118, leadDays: 4 },
    ]);
    expect(await offersOf('spk-skerrivar-tide-6-half')).toMatchObject([
      { supplier: 'Northmole Supply' },
      { supplier: QUAYSIDE, number: 'NEW-1', packPriceMinor: 6900, leadDays: 5 },
    ]);
    const { body } = await app.http.get('/api/history').query({ kind: 'partsImport' }).expect(200);
    expect(body.changes[0]).toMatchObject({ label: 'Quayside Trade: prices.csv', after: { added: 0, changed: 2 } });
    expect(await bring(LIST)).toMatchObject({ added: 0, changed: 0, same: 2 });
    await undo();
    expect((await all()).map(({ offers }) => offers)).toEqual(before.map(({ offers }) => offers));
  });

  test('has its columns as somebody says, where the guess is wrong', async () => {
    const text = 'A;B;C\nQT-1014;2;110,00';
    expect(await bring(text, { tryOut: true, columns: ['number', 'packSize', 'price'] })).toMatchObject({ changed: 1 });
    expect(await bring(text, { tryOut: true, columns: ['number', null, null] })).toMatchObject({ changed: 0, same: 1 });
    // Where nothing tells which part a row is of, nothing comes in.
    const none = await bring(text, { columns: [null, null, 'price'] });
    expect(none).toMatchObject({ added: 0, changed: 0, keptOut: 2 });
  });

  test('is read as the last one of this supplier was said to be, as long as its headings are the same', async () => {
    const text = 'A;B;C\nHS-1;2;110,00';
    const supplier = 'Marrow Supply';
    expect(await bring(text, { supplier, tryOut: true })).toMatchObject({ isAsBefore: false });
    const columns = [null, 'packSize', 'price'];
    await bring('A;B;C\nWrackline Shoal 65 Slim;2;110,00', { supplier, columns: ['name', ...columns.slice(1)] });
    const again = await bring('A;B;C\nWrackline Shoal 65 Slim;2;111,00', { supplier: 'marrow supply', tryOut: true });
    expect(again).toMatchObject({ isAsBefore: true, columns: ['name', 'packSize', 'price'], changed: 1 });
    const other = await bring('A;B;D\nWrackline Shoal 65 Slim;2;111,00', { supplier, tryOut: true });
    expect(other).toMatchObject({ isAsBefore: false });
    expect(await bring(text, { supplier, tryOut: true, columns })).toMatchObject({ isAsBefore: false, columns });
    await undo();
  });

  test('does not write over what somebody corrected while it was worked out', async () => {
    const { body } = await app.http.get(`/api/parts/${SHOAL}`).expect(200);
    const manager = app.heavy.manager;
    // Somebody else is quicker than what works the list out.
    const slow = async (task: ListTask) => {
      const record = { ...body.record, frontHeightMm: 9.5 };
      await app.http.put(`/api/parts/${SHOAL}`).send({ version: body.version, record }).expect(200);
      return planList(task, () => {});
    };
    const asked = {
      name: 'x.csv',
      supplier: QUAYSIDE,
      of: null,
      columns: null,
      units: null,
      day: '2026-11-28',
      withDoubts: false,
      withDoubted: false,
      tryOut: false,
    };
    const file = Buffer.from(`${HEADINGS}\nQT-1014;Shoal;2;112,00;`);
    const history = { note: async () => 1 } as unknown as History;
    await expect(
      new SupplierListImport(manager, history, slow).bringIn(asked, file, 'x', 'Okke', () => {}),
    ).rejects.toThrow(
      '1 part of it was changed by somebody else while this was worked out. Nothing was changed: ask for it again.',
    );
    expect(await offersOf(SHOAL)).toEqual(body.record.offers);
    await app.http
      .put(`/api/parts/${SHOAL}`)
      .send({ version: body.version + 1, record: body.record })
      .expect(200);
    expect(await offersOf(SHOAL)).toEqual(body.record.offers);
  });

  test('gives back what stays out: mended, and brought again, it comes in', async () => {
    const dirty = `${HEADINGS}\nQT-1014;Shoal;a few;110,00;\n=1+1;-;2;ring us;\nQT-1476;Lead;2;9,10;`;
    const { toMend, changed, keptOut } = await bring(dirty, { tryOut: true });
    expect([changed, keptOut]).toEqual([1, 2]);
    const rows = parse(toMend as string, { bom: true, delimiter: ';' }) as string[][];
    expect(rows.map(([number]) => number)).toEqual(['Art.-Nr.', 'QT-1014', "'=1+1"]);
    const mended = (toMend as string).replace('a few', 'pair').replace('ring us', '12,00');
    expect(await bring(mended, { tryOut: true })).toMatchObject({ changed: 1, keptOut: 0 });
  });

  test('with a price that nobody believes waits for somebody to say that it is right', async () => {
    const text = `${HEADINGS}\nQT-1014;Shoal;2;1.090,00;`;
    expect(await bring(text)).toMatchObject({ changed: 0, keptOut: 1, doubts: 1 });
    expect(await offersOf(SHOAL)).toMatchObject([{ packPriceMinor: 10900 }]);
    expect(await bring(text, { tryOut: true, withDoubts: true })).toMatchObject({ changed: 1, keptOut: 0, doubts: 1 });
  });
});

describe('refused, and nothing changed', () => {
  test.each([
    [
      'a broken spreadsheet',
      Buffer.from('504b030414000600', 'hex'),
      {},
      422,
      'It begins as a spreadsheet and is broken.',
    ],
    ['no supplier', HEADINGS, { supplier: ' ' }, 400, 'Say who offers it.'],
    ['no text of base64', HEADINGS, { base64: '***' }, 400, ''],
    ['a column that nobody knows', HEADINGS, { columns: ['colour'] }, 400, ''],
    ['a day that is none', HEADINGS, { day: 'today' }, 400, ''],
    ['too many rows', 'a;b\n'.repeat(MOST_LIST_ROWS + 1), {}, 422, 'More than 200,000 rows were read.'],
  ])('%s', async (_, text, changes, status, words) => {
    const before = await all();
    const { body } = await send(text, changes).expect(status);
    expect(JSON.stringify(body)).toContain(words);
    expect(await all()).toEqual(before);
  });

  test('for who may not change the library', async () => {
    await send(HEADINGS, {}, await app.signedIn('Rieke')).expect(403);
  });
});

test('of eight hundred rows every good one comes in, and of forty bad ones each is named', async () => {
  const parts = largeParts({ speakers: 800, brackets: 0, seed: 8 }).filter(({ kind }) => kind === 'speaker');
  const pack = { format: 'parts', version: 2, parts, connectors: [] };
  await app.http.post('/api/parts/imports').send({ name: 'many.json', pack }).expect(200);
  const random = seededRandom(12);
  const bad = new Set<number>();
  while (bad.size < 40) bad.add(Math.floor(random() * parts.length));
  const lines = parts.map(({ maker, name }, at) => {
    const price = (10 + random() * 200).toFixed(2).replace('.', ',');
    const slips = [
      `L-${at};${maker} ${name};many;${price};`,
      `L-${at};${maker} ${name};2;${price} each;`,
      `;;2;${price};`,
      `4,01E+12;${maker} ${name};2;${price};`,
    ];
    return bad.has(at) ? slips[at % slips.length] : `L-${at};${maker} ${name};2;${price};3`;
  });
  const answer = await bring([HEADINGS, ...lines].join('\n'), { supplier: 'Hillfoot Stores' });
  const wrong = answer.findings.filter(({ grade }) => grade === 'error').map(({ line }) => line - 2);
  // Names that the made-up catalogue has twice are told apart by nothing in such a list.
  const named = wrong.filter((at) => bad.has(at));
  expect(new Set(named)).toEqual(bad);
  expect(answer.added + wrong.length).toBe(parts.length);
  const [{ count }] = await app.db.query(
    `SELECT count(*)::int AS "count" FROM "part" WHERE "record" -> 'offers' @> '[{"supplier": "Hillfoot Stores"}]'`,
  );
  expect(count).toBe(answer.added);
});

describe('a list of speakers', () => {
  const dirty = dirtySpeakers({ rows: 300, slips: 8, seed: 17 });
  const text = stringify([...ABOVE.map((row) => [...row]), ...dirtyList(dirty, 18)], { delimiter: ';' });
  const lines = new Set(dirty.planted.map(({ at }) => ABOVE.length + at + 1));
  const speakers = async () =>
    (await all()).filter(
      ({ kind, offers }) => kind === 'speaker' && offers.some(({ number }) => number.startsWith('HS-')),
    );

  test('brings in what is good, names what is doubtful, and is taken back as one', async () => {
    const before = await all();
    const answer = await bring(text, { supplier: 'Hillfoot Stores' });
    const named = answer.findings.filter(({ grade, line }) => grade !== 'note' && lines.has(line));
    expect(named.length).toBeGreaterThanOrEqual(7);
    expect(answer.newParts).toBe(300 - answer.keptOut);
    expect(answer.keptOut).toBeLessThanOrEqual(12);
    expect(await speakers()).toHaveLength(answer.newParts);
    expect(await bring(text, { supplier: 'Hillfoot Stores', tryOut: true })).toMatchObject({
      newParts: 0,
      changedParts: 0,
      added: 0,
    });
    await undo();
    expect(await all()).toEqual(before);
  });

  test('of one that was stopped there is nothing, and the next one comes in', async () => {
    const before = await all();
    const asked = send(text, { supplier: 'Hillfoot Stores' });
    const answered = asked.then(
      () => 'answered',
      () => 'stopped',
    );
    setTimeout(() => asked.abort(), 60);
    expect(await Promise.race([answered, sleep(500, 'stopped')])).toBe('stopped');
    // The same person's next one waits for nothing of it.
    expect(await bring(text, { supplier: 'Hillfoot Stores', tryOut: true })).toMatchObject({ changed: 0 });
    expect(await all()).toEqual(before);
    const isAtWork = async () =>
      (await app.http.get('/api/parts/imports/lists/progress').expect(200)).body.now !== null;
    while (await isAtWork()) await sleep(50);
    expect(await all()).toEqual(before);
  });

  test('with a depth that is misread is on no order: it is held until somebody settles it', async () => {
    const { added } = await bringDoubted();
    const { job } = await app.jobNumber(4);
    const { id: openingId } = await app.opening(4, 'frontDoorLow', 'left');
    const choice = { openingId, speakerId: added, layerIds: [], works: [], answers: [] };
    await app.http
      .put(`/api/jobs/${job.id}/choices`)
      .send({ choices: [choice] })
      .expect(200);
    const { body: order } = await app.http.get(`/api/jobs/${job.id}/order`).expect(200);
    expect(JSON.stringify(order.lines)).not.toContain(added);
    expect(JSON.stringify(order.heldBack)).toContain('No reason lifts this hold: it has to be looked at first.');
  });

  /** @returns the id of a speaker of which the depth is doubted */
  async function bringDoubted(): Promise<{ readonly added: string }> {
    await bring(text, { supplier: 'Hillfoot Stores', withDoubted: true });
    const { body } = await app.http.get('/api/parts').query({ open: 'doubted' }).expect(200);
    expect(body.total).toBeGreaterThan(0);
    return { added: body.found[0].id };
  }
});
