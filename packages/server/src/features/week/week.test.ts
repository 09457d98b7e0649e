/** The bay's week over HTTP, and its calendar read by Debian's icalendar for Python. */
import { execFileSync } from 'node:child_process';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Change } from '@low-quarry/core/contracts/history';
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { changeSentences } from '@low-quarry/core/records';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';

let app: TestApp;
let owner: Http;
beforeAll(async () => {
  app = await createTestApp();
  owner = await app.signedIn('Okke');
});
afterAll(() => app.drop());

const week = async (day?: string): Promise<Week> =>
  (
    await owner
      .get('/api/week')
      .query(day ? { day } : {})
      .expect(200)
  ).body;
const carOf = ({ cars, waiting }: Week, registration: string): WeekCar => {
  const found = [...cars, ...waiting].find(({ title }) => title.endsWith(registration));
  if (!found) throw new Error(`expected ${registration} in the week`);
  return found;
};
const put = (http: Http, { jobId, version }: Pick<WeekCar, 'jobId' | 'version'>, booked: readonly Partial<Booking>[]) =>
  http.put(`/api/jobs/${jobId}/booked`).send({ version, booked });
const BOOKING: Booking = {
  ...{ key: 'k1', lift: 'Lift 1', day: '2026-03-05', at: '08:00', minutes: 120, people: ['Rieke'] },
};

/** The demo was made on Monday 2 March 2026. */
test('the demo’s week: its days, what is booked and what is not, and one who is at two cars at once', async () => {
  const now = await week();
  expect(now).toMatchObject({ today: '2026-03-02', lifts: ['Lift 1', 'Lift 2'], hours: { from: '08:00' } });
  expect(now.days).toEqual([2, 3, 4, 5, 6, 7, 8].map((day) => `2026-03-0${day}`));
  expect(now.people).toEqual(['Jory', 'Merle', 'Okke', 'Rieke']);
  expect(
    now.cars.map(({ title, booked }) => [title, booked.map(({ day, at, lift }) => `${day} ${at} ${lift}`)]),
  ).toEqual([
    ['Corran Tern, HDS 3', ['2026-03-03 09:00 Lift 2']],
    ['Brackwell Ferryman, FERRY 16', ['2026-03-04 15:00 Lift 2']],
    ['Tollan Creel, MEND 2', ['2026-03-03 08:00 Lift 1']],
    ['Tollan Creel, MEND 3', ['2026-03-04 10:00 Lift 1']],
    ['Tollan Creel, MEND 4', ['2026-03-02 08:00 Lift 1']],
    ['Ostrand Longshore, WARDEN 2', ['2026-03-05 10:30 Lift 1']],
  ]);
  const person = now.clashes.filter(({ kind }) => kind === 'person').map(({ sentence }) => sentence);
  expect(person).toEqual([
    'Rieke is at Tollan Creel, MEND 2 (Tue 08:00) then.',
    'Rieke is at Corran Tern, HDS 3 (Tue 09:00) then.',
  ]);
  expect(now.waitingTotal).toBe(now.waiting.length);
  expect(now.waiting.every(({ booked }) => booked.length === 0)).toBe(true);
  expect(now.taken).toHaveLength(6);
});

test('a car’s plan says how much is left of it, by one and by two, and its order list what comes last', async () => {
  const half = carOf(await week(), 'MEND 4');
  expect(half.steps.all).toBeGreaterThan(20);
  expect(half.steps.done).toBe(half.steps.all / 2);
  const { aloneMin, togetherMin } = half.need as { aloneMin: number; togetherMin: number };
  expect(aloneMin).toBeGreaterThan(0);
  expect(togetherMin).toBeLessThanOrEqual(aloneMin);
  // Its parts are in.
  expect(half.waits).toBeNull();
  const planned = carOf(await week(), 'MEND 2');
  const { body: order } = await owner.get(`/api/jobs/${planned.jobId}/order`).expect(200);
  const days = order.lines.map(
    ({ taken }: { taken: { offer: { leadDays: number | null } } | null }) => taken?.offer.leadDays ?? null,
  );
  expect(days.length).toBeGreaterThan(0);
  expect(planned.waits).not.toBeNull();
  if (days.includes(null)) expect(planned.waits?.day).toBeNull();
  else expect(planned.waits?.day).toBe(`2026-03-0${2 + Math.max(...days)}`);
});

describe('a time in the bay', () => {
  test('is kept, told in the history, and moved; what was read before is refused with what stands now', async () => {
    const car = carOf(await week(), 'MEND 1');
    const merle = await app.signedIn('Merle');
    const { body: job }: { body: Job } = await put(merle, car, [BOOKING]).expect(200);
    expect(job.booked).toEqual([BOOKING]);
    expect(carOf(await week(), 'MEND 1').booked).toEqual([BOOKING]);
    const stale = await put(merle, car, []).expect(409);
    expect(stale.body.current.booked).toEqual([BOOKING]);
    const moved = { ...BOOKING, day: '2026-03-11', at: '13:15' };
    await put(merle, { ...car, version: job.version }, [moved]).expect(200);
    const next = await week('2026-03-15');
    expect(next.days[0]).toBe('2026-03-09');
    expect(next.cars.map(({ title }) => title)).toEqual(['Tollan Creel, MEND 1']);
    const { body: history } = await owner.get('/api/history').query({ kind: 'job', record: car.jobId }).expect(200);
    const told = history.changes.flatMap((change: Change) => changeSentences(change)).join('\n');
    expect(told).toContain('2026-03-11 13:15, Lift 1, 2 h, Rieke');
  });

  test('is booked by who promises days; what cannot be is refused by its field, and nothing changes', async () => {
    const car = carOf(await week(), 'MEND 3');
    await put(await app.signedIn('Rieke'), car, [BOOKING]).expect(403);
    const bad = async (change: Partial<Booking>) =>
      (await put(owner, car, [{ ...BOOKING, ...change }]).expect(400)).body.errors;
    expect(await bad({ minutes: 5 })).toEqual([{ path: 'booked.0.minutes', message: 'Book at least 15 min.' }]);
    expect(await bad({ day: '2026-02-30' })).toEqual([
      { path: 'booked.0.day', message: 'Type a day such as 2026-11-27.' },
    ]);
    expect(await bad({ at: '25:00' })).toEqual([{ path: 'booked.0.at', message: 'type a time such as 08:00' }]);
    expect(await bad({ lift: ' ' })).toEqual([{ path: 'booked.0.lift', message: 'Choose a lift.' }]);
    const twice = await put(owner, car, [BOOKING, BOOKING]).expect(400);
    expect(twice.body.errors).toEqual([{ path: 'booked', message: 'Name each time once.' }]);
    expect(carOf(await week(), 'MEND 3')).toEqual(car);
  });

  test('of a car that has left is in no week, and its lift is free', async () => {
    const car = carOf(await week(), 'HDS 4');
    const { body } = await put(owner, car, [{ ...BOOKING, key: 'k4', day: '2026-03-16' }]).expect(200);
    expect((await week('2026-03-16')).cars).toHaveLength(1);
    await owner.post(`/api/jobs/${car.jobId}/end`).send({ version: body.version, as: 'givenUp' }).expect(200);
    const after = await week('2026-03-16');
    expect([after.cars, after.taken.filter(({ key }) => key === 'k4')]).toEqual([[], []]);
  });
});

/** What a reader of calendars that is not ours finds in one. */
const READ = `
import sys, json
from icalendar import Calendar
calendar = Calendar.from_ical(sys.stdin.buffer.read())
events = [{
  'uid': str(e['UID']), 'summary': str(e['SUMMARY']), 'location': str(e['LOCATION']), 'description': str(e['DESCRIPTION']),
  'start': e['DTSTART'].dt.isoformat(), 'end': e['DTEND'].dt.isoformat(), 'zone': str(e['DTSTART'].dt.tzinfo), 'stamp': e['DTSTAMP'].dt.isoformat(),
} for e in calendar.walk('VEVENT')]
print(json.dumps({'name': str(calendar['X-WR-CALNAME']), 'version': str(calendar['VERSION']), 'errors': sum((e.errors for e in calendar.walk()), []), 'events': events}))
`;
type Event = Readonly<
  Record<'uid' | 'summary' | 'location' | 'description' | 'start' | 'end' | 'zone' | 'stamp', string>
>;
const read = (text: string): { name: string; version: string; errors: unknown[]; events: Event[] } =>
  JSON.parse(execFileSync('/usr/bin/python3', ['-c', READ], { input: text }).toString());

describe('as a calendar', () => {
  const summaries = (text: string) => read(text).events.map(({ summary }) => summary);

  test('the week’s file, by another reader: each day of work, by the clock on the wall, without a customer’s name', async () => {
    const { text, headers } = await owner.get('/api/week.ics').query({ day: '2026-03-04' }).expect(200);
    expect(headers['content-type']).toContain('text/calendar');
    expect(headers['content-disposition']).toContain('bay-2026-03-02.ics');
    const { name, version, errors, events } = read(text);
    expect({ name, version, errors }).toEqual({ name: 'Slipway Nine: bay', version: '2.0', errors: [] });
    const ferry = events.filter(({ summary }) => summary.includes('FERRY 16'));
    expect(ferry).toMatchObject([
      { summary: 'Brackwell Ferryman, FERRY 16, day 1 of 2', start: '2026-03-04T15:00:00', end: '2026-03-04T17:30:00' },
      { summary: 'Brackwell Ferryman, FERRY 16, day 2 of 2', start: '2026-03-05T08:00:00', end: '2026-03-05T09:30:00' },
    ]);
    expect(ferry[0]).toMatchObject({ location: 'Lift 2', zone: 'None', stamp: '2026-03-02T10:00:00+00:00' });
    expect(ferry[0]?.description).toContain('4 h of work');
    expect(ferry[0]?.description).toContain('Rieke');
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    const customers = (await app.listJobs(owner)).map(({ customer }) => customer);
    expect(customers.filter((customer) => text.includes(customer))).toEqual([]);
  });

  test('a person’s own address: told once, read without signing in, theirs alone or all; a new one ends it, and so does leaving', async () => {
    const jory = await app.signedIn('Jory');
    const nobody = app.browser();
    expect((await jory.get('/api/week/feed').expect(200)).body).toEqual({ exists: false, readAt: null });
    const { paths } = (await jory.post('/api/week/feed').send({}).expect(200)).body;
    const own = await nobody.get(paths.own).expect(200);
    expect(summaries(own.text)).toEqual([
      ...['Corran Tern, HDS 3', 'Tollan Creel, MEND 3', 'Tollan Creel, MEND 4', 'Ostrand Longshore, WARDEN 2'],
    ]);
    expect(summaries((await nobody.get(paths.all).expect(200)).text).length).toBeGreaterThan(3);
    expect((await jory.get('/api/week/feed').expect(200)).body).toEqual({
      exists: true,
      readAt: '2026-03-02T10:00:00.000Z',
    });
    const token = paths.own.split('/')[3] as string;
    expect(JSON.stringify(await app.owner.query('SELECT * FROM "person"'))).not.toContain(token);
    for (const wrong of [paths.own.replace(token, `${token.slice(0, -1)}_`), paths.own.replace('own.ics', 'none.ics')])
      await nobody.get(wrong).expect(404);
    const again = (await jory.post('/api/week/feed').send({}).expect(200)).body.paths;
    await nobody.get(paths.own).expect(404);
    await nobody.get(again.own).expect(200);
    await jory.post('/api/week/feed/end').send({}).expect(200);
    await nobody.get(again.own).expect(404);
    const last = (await jory.post('/api/week/feed').send({}).expect(200)).body.paths;
    const people = (await owner.get('/api/people').expect(200)).body.people;
    const { id, version, name, roles } = people.find((each: { name: string }) => each.name === 'Jory');
    await owner.put(`/api/people/${id}`).send({ version, name, roles, active: false }).expect(200);
    await nobody.get(last.own).expect(404);
  });
});
