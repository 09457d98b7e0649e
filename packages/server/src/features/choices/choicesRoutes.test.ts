import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { recordDifferences } from '@low-quarry/core/records/recordDifferences';
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
};
const DEEP = { ...SLIM, speakerId: 'spk-wrackline-shoal-65' };

const reason = (check: string) => ({ kind: 'reason', check, words: 'customer cuts the card' });
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

  test('the deep one would stand 5.4 mm into the glass: it is kept, and off the order list until each check is answered', async () => {
    await keep([{ openingId: left.id, ...DEEP }]).expect(200);
    const { state } = await app.opening(1, 'frontDoorLow', 'left');
    if (state.kind !== 'chosen') throw new Error('expected a choice');
    expect(state.summary.sentence).toContain('The magnet would stand 5.4 mm into the glass');
    expect(state).toMatchObject({
      heldBack: expect.stringContaining('no reason is written'),
      summary: { verdict: 'hits' },
    });
    const answers = state.open.filter(({ countsFor }) => countsFor !== 'arrival').map(({ check }) => reason(check));
    expect(answers.length).toBeGreaterThan(0);
    await keep([{ openingId: left.id, ...DEEP, answers }]).expect(200);
    const answered = await app.opening(1, 'frontDoorLow', 'left');
    expect(answered.state).toMatchObject({ kind: 'chosen', heldBack: null, summary: { verdict: 'hits' } });
    expect(answered.choice?.answers[0]).toMatchObject({
      kind: 'reason',
      by: 'Okke',
      at: '2026-03-02T10:00:00.000Z',
      found: { verdict: 'hits' },
    });
  });

  test('an answer stays whose it is, as long as the words and the finding do', async () => {
    const rieke = await app.signedIn('Rieke');
    const path = `/api/jobs/${left.jobId}/choices`;
    const [said] = (await app.opening(1, 'frontDoorLow', 'left')).choice?.answers ?? [];
    if (!said) throw new Error('expected an answer');
    const again = async (words: string) => {
      const answers = [{ ...reason(said.check), words }];
      await rieke
        .put(path)
        .send({ choices: [{ openingId: left.id, ...DEEP, answers }] })
        .expect(200);
      return (await app.opening(1, 'frontDoorLow', 'left')).choice?.answers[0]?.by;
    };
    expect(await again(said.words)).toBe('Okke');
    expect(await again('the card is cut out by us')).toBe('Rieke');
  });

  test('what a device kept as one reason for all is shown, and answers nothing', async () => {
    await keep([{ openingId: left.id, ...DEEP, reason: 'customer cuts the card' }]).expect(200);
    const { state, choice } = await app.opening(1, 'frontDoorLow', 'left');
    expect(choice).toMatchObject({ answers: [], earlierReason: 'customer cuts the card' });
    expect(state).toMatchObject({ heldBack: expect.any(String) });
  });
});

describe('a hold', () => {
  const CENTRE = { speakerId: 'spk-skerrivar-tide-6-half', layerIds: [] };
  const kept = {
    kind: 'cure',
    check: 'chime',
    cure: 'sounderKept',
    words: 'Under the dash, belt chime heard',
    leave: 'The club, by letter of 2 March',
  };

  test('is lifted by no reason; for warning sounds by the shop’s owner, with leave, and by nobody else', async () => {
    const dash = await app.opening(3, 'dashCentre', 'centre');
    const rieke = await app.signedIn('Rieke');
    const put = (http: typeof rieke, answer: object) =>
      http
        .put(`/api/jobs/${dash.jobId}/choices`)
        .send({ choices: [{ openingId: dash.id, ...CENTRE, answers: [answer] }] });
    const refusedAt = async (http: typeof rieke, answer: object) =>
      (await put(http, answer).expect(422)).body.errors.map(({ path }: { path: string }) => path);
    expect(await refusedAt(app.http, reason('chime'))).toEqual(['choices.0.answers.0.kind']);
    expect(await refusedAt(app.http, { ...kept, leave: null })).toEqual(['choices.0.answers.0.leave']);
    expect(await refusedAt(app.http, { ...kept, cure: 'newWire' })).toEqual(['choices.0.answers.0.cure']);
    expect(await refusedAt(rieke, kept)).toEqual(['choices.0.answers.0.cure']);
    expect((await app.opening(3, 'dashCentre', 'centre')).choice).toBeNull();

    await put(app.http, kept).expect(200);
    const chime = async () => {
      const { state } = await app.opening(3, 'dashCentre', 'centre');
      return state.kind === 'chosen' ? state.open.find(({ check }) => check === 'chime') : null;
    };
    expect(await chime()).toMatchObject({ verdict: 'hold', answer: { by: 'Okke', cure: 'sounderKept' } });
    // Somebody else may choose again and leave the owner's word as it is.
    await put(rieke, kept).expect(200);
    expect(await chime()).toMatchObject({ answer: { by: 'Okke' } });
    // Found out to be something else: the cure was for another fact.
    const { record, version } = await app.opening(3, 'dashCentre', 'centre');
    await app.http
      .put(`/api/openings/${dash.id}`)
      .send({ version, record: { ...record, secondPlug: 'unexplained', plugFaces: [] } })
      .expect(200);
    expect(await chime()).toMatchObject({ answer: null, cures: [], outgrown: { by: 'Okke' } });
    await app.http
      .put(`/api/openings/${dash.id}`)
      .send({ version: version + 1, record: { ...record, secondPlug: 'warning' } })
      .expect(200);
    await app.http.delete(`/api/openings/${dash.id}/choice`).expect(200);
  });

  test('of missing wires is lifted by new wire, and the parts come onto the order', async () => {
    const door = await app.opening(5, 'rearDoor', 'left');
    const answer = {
      kind: 'cure',
      check: 'connector',
      cure: 'newWire',
      words: 'From the radio through the boot',
      leave: null,
    };
    const choice = { openingId: door.id, ...CENTRE, answers: [answer] };
    await app.http
      .put(`/api/jobs/${door.jobId}/choices`)
      .send({ choices: [choice] })
      .expect(200);
    const { state } = await app.opening(5, 'rearDoor', 'left');
    if (state.kind !== 'chosen') throw new Error('expected a choice');
    expect(state.open.find(({ check }) => check === 'connector')).toMatchObject({
      verdict: 'hold',
      answer: { cure: 'newWire' },
    });
    await app.http.delete(`/api/openings/${door.id}/choice`).expect(200);
  });
});

describe('work by hand', () => {
  const THROAT = { kind: 'fileThroat', byMm: 1 };
  const PLATE = {
    kind: 'cutPlate',
    thicknessMm: 57,
    throatMm: { length: 140, width: 140 },
    outsideMm: 190,
    turnRad: 0,
    isSunk: false,
    vehicleHoles: 4,
    speakerHoles: 4,
  };

  test('stays with the choice: on the job, the order list and in the history; with other work it is another choice', async () => {
    const worked = { openingId: left.id, ...SLIM, works: [THROAT] };
    await keep([worked]).expect(200);
    const { choice, state } = await app.opening(1, 'frontDoorLow', 'left');
    expect(choice?.works).toEqual([THROAT]);
    expect(state).toMatchObject({ kind: 'chosen', works: [THROAT] });
    const order = await app.http.get(`/api/jobs/${left.jobId}/order`).expect(200);
    expect(order.body.included.find(({ openingId }: { openingId: string }) => openingId === left.id)).toMatchObject({
      works: [THROAT],
    });
    await keep([{ ...worked, works: [] }]).expect(200);
    const { body } = await app.http.get('/api/history?kind=choice').expect(200);
    const [{ before, after }] = body.changes;
    expect(recordDifferences('choice', before, after)).toContainEqual({
      path: 'works',
      label: 'By hand',
      before: 'File the bracket’s throat by 1 mm all round.',
      after: 'nothing',
    });
    expect((await app.opening(1, 'frontDoorLow', 'left')).choice?.works).toEqual([]);
  });

  test.each<[string, object[], number, string]>([
    ['no ring to thin', [{ kind: 'thinRing', byMm: 1 }], 422, 'choices.0.works'],
    ['a plate for what has a bracket', [PLATE], 422, 'choices.0.works'],
    ['the same twice', [THROAT, THROAT], 400, 'choices.0.works'],
    ['no kind of work', [{ kind: 'weld' }], 400, 'choices.0.works.0.kind'],
  ])('%s: refused, and the choice is as it was', async (_, works, status, path) => {
    await keep([{ openingId: left.id, ...SLIM }]).expect(200);
    const { body } = await keep([{ openingId: left.id, ...SLIM, works }]).expect(status);
    expect(body.errors[0].path).toBe(path);
    expect((await app.opening(1, 'frontDoorLow', 'left')).choice?.works).toEqual([]);
  });

  test('a sheet that the shop has not', async () => {
    const { body } = await keep([{ openingId: left.id, ...SLIM, layerIds: [], works: [PLATE] }]).expect(422);
    expect(body.errors[0].message).toContain('57 mm sheet');
  });
});

describe('all or nothing', () => {
  test('one refused choice of two keeps neither', async () => {
    await app.http.delete(`/api/openings/${left.id}/choice`);
    await app.http.delete(`/api/openings/${right.id}/choice`);
    await keep([
      { openingId: left.id, ...SLIM },
      { openingId: right.id, ...DEEP, answers: [{ ...reason('depth'), kind: 'cure', cure: 'newWire', leave: null }] },
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

    const { version, settings } = (await app.http.get('/api/settings').expect(200)).body;
    const wider = { ...settings, clearancesMm: { ...settings.clearancesMm, glass: 25 }, name: 'Slipway Ten' };
    await app.http.put('/api/settings').send({ version, settings: wider }).expect(200);
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
    await app.http.put('/api/settings').send(back).expect(200);
    await app.http.put('/api/settings').send(back).expect(409);
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
