import { expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { type Fastener, newPanel, type Panel } from './panel';
import { ageOf, smallNeeds } from './smallNeeds';

const fastener = (kind: Fastener['kind'], count: number | null): Fastener => ({
  ...{ key: kind, kind, where: 'along the edge', cover: null, head: null, driver: '' },
  ...{ lengthMm: null, base: null, count, marked: [] },
});
const card: Panel = {
  ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }),
  fasteners: [fastener('screw', 3), fastener('treeClip', 9), fastener('pushPin', null)],
  breaks: 'the tab behind the handle',
};
/** Nothing holds it that breaks. */
const PLAIN_CARD: Panel = { ...card, fasteners: [fastener('screw', 3)], breaks: null };
const LEFT = { ...PLAIN_OPENING, presence: 'fitted' as const };

test('clips of the panel in front, counted or not, and what breaks; screws come back', () => {
  expect(smallNeeds([LEFT], [card], 8)).toEqual([
    {
      what: 'Spares of the tree clips',
      why: 'Door card, front left: 9 hold it, and of a car of 8 years one in 5 breaks or stays behind.',
      pieces: 2,
      good: { kind: 'panelClip', types: ['treeClip'] },
    },
    {
      what: 'Spares of the push pins',
      why: 'Door card, front left: nobody counted how many hold it, and some break or stay behind.',
      good: { kind: 'panelClip', types: ['pushPin'] },
    },
    { what: 'Spares of what breaks easily', why: 'Door card, front left: the tab behind the handle.' },
  ]);
});

test('an old car’s clips are brittle, a new one’s hold; at least one is to spare', () => {
  const pieces = (age: number | null) => smallNeeds([LEFT], [card], age)[0]?.pieces;
  expect([0, 5, 6, 12, 13, 40, null].map(pieces)).toEqual([1, 1, 2, 2, 3, 3, 2]);
  expect(smallNeeds([LEFT], [card], null)[0]?.why).toContain('of a car whose age nobody knows one in 5');
  expect(ageOf({ from: 2014, to: 2019 }, 2026)).toBe(7);
  expect(ageOf({ from: 2014, to: null }, 2026)).toBe(12);
  expect(ageOf({ from: null, to: null }, 2026)).toBeNull();
  expect(ageOf({ from: 2030, to: null }, 2026)).toBe(0);
});

test('a panel in front of two speakers is taken off once; one in front of none stays', () => {
  const upper = { ...LEFT, place: 'frontDoorHigh' as const };
  expect(smallNeeds([LEFT, upper], [card], 8)).toHaveLength(3);
  expect(smallNeeds([LEFT], [{ ...card, fasteners: [], breaks: null }], 8)).toEqual([]);
});

test('of a panel that nobody has described, or whose fixings nobody looked at, that is said: it is no “none”', () => {
  const unknown = (label: string) => ({
    what: 'Spare clips',
    why: `${label}: nobody has written down what holds it.`,
  });
  expect(smallNeeds([{ ...LEFT, side: 'right' }], [card], 8)).toEqual([unknown('Door card, front right')]);
  expect(smallNeeds([LEFT], [{ ...card, fasteners: null, breaks: null }], 8)).toEqual([
    unknown('Door card, front left'),
  ]);
  expect(smallNeeds([LEFT, { ...LEFT, place: 'frontDoorHigh' }], [], 8)).toEqual([unknown('Door card, front left')]);
  expect(smallNeeds([LEFT, { ...LEFT, side: 'right' }], [], 8)).toEqual([
    {
      what: 'Spare clips',
      why: 'Door card, front left; Door card, front right: nobody has written down what holds them.',
    },
  ]);
  // Of a place that says nothing of a panel there is none to ask about.
  expect(smallNeeds([{ ...LEFT, place: 'other', name: 'roof rack' }], [], 8)).toEqual([]);
});

test('a riveted speaker asks for a drill and what holds the new one; an empty hole has no rivets to drill', () => {
  expect(smallNeeds([{ ...LEFT, fixing: 'rivets' }], [PLAIN_CARD], 8)).toEqual([
    {
      what: 'Rivet nuts, clip nuts or screws, and a drill for the rivets',
      why: 'Front door, left: the old speaker is riveted.',
      pieces: 4,
      good: { kind: 'fastener', types: ['clipNut', 'rivetNut', 'tappingScrew'] },
    },
  ]);
  expect(smallNeeds([{ ...LEFT, fixing: 'rivets', presence: 'empty' }], [PLAIN_CARD], 8)).toEqual([]);
});

test('what goes into a line is a part each', () => {
  const lineFilter = {
    highPass: { capacitorUf: 4.7, coilMh: 0.33 },
    lowPass: null,
    pad: { seriesOhm: 2.7, parallelOhm: 3.3 },
    where: '',
  };
  const needs = smallNeeds([{ ...LEFT, lineFilter }], [PLAIN_CARD], 8);
  expect(needs.map(({ what }) => what)).toEqual([
    'Capacitor of 4.7 µF, for both directions',
    'Coil of 0.33 mH',
    'Resistor of 2.7 Ω',
    'Resistor of 3.3 Ω',
  ]);
  expect(needs[0]?.why).toMatch(/: in the line before its speaker\.$/);
});
