import { expect, test } from '@jest/globals';
import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { comparedAddress, comparedRows } from './compared';

const [speaker] = largeParts({ speakers: 1, brackets: 1, seed: 3 }).filter(
  (part): part is SpeakerRecord => part.kind === 'speaker',
) as [SpeakerRecord];
const row = (parts: readonly SpeakerRecord[], key: string) => comparedRows(parts).find((each) => each.key === key);

test('a figure stands beside the first part’s with the difference, in either direction', () => {
  const parts = [60, 62.5, 55, 60].map((mountingDepthMm) => ({ ...speaker, mountingDepthMm }));
  expect(row(parts, 'mountingDepthMm')).toEqual({
    ...{ key: 'mountingDepthMm', label: 'Mounting depth, mm', differs: true },
    cells: [
      { words: '60', over: null },
      { words: '62.5', over: '+2.5' },
      { words: '55', over: '−5' },
      { words: '60', over: null },
    ],
  });
});

test('round outlines differ by their diameters, a round one and an oval by no one number', () => {
  const round = { ...speaker, basket: { kind: 'circle' as const, diameterMm: 142 } };
  const larger = { ...speaker, basket: { kind: 'circle' as const, diameterMm: 145 } };
  const oval = { ...speaker, basket: { kind: 'oval' as const, lengthMm: 218, widthMm: 152 } };
  expect(row([round, larger, oval], 'basket')?.cells).toEqual([
    { words: '142', over: null },
    { words: '145', over: '+3' },
    { words: '218 × 152', over: null },
  ]);
});

test('what nobody wrote down says so, and differs from what somebody did', () => {
  const parts = [speaker, { ...speaker, mountingDepthMm: null }];
  expect(row(parts, 'mountingDepthMm')).toMatchObject({
    differs: true,
    cells: [{}, { words: 'not stated', over: null }],
  });
  expect(row([{ ...speaker, screws: [] }], 'screws')?.cells).toEqual([{ words: 'none', over: null }]);
});

test('what is chosen is in its words, and what is the same does not differ', () => {
  expect(row([speaker, speaker], 'depthDatum')).toMatchObject({ differs: false });
  expect(row([{ ...speaker, depthDatum: 'top' }], 'depthDatum')?.cells[0]?.words).toBe('the top of the flange');
});

test('its address holds the parts in their order', () => {
  expect(comparedAddress(['b 1', 'a'])).toBe('/compare?part=b+1&part=a');
});

test('depths that count from different places are told by how far they reach behind the metal, and by no other difference', () => {
  const deep = { ...speaker, mountingDepthMm: 60, flangeThicknessMm: 5 };
  const parts = (['top', 'underside', 'notStated'] as const).map((depthDatum) => ({ ...deep, depthDatum }));
  expect(row(parts, 'mountingDepthMm')?.cells.map(({ over }) => over)).toEqual([null, null, null]);
  expect(row(parts, 'behind')).toMatchObject({
    label: 'Behind the metal, mm',
    cells: [
      { words: '55', over: null },
      { words: '60', over: '+5' },
      { words: '55 to 60', over: null },
    ],
  });
  const unknown = { ...deep, depthDatum: 'top' as const, flangeThicknessMm: null };
  expect(row([deep, unknown, { ...deep, depthDatum: 'underside' }], 'behind')?.cells[1]?.words).toBe('not stated');
  expect(row([deep, deep], 'behind')).toBeUndefined();
});
