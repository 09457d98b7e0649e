import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Attached, type Fastener, type FirstThen, newPanel } from './panel';
import { panelOrder } from './panelOrder';

const fastener = (key: string): Fastener => ({
  key,
  kind: 'screw',
  where: 'somewhere',
  cover: null,
  head: null,
  driver: '',
  lengthMm: null,
  base: null,
  count: null,
  marked: [],
});
const attached = (key: string): Attached => ({ key, kind: 'plug', what: 'a plug', note: '', marked: [] });
const panel = (
  fasteners: readonly string[],
  hanging: readonly string[],
  order: readonly (readonly [string, string])[],
) => ({
  ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }),
  fasteners: fasteners.map(fastener),
  attached: hanging.map(attached),
  order: order.map(([first, next]): FirstThen => ({ first, next })),
});

test('what nothing is said of stands as it was written down', () => {
  expect(panelOrder(panel(['a', 'b'], ['c'], []))).toEqual({ order: ['a', 'b', 'c'], circle: null });
  expect(panelOrder(newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }))).toEqual({ order: [], circle: null });
});

test('the switch panel before the screw behind it, the lamp before the card tilts', () => {
  const card = panel(
    ['screwBehind', 'switchPanel', 'clips'],
    ['lamp'],
    [
      ['switchPanel', 'screwBehind'],
      ['screwBehind', 'clips'],
      ['lamp', 'clips'],
    ],
  );
  expect(panelOrder(card)).toEqual({ order: ['switchPanel', 'screwBehind', 'lamp', 'clips'], circle: null });
});

test('a circle is named as it goes round, and what is before it still has its order', () => {
  const { order, circle } = panelOrder(
    panel(
      ['free', 'a', 'b', 'c', 'behind'],
      [],
      [
        ['a', 'b'],
        ['b', 'c'],
        ['c', 'a'],
        ['c', 'behind'],
      ],
    ),
  );
  expect(order).toEqual(['free']);
  expect(circle).toHaveLength(3);
  const at = (circle as readonly string[]).indexOf('a');
  expect([...(circle as readonly string[]).slice(at), ...(circle as readonly string[]).slice(0, at)]).toEqual([
    'a',
    'b',
    'c',
  ]);
});

test('a pair of something that is gone says nothing', () => {
  expect(panelOrder(panel(['a'], [], [['gone', 'a']]))).toEqual({ order: ['a'], circle: null });
});

describe('whatever is written down', () => {
  const KEYS = ['a', 'b', 'c', 'd', 'e', 'f'];
  const pairs = fc.array(fc.tuple(fc.constantFrom(...KEYS), fc.constantFrom(...KEYS)), { maxLength: 14 });

  test('every pair is kept where there is an order, and a circle is one where there is none', () => {
    fc.assert(
      fc.property(pairs, (order) => {
        const found = panelOrder(panel(KEYS, [], order));
        if (found.circle === null) {
          expect([...found.order].sort()).toEqual(KEYS);
          for (const [first, next] of order) expect(found.order.indexOf(first)).toBeLessThan(found.order.indexOf(next));
        } else {
          const { circle } = found;
          for (const [at, key] of circle.entries()) {
            const after = circle[(at + 1) % circle.length];
            expect(order.some(([first, next]) => first === key && next === after)).toBe(true);
          }
        }
      }),
    );
  });

  test('a referee that looks for a way back from everything finds circles where this does', () => {
    fc.assert(
      fc.property(pairs, (order) => {
        const reaches = new Set(order.map(([first, next]) => `${first}${next}`));
        for (const by of KEYS)
          for (const from of KEYS)
            for (const to of KEYS) if (reaches.has(from + by) && reaches.has(by + to)) reaches.add(from + to);
        const hasCircle = KEYS.some((key) => reaches.has(key + key));
        expect(panelOrder(panel(KEYS, [], order)).circle !== null).toBe(hasCircle);
      }),
    );
  });
});
