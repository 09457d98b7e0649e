import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Baseline, intakeFactsOf, NO_BASELINE } from '@low-quarry/core/model';
import { baselineFields, differencesOf } from '@low-quarry/core/records';
import { createTestApp, type TestApp } from '../../testing/testApp';

const WORKS = { state: 'works', note: '' } as const;
const SIGNED: Baseline['signed'] = { by: 'Vet', at: '2026-03-02T10:00:00.000Z', strokes: [[[10, 20]], [[30, 40]]] };

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const read = async (number: number): Promise<Job> => (await app.jobNumber(number)).job;
const put = (http: TestApp['http'], { id, version }: Job, baseline: object) =>
  http.put(`/api/jobs/${id}/baseline`).send({ version, baseline });

describe('the baseline', () => {
  test('is written down by a fitter, who may not change what was asked', async () => {
    const fitter = await app.signedIn('Rieke');
    const job = await read(1);
    expect(job.baseline).toEqual(NO_BASELINE);
    const baseline = { ...NO_BASELINE, functions: { camera: WORKS, 'other.Tow bar socket': WORKS }, damage: '' };
    const { body } = await put(fitter, job, baseline).expect(200);
    expect(body).toMatchObject({ ...intakeFactsOf(job), baseline, version: job.version + 1 });
    const asked = { ...intakeFactsOf(job), version: body.version, wants: 'louder' };
    await fitter.put(`/api/jobs/${job.id}`).send(asked).expect(403);
    const changed = await app.http.put(`/api/jobs/${job.id}`).send(asked).expect(200);
    expect(changed.body).toMatchObject({ wants: 'louder', baseline });
    const stale = await put(fitter, job, NO_BASELINE).expect(409);
    expect(stale.body.current).toMatchObject({ baseline });
  });

  test('is in the history, thing by thing, and in the shop file', async () => {
    const job = await read(1);
    const { body } = await app.http.get('/api/history').query({ kind: 'job', record: job.id }).expect(200);
    type State = { readonly baseline: Baseline };
    const told = (body.changes as Change[]).flatMap(({ before, after }) => {
      const [was, is] = [before as State, after as State];
      return was ? differencesOf(baselineFields(was, is), was, is).map((each) => `${each.label}: ${each.after}`) : [];
    });
    for (const line of ['Camera: Works', 'Tow bar socket: Works', 'Scratches and missing parts: looked: nothing'])
      expect(told).toContain(line);
    const file = await app.http.get('/api/export').expect(200);
    const shop = JSON.parse(file.text) as { jobs: { id: string; baseline: Baseline }[] };
    expect(shop.jobs.find(({ id }) => id === job.id)?.baseline).toEqual(job.baseline);
  });

  test.each<[string, object, string]>([
    ['a state that is none', { functions: { camera: { state: 'fine', note: '' } } }, 'baseline.functions.camera.state'],
    ['a signature without a line', { signed: { ...SIGNED, strokes: [] } }, 'baseline.signed.strokes'],
    ['nothing', { functions: undefined }, 'baseline.functions'],
  ])('with %s is refused at its field, and nothing changes', async (_, part, path) => {
    const job = await read(2);
    const { body } = await put(app.http, job, { ...NO_BASELINE, ...part }).expect(400);
    expect(body.errors.map((each: { path: string }) => each.path)).toContain(path);
    expect(await read(2)).toEqual(job);
  });
});

describe('what is signed for', () => {
  test('stays, whoever asks; it is tried again at hand-over; the owner takes the signature off', async () => {
    const fitter = await app.signedIn('Rieke');
    const signed = { ...NO_BASELINE, functions: { camera: WORKS }, signed: SIGNED };
    const job = (await put(fitter, await read(3), signed).expect(200)).body as Job;
    for (const http of [fitter, app.http]) {
      const { body } = await put(http, job, { ...signed, damage: 'a dent' }).expect(422);
      expect(body.errors).toEqual([{ path: 'baseline.damage', message: expect.stringContaining('Vet signed this') }]);
    }
    await put(fitter, job, { ...signed, signed: null }).expect(422);
    const again = (await put(fitter, job, { ...signed, after: { camera: WORKS } }).expect(200)).body as Job;
    expect(again.baseline.after).toEqual({ camera: WORKS });
    const off = (await put(app.http, again, { ...again.baseline, signed: null }).expect(200)).body as Job;
    await put(fitter, off, { ...off.baseline, damage: 'a dent' }).expect(200);
  });

  test('is not brought back to what was before by the counter, and is by the owner', async () => {
    const counter = await app.signedIn('Merle');
    const tried = { ...NO_BASELINE, functions: { camera: WORKS } };
    const job = (await put(counter, await read(4), tried).expect(200)).body as Job;
    await put(app.http, job, { ...tried, signed: SIGNED }).expect(200);
    const { body } = await counter.get('/api/history').query({ kind: 'job', record: job.id }).expect(200);
    const [, first] = body.changes as Change[];
    const bringBack = (http: TestApp['http']) =>
      http.post(`/api/history/${first?.id}/bring-back`).send({ to: 'before' });
    const refused = await bringBack(counter).expect(422);
    expect(refused.body.detail).toContain('Vet signed this on 2026-03-02.');
    expect((await read(4)).baseline).toEqual({ ...tried, signed: SIGNED });
    await bringBack(app.http).expect(200);
    expect((await read(4)).baseline).toEqual(NO_BASELINE);
  });
});
