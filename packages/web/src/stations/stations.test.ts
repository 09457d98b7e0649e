import { expect, test } from '@jest/globals';
import { addressOf } from './addressOf';
import { crumbsTo } from './crumbsTo';
import { STATIONS, type StationId } from './stationTable';

const OF = { jobId: 'j 1', openingId: 'o/2' };

test('each station has an address of its own, with nothing left to fill in', () => {
  const all = (Object.keys(STATIONS) as StationId[]).map((id) => addressOf(id, OF).split('?')[0]);
  expect(new Set(all).size).toBe(all.length);
  for (const address of all) expect(address).not.toContain(':');
  expect(addressOf('match', OF)).toBe('/jobs/j%201/openings/o%2F2/fit');
});

test('what a station is found under is found before it', () => {
  const ids = Object.keys(STATIONS);
  for (const { under } of Object.values(STATIONS)) if (under !== null) expect(ids).toContain(under);
  for (const [at, { under }] of Object.values(STATIONS).entries())
    if (under !== null) expect(ids.indexOf(under)).toBeLessThan(at);
});

test('the way there goes by the names that are known, and else by what each is', () => {
  expect(crumbsTo('match', OF, { job: 'Hatchback' })).toEqual([
    { to: '/', label: 'Jobs' },
    { to: '/jobs/j%201', label: 'Hatchback' },
    { to: '/jobs/j%201/openings/o%2F2', label: 'Opening' },
    { to: '/jobs/j%201/openings/o%2F2/fit', label: 'What fits' },
  ]);
  expect(crumbsTo('order', { jobId: '1' }, { job: undefined }).map(({ label }) => label)).toEqual([
    'Jobs',
    'Job',
    'Order list',
  ]);
});
