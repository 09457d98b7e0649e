import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { newOpening, placeLabel } from '@low-quarry/core/model';
import { fuzzed } from '@low-quarry/core/testing/fuzzed';
import fc from 'fast-check';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const measured = (...readingsMm: number[]) => ({
  readingsMm,
  source: 'depthStick',
  entered: readingsMm.join('; '),
  takenBy: 'Rieke',
  takenAt: null,
});
const UNKNOWN = '00000000-0000-4000-8000-ffffffffffff';

describe('saving a measurement', () => {
  test('keeps it, raises the version, and the answer is what is stored', async () => {
    const { id, version, record } = await app.opening(2, 'frontDoorLow', 'left');
    const changed = { ...record, dimensions: { ...record.dimensions, depthBehind: measured(57.5, 58) } };
    const saved = await app.http.put(`/api/openings/${id}`).send({ version, record: changed }).expect(200);
    expect(saved.body).toMatchObject({ version: version + 1, record: changed });
    const read = await app.http.get(`/api/openings/${id}`).expect(200);
    expect(read.body).toEqual(saved.body);
  });

  test('on an old version is a conflict that carries what is stored, and changes nothing', async () => {
    const { id, version, record } = await app.opening(2, 'frontDoorLow', 'right');
    await app.http
      .put(`/api/openings/${id}`)
      .send({ version, record: { ...record, note: 'first' } })
      .expect(200);
    const second = await app.http
      .put(`/api/openings/${id}`)
      .send({ version, record: { ...record, note: 'second' } })
      .expect(409);
    expect(second.headers['content-type']).toContain('application/problem+json');
    expect(second.body).toMatchObject({
      type: '/problems/version-conflict',
      status: 409,
      current: { version: version + 1, record: { note: 'first' } },
    });
    expect((await app.http.get(`/api/openings/${id}`)).body.record.note).toBe('first');
  });

  test('of twenty saves at once on one version exactly one is kept', async () => {
    const { id, version, record } = await app.opening(2, 'rearDoor', 'left');
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        app.http.put(`/api/openings/${id}`).send({ version, record: { ...record, note: `save ${index}` } }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array(19).fill(409)]);
    const [kept] = answers.filter(({ status }) => status === 200);
    const { body } = await app.http.get(`/api/openings/${id}`);
    expect(body).toMatchObject({ version: version + 1, record: { note: kept?.body.record.note } });
  });
});

describe('what is refused, with the field that is meant', () => {
  const wrong: readonly (readonly [string, (record: object) => object, number, string, string])[] = [
    [
      'a 900 mm deep door',
      (record) => ({ ...record, dimensions: { depthBehind: measured(900) } }),
      400,
      'record.dimensions.depthBehind.readingsMm.0',
      '900 mm was read; expected 8 mm to 400 mm',
    ],
    [
      'a negative depth',
      (record) => ({ ...record, dimensions: { depthBehind: measured(-3) } }),
      400,
      'record.dimensions.depthBehind.readingsMm.0',
      '−3 mm was read',
    ],
    [
      'no reading',
      (record) => ({ ...record, dimensions: { frontGap: measured() } }),
      400,
      'record.dimensions.frontGap.readingsMm',
      'at least one reading',
    ],
    [
      'text for a number',
      (record) => ({ ...record, dimensions: { frontGap: { ...measured(1), readingsMm: ['x'] } } }),
      400,
      'record.dimensions.frontGap.readingsMm.0',
      'expected number',
    ],
    [
      'an instrument nobody has',
      (record) => ({ ...record, dimensions: { frontGap: { ...measured(20), source: 'laser' } } }),
      400,
      'record.dimensions.frontGap.source',
      'calliper',
    ],
    ['a field nobody knows', (record) => ({ ...record, colour: 'red' }), 400, 'record', 'colour'],
    [
      'an unknown connector',
      (record) => ({ ...record, wiring: { kind: 'connector', connectorId: 'con-nobody' } }),
      422,
      'record.wiring.connectorId',
      'con-nobody',
    ],
    ['another place', (record) => ({ ...record, place: 'rearDeck' }), 422, 'record.place', 'cannot be changed'],
    ['nothing at all', () => ({}), 400, 'record.place', ''],
  ];
  test.each(wrong)('%s', async (_, change, status, path, says) => {
    const before = await app.opening(3, 'frontDoorLow', 'left');
    const { body } = await app.http
      .put(`/api/openings/${before.id}`)
      .send({ version: before.version, record: change(before.record) })
      .expect(status);
    const error = body.errors.find((each: { path: string }) => each.path === path);
    expect(error?.message).toContain(says);
    expect((await app.http.get(`/api/openings/${before.id}`)).body).toMatchObject({
      version: before.version,
      record: before.record,
    });
  });

  test('unknown and impossible ids', async () => {
    await app.http.get(`/api/openings/${UNKNOWN}`).expect(404);
    const { body } = await app.http.get('/api/openings/not-an-id').expect(404);
    expect(body).toMatchObject({ type: '/problems/not-found', status: 404 });
    const { record } = await app.opening(3, 'frontDoorLow', 'left');
    await app.http.put(`/api/openings/${UNKNOWN}`).send({ version: 1, record }).expect(404);
  });

  test('malformed JSON, no JSON, too much JSON', async () => {
    const { id } = await app.opening(3, 'frontDoorLow', 'left');
    const malformed = await app.http
      .put(`/api/openings/${id}`)
      .set('Content-Type', 'application/json')
      .send('{"version": 1,')
      .expect(400);
    expect(malformed.body).toMatchObject({ type: '/problems/malformed', title: 'Not JSON' });
    await app.http.put(`/api/openings/${id}`).set('Content-Type', 'text/plain').send('version=1').expect(415);
    const large = await app.http
      .put(`/api/openings/${id}`)
      .send({ version: 1, record: { note: 'x'.repeat(300_000) } })
      .expect(413);
    expect(large.body.detail).toContain('256 kB');
  });
});

test('whatever JSON is sent is answered with 2xx or 4xx as problem, never with a fault', async () => {
  const before = await app.opening(4, 'rearDoor', 'left');
  const { record } = before;
  const keys = Object.keys(record);
  const anything = fc.oneof(
    fc.jsonValue(),
    fc.record({ version: fc.oneof(fc.integer(), fc.jsonValue()), record: fc.jsonValue() }),
    // A good record with one field replaced by anything.
    fc
      .tuple(fc.constantFrom(...keys), fc.jsonValue())
      .map(([key, value]) => ({ version: 999, record: { ...record, [key]: value } })),
  );
  await fc.assert(
    fc.asyncProperty(anything, async (body) => {
      const answer = await app.http
        .put(`/api/openings/${before.id}`)
        .set('Content-Type', 'application/json')
        .send(JSON.stringify(body));
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.status).toBeLessThan(500);
      expect(answer.body.status).toBe(answer.status);
    }),
    fuzzed(150),
  );
  expect(await app.opening(4, 'rearDoor', 'left')).toEqual(before);
});

describe('places of a car', () => {
  const noted = (changes: Partial<Parameters<typeof newOpening>[0]> = {}) =>
    newOpening({ place: 'other', side: 'left', name: 'Tool box', presence: 'empty', nominalSize: '5 in', ...changes });
  const jobOf = async (number: number) => (await app.jobNumber(number)).job.id;
  const labelsOf = async (number: number) =>
    (await app.jobNumber(number)).openings.map(({ record }) => placeLabel(record));

  test('one more comes after those that are there, by counter and fitter, with its line in the history', async () => {
    const before = await labelsOf(2);
    const counter = await app.signedIn('Jory');
    const { body } = await counter
      .post(`/api/jobs/${await jobOf(2)}/openings`)
      .send({ record: noted() })
      .expect(200);
    expect(body).toMatchObject({ version: 1, choice: null, record: noted() });
    expect(await labelsOf(2)).toEqual([...before, 'Tool box, left']);
    const { changes } = (await app.http.get('/api/history').query({ record: body.id }).expect(200)).body;
    expect(changes).toMatchObject([{ action: 'created', label: 'Tool box, left', personName: 'Jory' }]);
  });

  test('several drivers behind one grille are told apart by their names', async () => {
    const add = async (name: string) =>
      app.http
        .post(`/api/jobs/${await jobOf(2)}/openings`)
        .send({ record: noted({ place: 'frontDoorLow', side: 'left', name }) });
    expect((await add('tweeter')).status).toBe(200);
    for (const [name, says] of [
      ['tweeter', 'Front door, left, tweeter is there already'],
      ['', 'Front door, left is there already'],
    ] as const) {
      const { status, body } = await add(name);
      expect([status, body.errors[0].path]).toEqual([422, 'record.name']);
      expect(body.errors[0].message).toContain(says);
    }
  });

  test('two who add the same place at once: it is there once', async () => {
    const jobId = await jobOf(3);
    const answers = await Promise.all(
      [1, 2, 3].map(() => app.http.post(`/api/jobs/${jobId}/openings`).send({ record: noted() })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422, 422]);
  });

  test.each([
    ['another place without a name', { name: '' }, 400, 'record.name'],
    [
      'a plug that nobody knows',
      { wiring: { kind: 'connector', connectorId: 'con-x' } },
      422,
      'record.wiring.connectorId',
    ],
  ])('%s is refused', async (_, change, status, path) => {
    const { body } = await app.http
      .post(`/api/jobs/${await jobOf(2)}/openings`)
      .send({ record: { ...noted({ name: 'Another' }), ...change } })
      .expect(status);
    expect(body.errors[0].path).toBe(path);
  });

  test('of a job that is not there, or is in the bin, there are none to add', async () => {
    await app.http.post(`/api/jobs/${UNKNOWN}/openings`).send({ record: noted() }).expect(404);
  });

  test('it is renamed and resized like any fact, and not onto another one', async () => {
    const { id, version, record } = await app.opening(3, 'other', 'left');
    const renamed = { ...record, name: 'Locker', nominalSize: '4 in', presence: 'blank' };
    await app.http.put(`/api/openings/${id}`).send({ version, record: renamed }).expect(200);
    expect((await app.opening(3, 'other', 'left')).state).toEqual({
      kind: 'noOpening',
      sentence: expect.stringContaining('The panel is closed here'),
    });
    await app.http
      .post(`/api/jobs/${await jobOf(3)}/openings`)
      .send({ record: noted({ name: 'Shelf' }) })
      .expect(200);
    const { body } = await app.http
      .put(`/api/openings/${id}`)
      .send({ version: version + 1, record: { ...renamed, name: 'Shelf' } })
      .expect(422);
    expect(body.errors[0].path).toBe('record.name');
  });

  test('it is taken off, and the history brings it back as it was, on its next version', async () => {
    const { id, version, record } = await app.opening(3, 'other', 'left');
    await app.http
      .post(`/api/openings/${id}/remove`)
      .send({ version: version - 1 })
      .expect(409);
    await app.http.post(`/api/openings/${id}/remove`).send({ version }).expect(200);
    await app.http.get(`/api/openings/${id}`).expect(404);
    const { changes } = (await app.http.get('/api/history').query({ record: id }).expect(200)).body;
    expect(changes[0]).toMatchObject({ action: 'deleted', version: version + 1, after: null });
    await app.http.post(`/api/history/${changes[0].id}/bring-back`).send({ to: 'before' }).expect(200);
    expect((await app.http.get(`/api/openings/${id}`).expect(200)).body).toMatchObject({
      version: version + 2,
      record,
    });
  });

  test('what was added is undone alone', async () => {
    const fitter = await app.signedIn('Rieke');
    const { body } = await fitter
      .post(`/api/jobs/${await jobOf(4)}/openings`)
      .send({ record: noted() })
      .expect(200);
    const { changes } = (await fitter.get('/api/undo').expect(200)).body;
    await fitter
      .post('/api/undo')
      .send({ changeIds: changes.map(({ id }: { id: number }) => id) })
      .expect(200);
    await app.http.get(`/api/openings/${body.id}`).expect(404);
  });

  test('not while something is chosen for it', async () => {
    const jobs = await Promise.all([1, 2, 3, 4, 5, 6].map((number) => app.jobNumber(number)));
    const chosen = jobs.flatMap(({ openings }) => openings).find(({ choice }) => choice !== null);
    if (!chosen) throw new Error('expected a choice in the demo shop');
    const { body } = await app.http
      .post(`/api/openings/${chosen.id}/remove`)
      .send({ version: chosen.version })
      .expect(422);
    expect(body.detail).toContain('take the choice off first');
  });
});
