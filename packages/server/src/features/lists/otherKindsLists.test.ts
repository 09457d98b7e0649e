/** Lists of brackets and leads through the server: parts, their connectors, and the cars that they are said to fit. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { createTestApp, type TestApp } from '../../testing/testApp';

const SUPPLIER = 'Quayside Trade';
const BRACKETS = [
  'Art. no.;Brand;Description;Stack height, mm;Opening;Outside diameter;Holes to the vehicle;Holes to the speaker;Net;Fits',
  'B-1;Kelpstone;Plate Z;18;142;170;4 holes 5 on 160 mm;4 holes 4.5 on 156 mm;9,90;Corran Tern 2015-2018, front door; ',
  'B-2;Kelpstone;Plate Y;0,7 in;142;170;4 holes 5 on 160 mm;4 holes 4.5 on 156 mm;9,90;"Corran Tern, rear door; Marl Barge 2001>"',
  'B-3;Kelpstone;Plate X;tall;142;170;4 holes 5 on 160 mm;4 holes 4.5 on 156 mm;9,90;',
].join('\n');

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const bring = async (text: string, changes: object = {}): Promise<ListImported> => {
  const list = { name: 'parts.csv', supplier: SUPPLIER, columns: null, day: '2026-11-28' };
  const base64 = Buffer.from(text).toString('base64');
  const { body } = await app.http
    .post('/api/parts/imports/lists')
    .send({ ...list, base64, ...changes })
    .expect(200);
  return body;
};
const part = async (id: string): Promise<PartRecord> =>
  (await app.http.get(`/api/parts/${id}`).expect(200)).body.record;

test('brackets come in with their claims; the same list again changes nothing; all of it is taken back as one', async () => {
  const counts = { newParts: 2, changedParts: 0, claims: 2, carsElsewhere: 1, keptOut: 1 };
  const tried = await bring(BRACKETS, { tryOut: true });
  expect(tried).toMatchObject({ of: 'bracket', ...counts, findings: [{ grade: 'error', line: 4, column: 3 }] });
  expect(await bring(BRACKETS)).toMatchObject(counts);
  const plate = await part('brk-kelpstone-plate-y');
  expect(plate).toMatchObject({
    ...{ kind: 'bracket', heightMm: 17.78, throat: { kind: 'circle', diameterMm: 142 } },
    offers: [{ supplier: SUPPLIER, number: 'B-2', packPriceMinor: 990 }],
    claims: [{ vehicleId: 'veh-corran-tern', place: 'rearDoor', by: 'Quayside Trade’s list', notedBy: 'Okke' }],
  });
  expect(await bring(BRACKETS)).toMatchObject({
    newParts: 0,
    changedParts: 0,
    claims: 0,
    added: 0,
    changed: 0,
    same: 2,
  });

  const { body } = await app.http.get('/api/undo').expect(200);
  const changeIds = body.changes.map(({ id }: { id: number }) => id);
  await app.http.post('/api/undo').send({ changeIds }).expect(200);
  await app.http.get('/api/parts/brk-kelpstone-plate-y').expect(404);
});

test('what somebody said the list is of is remembered with its headings', async () => {
  const list = (height: string) => `A;B;C;D;E;F\nS-1;Kelpstone;Ring Q;${height};142;170`;
  const columns = ['number', 'maker', 'name', 'figure.heightMm', 'figure.inner', 'figure.outer'];
  expect(await bring(list('8'), { of: 'spacer', columns })).toMatchObject({ newParts: 1 });
  const again = await bring(list('9'));
  expect(again).toMatchObject({ isAsBefore: true, of: 'spacer', columns, newParts: 0, changedParts: 1 });
  expect(await part('spc-kelpstone-ring-q')).toMatchObject({ heightMm: 9 });
});

test('a lead names its plug by what it is called; a plug that is nobody’s keeps its row out', async () => {
  const leads = [
    'No.,Maker,Name,From the plug,To,Length',
    'L-1,Loomgate,Lead Q1,"4-way square, grey",spades 2.8 + 4.8,0.3 m',
    'L-2,Loomgate,Lead Q2,con-nobody,bare ends,30 cm',
  ].join('\n');
  expect(await bring(leads)).toMatchObject({ of: 'harnessAdapter', newParts: 1, keptOut: 1 });
  expect(await part('adp-loomgate-lead-q1')).toMatchObject({ fromConnectorId: 'con-f4', lengthMm: 300 });
});

test('a column that no kind has is refused by name', async () => {
  const base64 = Buffer.from('A').toString('base64');
  const list = { name: 'x.csv', supplier: SUPPLIER, columns: ['figure.wings'], day: '2026-11-28', base64 };
  const { body } = await app.http.post('/api/parts/imports/lists').send(list).expect(400);
  expect(body.errors[0].path).toBe('columns.0');
});
