import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
let left: OpeningWithState;
let right: OpeningWithState;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());
beforeEach(async () => {
  left = await app.opening(1, 'frontDoorLow', 'left');
  right = await app.opening(1, 'frontDoorLow', 'right');
});

const SLIM = {
  speakerId: 'spk-wrackline-shoal-65-slim',
  layerIds: ['brk-plate-3-166-to-6-5-6-mm'],
  reason: null,
};
const DEEP = { ...SLIM, speakerId: 'spk-wrackline-shoal-65' };

const keep = (choices: object[], jobId = left.jobId) => app.http.put(`/api/jobs/${jobId}/choices`).send({ choices });

describe('the two 6.5-inch speakers of the demo', () => {
  test('the slim one clears both doors and is kept', async () => {
    await keep([
      { openingId: left.id, ...SLIM },
      { openingId: right.id, ...SLIM },
    ]).expect(200, { kept: 2 });
    const { state, choice } = await app.opening(1, 'frontDoorLow', 'left');
    expect(state).toMatchObject({ kind: 'chosen', heldBack: null, summary: { verdict: 'clears' } });
    expect(choice).toMatchObject({ ...SLIM, chosenAt: '2026-03-02T10:00:00.000Z' });
  });

  test('the deep one would stand 5.4 mm into the glass, and needs a written reason', async () => {
    const { body } = await keep([{ openingId: left.id, ...DEEP }]).expect(422);
    expect(body.errors).toEqual([
      {
        path: 'choices.0.reason',
        message: expect.stringContaining('Hits: The magnet would stand 5.4 mm into the glass'),
      },
    ]);
    await keep([{ openingId: left.id, ...DEEP, reason: 'too short'.slice(0, 7) }]).expect(422);
    await keep([{ openingId: left.id, ...DEEP, reason: 'customer cuts the card' }]).expect(200);
    expect((await app.opening(1, 'frontDoorLow', 'left')).state).toMatchObject({
      kind: 'chosen',
      heldBack: null,
      summary: { verdict: 'hits' },
    });
  });
});

describe('all or nothing', () => {
  test('one refused choice of two keeps neither', async () => {
    await app.http.delete(`/api/openings/${left.id}/choice`);
    await app.http.delete(`/api/openings/${right.id}/choice`);
    await keep([
      { openingId: left.id, ...SLIM },
      { openingId: right.id, ...DEEP },
    ]).expect(422);
    expect((await app.opening(1, 'frontDoorLow', 'left')).choice).toBeNull();
  });

  test.each([
    ['an unknown speaker', { speakerId: 'spk-nobody' }, 'choices.0.speakerId'],
    ['a bracket that is a speaker', { layerIds: ['spk-wrackline-shoal-65'] }, 'choices.0.layerIds'],
    ['an unknown spacer', { layerIds: ['what-if'] }, 'choices.0.layerIds'],
  ])('%s', async (_, change, path) => {
    const { body } = await keep([{ openingId: left.id, ...SLIM, ...change }]).expect(422);
    expect(body.errors[0].path).toBe(path);
  });

  test("another job's opening, the same opening twice, an unknown job", async () => {
    const other = await app.opening(3, 'frontDoorLow', 'left');
    expect((await keep([{ openingId: other.id, ...SLIM }]).expect(422)).body.errors[0].path).toBe(
      'choices.0.openingId',
    );
    await keep([
      { openingId: left.id, ...SLIM },
      { openingId: left.id, ...SLIM },
    ]).expect(422);
    await keep([{ openingId: left.id, ...SLIM }], '00000000-0000-4000-8000-ffffffffffff').expect(404);
    await keep([]).expect(400);
  });
});

test('a choice can be taken back, once', async () => {
  await keep([{ openingId: right.id, ...SLIM }]).expect(200);
  await app.http.delete(`/api/openings/${right.id}/choice`).expect(200, { removed: true });
  await app.http.delete(`/api/openings/${right.id}/choice`).expect(200, { removed: false });
  await app.http.delete('/api/openings/00000000-0000-4000-8000-ffffffffffff/choice').expect(404);
});

test('a measurement that changes later holds a clearing choice back, and says so', async () => {
  await keep([{ openingId: left.id, ...SLIM }]).expect(200);
  const { version, record } = await app.opening(1, 'frontDoorLow', 'left');
  const shallow = {
    ...record,
    dimensions: {
      ...record.dimensions,
      depthBehind: { readingsMm: [40], source: 'depthStick', entered: '40', takenBy: null, takenAt: null },
    },
  };
  await app.http.put(`/api/openings/${left.id}`).send({ version, record: shallow }).expect(200);
  expect((await app.opening(1, 'frontDoorLow', 'left')).state).toMatchObject({
    kind: 'chosen',
    heldBack: 'It cleared when it was chosen and does not any more.',
    summary: { verdict: 'hits' },
  });
  const { body } = await app.http.get(`/api/jobs/${left.jobId}/order`).expect(200);
  expect(body.heldBack.find(({ openingId }: { openingId: string }) => openingId === left.id)).toMatchObject({
    hasChoice: true,
    why: expect.stringContaining('does not any more'),
  });
});

describe('the snapshot of a choice', () => {
  test('tells what changed since and what the verdict would be now, and changes nothing by itself', async () => {
    const opening = await app.opening(1, 'frontDoorLow', 'right');
    await app.http.delete(`/api/openings/${opening.id}/choice`);
    await keep([{ openingId: opening.id, ...SLIM }]).expect(200);
    const fresh = await app.opening(1, 'frontDoorLow', 'right');
    expect(fresh.state).toMatchObject({ kind: 'chosen', changedSince: [], verdictThen: 'clears' });

    const { version, settings } = (await app.http.get('/api/shop').expect(200)).body;
    const wider = { ...settings, clearancesMm: { ...settings.clearancesMm, glass: 25 }, name: 'Slipway Ten' };
    await app.http.put('/api/shop').send({ version, settings: wider }).expect(200);
    const depth = { readingsMm: [56], source: 'depthStick', entered: '56', takenBy: 'Rieke', takenAt: null };
    const record = { ...fresh.record, dimensions: { ...fresh.record.dimensions, depthBehind: depth } };
    await app.http.put(`/api/openings/${opening.id}`).send({ version: fresh.version, record }).expect(200);

    const { state, choice } = await app.opening(1, 'frontDoorLow', 'right');
    if (state.kind !== 'chosen') throw new Error('expected a choice');
    expect(state.changedSince.map(({ label, before, after }) => [label, before, after])).toEqual([
      ['Depth behind', expect.stringContaining('58.5 mm'), '56 mm, depth stick, Rieke'],
      ['To the glass', '5 mm', '25 mm'],
    ]);
    expect(state).toMatchObject({
      verdictThen: 'clears',
      sentenceThen: fresh.state.kind === 'chosen' && fresh.state.summary.sentence,
    });
    expect(state.summary.verdict).not.toBe('clears');
    expect(choice).toMatchObject({ ...SLIM, version: choice?.version });
    const back = { version: version + 1, settings };
    await app.http.put('/api/shop').send(back).expect(200);
    await app.http.put('/api/shop').send(back).expect(409);
  });

  test('a choice on an old version is a conflict with what is chosen', async () => {
    const opening = await app.opening(1, 'frontDoorLow', 'right');
    const version = opening.choice?.version ?? 0;
    await keep([{ openingId: opening.id, version: version - 1, ...SLIM }]).expect(409);
    await keep([{ openingId: opening.id, version, ...SLIM }]).expect(200);
    const { body } = await keep([{ openingId: opening.id, version, ...SLIM }]).expect(409);
    expect(body.current).toMatchObject({ speakerId: SLIM.speakerId, version: version + 1 });
    const path = `/api/openings/${opening.id}/choice`;
    await app.http.delete(path).query({ version }).expect(409);
    await app.http
      .delete(path)
      .query({ version: version + 1 })
      .expect(200, { removed: true });
  });
});
