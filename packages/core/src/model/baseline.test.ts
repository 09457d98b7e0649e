import { describe, expect, test } from '@jest/globals';
import {
  baselineSchema,
  comparedAtHandOver,
  functionsTried,
  listeningWords,
  NO_BASELINE,
  speakerKey,
  standingOf,
  TRIED,
  triedWords,
  untried,
} from './baseline';
import { functionGroup, functionLabel, functionsOf, otherFunction, usualFunctions } from './functions';
import { OLD_SPEAKER_NOT_TESTED } from './oldSpeaker';
import { BODIES } from './vehicle';

const CAR = { doors: 5, body: 'estate', functions: null } as const;
const WORKS = { state: 'works', note: '' } as const;
const SLOW = { state: 'doesNot', note: 'slow on the way up' } as const;
const speaker = (id: string, plays: 'notTried' | 'plays' | 'silent' | null, presence = 'fitted' as const) => ({
  id,
  record: { presence, oldSpeaker: plays && { ...OLD_SPEAKER_NOT_TESTED, plays } },
});

describe('what is usual for a body', () => {
  test('an estate has four windows and four door lamps, two mirrors and one fader', () => {
    const keys = usualFunctions(CAR);
    const count = (kind: string) => keys.filter((key) => key.split('.')[0] === kind).length;
    expect(['window', 'lock', 'outerHandle', 'innerHandle', 'doorLamp'].map(count)).toEqual([4, 4, 4, 4, 4]);
    expect(['mirror', 'fader', 'tailgate', 'warningSounds'].map(count)).toEqual([2, 1, 1, 1]);
    expect(keys.slice(0, 7).map(functionLabel)).toEqual([
      ...['Window, front left', 'Lock, front left', 'Outer handle, front left', 'Inner handle, front left'],
      ...['Door lamp, front left', 'Mirror, front left', 'Window, front right'],
    ]);
  });

  test('two doors have no rear windows, with a tailgate or without', () => {
    for (const doors of [2, 3]) expect(usualFunctions({ doors, body: 'coupe' })).not.toContain('window.rearLeft');
    expect(usualFunctions({ doors: 2, body: 'lorry' })).not.toContain('tailgate');
  });

  test('each is there once, and is told in words, for every body', () => {
    for (const body of BODIES)
      for (const doors of [2, 3, 4, 5]) {
        const keys = usualFunctions({ doors, body });
        expect(new Set(keys).size).toBe(keys.length);
        for (const key of keys) {
          expect(functionLabel(key)).not.toMatch(/\.|undefined/);
          expect(baselineSchema.shape.functions.safeParse({ [key]: WORKS }).success).toBe(true);
        }
      }
  });
});

test('a thing is called by where it is, and what no table knows by its own name', () => {
  expect(functionLabel('window.frontLeft')).toBe('Window, front left');
  expect(functionLabel(otherFunction(' Tow bar socket '))).toBe('Tow bar socket');
  expect(functionGroup('fader')).toBe('sound');
  expect(functionGroup('other.Step lamp')).toBe('car');
});

test('what a variant is known to have stands before what is usual', () => {
  expect(functionsOf({ ...CAR, functions: ['camera'] })).toEqual(['camera']);
  expect(functionsOf({ ...CAR, functions: [] })).toEqual([]);
  expect(functionsTried({ ...CAR, functions: ['camera'] }, { functions: { 'other.Step lamp': WORKS } })).toEqual([
    'camera',
    'other.Step lamp',
  ]);
});

describe('what was not tried', () => {
  const vehicle = { ...CAR, functions: ['camera', 'fader', 'balance'] };
  const functions = { fader: WORKS, balance: SLOW };

  test('is open, whatever else was', () => {
    expect(untried(vehicle, NO_BASELINE, [])).toEqual(['camera', 'fader', 'balance']);
    expect(untried(vehicle, { functions }, [])).toEqual(['camera']);
  });

  test('a fader counts once every speaker was heard alone', () => {
    expect(untried(vehicle, { functions }, [speaker('a', 'plays'), speaker('b', 'silent')])).toEqual(['camera']);
    for (const left of [speaker('b', 'notTried'), speaker('b', null)])
      expect(untried(vehicle, { functions }, [speaker('a', 'plays'), left])).toEqual(['camera', 'fader', 'balance']);
  });

  test('a place that is empty is heard by nobody', () => {
    const empty = { id: 'e', record: { presence: 'empty' as const, oldSpeaker: null } };
    expect(untried(vehicle, { functions }, [empty])).toEqual(['camera']);
  });
});

describe('at hand-over', () => {
  test.each([
    [null, null, 'notTried'],
    ['works', null, 'notTried'],
    ['works', 'works', 'asBefore'],
    ['works', 'doesNot', 'worse'],
    ['works', 'notThere', 'worse'],
    ['doesNot', 'works', 'better'],
    ['doesNot', 'doesNot', 'asBefore'],
    [null, 'works', 'asBefore'],
    [null, 'doesNot', 'notComparable'],
  ] as const)('before %s, now %s: %s', (before, after, standing) => {
    expect(standingOf(before, after)).toBe(standing);
  });

  test('nothing that worked is called better or as before when it does not', () => {
    for (const before of [...TRIED, null])
      for (const after of [...TRIED, null]) {
        const standing = standingOf(before, after);
        expect(standing === 'worse').toBe(before === 'works' && after !== null && after !== 'works');
        expect(standing === 'notTried').toBe(after === null);
      }
  });

  test('what was not there is not asked for again, and every speaker is', () => {
    const baseline = {
      ...NO_BASELINE,
      functions: { camera: { state: 'notThere', note: '' } as const, fader: WORKS },
      after: { fader: SLOW, [speakerKey('b')]: WORKS },
    };
    const openings = [speaker('a', 'plays'), speaker('b', 'silent'), speaker('c', null)];
    expect(comparedAtHandOver({ ...CAR, functions: ['camera', 'fader'] }, baseline, openings)).toEqual([
      { key: 'fader', before: 'works', after: 'doesNot', standing: 'worse' },
      { key: 'speaker.a', before: 'works', after: null, standing: 'notTried' },
      { key: 'speaker.b', before: 'doesNot', after: 'works', standing: 'better' },
      { key: 'speaker.c', before: null, after: null, standing: 'notTried' },
    ]);
  });
});

test('what was tried is told in words, and what was not is not good', () => {
  expect(triedWords(undefined)).toBe('not tried');
  expect(triedWords(SLOW)).toBe('Does not: slow on the way up');
  const note = { volume: '12', source: 'stick', road: 'harbour road', kmh: 50, seat: '', words: 'thin' };
  expect(listeningWords([note, { ...note, kmh: null }])).toBe(
    'at 12, stick, harbour road, 50 km/h, thin; at 12, stick, harbour road, thin',
  );
});

test.each([
  ['a key that is none', { functions: { 'no\nkey': WORKS } }],
  ['a signature without a stroke', { signed: { by: 'Vet', at: '2026-03-04T10:00:00.000Z', strokes: [] } }],
  ['a signature by nobody', { signed: { by: ' ', at: '2026-03-04T10:00:00.000Z', strokes: [[[1, 2]]] } }],
  ['a point outside the field', { signed: { by: 'Vet', at: '2026-03-04T10:00:00.000Z', strokes: [[[1, 1001]]] } }],
  ['a note without a volume', { listening: [{ volume: '', source: '', road: '', kmh: null, seat: '', words: '' }] }],
  ['a speed that no road knows', { listening: [{ volume: '1', source: '', road: '', kmh: 301, seat: '', words: '' }] }],
])('%s is refused', (_, part) => {
  expect(baselineSchema.safeParse({ ...NO_BASELINE, ...part }).success).toBe(false);
  expect(baselineSchema.safeParse(NO_BASELINE).success).toBe(true);
});
