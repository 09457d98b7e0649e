import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { offered } from '../testing/offers';
import { type OrderablePart, orderLines } from './orderLines';

const part = (id: string, changes: Partial<OrderablePart> = {}): OrderablePart => ({
  id,
  kind: 'speaker',
  maker: 'M',
  name: id,
  offers: offered(2, 1000),
  ...changes,
});
const KINDS = ['speaker', 'bracket', 'spacer', 'harnessAdapter'];
const parts = (...list: readonly OrderablePart[]) => new Map(list.map((each) => [each.id, each]));

describe('packs', () => {
  test('two speakers and three leads in packs of two: 1 pack and 2 packs, one lead left over', () => {
    const lines = orderLines(
      [
        { partId: 'lead', pieces: 1, forOpening: 'Left' },
        { partId: 'speaker', pieces: 1, forOpening: 'Left' },
        { partId: 'speaker', pieces: 1, forOpening: 'Right' },
        { partId: 'lead', pieces: 2, forOpening: 'Right' },
      ],
      parts(part('speaker'), part('lead', { kind: 'harnessAdapter', offers: offered(2, 350) })),
      KINDS,
    );
    expect(
      lines.map(({ part: { id }, pieces, taken, forOpenings }) => {
        const { packs, leftOver, costMinor } = taken ?? {};
        return { id, pieces, packs, leftOver, costMinor, forOpenings };
      }),
    ).toEqual([
      { id: 'speaker', pieces: 2, packs: 1, leftOver: 0, costMinor: 1000, forOpenings: ['Left', 'Right'] },
      { id: 'lead', pieces: 3, packs: 2, leftOver: 1, costMinor: 700, forOpenings: ['Left', 'Right'] },
    ]);
  });

  test('sold singly nothing is left over; nothing needed is nothing ordered', () => {
    expect(
      orderLines([{ partId: 'a', pieces: 3, forOpening: 'x' }], parts(part('a', { offers: offered(1, 1000) })), KINDS),
    ).toMatchObject([{ taken: { packs: 3, leftOver: 0 } }]);
    expect(orderLines([], parts(), KINDS)).toEqual([]);
  });

  test('of what lies put aside only the rest is bought, and the packs follow from that', () => {
    const need = [{ partId: 'a', pieces: 5, forOpening: 'x' }];
    const some = orderLines(need, parts(part('a')), KINDS, new Map([['a', 2]]));
    expect(some).toMatchObject([{ pieces: 5, aside: 2, taken: { packs: 2, leftOver: 1, costMinor: 2000 } }]);
    const all = orderLines(need, parts(part('a')), KINDS, new Map([['a', 9]]));
    expect(all).toMatchObject([{ pieces: 5, aside: 5, taken: null, others: [] }]);
    expect(orderLines(need, parts(part('a')), KINDS, new Map([['b', 9]]))).toMatchObject([{ aside: 0 }]);
  });

  test('what nobody offers is on the list without a supplier', () => {
    const [line] = orderLines([{ partId: 'a', pieces: 3, forOpening: 'x' }], parts(part('a', { offers: [] })), KINDS);
    expect(line).toMatchObject({ pieces: 3, taken: null, others: [] });
  });

  test('lines stand by kind, then by maker and name', () => {
    const list = [
      part('z', { kind: 'bracket' }),
      part('b', { maker: 'A' }),
      part('a', { maker: 'B' }),
      part('s', { kind: 'spacer' }),
    ];
    const needs = list.map(({ id }) => ({ partId: id, pieces: 1, forOpening: 'x' }));
    expect(orderLines(needs, parts(...list), KINDS).map(({ part: { id } }) => id)).toEqual(['b', 'a', 'z', 's']);
  });

  test('a part that is not in the catalogue, or half a piece, is a fault of the caller', () => {
    expect(() => orderLines([{ partId: 'x', pieces: 1, forOpening: '' }], parts(), KINDS)).toThrow('got x');
    expect(() => orderLines([{ partId: 'a', pieces: 0.5, forOpening: '' }], parts(part('a')), KINDS)).toThrow(
      'whole pieces',
    );
  });

  test('there are always enough pieces, and never a pack too many', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 10 }),
        (pieces, packSize) => {
          const [line] = orderLines(
            pieces.map((each, index) => ({ partId: 'a', pieces: each, forOpening: String(index) })),
            parts(part('a', { offers: offered(packSize, 1000) })),
            KINDS,
          );
          const taken = line?.taken;
          if (!taken) throw new Error('expected a line that is offered');
          const needed = pieces.reduce((sum, each) => sum + each, 0);
          expect(taken.packs * packSize - taken.leftOver).toBe(needed);
          expect(taken.leftOver).toBeLessThan(packSize);
          expect(taken.leftOver).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});
