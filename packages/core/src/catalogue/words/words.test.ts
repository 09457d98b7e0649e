import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type PatternRecord, patternWords, readPatternWords } from './patternWords';
import { profileWords, readProfileWords } from './profileWords';
import { readScrewWords, screwWords } from './screwWords';

const plain = { holeDiameterMm: 5, slotMm: 0, slotRuns: 'tangential' } as const;
const read = <Value>(found: { ok: true; value: Value } | { ok: false; failure: string }) =>
  found.ok ? found.value : found.failure;

describe('screw holes', () => {
  test.each<[string, PatternRecord]>([
    [
      '4 holes on 156 mm, first at 45°',
      { shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: 45 }, ...plain },
    ],
    [
      '4 holes 4,5 on a circle of 156,5',
      { shape: { kind: 'circle', count: 4, diameterMm: 156.5, firstAngleDeg: 45 }, ...plain, holeDiameterMm: 4.5 },
    ],
    [
      '8 Holes on 165 first at -30',
      { shape: { kind: 'circle', count: 8, diameterMm: 165, firstAngleDeg: 330 }, ...plain },
    ],
    [
      '4 slots 4.5 × 9 on 156, radial',
      {
        shape: { kind: 'circle', count: 4, diameterMm: 156, firstAngleDeg: 45 },
        holeDiameterMm: 4.5,
        slotMm: 4.5,
        slotRuns: 'radial',
      },
    ],
    ['holes 5 at the corners of 190 x 133 mm', { shape: { kind: 'rectangle', widthMm: 190, heightMm: 133 }, ...plain }],
    [
      'holes at 10/20, -10/20 keyhole 4 at 90°',
      {
        shape: {
          kind: 'free',
          holes: [
            { xMm: 10, yMm: 20, kind: 'plain', slotMm: 0, slotDeg: 0 },
            { xMm: -10, yMm: 20, kind: 'keyhole', slotMm: 4, slotDeg: 90 },
          ],
        },
        ...plain,
      },
    ],
  ])('“%s”', (words, pattern) => {
    expect(read(readPatternWords(words))).toEqual(pattern);
  });

  test.each([
    '',
    'four holes',
    '4 holes',
    'holes on 156',
    'slots 5 on 156',
    '4 slots 9 × 4.5 on 156',
    '4 holes on 156 sideways',
    '3 holes at 1/2, 3/4',
    '40 holes on 156',
  ])('“%s” is none, and says what would do', (words) => {
    expect(read(readPatternWords(words))).toMatch(/would do/);
  });

  test('whatever is written is read again', () => {
    const mm = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((tenths) => tenths / 10);
    const hole = fc.record({
      ...{ xMm: mm(-200, 200), yMm: mm(-200, 200) },
      own: fc.constantFrom(
        { kind: 'plain', slotMm: 0, slotDeg: 0 } as const,
        { kind: 'slot', slotMm: 4, slotDeg: 30 } as const,
      ),
    });
    const shape = fc.oneof(
      fc.record({
        kind: fc.constant('circle' as const),
        count: fc.integer({ min: 2, max: 12 }),
        diameterMm: mm(20, 390),
        firstAngleDeg: fc.integer({ min: 0, max: 359 }),
      }),
      fc.record({ kind: fc.constant('rectangle' as const), widthMm: mm(20, 390), heightMm: mm(20, 390) }),
      fc
        .array(hole, { minLength: 2, maxLength: 8 })
        .map((holes) => ({ kind: 'free' as const, holes: holes.map(({ own, ...at }) => ({ ...at, ...own })) })),
    );
    const slots = fc.oneof(
      fc.constant({ slotMm: 0, slotRuns: 'tangential' as const }),
      fc.record({ slotMm: mm(1, 20), slotRuns: fc.constantFrom('radial' as const, 'tangential' as const) }),
    );
    fc.assert(
      fc.property(shape, mm(2, 15), slots, (of, holeDiameterMm, slot) => {
        const pattern: PatternRecord = { shape: of, holeDiameterMm, ...slot };
        expect(read(readPatternWords(patternWords(pattern)))).toEqual(pattern);
      }),
    );
  });
});

describe('a profile', () => {
  test('tapers, and is oval, and is none', () => {
    const round = (depthMm: number, mm: number) => ({ depthMm, lengthMm: mm, widthMm: mm });
    expect(read(readProfileWords('tapers from 122 at the flange to 92 at 40'))).toEqual([round(0, 122), round(40, 92)]);
    expect(read(readProfileWords('218 × 152 at the flange, 85 at 61,5 mm'))).toEqual([
      { depthMm: 0, lengthMm: 218, widthMm: 152 },
      round(61.5, 85),
    ]);
    expect(read(readProfileWords(' '))).toEqual([]);
  });

  test.each(['122', '122 at the flange', '122 at 40, 92 at 20', 'wide at 3'])(
    '“%s” is none, and says what would do',
    (words) => {
      expect(read(readProfileWords(words))).toMatch(/would do/);
    },
  );

  test('whatever is written is read again', () => {
    const section = fc.record({
      lengthMm: fc.integer({ min: 20, max: 300 }),
      widthMm: fc.integer({ min: 20, max: 300 }),
    });
    fc.assert(
      fc.property(fc.array(section, { minLength: 2, maxLength: 10 }), (sections) => {
        const profile = sections.map((each, at) => ({ depthMm: at * 7.5, ...each }));
        expect(read(readProfileWords(profileWords(profile)))).toEqual(profile);
      }),
    );
  });
});

test('screws by their bags, read again', () => {
  const bags = [
    { count: 4, diameterMm: 4.2, lengthMm: 25, headMm: 8 },
    { count: 4, diameterMm: 3.5, lengthMm: 16, headMm: null },
  ];
  expect(screwWords(bags)).toBe('4 of 4.2 × 25, head 8; 4 of 3.5 × 16');
  expect(read(readScrewWords(screwWords(bags)))).toEqual(bags);
  expect(read(readScrewWords('4x 4,2x25'))).toEqual([{ ...bags[0], headMm: null }]);
  expect(read(readScrewWords(''))).toEqual([]);
  expect(read(readScrewWords('some'))).toMatch(/would do/);
  expect(read(readScrewWords('4 of 42 × 25'))).toMatch(/would do/);
});
