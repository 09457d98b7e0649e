/** Every part of the demo and of the starter goods goes through its form unchanged; what is wrong is refused at its field. */
import { describe, expect, test } from '@jest/globals';
import { FIGURE_SPECS, PART_KINDS, type PartRecord, partSchema } from '@low-quarry/core/catalogue';
import brackets from '../../../../../../demo/brackets.json' with { type: 'json' };
import adapters from '../../../../../../demo/harness-adapters.json' with { type: 'json' };
import smallParts from '../../../../../../demo/small-parts.json' with { type: 'json' };
import spacers from '../../../../../../demo/spacers.json' with { type: 'json' };
import speakers from '../../../../../../demo/speakers.json' with { type: 'json' };
import goods from '../../../../../../starter/goods.json' with { type: 'json' };
import { readFiguresSchema, toFiguresTyped } from './typedFigures';

const PARTS: readonly PartRecord[] = [speakers, brackets, spacers, adapters, smallParts, goods.parts].flatMap((parts) =>
  (parts as unknown[]).map((part) => partSchema.parse(part)),
);
const partOf = <Kind extends PartRecord['kind']>(kind: Kind) => PARTS.find((part) => part.kind === kind) as PartRecord;

test('there are parts of every kind', () => {
  expect(new Set(PARTS.map(({ kind }) => kind))).toEqual(new Set(PART_KINDS));
});

test.each(PART_KINDS)('every %s is read as it was written', (kind) => {
  for (const part of PARTS.filter((each) => each.kind === kind)) {
    const figures = readFiguresSchema(kind).parse(toFiguresTyped(part));
    expect(partSchema.parse({ ...part, ...figures })).toEqual(part);
  }
});

describe('what is typed wrong', () => {
  test.each([
    ['speaker', 'mountingDepthMm', 'deep', /“deep” was read\. A length such as/],
    ['speaker', 'bolts', 'four', /“four” was read\. Words such as “4 holes 5 on 156 mm/],
    ['speaker', 'otherRating', '60 W RMS', /“60 W RMS” was read\. Such as 180 W peak/],
    ['speaker', 'impedanceOhm', '4 farad', /A number such as 4 would do/],
    ['bracket', 'copies', 'hooks, magic', /“magic” was read\. hooks or tabs would do/],
    ['spacer', 'inner', '', /would do/],
    ['wire', 'areaMm2', 'thick', /A number such as 1.5 would do/],
    ['crossover', 'branches', 'tweeter: 3500', /“3500” was read\. Words such as “high-pass 3500 Hz, 12 dB”/],
    ['crossover', 'branches', 'tweeter: high-pass 3500 Hz, 10 dB', /The order is 1 to 4|6, 12, 18 or 24 dB/],
    ['crossover', 'levelsDb', '0, low', /“low” was read/],
    ['crossover', 'box', '112 × 74', /Its three sides with the height last/],
    ['amplifier', 'powers', '4 × loud', /“4 × loud” was read/],
    ['amplifier', 'inputs', 'light', /low level or high level or digital would do/],
    ['set', 'inBox', 'two woofers', /How many and of what/],
  ] as const)('%s, %s: %s', (kind, key, text, words) => {
    const typed = { ...toFiguresTyped(partOf(kind)), [key]: text };
    const found = readFiguresSchema(kind).safeParse(typed);
    expect(found.error?.issues).toMatchObject([{ path: [key], message: expect.stringMatching(words) }]);
  });
});

test('nothing typed is not known where it may be unknown', () => {
  const emptied = Object.fromEntries(
    FIGURE_SPECS.speaker.map(({ key, options }) => [key, options ? (options[0]?.[0] ?? '') : '']),
  );
  const typed = { ...emptied, roundingMm: '0.5' };
  expect(readFiguresSchema('speaker').parse(typed)).toMatchObject({
    basket: null,
    bolts: null,
    massG: null,
    profile: [],
    screws: [],
    terminals: null,
  });
});
