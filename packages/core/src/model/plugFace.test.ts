import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { asCarried } from './asCarried';
import { fromSide } from './fromSide';
import { openingRecordSchema } from './opening';
import { beyondSound, type PairCarries, type PinPair, type PlugFace, pinsNotLooked, plugFaceSchema } from './plugFace';
import { plugFaceWords, rowLengths, soundPins } from './plugFaceWords';

const pair = (pins: [number, number], carries: PairCarries, grade: PinPair['grade'] = 'doneHere'): PinPair => ({
  pins,
  colours: ['', ''],
  carries,
  grade,
});
const face = (pairs: PinPair[], rest: Partial<PlugFace> = {}): PlugFace => ({
  rows: 1,
  positions: 4,
  pairs,
  empty: [],
  ...rest,
});
const SOUND = pair([1, 2], 'full');
const of = (carries: PairCarries, words: string, isOfSecondPlug = false) => ({ carries, words, isOfSecondPlug });

describe('what comes besides the sound', () => {
  test('nothing, where every pin is known to bring no more', () => {
    expect(beyondSound([])).toEqual([]);
    expect(beyondSound([face([SOUND], { empty: [3, 4] })])).toEqual([]);
    for (const carries of ['bass', 'treble', 'voices', 'sub', 'microphone', 'lamp', 'nothing'] as const)
      expect(beyondSound([face([SOUND, pair([3, 4], carries)])])).toEqual([]);
  });

  test('a position nobody said anything of is not known', () => {
    expect(beyondSound([face([SOUND])])).toEqual([of('notKnown', 'pins 3 and 4 of its plug')]);
    expect(beyondSound([face([SOUND], { empty: [4] })])).toEqual([of('notKnown', 'pin 3 of its plug')]);
  });

  test('all of all plugs, the gravest first, with all pins that carry it', () => {
    const first = face([SOUND, pair([3, 4], 'feed')]);
    expect(beyondSound([first])).toEqual([of('feed', 'pins 3 and 4 of its plug')]);
    const second = face([pair([1, 2], 'warning'), pair([3, 4], 'warning')]);
    expect(beyondSound([first, second])).toEqual([
      of('warning', 'pins 1, 2, 3 and 4 of its second plug', true),
      of('feed', 'pins 3 and 4 of its plug'),
    ]);
  });

  test('what is only said or guessed clears nothing, and what it warns of counts', () => {
    for (const grade of ['claimed', 'guessed', 'classDefault', 'otherCar'] as const) {
      const guessed = face([SOUND, pair([3, 4], 'nothing', grade)]);
      expect(beyondSound([guessed])[0]?.carries).toBe('notKnown');
      expect(beyondSound([face([SOUND, pair([3, 4], 'warning', grade)])])[0]?.carries).toBe('warning');
    }
    expect(beyondSound([face([SOUND, pair([3, 4], 'nothing', 'maker')])])).toEqual([]);
  });
});

describe('a face', () => {
  const problems = (value: PlugFace) =>
    plugFaceSchema.safeParse(value).error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

  test('is refused with the pin that is wrong', () => {
    expect(problems(face([SOUND]))).toEqual([]);
    expect(problems(face([pair([1, 7], 'full')]))).toEqual([
      'pairs.0.pins: Pin 7 of 4 positions: press one that is there, or type more positions.',
    ]);
    expect(problems(face([SOUND, pair([2, 3], 'bass')]))).toEqual([
      'pairs.1.pins: Pin 2 is used twice: take it out of one pair first.',
    ]);
    expect(problems(face([pair([3, 3], 'full')]))).toHaveLength(1);
    expect(problems(face([SOUND], { empty: [1] }))).toEqual([
      'empty.0: Pin 1 is used twice: take it out of one pair first.',
    ]);
    expect(problems(face([], { rows: 3, positions: 2 }))).toEqual([
      'rows: 3 rows of 2 positions: type at most as many rows.',
    ]);
  });

  test('of a second plug is refused where it is said that there is none', () => {
    const both = [face([SOUND]), face([SOUND])];
    const parsed = (secondPlug: 'none' | 'warning') =>
      openingRecordSchema.safeParse({ ...PLAIN_OPENING, secondPlug, plugFaces: both });
    expect(parsed('none').error?.issues[0]).toMatchObject({ path: ['plugFaces', 1] });
    expect(parsed('warning').success).toBe(true);
  });

  test('has every position in one row, and in one list', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 1, max: 3 }), (positions, rows) => {
        fc.pre(rows <= positions);
        const lengths = rowLengths({ rows, positions });
        expect(lengths).toHaveLength(rows);
        expect(lengths.reduce((sum, each) => sum + each, 0)).toBe(positions);
        expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1);
        expect(pinsNotLooked(face([SOUND], { positions, rows, empty: [] }))).toHaveLength(positions - 2);
      }),
    );
  });

  test('is told with the colours of its wires, as far as they were noted; they come with it, and no longer ones than a hand writes', () => {
    const coloured: PinPair = { ...SOUND, colours: ['white', ''] };
    expect(plugFaceWords(face([coloured], { positions: 2 }), 0)).toContain('pins 1 (white) and 2 sound: everything');
    const both: PinPair = { ...SOUND, colours: ['white', 'white with blue'] };
    expect(plugFaceWords(face([both], { positions: 2 }), 0)).toContain('pins 1 (white) and 2 (white with blue) sound');
    // Noted before colours were.
    const { colours: _none, ...older } = SOUND;
    const read = plugFaceSchema.parse({ rows: 1, positions: 2, pairs: [older], empty: [] });
    expect(read.pairs[0]?.colours).toEqual(['', '']);
    expect(problems(face([{ ...SOUND, colours: ['x'.repeat(31), ''] }], { positions: 2 }))).toEqual([
      'pairs.0.colours.0: Type at most 30 characters, such as “white with blue”.',
    ]);
  });

  test('in words', () => {
    const words = plugFaceWords(face([SOUND, pair([3, 5], 'warning', 'claimed')], { positions: 6, rows: 2 }), 0);
    expect(words).toBe(
      'plug, 6 positions in 2 rows: pins 1 and 2 sound: everything (done here, and tried); pins 3 and 5 warning sounds (said by a seller, or the customer); pins 4 and 6 not looked at',
    );
  });
});

test('its own sound comes through the pairs of its first plug that carry sound', () => {
  const faces = [face([pair([1, 4], 'bass'), pair([2, 3], 'warning')]), face([SOUND])];
  expect(soundPins(faces)).toEqual([1, 4]);
  expect(soundPins([])).toEqual([]);
});

test('on another car of the variant it was seen, not tried; on the other side there is another plug', () => {
  const record = { ...PLAIN_OPENING, plugFaces: [face([SOUND], { empty: [3, 4] })] };
  expect(asCarried(record).plugFaces[0]?.pairs[0]?.grade).toBe('seenHere');
  expect(fromSide(record).plugFaces).toEqual([]);
});
