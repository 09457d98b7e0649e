/** Sets over HTTP: made of parts, found from each of them, and kept as they were sent. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const WOOFER = 'spk-wrackline-skein-65-c';

test('the sets that a part comes in, with how many of it; a set of one that nobody has is refused', async () => {
  const { body: known } = await app.http.get(`/api/parts/${WOOFER}/sets`).expect(200);
  expect(known.sets).toEqual([{ id: 'set-wrackline-skein-65', label: 'Wrackline Skein set 65', count: 2 }]);
  const set = {
    ...{ kind: 'set', id: 'set-trial', maker: 'Wrackline', name: 'Trial set', offers: [] },
    inBox: [
      { count: 1, what: 'woofer, left', partId: WOOFER },
      { count: 1, what: 'woofer, right', partId: WOOFER },
      { count: 2, what: 'tweeter of a kind that is not here', partId: 'spk-nobody-has' },
    ],
  };
  const send = (part: object) =>
    app.http
      .post('/api/parts/imports')
      .send({ name: 'Typed by hand', pack: { format: 'parts', version: 2, parts: [part], connectors: [] } });
  const { body: refused } = await send({ ...set, inBox: set.inBox.slice(0, 1) }).expect(400);
  expect(refused.errors).toMatchObject([{ path: 'pack.parts.0.inBox', message: 'A set has two pieces or more.' }]);
  await send(set).expect(200);
  const { body: both } = await app.http.get(`/api/parts/${WOOFER}/sets`).expect(200);
  expect(both.sets).toEqual([...known.sets, { id: set.id, label: 'Wrackline Trial set', count: 2 }]);
  expect((await app.http.get(`/api/parts/${set.id}`).expect(200)).body.record).toMatchObject(set);
  expect((await app.http.get('/api/parts/spk-wrackline-shoal-65/sets').expect(200)).body).toEqual({ sets: [] });
});

test('what is in a box is corrected, and told in the history in words', async () => {
  const { body: part } = await app.http.get(`/api/parts/${WOOFER}`).expect(200);
  expect(part.record.inBox).toBeNull();
  const inBox = [{ count: 2, what: 'grille', partId: null }];
  await app.http
    .put(`/api/parts/${WOOFER}`)
    .send({ version: part.version, record: { ...part.record, inBox } })
    .expect(200);
  const { body } = await app.http.get('/api/history').query({ kind: 'part', record: WOOFER }).expect(200);
  expect(body.changes[0]).toMatchObject({ before: { inBox: null }, after: { inBox } });
});
