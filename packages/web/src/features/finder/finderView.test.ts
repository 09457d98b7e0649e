import { expect, test } from '@jest/globals';
import { type FinderAnswers, finderView } from './finderView';

const VEHICLE = { id: 'veh-1', make: 'Corran', model: 'Tern', years: { from: 2014, to: 2019 }, trim: 'Base' };
const job = (number: number) => ({
  id: `job-${number}`,
  number,
  customer: 'Pilot station',
  registration: `P ${number}`,
  vehicle: VEHICLE,
});
const part = (kind: 'speaker' | 'bracket', id: string, unreadable: string | null = null) => ({
  id,
  kind,
  label: `Wrackline ${id}`,
  says: '',
  unreadable,
  figures: {},
});
const answers = (changes: Partial<FinderAnswers>): FinderAnswers => ({
  words: 'x',
  open: undefined,
  ended: undefined,
  parts: undefined,
  vehicles: undefined,
  pages: [{ to: '/bin', label: 'Bin', what: 'what was deleted' }],
  ...changes,
});

test('without words the pages are listed, and nothing else', () => {
  const open = { jobs: [job(1)], total: 1 };
  expect(finderView(answers({ words: ' ', open }))).toEqual([
    { title: 'Pages', found: [{ to: '/bin', label: 'Bin', what: 'what was deleted' }], more: 0 },
  ]);
});

test('each group says how many more there are; groups without anything are left out', () => {
  const open = { jobs: [1, 2, 3, 4, 5, 6, 7].map(job), total: 40 };
  const [jobs, ...others] = finderView(answers({ open }));
  expect(others).toEqual([]);
  expect(jobs).toMatchObject({ title: 'Open jobs', more: 34 });
  expect(jobs?.found[0]).toEqual({ to: '/jobs/job-1', label: 'Corran Tern, P 1', what: 'Pilot station, job 1' });
});

test('a page is found by what is on it', () => {
  expect(finderView(answers({ words: 'deleted' }))[0]?.found[0]?.to).toBe('/bin');
});

test('a vehicle leads to where a speaker is tried in it', () => {
  const [cars] = finderView(answers({ words: 'tern', vehicles: { found: [VEHICLE], total: 9 } }));
  expect(cars?.more).toBe(8);
  expect(cars?.found).toEqual([
    { to: '/will-it-fit?vehicle=veh-1', label: 'Corran Tern, 2014 to 2019, Base', what: 'Will this one fit?' },
  ]);
});

test.each([
  ['a speaker is tried', part('speaker', 's 1'), ['/will-it-fit?speaker=s%201']],
  ['a bracket is looked up', part('bracket', 'b'), ['/parts/b']],
  ['a speaker that cannot be read is put right first', part('speaker', 's', 'no depth'), ['/parts/s']],
])('%s', (_, found, to) => {
  const groups = finderView(answers({ words: 'wrack', parts: { found: [found], total: 1 } }));
  expect(groups.flatMap((each) => each.found.map((one) => one.to))).toEqual(to);
});
