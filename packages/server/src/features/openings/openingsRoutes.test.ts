import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
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
