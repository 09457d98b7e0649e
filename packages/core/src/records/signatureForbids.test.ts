import { describe, expect, test } from '@jest/globals';
import { type Baseline, NO_BASELINE } from '../model';
import { baselineFields } from './baselineFields';
import { differencesOf, mergeChanges } from './Field';
import { signatureForbids } from './signatureForbids';

const WORKS = { state: 'works', note: '' } as const;
const SIGNED: Baseline = {
  ...NO_BASELINE,
  functions: { camera: WORKS },
  signed: { by: 'Harbour vet', at: '2026-03-04T10:00:00.000Z', strokes: [[[1, 2]]] },
};

describe('what is signed for', () => {
  test('stays as it is, for the owner too, in every part of it', () => {
    const changes: readonly Partial<Baseline>[] = [
      { functions: {} },
      { functions: { camera: { ...WORKS, note: 'after rain' } } },
      { radio: '' },
      { damage: 'a dent' },
      { listening: [{ volume: '12', source: '', road: '', kmh: null, seat: '', words: '' }] },
    ];
    for (const change of changes)
      for (const isOwner of [false, true]) {
        const forbidden = signatureForbids(SIGNED, { ...SIGNED, ...change }, isOwner);
        expect(forbidden?.path).toBe(`baseline.${Object.keys(change)[0]}`);
        expect(forbidden?.message).toContain('Harbour vet signed this on 2026-03-04.');
      }
  });

  test('is tried again at hand-over', () => {
    expect(signatureForbids(SIGNED, { ...SIGNED, after: { camera: WORKS } }, false)).toBeNull();
  });

  test('the owner takes the signature off; nobody signs over another', () => {
    expect(signatureForbids(SIGNED, { ...SIGNED, signed: null }, true)).toBeNull();
    expect(signatureForbids(SIGNED, { ...SIGNED, signed: null }, false)?.path).toBe('baseline.signed');
    const other = { ...SIGNED, signed: { ...(SIGNED.signed as NonNullable<Baseline['signed']>), by: 'Somebody' } };
    expect(signatureForbids(SIGNED, other, true)?.path).toBe('baseline.signed');
  });

  test('before it, everything may be changed', () => {
    expect(signatureForbids(NO_BASELINE, SIGNED, false)).toBeNull();
  });
});

test('what two people tried comes together thing by thing, and only the same thing clashes', () => {
  const base = { baseline: NO_BASELINE };
  const mine = { baseline: { ...NO_BASELINE, functions: { camera: WORKS, fader: WORKS }, damage: '' } };
  const theirs = {
    baseline: { ...NO_BASELINE, functions: { fader: { state: 'doesNot', note: 'no rear' } as const }, radio: 'bass 2' },
  };
  const fields = baselineFields(base, mine, theirs);
  const { merged, clashes } = mergeChanges(fields, base, mine, theirs);
  expect(clashes).toEqual([
    { path: 'baseline.functions.fader', label: 'Fader', base: 'not tried', mine: 'Works', theirs: 'Does not: no rear' },
  ]);
  expect(merged.baseline).toMatchObject({ functions: { camera: WORKS, fader: WORKS }, damage: '', radio: 'bass 2' });
  expect(differencesOf(fields, base, merged).map(({ label, after }) => `${label}: ${after}`)).toEqual([
    'Camera: Works',
    'Fader: Works',
    'Settings of the radio: bass 2',
    'Scratches and missing parts: looked: nothing',
  ]);
});

test('what two people set comes together too, whatever was signed for, and is told by its name', () => {
  const withSettings = (settings: Baseline['settings']) => ({ baseline: { ...SIGNED, settings } });
  const base = withSettings({ Fader: 'in the middle' });
  const mine = withSettings({ Fader: 'in the middle', 'Clean volume': '22' });
  const theirs = withSettings({ 'Gain, front left': '12.6 V' });
  const fields = baselineFields(base, mine, theirs);
  const { merged, clashes } = mergeChanges(fields, base, mine, theirs);
  expect(clashes).toEqual([]);
  expect(merged.baseline.settings).toEqual({ 'Clean volume': '22', 'Gain, front left': '12.6 V' });
  expect(differencesOf(fields, base, merged).map(({ label, after }) => `${label}: ${after}`)).toEqual([
    'Fader, as set: not written down',
    'Clean volume, as set: 22',
    'Gain, front left, as set: 12.6 V',
  ]);
  expect(signatureForbids(base.baseline, merged.baseline, false)).toBeNull();
});
