import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { intakeFactsOf } from '@low-quarry/core/model';
import { readStored } from '@low-quarry/core/records';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { NOW } from '../../testing/testDatabase';
import { History, programAuthor } from '../history/History';
import { ShelfService } from '../shelf/ShelfService';
import { createJobsService } from './jobsRoutes';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

describe('the list', () => {
  test('holds every car, the soonest due first, with the state of each opening', async () => {
    const { body } = await app.http.get('/api/jobs').expect(200);
    expect(body.jobs.map(({ number, dueOn }: { number: number; dueOn: string }) => [number, dueOn])).toEqual([
      [11, '2026-03-02'],
      [10, '2026-03-03'],
      [1, '2026-03-04'],
      [9, '2026-03-05'],
      [3, '2026-03-06'],
      [2, '2026-03-08'],
      [8, '2026-03-09'],
      [7, '2026-03-10'],
      [4, '2026-03-11'],
      [5, '2026-03-14'],
      [6, null],
      [12, null],
    ]);
    const kinds = body.jobs.flatMap(({ openings }: { openings: { state: { kind: string } }[] }) =>
      openings.map(({ state }) => state.kind),
    );
    expect(new Set(kinds)).toEqual(new Set(['chosen', 'hold', 'toMeasure', 'nothingChosen', 'noOpening']));
  });

  test('is empty in a shop without cars', async () => {
    const empty = await createTestApp({ empty: true });
    try {
      const owner = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
      await empty.http.post('/api/first-start').send(owner).expect(200);
      expect((await empty.http.get('/api/jobs').expect(200)).body).toEqual({
        jobs: [],
        total: 0,
        counts: { open: 0, ended: 0 },
      });
      const { body } = await empty.http.get('/api/catalogue/changes').expect(200);
      expect(body).toMatchObject({ isWhole: true, connectors: [], gone: [], hasMore: false });
      // The goods of the starter pack, and no speaker to choose.
      expect(new Set(body.parts.map(({ maker }: { maker: string }) => maker))).toEqual(new Set(['Generic']));
      const read = body.parts.map((kept: unknown) => readStored('part', kept).ok);
      expect(new Set(read)).toEqual(new Set([true]));
    } finally {
      await empty.drop();
    }
  });
});

describe('booking in', () => {
  const job = {
    vehicleId: 'veh-ostrand-longshore',
    customer: ' Pilot station ',
    registration: 'P 2',
    wants: '',
    dueOn: '2026-04-01',
  };

  test('makes a job with the openings that the library knows', async () => {
    const { body } = await app.http.post('/api/jobs').send(job).expect(200);
    const made = (await app.http.get(`/api/jobs/${body.jobId}`).expect(200)).body;
    expect(made.job).toMatchObject({
      number: 13,
      customer: 'Pilot station',
      dueOn: '2026-04-01',
      vehicle: { make: 'Ostrand' },
    });
    expect(made.openings).toHaveLength(6);
    expect(made.openings[0].record.dimensions.depthBehind.source).toBe('classDefault');
  });

  test.each([
    ['no customer', { customer: '  ' }, 400, 'customer', 'Type whose car it is.'],
    ['no vehicle', { vehicleId: '' }, 400, 'vehicleId', 'Choose a vehicle.'],
    ['a vehicle that is not in the library', { vehicleId: 'veh-nobody' }, 422, 'vehicleId', 'veh-nobody'],
    ['a day that is none', { dueOn: '2026-02-31' }, 400, 'dueOn', ''],
    ['a novel', { wants: 'x'.repeat(1001) }, 400, 'wants', '1000'],
  ])('%s is refused and books nothing', async (_, change, status, path, says) => {
    const count = async () => (await app.http.get('/api/jobs')).body.total;
    const before = await count();
    const { body } = await app.http
      .post('/api/jobs')
      .send({ ...job, ...change })
      .expect(status);
    expect(body.errors.find((error: { path: string }) => error.path === path).message).toContain(says);
    expect(await count()).toBe(before);
  });

  describe('of a vehicle that the library does not know', () => {
    const vehicle = {
      ...{ make: 'Tollan', model: 'Skiff', years: { from: 2018, to: null }, body: 'estate', cab: null, doors: 5 },
      ...{ trim: '', audioPackage: '', steeringSide: 'right', market: '', aliases: [] },
      from: { kind: 'template', templateId: 'estate' },
    };
    const wish = { ...job, vehicleId: '', newVehicle: vehicle };

    test('books it in with the openings that are usual, and leaves it in the library', async () => {
      const { body } = await app.http.post('/api/jobs').send(wish).expect(200);
      const made = (await app.http.get(`/api/jobs/${body.jobId}`).expect(200)).body;
      expect(made.job.vehicle).toMatchObject({ make: 'Tollan', trim: '', beganAs: { name: 'Estate, 5 doors' } });
      expect(made.openings).toHaveLength(7);
      expect(made.openings[0].record).toMatchObject({
        presence: 'notLooked',
        assumed: expect.arrayContaining(['bolts']),
      });
      expect((await app.http.get('/api/vehicles?find=skiff')).body.found).toMatchObject([{ jobs: 1, openings: 7 }]);
    });

    test.each([
      ['known and new at once', { vehicleId: job.vehicleId }, 400, 'vehicleId'],
      ['the same again', {}, 422, 'newVehicle.model'],
      [
        'a body that is none',
        { newVehicle: { ...vehicle, model: 'Punt', from: { kind: 'template', templateId: 'x' } } },
        422,
        'newVehicle.from.templateId',
      ],
      [
        'another trim of one that is not there',
        { newVehicle: { ...vehicle, model: 'Punt', from: { kind: 'variant', vehicleId: 'x' } } },
        404,
        null,
      ],
    ])('%s is refused; neither job nor vehicle is there', async (_, change, status, path) => {
      const counts = async () => [
        (await app.http.get('/api/jobs')).body.total,
        (await app.http.get('/api/vehicles')).body.total,
      ];
      const before = await counts();
      const { body } = await app.http
        .post('/api/jobs')
        .send({ ...wish, ...change })
        .expect(status);
      expect(body.errors?.[0]?.path ?? null).toBe(path);
      expect(await counts()).toEqual(before);
    });
  });

  test('what was measured in the library on another car is carried over, and nobody here took it', async () => {
    const address = '/api/vehicles/veh-sellwick-promenade';
    const { version, record } = (await app.http.get(address).expect(200)).body;
    const [first, ...others] = record.openings;
    const taken = { readingsMm: [98], source: 'calliper', entered: '98', takenBy: 'Rieke', takenAt: null };
    const openings = [{ ...first, dimensions: { ...first.dimensions, frontGap: taken } }, ...others];
    await app.http
      .put(address)
      .send({ version, record: { ...record, openings } })
      .expect(200);
    const { body } = await app.http
      .post('/api/jobs')
      .send({ ...job, vehicleId: record.id })
      .expect(200);
    const made = (await app.http.get(`/api/jobs/${body.jobId}`)).body.openings[0].record.dimensions.frontGap;
    expect(made).toEqual({ ...taken, source: 'carriedOver', takenBy: null });
  });

  test('an unknown job is 404', async () => {
    await app.http.get('/api/jobs/00000000-0000-4000-8000-ffffffffffff').expect(404);
  });
});

describe('changing and deleting', () => {
  const DAY_MS = 86_400_000;

  test('a change raises the version; an old one is a conflict with what is stored', async () => {
    const { job } = await app.jobNumber(2);
    const change = { ...intakeFactsOf(job), version: job.version, wants: 'louder' };
    const { body } = await app.http.put(`/api/jobs/${job.id}`).send(change).expect(200);
    expect(body).toMatchObject({ wants: 'louder', version: job.version + 1, vehicle: { id: job.vehicle.id } });
    const again = await app.http.put(`/api/jobs/${job.id}`).send(change).expect(409);
    expect(again.body.current).toMatchObject({ wants: 'louder', version: job.version + 1 });
  });

  test('the bin keeps a job with its openings for ninety days, out of every list', async () => {
    const { job, openings } = await app.jobNumber(4);
    await app.http
      .post(`/api/jobs/${job.id}/delete`)
      .send({ version: job.version + 1 })
      .expect(409);
    await app.http.post(`/api/jobs/${job.id}/delete`).send({ version: job.version }).expect(200);
    for (const path of [`jobs/${job.id}`, `jobs/${job.id}/order`, `openings/${openings[0]?.id}`])
      await app.http.get(`/api/${path}`).expect(404);
    const { body } = await app.http.get('/api/bin').expect(200);
    expect(body.jobs).toMatchObject([{ number: 4, deletedBy: 'Okke', goneOn: '2026-05-31' }]);
    const { version } = body.jobs[0];
    await app.http.post(`/api/bin/${job.id}/restore`).send({ version }).expect(200);
    expect((await app.jobNumber(4)).openings).toEqual(openings);
    await app.http.post(`/api/bin/${job.id}/restore`).send({ version }).expect(404);
  });

  test('what has been in it for longer is gone, the history still tells what it was, and what was put aside for it is free', async () => {
    const { job } = await app.jobNumber(6);
    const lot = { partId: 'spk-skerrivar-tide-6-half', place: 'A1', pieces: 2, from: '', jobId: job.id };
    const { body: aside } = await app.http.post('/api/shelf').send(lot).expect(200);
    await app.http.post(`/api/jobs/${job.id}/delete`).send({ version: job.version }).expect(200);
    const purge = (days: number) =>
      app.db.transaction((manager) => {
        const at = new Date(NOW.getTime() + days * DAY_MS);
        const history = new History(manager, programAuthor('the bin'), at, '00000000-0000-4000-8000-00000000aaaa');
        const shelf = new ShelfService(manager, history);
        return createJobsService(manager).purgeBin(history, (jobId) => shelf.giveBackOf(jobId));
      });
    expect(await purge(89.9)).toBe(0);
    const onShelf = async () => (await app.http.get('/api/shelf').expect(200)).body.lots;
    expect(await onShelf()).toMatchObject([{ id: aside.id, jobId: job.id, job: { number: 6, isOver: true } }]);
    expect(await purge(90.1)).toBe(1);
    expect(await onShelf()).toMatchObject([{ id: aside.id, version: 2, jobId: null, job: null }]);
    expect((await app.http.get('/api/bin')).body.jobs).toEqual([]);
    const { body } = await app.http.get('/api/history').query({ record: job.id }).expect(200);
    expect(body.changes.map(({ action }: { action: string }) => action)).toEqual(['purged', 'deleted', 'created']);
  });
});
