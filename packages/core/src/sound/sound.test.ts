import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coilWords } from './coilWords';
import { type CoilJudgement, type CoilTest, isCoilDead, isCoilUnknown, judgeCoil, NOMINAL_OHMS } from './judgeCoil';
import { type OhmReading, readOhms } from './readOhms';

const ohm = (value: number): OhmReading => ({ kind: 'ohm', ohm: value });
const OVER: OhmReading = { kind: 'over' };

describe('readings as a meter shows them', () => {
  test.each<[string, readonly OhmReading[]]>([
    ['', []],
    ['3.4', [ohm(3.4)]],
    ['3,4', [ohm(3.4)]],
    ['3.4 Ω', [ohm(3.4)]],
    ['3.4ohm', [ohm(3.4)]],
    ['3.4; 3,5; 3.4', [ohm(3.4), ohm(3.5), ohm(3.4)]],
    ['3.4, 3.5', [ohm(3.4), ohm(3.5)]],
    ['350 m', [ohm(0.35)]],
    ['0.9 kΩ', [ohm(900)]],
    ['1K', [ohm(1000)]],
    // The classic slip: the figure alone is a healthy coil's.
    ['7 M', [ohm(7e6)]],
    ['7 mega', [ohm(7e6)]],
    ['OL', [OVER]],
    ['open; 3.4', [OVER, ohm(3.4)]],
  ])('“%s”', (text, readings) => {
    const read = readOhms(text);
    if (!read.ok) throw new Error(read.failure);
    expect(read.value).toHaveLength(readings.length);
    for (const [at, reading] of read.value.entries()) {
      const expected = readings[at] as OhmReading;
      expect(reading.kind).toBe(expected.kind);
      if (reading.kind === 'ohm' && expected.kind === 'ohm') expect(reading.ohm).toBeCloseTo(expected.ohm, 9);
    }
  });

  test.each(['four', '-3', '3.4 V', '3..4', '9999999 M', 'Ω', '7 G'])(
    '“%s” is not understood, and says what would be',
    (text) => {
      const read = readOhms(text);
      expect(read).toEqual({ ok: false, failure: expect.stringContaining('Type what the meter shows') });
    },
  );

  test('more than a dozen is a slip', () => {
    expect(readOhms(Array(13).fill('4').join(';'))).toMatchObject({ ok: false });
  });

  test('whatever is typed is read or refused; what is read is a number of ohms', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const read = readOhms(text);
        if (!read.ok) return;
        for (const reading of read.value) if (reading.kind === 'ohm') expect(Number.isFinite(reading.ohm)).toBe(true);
      }),
    );
  });
});

const coil = (changes: Partial<CoilTest>): CoilTest => ({
  readings: [],
  leadOhm: 0,
  nominalOhm: 4,
  capacitor: 'no',
  control: { knownOhm: null, readOhm: null },
  ...changes,
});

/**
 * Worked by hand. 70 % of 4 Ω is 2.8 Ω and 100 % is 4.0 Ω; of 8 Ω 5.6 and 8.0; of 3 Ω 2.1 and 3.0. IEC 60268-5 lets the lowest
 * impedance of a 4 Ω speaker be 80 %, 3.2 Ω: its coil is below that and healthy.
 */
describe('a coil is judged', () => {
  test.each<[string, Partial<CoilTest>, CoilJudgement]>([
    ['not at all where nobody read it', {}, { kind: 'unread' }],
    [
      'healthy at 3.4 of 4',
      { readings: [ohm(3.4)] },
      { kind: 'plausible', ohm: 3.4, nominalOhm: 4, otherSchoolFails: true },
    ],
    [
      'healthy at 3.0, below the lowest impedance of the standard',
      { readings: [ohm(3)] },
      { kind: 'plausible', ohm: 3, nominalOhm: 4, otherSchoolFails: true },
    ],
    [
      'healthy exactly at 70 %',
      { readings: [ohm(2.8)] },
      { kind: 'plausible', ohm: 2.8, nominalOhm: 4, otherSchoolFails: true },
    ],
    [
      'healthy exactly at 100 %',
      { readings: [ohm(4)] },
      { kind: 'plausible', ohm: 4, nominalOhm: 4, otherSchoolFails: false },
    ],
    [
      'healthy to the other school too at 3.8',
      { readings: [ohm(3.8)] },
      { kind: 'plausible', ohm: 3.8, nominalOhm: 4, otherSchoolFails: false },
    ],
    ['doubtful just below', { readings: [ohm(2.7)] }, { kind: 'doubtful', ohm: 2.7, nominalOhm: 4, nominalOhms: [3] }],
    ['doubtful just above', { readings: [ohm(4.1)] }, { kind: 'doubtful', ohm: 4.1, nominalOhm: 4, nominalOhms: [] }],
    [
      'with the leads taken off',
      { readings: [ohm(4.1)], leadOhm: 0.3 },
      { kind: 'plausible', ohm: 4.1 - 0.3, nominalOhm: 4, otherSchoolFails: false },
    ],
    [
      'with its nominal value proposed',
      { readings: [ohm(2.9)], nominalOhm: null },
      { kind: 'proposes', ohm: 2.9, nominalOhms: [3, 4] },
    ],
    [
      'doubtful as nothing that is sold',
      { readings: [ohm(60)], nominalOhm: null },
      { kind: 'doubtful', ohm: 60, nominalOhm: null, nominalOhms: [] },
    ],
    ['shorted near zero', { readings: [ohm(0.3)] }, { kind: 'shorted', ohm: 0.3 }],
    ['open where the meter shows nothing', { readings: [OVER, OVER] }, { kind: 'open', slip: false }],
    ['open at “7 M”, with the slip named', { readings: [ohm(7e6)] }, { kind: 'open', slip: true }],
    ['open at kilohms', { readings: [ohm(1200)] }, { kind: 'open', slip: true }],
    ['unsteady between open and a figure', { readings: [OVER, ohm(3.4)] }, { kind: 'unsteady' }],
    ['unsteady where figures wander', { readings: [ohm(3.1), ohm(3.9)] }, { kind: 'unsteady' }],
    [
      'steady within a last digit',
      { readings: [ohm(3.3), ohm(3.5)] },
      { kind: 'plausible', ohm: 3.4, nominalOhm: 4, otherSchoolFails: true },
    ],
    ['not at all behind a capacitor', { readings: [OVER], capacitor: 'yes' }, { kind: 'behindCapacitor' }],
    [
      'either way where nobody looked for one',
      { readings: [OVER], capacitor: 'notLooked' },
      { kind: 'openOrCapacitor', slip: false },
    ],
  ])('%s', (_, changes, judged) => {
    const found = judgeCoil(coil(changes));
    if ('ohm' in judged && 'ohm' in found) expect(found.ohm).toBeCloseTo(judged.ohm, 9);
    expect({ ...found, ...('ohm' in judged ? { ohm: judged.ohm } : {}) }).toEqual(judged);
  });

  test('only what lets nothing through, or everything, is dead', () => {
    const dead = [[OVER], [ohm(7e6)], [ohm(0.1)]].map((readings) => judgeCoil(coil({ readings })));
    expect(dead.every(isCoilDead)).toBe(true);
    for (const readings of [[], [ohm(3.4)], [ohm(2)], [OVER, ohm(3)]])
      expect(isCoilDead(judgeCoil(coil({ readings })))).toBe(false);
    expect(isCoilDead(judgeCoil(coil({ readings: [OVER], capacitor: 'notLooked' })))).toBe(false);
  });

  test('every healthy share of every nominal value is healthy for it, and proposed where it is not known', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOMINAL_OHMS),
        fc.double({ min: 0.7, max: 1, noNaN: true }),
        (nominalOhm, ratio) => {
          const readings = [ohm(nominalOhm * ratio)];
          expect(judgeCoil(coil({ readings, nominalOhm })).kind).toBe('plausible');
          const unknown = judgeCoil(coil({ readings, nominalOhm: null }));
          expect(unknown).toMatchObject({ kind: 'proposes', nominalOhms: expect.arrayContaining([nominalOhm]) });
        },
      ),
    );
  });
});

test('each judgement says what it is, and what to do where it settles nothing', () => {
  const words = (changes: Partial<CoilTest>) => coilWords(judgeCoil(coil(changes)));
  expect(words({})).toBe('Not read: it is assumed, as good as dead.');
  expect(words({ readings: [ohm(3.4)] })).toBe(
    'Plausible: 3.4 Ω is 85 % of 4 Ω, and 70 to 100 % is healthy. A shop that asks for 4 Ω give or take 0.2 would call it dead; most healthy ones read lower.',
  );
  expect(words({ readings: [ohm(7e6)] })).toContain('its figure is no ohm');
  expect(words({ readings: [OVER], capacitor: 'yes' })).toContain('Hear it alone');
  expect(words({ readings: [ohm(2.7)] })).toBe(
    'Doubtful: 2.7 Ω is 68 % of 4 Ω, and 70 to 100 % is healthy. Is it unplugged? It would be healthy for 3 Ω: look at its mark.',
  );
  expect(words({ readings: [ohm(2.9)], nominalOhm: null })).toContain('3 or 4 Ω');
  expect(words({ readings: [OVER, ohm(3)] })).toContain('read again');
});

describe('a control speaker of known value', () => {
  const control = (knownOhm: number | null, readOhm: number | null) => ({ knownOhm, readOhm });
  const kindOf = (changes: Partial<CoilTest>) =>
    judgeCoil(coil({ readings: [ohm(3.4)], nominalOhm: 4, ...changes })).kind;

  test.each([
    [control(3.4, 3.5), 'plausible'],
    // 10 % of 3.4 and nothing more
    [control(3.4, 3.74), 'plausible'],
    [control(3.4, 3.75), 'meterInDoubt'],
    [control(3.4, 3.06), 'plausible'],
    [control(3.4, 3.05), 'meterInDoubt'],
    // A display's last digits, where a tenth is less than they are.
    [control(1.5, 1.7), 'plausible'],
    [control(1.5, 1.71), 'meterInDoubt'],
    [control(3.4, null), 'plausible'],
    [control(null, 3.4), 'plausible'],
  ])('%j: %s', (given, kind) => expect(kindOf({ control: given })).toBe(kind));

  test('is read with the same leads', () => {
    expect(kindOf({ control: control(3.4, 4.0), leadOhm: 0.6, readings: [ohm(4.0)] })).toBe('plausible');
    expect(kindOf({ control: control(3.4, 4.0) })).toBe('meterInDoubt');
  });

  test('a meter in doubt calls nothing dead and nothing healthy', () => {
    for (const readings of [[OVER], [ohm(0.1)], [ohm(3.4)]]) {
      const judged = judgeCoil(coil({ readings, control: control(4, 7) }));
      expect([judged.kind, isCoilDead(judged), isCoilUnknown(judged)]).toEqual(['meterInDoubt', false, true]);
    }
    expect(isCoilUnknown(judgeCoil(coil({ readings: [], control: control(4, 7) })))).toBe(true);
    expect(coilWords({ kind: 'meterInDoubt', knownOhm: 3.4, readOhm: 7.2 })).toContain(
      'known to have 3.4 Ω reads 7.2 Ω',
    );
  });
});
