import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

describe('the list', () => {
  test('holds every car, the soonest due first, with the state of each opening', async () => {
    const { body } = await app.http.get('/api/jobs').expect(200);
    expect(body.jobs.map(({ number, dueOn }: { number: number; dueOn: string }) => [number, dueOn])).toEqual([
      [1, '2026-03-04'],
      [3, '2026-03-06'],
      [2, '2026-03-08'],
      [4, '2026-03-11'],
      [5, '2026-03-14'],
      [6, null],
    ]);
    const kinds = body.jobs.flatMap(({ openings }: { openings: { state: { kind: string } }[] }) =>
      openings.map(({ state }) => state.kind),
    );
    expect(new Set(kinds)).toEqual(new Set(['chosen', 'hold', 'toMeasure', 'nothingChosen']));
  });

  test('is empty in a shop without cars', async () => {
    const empty = await createTestApp({ empty: true });
    try {
      const owner = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
      await empty.http.post('/api/first-start').send(owner).expect(200);
      expect((await empty.http.get('/api/jobs').expect(200)).body).toEqual({ jobs: [] });
      expect((await empty.http.get('/api/catalogue').expect(200)).body).toEqual({ parts: [], connectors: [] });
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
      number: 7,
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
    const count = async () => (await app.http.get('/api/jobs')).body.jobs.length;
    const before = await count();
    const { body } = await app.http
      .post('/api/jobs')
      .send({ ...job, ...change })
      .expect(status);
    expect(body.errors.find((error: { path: string }) => error.path === path).message).toContain(says);
    expect(await count()).toBe(before);
  });

  test('an unknown job is 404', async () => {
    await app.http.get('/api/jobs/00000000-0000-4000-8000-ffffffffffff').expect(404);
  });
});
