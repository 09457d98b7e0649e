import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';

let app: TestApp;
let rieke: Http;
beforeAll(async () => {
  app = await createTestApp();
  rieke = await app.signedIn('Rieke');
});
afterAll(() => app.drop());

const history = async (query: object) =>
  (await app.http.get('/api/history').query(query).expect(200)).body as { changes: Change[]; hasMore: boolean };
const doorOf = (job: number, side: 'left' | 'right' = 'left') => app.opening(job, 'frontDoorLow', side);
const putNote = async (http: Http, job: number, note: string) => {
  const { id, version, record } = await doorOf(job);
  await http
    .put(`/api/openings/${id}`)
    .send({ version, record: { ...record, note } })
    .expect(200);
  return id;
};
const undo = async (http: Http) => {
  const { body } = await http.get('/api/undo').expect(200);
  return http.post('/api/undo').send({ changeIds: body.changes.map(({ id }: Change) => id) });
};
const SLIM = {
  speakerId: 'spk-wrackline-shoal-65-slim',
  layerIds: ['brk-plate-3-166-to-6-5-6-mm'],
};

describe('every change has its line', () => {
  test('who, when, at which device, before and after', async () => {
    await rieke.put('/api/device').send({ name: 'Bay 2' }).expect(200);
    const id = await putNote(rieke, 2, 'glass sticks');
    const { changes } = await history({ record: id });
    expect(changes[0]).toMatchObject({
      at: '2026-03-02T10:00:00.000Z',
      personName: 'Rieke',
      deviceName: 'Bay 2',
      kind: 'opening',
      label: 'Front door, left',
      action: 'changed',
      before: { note: expect.not.stringContaining('glass sticks') },
      after: { note: 'glass sticks' },
    });
    expect(changes[1]).toMatchObject({ action: 'created', personName: 'The demo shop', personId: null, before: null });
  });

  test('nothing is missing between a record’s versions, and each begins where the one before ended', async () => {
    for (let step = 0; step < 5; step++) await putNote(app.http, 3, `step ${step}`);
    const { id, version } = await doorOf(3);
    const { changes } = await history({ record: id, kind: 'opening' });
    expect(changes.map((change) => change.version)).toEqual(Array.from({ length: version }, (_, at) => version - at));
    for (const [at, change] of changes.entries())
      if (changes[at + 1]) expect(change.before).toEqual(changes[at + 1]?.after);
  });

  test('a refused change leaves no line, and neither does half of one', async () => {
    const { id, version, record } = await doorOf(3);
    const count = (await history({ record: id })).changes.length;
    await rieke
      .put(`/api/openings/${id}`)
      .send({ version: version - 1, record })
      .expect(409);
    await rieke
      .put(`/api/openings/${id}`)
      .send({ version, record: { ...record, wiring: { kind: 'connector', connectorId: 'con-nobody' } } })
      .expect(422);
    expect((await history({ record: id })).changes).toHaveLength(count);
  });

  test('is found by words, kind, job and person, a page at a time', async () => {
    const { job } = await app.jobNumber(2);
    const found = await history({ find: 'STICKS bay', job: job.id });
    expect(found.changes.map(({ label }) => label)).toEqual(['Front door, left']);
    expect((await history({ find: '100%_' })).changes).toEqual([]);
    expect((await history({ kind: 'settings' })).changes).toEqual([]);
    const first = await history({});
    expect(first.changes).toHaveLength(40);
    expect(first.hasMore).toBe(true);
    const next = await history({ before: first.changes[39]?.id });
    expect(next.changes[0]?.id).toBe((first.changes[39]?.id ?? 0) - 1);
    await app.http.get('/api/history').query({ before: 'x' }).expect(400);
  });
});

describe('the database itself keeps it', () => {
  test('the role of the running server may read and add, and nothing else', async () => {
    for (const statement of [
      `UPDATE "change" SET "person_name" = 'nobody'`,
      'DELETE FROM "change"',
      'TRUNCATE "change"',
      'ALTER TABLE "change" DISABLE TRIGGER ALL',
      'DROP TABLE "change"',
    ]) {
      await expect(app.db.query(statement)).rejects.toThrow(/permission denied|must be owner/);
    }
  });

  test('and its owner is stopped by the trigger', async () => {
    for (const statement of [`UPDATE "change" SET "label" = ''`, 'DELETE FROM "change"', 'TRUNCATE "change"']) {
      await expect(app.owner.query(statement)).rejects.toThrow('the history is only added to');
    }
  });
});

describe('bringing back', () => {
  test('an earlier state becomes a new change', async () => {
    const id = await putNote(rieke, 4, 'first');
    const { changes } = await history({ record: id });
    await putNote(rieke, 4, 'second');
    const { body } = await rieke.post(`/api/history/${changes[0]?.id}/bring-back`).send({ to: 'after' }).expect(200);
    const door = await doorOf(4);
    expect(door.record.note).toBe('first');
    expect((await history({ record: id })).changes[0]).toMatchObject({ id: body.changeId, version: door.version });
  });

  test('needs the right to make that change, and a change that there is', async () => {
    const merle = await app.signedIn('Merle');
    const { changes } = await history({ kind: 'opening' });
    await merle.post(`/api/history/${changes[0]?.id}/bring-back`).send({ to: 'before' }).expect(403);
    await rieke.post('/api/history/999999/bring-back').send({ to: 'before' }).expect(404);
    const created = (await history({ kind: 'opening', find: 'created' })).changes.find(
      ({ action }) => action === 'created',
    );
    if (created) await rieke.post(`/api/history/${created.id}/bring-back`).send({ to: 'before' }).expect(422);
  });
});

describe('undo', () => {
  test('takes the last action back, then the one before; what somebody else did is not touched', async () => {
    const http = await app.signedIn('Jory');
    const start = (await doorOf(5)).record.note;
    await putNote(http, 5, 'one');
    await putNote(http, 5, 'two');
    await undo(http).then(({ body }) => expect(body).toEqual({ undone: 1 }));
    expect((await doorOf(5)).record.note).toBe('one');
    await undo(http).then(({ body }) => expect(body).toEqual({ undone: 1 }));
    expect((await doorOf(5)).record.note).toBe(start);
    expect((await http.get('/api/undo')).body).toEqual({ changes: [] });
  });

  test('two doors that were chosen at once are taken back at once', async () => {
    const http = await app.signedIn('Jory');
    const [left, right] = [await doorOf(1), await doorOf(1, 'right')];
    await http.delete(`/api/openings/${left.id}/choice`);
    await http.delete(`/api/openings/${right.id}/choice`);
    const choices = [left, right].map(({ id }) => ({ openingId: id, ...SLIM }));
    await http.put(`/api/jobs/${left.jobId}/choices`).send({ choices }).expect(200);
    const { body } = await undo(http);
    expect(body).toEqual({ undone: 2 });
    expect([(await doorOf(1)).choice, (await doorOf(1, 'right')).choice]).toEqual([null, null]);
  });

  test('a choice that comes back has its answers again, from whoever gave them', async () => {
    const okke = await app.signedIn('Okke');
    const jory = await app.signedIn('Jory');
    const { id, jobId } = await app.opening(3, 'dashCentre', 'centre');
    const cure = {
      kind: 'cure',
      check: 'chime',
      cure: 'sounderKept',
      words: 'Under the dash, heard',
      leave: 'The club',
    };
    const choice = { openingId: id, speakerId: 'spk-skerrivar-tide-6-half', layerIds: [], answers: [cure] };
    await okke
      .put(`/api/jobs/${jobId}/choices`)
      .send({ choices: [choice] })
      .expect(200);
    await jory.delete(`/api/openings/${id}/choice`).expect(200);
    await undo(jory).then(({ status }) => expect(status).toBe(200));
    expect((await app.opening(3, 'dashCentre', 'centre')).choice?.answers).toMatchObject([{ ...cure, by: 'Okke' }]);
    await jory.delete(`/api/openings/${id}/choice`).expect(200);
  });

  test('not when somebody changed the record since, and not something else than was shown', async () => {
    const http = await app.signedIn('Jory');
    await putNote(http, 3, 'mine');
    await putNote(rieke, 3, 'theirs');
    const { body } = await undo(http);
    expect(body).toMatchObject({ type: '/problems/overtaken', status: 409 });
    expect((await doorOf(3)).record.note).toBe('theirs');
    await http
      .post('/api/undo')
      .send({ changeIds: [1] })
      .expect(409);
  });

  test('a car booked in by mistake goes into the bin', async () => {
    const merle = await app.signedIn('Merle');
    const job = { vehicleId: 'veh-ostrand-longshore', customer: 'Slip', registration: '', wants: '', dueOn: null };
    const { body } = await merle.post('/api/jobs').send(job).expect(200);
    await undo(merle).then(({ status }) => expect(status).toBe(200));
    await app.http.get(`/api/jobs/${body.jobId}`).expect(404);
    const bin = (await app.http.get('/api/bin').expect(200)).body.jobs;
    expect(bin.map(({ id }: { id: string }) => id)).toContain(body.jobId);
  });

  test('is over after the working day', async () => {
    const http = await app.signedIn('Jory');
    await putNote(http, 5, 'late');
    app.wait(11.9 * 3_600_000);
    expect((await http.get('/api/undo')).body.changes).toHaveLength(1);
    app.wait(0.2 * 3_600_000);
    expect((await http.get('/api/undo')).body.changes).toHaveLength(0);
  });
});
