import { describe, expect, test } from '@jest/globals';
import type { OpeningRecord, VehicleRecord } from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { mergeChanges } from './Field';
import { replacedBy, replacedLabels } from './replacedLabels';
import { vehicleFields } from './vehicleFields';

const reading = (mm: number, source: 'calliper' | 'classDefault') => ({
  readingsMm: [mm],
  source,
  entered: String(mm),
  takenBy: null,
  takenAt: null,
});
const DOOR: OpeningRecord = {
  ...PLAIN_OPENING,
  presence: 'notLooked',
  wiring: { kind: 'unknown' },
  secondPlug: 'notLooked',
  assumed: ['bolts', 'behind'],
  dimensions: { holeDiameter: reading(145, 'classDefault'), depthBehind: reading(62, 'calliper') },
};
const VEHICLE: VehicleRecord = {
  ...{
    id: 'veh',
    make: 'Tollan',
    model: 'Skiff',
    years: { from: 2014, to: null },
    body: 'estate',
    cab: null,
    doors: 5,
  },
  ...{ trim: '', audioPackage: 'Amplifier', steeringSide: 'left', market: '', aliases: ['Dory'], beganAs: null },
  note: 'Clips break.',
  functions: ['camera'],
  disputes: [],
  facts: {},
  panels: [],
  spaces: null,
  routes: null,
  channels: null,
  devicePlugs: null,
  openings: [DOOR],
};
const withDoor = (change: Partial<OpeningRecord>): VehicleRecord => ({
  ...VEHICLE,
  openings: [{ ...DOOR, ...change }],
});

describe('filling in replaces nothing', () => {
  test.each<[string, VehicleRecord]>([
    ['the same', VEHICLE],
    ['a trim that nobody knew', { ...VEHICLE, trim: 'Base' }],
    ['the last year of one that was still built', { ...VEHICLE, years: { from: 2014, to: 2020 } }],
    ['one more name', { ...VEHICLE, aliases: ['Dory', 'Punt'] }],
    ['a longer note', { ...VEHICLE, note: 'Clips break. Have ten.' }],
    ['one more opening', { ...VEHICLE, openings: [DOOR, { ...DOOR, side: 'right' }] }],
    ['a look at what is there', withDoor({ presence: 'fitted' })],
    ['a plug', withDoor({ wiring: { kind: 'noWires' } })],
    [
      'a measurement in the place of a class default',
      withDoor({ dimensions: { ...DOOR.dimensions, holeDiameter: reading(148, 'calliper') } }),
    ],
    [
      'a length that was not taken',
      withDoor({ dimensions: { ...DOOR.dimensions, frontGap: reading(18, 'calliper') } }),
    ],
    ['what was only taken as usual', withDoor({ behind: 'metal', assumed: ['bolts'] })],
    ['a look behind it', withDoor({ obstaclesLooked: true })],
  ])('%s', (_, after) => expect(replacedLabels(VEHICLE, after)).toEqual([]));
});

describe('what somebody wrote is replaced', () => {
  test.each<[string, VehicleRecord, string[]]>([
    ['by another', { ...VEHICLE, audioPackage: 'None' }, ['Audio package']],
    ['by nothing', { ...VEHICLE, audioPackage: '' }, ['Audio package']],
    ['by another first year', { ...VEHICLE, years: { from: 2015, to: null } }, ['Years']],
    ['where a name goes', { ...VEHICLE, aliases: ['Punt'] }, ['Other names']],
    ['where an opening goes', { ...VEHICLE, openings: [] }, ['Front door, left']],
    [
      'in a measurement',
      withDoor({ dimensions: { ...DOOR.dimensions, depthBehind: reading(60, 'calliper') } }),
      ['Front door, left: depth behind'],
    ],
    ['in a fact that is not assumed', withDoor({ fixing: 'rivets' }), ['Front door, left: fixing']],
  ])('%s', (_, after, labels) => expect(replacedLabels(VEHICLE, after)).toEqual(labels));
});

test('two who change different openings of one vehicle are put together; the same one is asked about', () => {
  const base = { ...VEHICLE, openings: [DOOR, { ...DOOR, side: 'right' as const }] };
  const [left, right] = base.openings as [OpeningRecord, OpeningRecord];
  const mine = { ...base, openings: [{ ...left, presence: 'fitted' as const }, right] };
  const theirs = { ...base, trim: 'Top', openings: [left, { ...right, presence: 'empty' as const }] };
  const { merged, clashes } = mergeChanges(vehicleFields(base, mine, theirs), base, mine, theirs);
  expect(clashes).toEqual([]);
  expect(merged).toEqual({ ...base, trim: 'Top', openings: [mine.openings[0], theirs.openings[1]] });
  const same = { ...base, openings: [{ ...left, presence: 'blank' as const }, right] };
  const asked = mergeChanges(vehicleFields(base, mine, same), base, mine, same);
  expect(asked.clashes.map(({ label }) => label)).toEqual(['Front door, left']);
});

test('an opening that one took out and the other left alone is out; one that was added is in', () => {
  const added = { ...DOOR, name: 'woofer' };
  const mine = { ...VEHICLE, openings: [] };
  const theirs = { ...VEHICLE, openings: [DOOR, added] };
  const { merged } = mergeChanges(vehicleFields(VEHICLE, mine, theirs), VEHICLE, mine, theirs);
  expect(merged.openings).toEqual([added]);
});

test('what is said instead is told with it', () => {
  expect(replacedBy(VEHICLE, { ...VEHICLE, audioPackage: 'None', market: 'Islands' })).toEqual([
    { label: 'Audio package', says: 'None' },
  ]);
});
