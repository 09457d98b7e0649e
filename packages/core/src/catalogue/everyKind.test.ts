/** One part of every kind at the least, of the demo and of the starter goods: what it is in words, and what a maker's figures must agree with. */
import { expect, test } from '@jest/globals';
import brackets from '../../../../demo/brackets.json' with { type: 'json' };
import adapters from '../../../../demo/harness-adapters.json' with { type: 'json' };
import smallParts from '../../../../demo/small-parts.json' with { type: 'json' };
import spacers from '../../../../demo/spacers.json' with { type: 'json' };
import speakers from '../../../../demo/speakers.json' with { type: 'json' };
import goods from '../../../../starter/goods.json' with { type: 'json' };
import { PART_KINDS, partKindWord } from './kindNames';
import { type PartRecord, partSays, partSchema } from './partKinds';

const PARTS: readonly PartRecord[] = [speakers, brackets, spacers, adapters, smallParts, goods.parts].flatMap((parts) =>
  (parts as unknown[]).map((part) => partSchema.parse(part)),
);

test.each(PART_KINDS)('%s: says what it is, without a word of the record’s own', (kind) => {
  const parts = PARTS.filter((part) => part.kind === kind);
  expect(parts.length).toBeGreaterThan(0);
  for (const part of parts) {
    const says = partSays(part);
    expect(says).toMatch(/\w/);
    expect(says).not.toMatch(/null|undefined|NaN|\[object|[a-z]{3}[A-Z]|notStated/);
    expect(partKindWord(part.kind)).not.toBe('');
  }
});

test('what a set and a box are said to hold is there', () => {
  const ids = new Set(PARTS.map(({ id }) => id));
  const named = PARTS.flatMap(({ inBox }) => inBox ?? []).flatMap(({ partId }) => partId ?? []);
  expect(named.length).toBeGreaterThan(20);
  expect(named.filter((id) => !ids.has(id))).toEqual([]);
});

test('a first-order bass blocker has the capacitor that makes its corner, to the nearest value that is made', () => {
  // C = 1 / (2π f R); E12 (IEC 60063) is at most a tenth off.
  const blockers = PARTS.filter((part) => part.kind === 'bassBlocker');
  for (const { filter, atOhm, microfarad } of blockers) {
    const asked = 1e6 / (2 * Math.PI * (filter.highPass?.hz ?? 0) * atOhm);
    expect(Math.abs((microfarad ?? 0) / asked - 1)).toBeLessThan(0.1);
  }
  expect(blockers.length).toBeGreaterThan(1);
});
