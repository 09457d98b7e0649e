import { describe, expect, test } from '@jest/globals';
import { PLACE_LABELS, type Place, SIDES } from '@low-quarry/core/model/place';
import { BODIES } from '@low-quarry/core/model/vehicle';
import { PLAN, planLines, planPoint, planSides } from './carPlanLayout';
import { dueWords, isDueWhenClosed } from './dueWords';
import { dueBy, NO_FILTER, readFilter } from './jobsFilterValue';
import { openingStateView } from './openingStateView';

test.each([
  [null, 'no day set'],
  ['2026-03-02', 'due today'],
  ['2026-03-03', 'due tomorrow'],
  ['2026-03-12', 'due in 10 days'],
  ['2026-03-01', '1 day late'],
  ['2026-02-20', '10 days late'],
])('due on %p: %s', (dueOn, words) => {
  expect(dueWords(dueOn, new Date(2026, 2, 2, 23, 30))).toBe(words);
});

test('what is due is counted by the calendar of the device, over the end of a month too', () => {
  const late = new Date(2026, 1, 27, 23, 30);
  expect(dueBy('any', late)).toBeNull();
  expect(dueBy('today', late)).toBe('2026-02-27');
  expect(dueBy('week', late)).toBe('2026-03-06');
});

test.each([
  ['', NO_FILTER],
  ['due=week&waits=maker&sort=newest', { due: 'week', waiting: 'maker', sort: 'newest' }],
  ['due=never&waits=godot&sort=luck', NO_FILTER],
])('an address of "%s" filters as it says, or not at all', (search, filter) => {
  expect(readFilter(new URLSearchParams(search))).toEqual(filter);
});

describe('the state of an opening', () => {
  const record = { behind: 'glass' } as const;
  test('says what comes next', () => {
    expect(openingStateView({ kind: 'toMeasure', missing: ['depthBehind', 'frontGap'] }, record, 'mm')).toEqual({
      verdict: 'measure',
      headline: 'Measure first',
      detail: 'Still to take: depth behind, front gap',
    });
    expect(openingStateView({ kind: 'nothingChosen', known: 4, takenHere: 0 }, record, 'mm').detail).toBe(
      '4 dimensions known, none taken here',
    );
    expect(openingStateView({ kind: 'hold', sentence: 'Why.' }, record, 'mm')).toEqual({
      verdict: 'hold',
      headline: 'Hold',
      detail: 'Why.',
    });
  });

  test('of a choice gives its present verdict, and that it is held back', () => {
    const summary = { verdict: 'hits', decidedBy: 'depth', marginMm: -2, expandedMm: 1, sentence: '' } as const;
    expect(
      openingStateView(
        {
          kind: 'chosen',
          works: [],
          needsConsent: [],
          speakerName: 'S',
          plays: null,
          summary,
          open: [],
          heldBack: 'No reason.',
          verdictThen: 'hits',
          sentenceThen: null,
          changedSince: [],
        },
        record,
        'mm',
      ),
    ).toEqual({
      verdict: 'hits',
      headline: 'Hits at the glass: 2.0 mm ± 1.0 too little',
      detail: 'S. Held back: No reason.',
    });
  });
});

describe('the plan of a car', () => {
  const places = Object.keys(PLACE_LABELS) as Place[];
  const cars = [...BODIES.map((body) => ({ body, cab: null })), { body: 'pickup', cab: 'single' } as const];
  test('has every place inside it, left on the left, mirrored on the axis', () => {
    for (const car of cars) {
      for (const place of places) {
        const [left, right] = [planPoint(car, place, 'left'), planPoint(car, place, 'right')];
        if (place !== 'dashCentre') expect(left.x).toBeLessThan(right.x);
        expect(left.x + right.x).toBeCloseTo(PLAN.width, 9);
        expect(left.y).toBe(right.y);
        for (const side of SIDES) {
          const { x, y } = planPoint(car, place, side);
          const sides = planSides(car);
          expect(x).toBeGreaterThanOrEqual(sides.left - 1);
          expect(x).toBeLessThanOrEqual(sides.right + 1);
          expect(y).toBeGreaterThan(0);
          expect(y).toBeLessThan(PLAN.height);
        }
      }
    }
  });

  test('a single cab has one row of seats, and its bed right behind it', () => {
    const [single, crew] = (['single', 'crew'] as const).map((cab) => planLines({ body: 'pickup', cab }));
    expect([single?.seatRows.length, crew?.seatRows.length]).toEqual([1, 2]);
    expect(single?.details).not.toEqual(crew?.details);
  });

  test('no two marks of a side lie so close that a thumb cannot tell them apart', () => {
    // 380 px of drawing for the plan's width: a mark of 32 px is 5.4 units.
    for (const car of cars) {
      for (const [a, b] of [
        ['frontDoorLow', 'rearDoor'],
        ['frontDoorLow', 'dashCorner'],
        ['rearDoor', 'sidePanel'],
        ['dashCorner', 'dashCentre'],
      ] as const) {
        const [one, two] = [planPoint(car, a, 'left'), planPoint(car, b, b === 'dashCentre' ? 'centre' : 'left')];
        expect(Math.max(Math.abs(one.x - two.x) / 6.6, Math.abs(one.y - two.y) / 5.4)).toBeGreaterThanOrEqual(1);
      }
    }
  });
});

test.each([
  ['2026-03-06', false],
  ['2026-03-07', true],
  ['2026-03-08', true],
  ['2026-03-09', false],
  [null, false],
])('a shop that opens from Monday to Friday is closed on %s: %s', (dueOn, closed) => {
  expect(isDueWhenClosed(dueOn, ['Mon', 'Tue', 'Wed', 'Thu', 'Fri'])).toBe(closed);
});
