import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../../testing/fuzzed';
import type { SnapOffs } from '../bracket/snapOffStates';
import { readPatternWords } from './patternWords';
import { readSnapOffWords, snapOffWords } from './snapOffWords';

const pattern = (words: string) => {
  const read = readPatternWords(words);
  if (!read.ok) throw new Error(read.failure);
  return read.value;
};
const PATTERNS = [
  '4 holes 4 on 156 mm, first at 45°',
  'slots 4.5 × 9 at the corners of 190 × 133 mm, radial',
  'holes 5 at 10/20, -10/20',
];

test('a name, and what is otherwise than as it comes', () => {
  expect(
    readSnapOffWords(
      'Inner rim off | throat 142,5 | to the speaker 4 holes 4 on 156 mm; Ears off [no-ears] | Throat 218 x 152',
    ),
  ).toEqual({
    ok: true,
    value: [
      {
        ...{ id: 'inner-rim-off', name: 'Inner rim off', throat: { kind: 'circle', diameterMm: 142.5 } },
        ...{ vehicleBolts: null, speakerBolts: pattern('4 holes 4 on 156 mm') },
      },
      {
        ...{ id: 'no-ears', name: 'Ears off', throat: { kind: 'oval', lengthMm: 218, widthMm: 152 } },
        ...{ vehicleBolts: null, speakerBolts: null },
      },
    ],
  });
});

test('whatever is written is read as it was', () => {
  const half = fc.integer({ min: 2, max: 800 }).map((each) => each / 2);
  const throat = fc.oneof(
    fc.record({ kind: fc.constant('circle' as const), diameterMm: half }),
    fc.record({ kind: fc.constant('oval' as const), lengthMm: half, widthMm: half }),
  );
  const bolts = fc.option(fc.constantFrom(...PATTERNS).map(pattern));
  const state = fc.record({
    id: fc.stringMatching(/^[a-z0-9-]{1,20}$/),
    name: fc.stringMatching(/^[A-Z][a-z0-9]{0,12}( [a-z0-9]{1,12}){0,3}$/),
    throat: fc.option(throat),
    vehicleBolts: bolts,
    speakerBolts: bolts,
  });
  fc.assert(
    fc.property(fc.array(state, { maxLength: 8 }), (states: SnapOffs) =>
      expect(readSnapOffWords(snapOffWords(states))).toEqual({ ok: true, value: states }),
    ),
    fuzzed(200),
  );
});

describe('what is none says what would do', () => {
  test.each([
    ['Rim off | wide', '“wide” was read. A name and what is otherwise'],
    ['Rim off | to the speaker four holes', '“four holes” was read. Words such as'],
    ['[rim-off] | throat 142', 'A name and what is otherwise'],
    ['Rim off [NO GOOD] | throat 142', 'use lower-case letters'],
    ['Rim off | throat 0', 'was read'],
  ])('“%s”', (text, words) => {
    const found = readSnapOffWords(text);
    expect(found.ok ? found.value : found.failure).toContain(words);
  });
});
