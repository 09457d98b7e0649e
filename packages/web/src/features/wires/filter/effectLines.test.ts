import { expect, test } from '@jest/globals';
import type { FilterEffect, LineFilter } from '@low-quarry/core/sound';
import { effectLines } from './effectLines';

const FILTER: LineFilter = {
  highPass: { capacitorUf: 4.7, coilMh: null },
  lowPass: null,
  pad: { seriesOhm: 2, parallelOhm: 3.9 },
};
const EFFECT: FilterEffect = {
  highPassHz: { likely: 6973, lower: 5612, upper: 8391 },
  lowPassHz: null,
  levelDb: { likely: -6.04, lower: -6.6, upper: -5.6 },
  heatRatios: [
    { name: 'seriesOhm', ratio: 0.5 },
    { name: 'parallelOhm', ratio: 0.25 },
  ],
};

test('a corner is told with its doubt beside what its nominal value promises, and what each part has to stand', () => {
  expect(effectLines(FILTER, EFFECT, 4, 50)).toEqual([
    'Passes from 7 kHz (5.6 kHz to 8.4 kHz), where half of the power is gone. By 4 Ω alone it would be 8.5 kHz.',
    'Where it passes: −6.0 dB (−6.6 to −5.6) against nothing in the line.',
    'At 50 W RMS the 2 Ω in the line turns 25 W into heat.',
    'At 50 W RMS the 3.9 Ω across turns 13 W into heat.',
    'Its capacitor: for both directions, 20 V or more.',
  ]);
});

test('a corner that may leave what can be heard says on which side', () => {
  const highPassHz = { likely: 18_000, lower: 12_000, upper: Number.POSITIVE_INFINITY };
  expect(effectLines(FILTER, { ...EFFECT, highPassHz }, 4, 50)[0]).toContain('18 kHz (12 kHz to above 20 kHz)');
});

test('what follows from a power that nobody says is not told as a figure', () => {
  const lines = effectLines(FILTER, { ...EFFECT, highPassHz: null }, null, null);
  expect(lines[0]).toBe('Passes from: at no frequency that can be heard is half of the power gone.');
  expect(lines.at(-1)).toBe('How hot its resistors get follows from the RMS power, and nobody says that.');
  expect(lines.join()).not.toContain('capacitor');
});
