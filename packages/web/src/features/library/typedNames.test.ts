import { expect, test } from '@jest/globals';
import { readNamesSchema, toNamesTyped } from './typedNames';

const NAMES = {
  ...{ maker: 'Wrackline', name: 'Shoal 65', number: 'W-65', aliases: ['Shoal 6.5', 'WSH65'] },
  ...{ isDiscontinued: true, replacedBy: 'spk-2' },
};

test('what the shop has, typed and read again, is the same', () => {
  expect(readNamesSchema.parse(toNamesTyped(NAMES))).toEqual(NAMES);
  const plain = { ...NAMES, aliases: [], replacedBy: null };
  expect(readNamesSchema.parse(toNamesTyped(plain))).toEqual(plain);
});

test('other names come one a line; empty lines and what stands there twice are none', () => {
  const typed = { ...toNamesTyped(NAMES), aliases: ' Shoal 6.5 \n\nWSH65\nShoal 6.5' };
  expect(readNamesSchema.parse(typed).aliases).toEqual(['Shoal 6.5', 'WSH65']);
});

test('no maker, or a name that is none, is said at its field', () => {
  const typed = { ...toNamesTyped(NAMES), maker: ' ', aliases: 'x'.repeat(121) };
  expect(readNamesSchema.safeParse(typed).error?.issues.map(({ path, message }) => [path[0], message])).toEqual([
    ['maker', 'Type who makes it.'],
    ['aliases', '“xxxxxxxxxxxxxxxxxxxx…” was read. Type at most 120 characters a name.'],
  ]);
});
