import { describe, expect, test } from '@jest/globals';
import { type Fastener, newPanel, type Panel, type VehicleRecord, vehicleSchema } from '../model';
import { differencesOf, mergeChanges } from './Field';
import { replacedLabels } from './replacedLabels';
import { vehicleFields } from './vehicleFields';

const SCREW: Fastener = {
  key: 'cup',
  kind: 'screw',
  where: 'in the handle’s cup',
  cover: 'plug',
  head: 'sixLobe',
  driver: 'T20',
  lengthMm: null,
  base: null,
  count: null,
  marked: [],
};
const CARD: Panel = { ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }), fasteners: [SCREW] };
const vehicle = (...panels: Panel[]): VehicleRecord =>
  vehicleSchema.parse({
    ...{ id: 'veh', make: 'Tollan', model: 'Skiff', years: { from: 2014, to: null }, body: 'estate', doors: 5 },
    ...{ trim: '', audioPackage: '', steeringSide: 'left', openings: [], panels },
  });
const merged = (base: VehicleRecord, mine: VehicleRecord, theirs: VehicleRecord) =>
  mergeChanges(vehicleFields(base, mine, theirs), base, mine, theirs);

describe('two people at one panel', () => {
  test('who counts and who looks what hangs on it are put together', () => {
    const counted = vehicle({ ...CARD, fasteners: [{ ...SCREW, count: 2 }] });
    const looked = vehicle({ ...CARD, attached: [], breaks: 'the front clips' });
    const { merged: both, clashes } = merged(vehicle(CARD), counted, looked);
    expect(clashes).toEqual([]);
    expect(both.panels).toEqual([
      { ...CARD, fasteners: [{ ...SCREW, count: 2 }], attached: [], breaks: 'the front clips' },
    ]);
  });

  test('two further fasteners are both there', () => {
    const more = (key: string) => vehicle({ ...CARD, fasteners: [SCREW, { ...SCREW, key, where: key }] });
    const { merged: both } = merged(vehicle(CARD), more('edge'), more('pocket'));
    expect(both.panels[0]?.fasteners?.map(({ key }) => key).sort()).toEqual(['cup', 'edge', 'pocket']);
  });

  test('a panel that one adds and another that the other adds are both there, and one taken out is gone', () => {
    const rear = newPanel({ kind: 'rearShelf', spot: 'middle', name: '' });
    const trim = newPanel({ kind: 'sailTrim', spot: 'left', name: '' });
    const { merged: both, clashes } = merged(vehicle(CARD), vehicle(CARD, rear), vehicle(trim));
    expect(clashes).toEqual([]);
    expect(both.panels.map(({ kind }) => kind).sort()).toEqual(['rearShelf', 'sailTrim']);
  });

  test('the same count counted differently is asked about', () => {
    const counted = (count: number) => vehicle({ ...CARD, fasteners: [{ ...SCREW, count }] });
    const { clashes } = merged(vehicle(CARD), counted(2), counted(3));
    expect(clashes.map(({ label, mine, theirs }) => [label, mine, theirs])).toEqual([
      [
        'Door card, front left: held by',
        '2 screws, six-lobe T20, in the handle’s cup, under a small plug',
        '3 screws, six-lobe T20, in the handle’s cup, under a small plug',
      ],
    ]);
  });
});

test('a change is told part by part', () => {
  const after = vehicle({ ...CARD, comesOff: 'swings', fasteners: [], attached: [] });
  const told = differencesOf(vehicleFields(vehicle(CARD), after), vehicle(CARD), after);
  expect(told.map(({ label, before, after: now }) => `${label}: ${before} → ${now}`)).toEqual([
    'Door card, front left: how it comes off: not looked → It swings, and stays on its wires',
    'Door card, front left: held by: screws, not counted, six-lobe T20, in the handle’s cup, under a small plug → not there',
    'Door card, front left: hangs on it: not looked → looked',
  ]);
});

describe('what a change replaces', () => {
  test.each<[string, Panel, Panel | null, readonly string[]]>([
    ['a count where nobody counted is filled in', CARD, { ...CARD, fasteners: [{ ...SCREW, count: 2 }] }, []],
    ['one fastener more', CARD, { ...CARD, fasteners: [SCREW, { ...SCREW, key: 'edge' }] }, []],
    [
      'another head',
      CARD,
      { ...CARD, fasteners: [{ ...SCREW, head: 'crossHead' }] },
      ['Door card, front left: held by'],
    ],
    ['a fastener taken off', CARD, { ...CARD, fasteners: [] }, ['Door card, front left: held by']],
    [
      'what was only usual for the body',
      { ...CARD, grade: 'classDefault' },
      { ...CARD, grade: 'seenHere', fasteners: [] },
      [],
    ],
  ])('%s', (_name, before, after, labels) => {
    expect(replacedLabels(vehicle(before), vehicle(...(after ? [after] : [])))).toEqual(labels);
  });

  test('a panel taken out replaces everything that was written of it', () => {
    expect(replacedLabels(vehicle(CARD), vehicle()).length).toBeGreaterThan(0);
  });
});
