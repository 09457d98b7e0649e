/** Lists of jobs: page by page, by words, open and ended, and never with a verdict of yesterday. */

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type AskedOf, WAITS, waitsFor } from '@low-quarry/core/model';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { NOW } from '../../testing/testDatabase';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

describe('pages, words and ends', () => {
  const listed = async (query: object) => {
    const { body } = await app.http.get('/api/jobs').query(query).expect(200);
    return { ...body, numbers: body.jobs.map(({ number }: { number: number }) => number) };
  };

  test.each([
    ['a number, and part of a registration', '5', null],
    ['a registration in other letters', 'pilot 1', [4]],
    ['vehicle and customer in any order', 'longshore harbour ostrand', [4]],
    ['nothing that anybody has', 'zeppelin', []],
    ['a pattern', '%', []],
  ])('%s finds a car', async (_, find, numbers) => {
    const { jobs, numbers: found, total } = await listed({ find });
    expect(total).toBe(jobs.length);
    if (numbers) expect(found).toEqual(numbers);
    else expect(found).toContain(5);
  });

  test('a car that was handed over leaves the open ones, is found under those that ended, and can be taken up again', async () => {
    const { job } = await app.jobNumber(3);
    const before = await listed({});
    const end = (version: number, as = 'handedOver') => app.http.post(`/api/jobs/${job.id}/end`).send({ version, as });
    await end(job.version + 1).expect(409);
    await end(job.version, 'scrapped').expect(400);
    const { body: ended } = await end(job.version).expect(200);
    expect(ended).toMatchObject({ version: job.version + 1, ended: { as: 'handedOver', at: NOW.toISOString() } });
    expect((await listed({})).numbers).not.toContain(3);
    expect(await listed({ list: 'ended' })).toMatchObject({ numbers: [3], total: 1 });
    expect((await listed({ list: 'ended', find: 'zeppelin' })).counts).toEqual({
      open: before.counts.open - 1,
      ended: 1,
    });
    const { body: history } = await app.http.get('/api/history').query({ record: job.id }).expect(200);
    expect(history.changes[0]).toMatchObject({ action: 'changed', before: { ended: null } });
    const { body: again } = await app.http
      .post(`/api/jobs/${job.id}/reopen`)
      .send({ version: ended.version })
      .expect(200);
    expect(again.ended).toBeNull();
    // A state of the history brings the end back, and undo takes it back.
    await app.http.post(`/api/history/${history.changes[0].id}/bring-back`).send({ to: 'after' }).expect(200);
    expect((await listed({ list: 'ended' })).numbers).toEqual([3]);
    const { body: undo } = await app.http.get('/api/undo').expect(200);
    const changeIds = undo.changes.map(({ id }: { id: number }) => id);
    await app.http.post('/api/undo').send({ changeIds }).expect(200);
    expect((await listed({})).numbers).toEqual(before.numbers);
  });

  test('a list shows what a corrected part, another measurement or another setting makes of a choice, at once', async () => {
    const stateOf = async (openingId: string) => {
      const { jobs } = await listed({});
      const found = jobs
        .flatMap(({ openings }: { openings: { id: string; state: unknown }[] }) => openings)
        .find(({ id }: { id: string }) => id === openingId);
      return found.state;
    };
    const jobs = await Promise.all([1, 2, 3, 4, 5, 6].map((number) => app.jobNumber(number)));
    const opening = jobs
      .flatMap(({ openings }) => openings)
      .find(({ choice, state }) => choice && state.kind === 'chosen' && state.summary.verdict === 'clears');
    if (!opening) throw new Error('expected a choice that clears in the demo shop');
    const speakerId = opening.choice?.speakerId as string;
    const first = await stateOf(opening.id);
    expect(first).toEqual(opening.state);
    const { body: part } = await app.http.get(`/api/parts/${speakerId}`).expect(200);
    const put = (version: number, record: object) =>
      app.http.put(`/api/parts/${speakerId}`).send({ version, record }).expect(200);
    await put(part.version, { ...part.record, mountingDepthMm: part.record.mountingDepthMm + 9 });
    expect(await stateOf(opening.id)).not.toEqual(first);
    await put(part.version + 1, part.record);
    expect(await stateOf(opening.id)).toEqual(first);
    const { body: shop } = await app.http.get('/api/settings').expect(200);
    const settings = { ...shop.settings, clearancesMm: { ...shop.settings.clearancesMm, glass: 29 } };
    await app.http.put('/api/settings').send({ version: shop.version, settings }).expect(200);
    expect(await stateOf(opening.id)).not.toEqual(first);
    await app.http
      .put('/api/settings')
      .send({ version: shop.version + 1, settings: shop.settings })
      .expect(200);
    expect(await stateOf(opening.id)).toEqual(first);
  });

  test('the open cars come soonest due or last booked in first, and only those due by a day where one is asked for', async () => {
    type Shown = { number: number; dueOn: string | null };
    const { jobs: all, counts } = (await listed({})) as { jobs: Shown[]; counts: { open: number } };
    const days = all.map(({ dueOn }) => dueOn ?? '9999');
    expect(days).toEqual([...days].sort());
    const newest = (await listed({ sort: 'newest' })).numbers;
    expect(newest).toEqual(all.map(({ number }) => number).sort((a, b) => b - a));
    const [first, second] = [...new Set(days)];
    const due = await listed({ dueBy: first });
    expect(due.numbers).toEqual(all.filter(({ dueOn }) => dueOn === first).map(({ number }) => number));
    expect(due).toMatchObject({ total: due.numbers.length, counts: { open: counts.open } });
    expect(due.total).toBeLessThan(counts.open);
    expect((await listed({ dueBy: second })).total).toBeGreaterThan(due.total);
    expect((await listed({ dueBy: first, find: 'zeppelin' })).total).toBe(0);
    expect((await listed({ dueBy: '2199-12-31' })).total).toBe(all.filter(({ dueOn }) => dueOn !== null).length);
    await app.http.get('/api/jobs').query({ dueBy: '2026-02-30' }).expect(400);
    await app.http.get('/api/jobs').query({ sort: 'luck' }).expect(400);
  });

  test('those that wait for somebody outside are found as each job itself says it', async () => {
    const question = (of: AskedOf, answer: string, askedOn: string | null) => ({
      ...{
        of,
        question: 'Which pin?',
        askedOn,
        how: '',
        answer,
        answeredOn: null,
        grade: answer === '' ? null : 'said',
      },
    });
    const asked: readonly Partial<Record<'questions' | 'ownership', unknown>>[] = [
      { questions: [question('maker', '', '2026-02-27'), question('seller', 'yes', '2026-02-27')] },
      { questions: [question('seller', '', null)] },
      { questions: [question('owner', '', '2026-02-27')] },
      { ownership: { owner: 'leased', leave: 'asked', by: 'by letter', putBack: null } },
      { ownership: { owner: 'company', leave: 'given', by: 'by letter', putBack: null } },
    ];
    for (const [at, more] of asked.entries())
      await app.http
        .post('/api/jobs')
        .send({
          vehicleId: 'veh-corran-tern',
          customer: `waits ${at}`,
          registration: '',
          wants: '',
          dueOn: null,
          ...more,
        })
        .expect(200);
    const all = await app.listJobs();
    for (const waits of WAITS) {
      const expected = all.filter((job) => {
        const whom = waitsFor(job);
        return waits === 'anybody' ? whom.length > 0 : whom.includes(waits);
      });
      const found = await listed({ waits });
      expect([...found.numbers].sort()).toEqual(expected.map(({ number }) => number).sort());
      expect(found.total).toBe(expected.length);
    }
    expect((await listed({ waits: 'owner' })).total).toBeGreaterThan(1);
    expect((await listed({ waits: 'seller' })).total).toBe(0);
    await app.http.get('/api/jobs').query({ waits: 'godot' }).expect(400);
  });

  test('more cars than one page holds come page by page, each once', async () => {
    for (let at = 0; at < 27; at++) {
      const car = {
        vehicleId: 'veh-ostrand-longshore',
        customer: `Row ${at}`,
        registration: '',
        wants: '',
        dueOn: null,
      };
      await app.http.post('/api/jobs').send(car).expect(200);
    }
    const pages = [await listed({ find: 'row' }), await listed({ find: 'row', page: 2 })];
    expect(pages.map(({ numbers }) => numbers.length)).toEqual([25, 2]);
    expect(pages.map(({ total }) => total)).toEqual([27, 27]);
    expect(new Set(pages.flatMap(({ numbers }) => numbers)).size).toBe(27);
    expect((await listed({ find: 'row', page: 3 })).numbers).toEqual([]);
    await app.http.get('/api/jobs').query({ page: 0 }).expect(400);
    await app.http.get('/api/jobs').query({ list: 'lost' }).expect(400);
    for (const { id, version } of pages.flatMap(({ jobs }) => jobs) as Job[])
      await app.http.post(`/api/jobs/${id}/delete`).send({ version }).expect(200);
  });
});
