import { expect, test } from '@jest/globals';
import { EMPTY_HAND, type HandForm, toHandSpeaker } from './handSpeaker';

const form = (changes: Partial<HandForm> = {}): HandForm => ({
  ...EMPTY_HAND,
  cutoutMm: '5"',
  mountingDepthMm: '62',
  magnetMm: '9 cm',
  boltCircleMm: '156',
  ...changes,
});

test('figures in any unit become a speaker', () => {
  const read = toHandSpeaker(form(), 'mm');
  if (!read.ok) throw new Error('expected a speaker');
  expect(read.value).toMatchObject({
    basket: { kind: 'circle', diameterMm: 127 },
    mountingDepthMm: 62,
    magnetDiameterMm: 90,
    bolts: { shape: { kind: 'circle', count: 4, diameterMm: 156 } },
  });
});

test.each<[Partial<HandForm>, RegExp]>([
  [{ mountingDepthMm: '' }, /^Mounting depth: Nothing was typed/],
  [{ mountingDepthMm: 'deep' }, /^Mounting depth: "deep"/],
  [{ mountingDepthMm: '900' }, /"900" was read; expected up to 400 mm/],
  [{ boltCircleMm: '-3' }, /^Bolt circle/],
])('%j is answered at its field', (changes, says) => {
  const read = toHandSpeaker(form(changes), 'mm');
  if (read.ok) throw new Error('expected a failure');
  expect(Object.values(read.failure).join(' ')).toMatch(says);
});
