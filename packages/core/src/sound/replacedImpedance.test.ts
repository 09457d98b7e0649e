import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type CoilJudgement, NOMINAL_OHMS } from './judgeCoil';
import { impedanceChanges, impedanceWords } from './replacedImpedance';

const UNREAD: CoilJudgement = { kind: 'unread' };
const PROPOSES: CoilJudgement = { kind: 'proposes', ohm: 5.6, nominalOhms: [8, 6] };

describe('worked by hand', () => {
  test('8 ohm in the place of 4: half the power, 3 dB', () => {
    expect(impedanceChanges(UNREAD, 4, 8)).toEqual([{ kind: 'quieter', oldOhm: 4, byDb: 10 * Math.log10(2) }]);
    expect(impedanceWords(impedanceChanges(UNREAD, 4, 8), 8)).toBe(
      '8 Ω in the place of 4 Ω: 3.0 dB quieter at the same setting, its sensitivity apart.',
    );
  });

  test('4 ohm in the place of 8: twice the current', () => {
    expect(impedanceWords(impedanceChanges(UNREAD, 8, 4), 4)).toBe(
      '4 Ω in the place of 8 Ω: 2 times the current. Look what the radio or amplifier stands.',
    );
  });

  test('3 ohm in the place of 4: a third more', () => {
    expect(impedanceChanges(UNREAD, 4, 3)).toEqual([{ kind: 'heavier', oldOhm: 4, times: 4 / 3 }]);
    expect(impedanceWords(impedanceChanges(UNREAD, 4, 3), 3)).toContain('1.3 times the current');
  });

  test('the same is nothing to say', () => {
    expect(impedanceWords(impedanceChanges(UNREAD, 4, 4), 4)).toBeNull();
  });
});

test('what nobody read and nothing is marked with is not known, and says what to do', () => {
  for (const coil of [UNREAD, { kind: 'open', slip: false }, { kind: 'behindCapacitor' }] as const)
    expect(impedanceChanges(coil, null, 4)).toEqual([{ kind: 'unknown' }]);
  expect(impedanceWords([{ kind: 'unknown' }], 4)).toContain('read its coil');
});

test('what the readings propose is said for each, the least first; a mark goes before them', () => {
  expect(impedanceChanges(PROPOSES, null, 6).map(({ kind }) => kind)).toEqual(['same', 'heavier']);
  expect(impedanceWords(impedanceChanges(PROPOSES, null, 4), 4)).toBe(
    'May be 4 Ω in the place of 6 Ω: 1.5 times the current. Look what the radio or amplifier stands. ' +
      'May be 4 Ω in the place of 8 Ω: 2 times the current. Look what the radio or amplifier stands.',
  );
  expect(impedanceChanges(PROPOSES, 4, 4)).toEqual([{ kind: 'same', oldOhm: 4 }]);
});

test('there and back again is what it was: the level by as much, the current by the inverse', () => {
  const ohms = fc.constantFrom(...NOMINAL_OHMS);
  fc.assert(
    fc.property(ohms, ohms, (one, other) => {
      const [there] = impedanceChanges(UNREAD, one, other);
      const [back] = impedanceChanges(UNREAD, other, one);
      if (one === other) return expect([there?.kind, back?.kind]).toEqual(['same', 'same']);
      const [quieter, heavier] = there?.kind === 'quieter' ? [there, back] : [back, there];
      if (quieter?.kind !== 'quieter' || heavier?.kind !== 'heavier') throw new Error('expected one of each');
      // P = U²/R: the ratio of the currents is that of the powers.
      expect(10 * Math.log10(heavier.times)).toBeCloseTo(quieter.byDb, 9);
    }),
  );
});
