/** The vehicle library over HTTP: found, added from a template or another trim, corrected by whoever may. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { FoundVehicle } from '@low-quarry/core/contracts/findVehicles';
import type { NewVehicle } from '@low-quarry/core/contracts/newVehicle';
import {
  type Fastener,
  newPanel,
  type OpeningRecord,
  type Panel,
  placeLabel,
  variantSchema,
} from '@low-quarry/core/model';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';

let app: TestApp;
let owner: Http;
let counter: Http;
let fitter: Http;
beforeAll(async () => {
  app = await createTestApp();
  owner = app.http;
  counter = await app.signedIn('Jory');
  fitter = await app.signedIn('Rieke');
});
afterAll(() => app.drop());

const LONGSHORE = '/api/vehicles/veh-ostrand-longshore';
const newCar = (changes: Partial<NewVehicle> = {}): NewVehicle => ({
  make: 'Tollan',
  model: 'Skiff',
  years: { from: 2018, to: null },
  body: 'estate',
  cab: null,
  doors: 5,
  trim: 'Middle',
  audioPackage: 'Amplifier under the seat',
  steeringSide: 'right',
  market: '',
  aliases: [],
  from: { kind: 'template', templateId: 'estate' },
  ...changes,
});
const search = async (find: string) => (await owner.get('/api/vehicles').query({ find }).expect(200)).body;
const modelsOf = async (find: string) => (await search(find)).found.map(({ model }: FoundVehicle) => model);

describe('found as one types', () => {
  test.each([
    ['the model', 'longshore', 'Longshore'],
    ['words in any order', 'premium longshore ostrand', 'Longshore'],
    ['a letter left out', 'longshre', 'Longshore'],
    ['two letters exchanged', 'brackwell ferrymna', 'Ferryman'],
    ['the body, and a year it was built', 'pickup 2016', 'Packhorse'],
    ['half a word', 'promen', 'Promenade'],
    ['an accent more or less', 'cörran', 'Tern'],
  ])('by %s', async (_, find, model) => {
    expect((await modelsOf(find))[0]).toBe(model);
  });

  test('a year before it was built finds none of it, one while it was built does', async () => {
    expect(await search('tern 2013')).toMatchObject({ isPartial: true });
    expect(await search('tern 2014')).toMatchObject({ total: 1, isPartial: false });
    expect(await search('tern 2019')).toMatchObject({ total: 1, isPartial: false });
    expect(await search('tern 2020')).toMatchObject({ isPartial: true });
  });

  test('where none has every word, those that have most come first, and it is said', async () => {
    const { isPartial, found } = await search('ostrand longshore zzzzz');
    expect(isPartial).toBe(true);
    expect(found[0].model).toBe('Longshore');
    // A year alone is no match.
    expect(await search('zzzzz 2017')).toMatchObject({ total: 0, isPartial: true });
  });

  test('of what nobody has written nothing is found; signs are no patterns', async () => {
    expect(await search('qqqqqq')).toMatchObject({ total: 0, found: [] });
    for (const sign of ['%', '_', '\\', "'"]) expect((await search(sign)).total).toBe(0);
  });

  test('without words those that were in the shop last come first, with how often they were', async () => {
    const { body } = await counter
      .post('/api/jobs')
      .send({ vehicleId: 'veh-sellwick-promenade', customer: 'X', registration: '', wants: '', dueOn: null })
      .expect(200);
    await app.db.query(`UPDATE "job" SET "created_at" = now() + interval '1 day' WHERE "id" = $1`, [body.jobId]);
    const { found } = await search('');
    expect(found[0]).toMatchObject({ model: 'Promenade', jobs: 2, openings: 6 });
    expect(found).toHaveLength(8);
  });
});

test('templates of every body come with the program, and none of them is broken', async () => {
  const { templates } = (await fitter.get('/api/templates').expect(200)).body;
  const bodies = new Set(templates.map(({ template }: { template: { body: string } }) => template.body));
  expect([...bodies].sort()).toEqual(
    [
      'coupe',
      'estate',
      'hatchback',
      'largeVan',
      'lorry',
      'minibus',
      'pickup',
      'roadster',
      'saloon',
      'smallVan',
      'suv',
    ].sort(),
  );
  const cabs = templates.flatMap(({ template }: { template: { cab: string | null } }) => template.cab ?? []);
  expect(cabs.sort()).toEqual(['crew', 'extended', 'single']);
});

describe('a vehicle that no library knows', () => {
  test('begins with what is usual for its body, none of it looked at, and is found at once', async () => {
    const { body } = await fitter.post('/api/vehicles').send(newCar()).expect(200);
    expect(body.record.beganAs).toEqual({ kind: 'template', name: 'Estate, 5 doors' });
    const places = body.record.openings.map((each: OpeningRecord) => placeLabel(each));
    expect(places).toEqual([
      'Front door, left',
      'Front door, right',
      'Sail panel, left',
      'Sail panel, right',
      'Dash centre',
      'Rear door, left',
      'Rear door, right',
    ]);
    for (const opening of body.record.openings as OpeningRecord[]) {
      expect(opening).toMatchObject({ presence: 'notLooked', wiring: { kind: 'unknown' }, secondPlug: 'notLooked' });
      expect(opening.assumed).toEqual(['holeKind', 'bolts', 'fixing', 'behind']);
      for (const taken of Object.values(opening.dimensions)) expect(taken).toMatchObject({ source: 'classDefault' });
    }
    expect(await modelsOf('skiff 2024')).toEqual(['Skiff']);
    const { changes } = (await owner.get('/api/history').query({ kind: 'vehicle' }).expect(200)).body;
    expect(changes[0]).toMatchObject({ action: 'created', label: 'Tollan Skiff', personName: 'Rieke', before: null });
  });

  test.each([
    [
      'the same again, in other letters',
      newCar({ make: 'TOLLAN ', model: 'skiff' }),
      422,
      'model',
      /is in the library already/,
    ],
    ['years that overlap it', newCar({ years: { from: 2012, to: 2018 } }), 422, 'model', /nothing tells the two apart/],
    [
      'a body that is none',
      newCar({ trim: 'Y', from: { kind: 'template', templateId: 'hovercraft' } }),
      422,
      'from.templateId',
      /no body template/,
    ],
    ['no make', newCar({ make: ' ' }), 400, 'make', 'Type the make.'],
    [
      'years the wrong way round',
      newCar({ trim: 'Y', years: { from: 2019, to: 2012 } }),
      400,
      'years.to',
      /lies before the first/,
    ],
    [
      'a year that is none',
      newCar({ trim: 'Y', years: { from: 20, to: null } }),
      400,
      'years.from',
      /from 1900 to 2100/,
    ],
  ])('%s is refused at its field', async (_, car, status, path, message) => {
    const { body } = await counter
      .post('/api/vehicles')
      .send(car)
      .expect(status as number);
    expect(body.errors[0]).toEqual({
      path,
      message: typeof message === 'string' ? message : expect.stringMatching(message as RegExp),
    });
  });

  test('years that only touch are another variant', async () => {
    await counter
      .post('/api/vehicles')
      .send(newCar({ years: { from: 2012, to: 2017 } }))
      .expect(200);
  });

  test('two people who add the same at one moment: it is there once', async () => {
    const car = newCar({ model: 'Dinghy' });
    const answers = await Promise.all([counter, fitter, owner].map((http) => http.post('/api/vehicles').send(car)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422, 422]);
    expect((await search('dinghy')).total).toBe(1);
  });
});

describe('another trim of one that is known', () => {
  test('carries its measurements over, and sets back what a trim changes', async () => {
    const { record: known } = (await owner.get(LONGSHORE).expect(200)).body;
    const { id } = known;
    const variant = variantSchema.strip().parse(known);
    const { body } = await counter
      .post('/api/vehicles')
      .send({ ...variant, trim: 'Base', audioPackage: '', from: { kind: 'variant', vehicleId: id } })
      .expect(200);
    expect(body.record.beganAs).toEqual({
      kind: 'variant',
      vehicleId: id,
      name: 'Ostrand Longshore, 2016 to 2022, Premium',
    });
    expect(body.record.openings).toHaveLength(known.openings.length);
    for (const [at, opening] of (body.record.openings as OpeningRecord[]).entries()) {
      expect(opening).toMatchObject({
        presence: 'notLooked',
        wiring: { kind: 'unknown' },
        secondPlug: 'notLooked',
        airbag: 'notLooked',
        holeKind: known.openings[at].holeKind,
      });
      for (const { source } of Object.values(opening.dimensions)) expect(source).not.toBe('calliper');
    }
  });

  test('another body is no other trim', async () => {
    const car = newCar({
      make: 'Ostrand',
      model: 'Longshore',
      body: 'saloon',
      doors: 4,
      from: { kind: 'variant', vehicleId: 'veh-ostrand-longshore' },
    });
    const { body } = await counter.post('/api/vehicles').send(car).expect(422);
    expect(body.errors).toEqual([{ path: 'body', message: expect.stringContaining('begin with a body template') }]);
  });
});

describe('panels', () => {
  const card = (more: Partial<Panel> = {}): Panel => ({
    ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }),
    ...more,
  });
  const screw = (key: string): Fastener => ({
    ...{ key, kind: 'screw', where: key, cover: null, head: null, driver: '' },
    ...{ lengthMm: null, base: null, count: null, marked: [] },
  });
  const add = async (changes: Partial<NewVehicle>) =>
    (
      await owner
        .post('/api/vehicles')
        .send(newCar({ model: 'Wherry', ...changes }))
        .expect(200)
    ).body;

  test('begin as is usual for the body, are counted by whoever takes them off, and go over to another trim without what hangs on them', async () => {
    const { record } = await add({});
    const [usual] = record.panels as Panel[];
    expect(usual).toMatchObject({ kind: 'doorCard', spot: 'frontLeft', grade: 'classDefault' });
    const counted = {
      ...usual,
      grade: 'seenHere',
      fasteners: usual?.fasteners?.map((each) => ({ ...each, count: 4 })),
    };
    const change = { version: 1, record: { ...record, panels: [counted, ...record.panels.slice(1)] } };
    await fitter.put(`/api/vehicles/${record.id}`).send(change).expect(200);
    const { record: other } = await add({ trim: 'High', from: { kind: 'variant', vehicleId: record.id } });
    expect(other.panels[0]).toMatchObject({ grade: 'otherCar', attached: null });
    expect(other.panels[0].fasteners.map(({ count }: Fastener) => count)).toEqual(counted.fasteners?.map(() => 4));
    expect(other).toMatchObject({ channels: null });
  });

  test('one that is there twice, and an order that goes round in a circle, are refused and named', async () => {
    const { record } = await add({ trim: 'Low' });
    const put = (panels: readonly Panel[]) =>
      fitter.put(`/api/vehicles/${record.id}`).send({ version: 1, record: { ...record, panels } });
    const { body: double } = await put([card(), card()]).expect(422);
    expect(double.errors).toEqual([
      { path: 'record.panels', message: '"Door card, front left" is there twice: give one of them a name of its own.' },
    ]);
    const order = [
      { first: 'cup', next: 'edge' },
      { first: 'edge', next: 'cup' },
    ];
    const { body: circle } = await put([card({ fasteners: [screw('cup'), screw('edge')], order })]).expect(400);
    expect(circle.errors).toEqual([
      { path: 'record.panels.0.order', message: expect.stringMatching(/cup, before edge/) },
    ]);
  });
});

describe('who may', () => {
  const known = async () => (await owner.get(LONGSHORE).expect(200)).body;
  const put = (http: Http, version: number, record: object) => http.put(LONGSHORE).send({ version, record });

  test('a fitter fills in what nobody had written', async () => {
    const { version, record } = await known();
    await put(fitter, version, { ...record, market: 'Islands', note: 'Clips of the card break.' }).expect(200);
  });

  test('and does not replace what somebody else wrote, which is named', async () => {
    const { version, record } = await known();
    const [first, ...others] = record.openings;
    const openings = [{ ...first, nominalSize: '4 in' }, ...others];
    const { body } = await put(fitter, version, { ...record, trim: 'Other', openings }).expect(403);
    expect(body.detail).toMatch(
      /^Trim, Front door, left: nominal size: written before the history began\. The owner may replace it/,
    );
    await put(fitter, version, { ...record, openings: others }).expect(403);
    expect((await known()).version).toBe(version);
    await put(owner, version, { ...record, trim: 'Other' }).expect(200);
    await put(owner, version + 1, { ...record, trim: 'Premium' }).expect(200);
  });

  test('what was added by oneself alone is one’s own to change', async () => {
    const { body } = await fitter
      .post('/api/vehicles')
      .send(newCar({ model: 'Ketch' }))
      .expect(200);
    const { version, record } = body;
    await fitter
      .put(`/api/vehicles/${record.id}`)
      .send({ version, record: { ...record, trim: 'Top' } })
      .expect(200);
    await counter
      .put(`/api/vehicles/${record.id}`)
      .send({ version: version + 1, record: { ...record, trim: 'Low' } })
      .expect(403);
  });

  test('jobs keep what they began with; an old version is told what is stored now', async () => {
    const { version, record } = await known();
    const before = await app.jobNumber(4);
    await put(owner, version, { ...record, openings: [] }).expect(200);
    expect((await app.jobNumber(4)).openings).toEqual(before.openings);
    const { body } = await put(owner, version, record).expect(409);
    expect(body.current.record.openings).toEqual([]);
    await put(owner, version + 1, record).expect(200);
  });

  test.each([
    ['another id', (record: object) => ({ ...record, id: 'veh-other' }), 'record.id'],
    [
      'a plug that the shop does not know',
      (record: { openings: object[] }) => ({
        ...record,
        openings: [{ ...record.openings[0], wiring: { kind: 'connector', connectorId: 'con-of-nobody' } }],
      }),
      'record.openings.0.wiring.connectorId',
    ],
    [
      'one place twice',
      (record: { openings: object[] }) => ({ ...record, openings: [...record.openings, record.openings[0]] }),
      'record.openings',
    ],
    [
      'the names of another variant',
      (record: object) => ({
        ...record,
        make: 'Tollan',
        model: 'Ketch',
        years: { from: 2018, to: null },
        trim: 'Top',
        audioPackage: 'Amplifier under the seat',
        steeringSide: 'right',
        market: '',
      }),
      'record.model',
    ],
  ])('%s is refused with its path', async (_, change, path) => {
    const { version, record } = await known();
    const { body } = await put(owner, version, change(record)).expect(422);
    expect(body.errors[0].path).toBe(path);
  });

  test('nobody signed in, and one that is not there', async () => {
    await app.browser().get('/api/vehicles').expect(401);
    await owner.get('/api/vehicles/nobody').expect(404);
  });
});

describe('undo', () => {
  const undo = async (http: Http) => {
    const { body } = await http.get('/api/undo').expect(200);
    return http.post('/api/undo').send({ changeIds: body.changes.map(({ id }: { id: number }) => id) });
  };

  test('a vehicle that was added is gone again, and comes back with its history', async () => {
    const { body } = await fitter
      .post('/api/vehicles')
      .send(newCar({ model: 'Yawl' }))
      .expect(200);
    expect((await undo(fitter)).status).toBe(200);
    expect((await search('yawl')).total).toBe(0);
    const { changes } = (await owner.get('/api/history').query({ record: body.record.id, kind: 'vehicle' })).body;
    await owner.post(`/api/history/${changes[0].id}/bring-back`).send({ to: 'before' }).expect(200);
    const { body: back } = await owner.get(`/api/vehicles/${body.record.id}`).expect(200);
    expect(back).toEqual({ version: 3, record: body.record });
  });

  test('with a car that was booked in it stays in the library: the job goes into the bin', async () => {
    const job = {
      vehicleId: '',
      newVehicle: newCar({ model: 'Cutter' }),
      customer: 'Vet',
      registration: 'V 1',
      wants: '',
      dueOn: null,
    };
    const { body } = await counter.post('/api/jobs').send(job).expect(200);
    expect((await undo(counter)).status).toBe(200);
    await owner.get(`/api/jobs/${body.jobId}`).expect(404);
    expect((await search('cutter')).total).toBe(1);
  });

  test('one that a job goes by is not taken out', async () => {
    const { changes } = (await owner.get('/api/history').query({ kind: 'vehicle', find: 'cutter' }).expect(200)).body;
    const { body } = await owner.post(`/api/history/${changes[0].id}/bring-back`).send({ to: 'before' }).expect(422);
    expect(body.detail).toContain('A job goes by this vehicle');
  });
});
