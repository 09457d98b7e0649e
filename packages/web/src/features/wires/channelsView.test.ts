import { expect, test } from '@jest/globals';
import type { ChannelLoad } from '@low-quarry/core/sound';
import type { ChannelSheet } from '@low-quarry/core/stations';
import { loadWords, sourceLines, takenOffWords } from './channelsView';
import { ohmMarginWords } from './ohmMargin';

const LOAD: ChannelLoad = {
  label: 'Front door, left',
  kind: 'coaxial',
  electrics: { nominalOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  before: { kind: 'nothing' },
  line: null,
  crossover: null,
  isNew: true,
  isInDoor: true,
  rmsW: 40,
  sensitivity: { db: 90, at: '1 W' },
};

test('a load says what it is, whether it is new, what is before it and how loud it is at one voltage', () => {
  expect(loadWords(LOAD)).toBe('Coaxial, 4 Ω, new; 93.0 ± 1.2 dB at 2.83 V, 1 m');
  const unread = { ...LOAD.electrics, nominalOhm: null };
  expect(loadWords({ ...LOAD, kind: 'tweeter', isNew: false, electrics: unread, before: { kind: 'notLooked' } })).toBe(
    'Tweeter, ohms not known, stays; nobody looked for a capacitor',
  );
  expect(loadWords({ ...LOAD, kind: 'full range', isNew: false, sensitivity: null })).toBe('Old speaker, 4 Ω, stays');
  expect(loadWords({ ...LOAD, kind: null, electrics: { ...unread, coilOhm: 3.42 }, sensitivity: null })).toBe(
    'Nobody knows what it is, coil 3.4 Ω, new',
  );
});

test('a crossover before it, and what was taken off a channel for one, are told', () => {
  const crossover = { name: 'left', isOfSet: true, to: 'woofer', filter: null } as const;
  expect(loadWords({ ...LOAD, crossover, sensitivity: null })).toBe('Coaxial, 4 Ω, new, by a crossover');
  const sheet = (takenOff: readonly string[]) => ({ takenOff }) as ChannelSheet;
  expect(takenOffWords(sheet([]))).toBe('');
  expect(takenOffWords(sheet(['Sail panel, left']))).toContain('Taken off it for a crossover: Sail panel, left.');
});

test('what is left is told down and its doubt up', () => {
  expect(ohmMarginWords({ ohm: 0.379, expandedOhm: 0.341 })).toBe('+0.37 ± 0.35 Ω');
  expect(ohmMarginWords({ ohm: -1.411, expandedOhm: 0.2 })).toBe('−1.42 ± 0.20 Ω');
});

test('what nobody knows of a source is said', () => {
  const record = { fedBy: null, power: null, leastOhm: null, band: null } as unknown as ChannelSheet['record'];
  expect(sourceLines({ record } as ChannelSheet)).toEqual([
    'Nobody looked what feeds it',
    'power not known',
    'least load not known',
    'band not looked at',
  ]);
});
