import { expect, test } from '@jest/globals';
import { type PartRecord, toFitCatalogue, toListedPart } from '@low-quarry/core/catalogue';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { Catalogue } from './Catalogue';
import { ListedParts } from './ListedParts';
import { toListedText } from './toListedText';

const PARTS = largeParts({ speakers: 7, brackets: 3, seed: 4 });
const kept = JSON.parse(JSON.stringify(toListedText(PARTS)));

test('every part as it is listed, in its order, by its id and speakers apart', () => {
  const listed = new ListedParts(kept);
  expect(listed.size).toBe(PARTS.length);
  expect(listed.all()).toEqual(PARTS.map(toListedPart));
  expect(listed.speakerIds).toEqual(PARTS.flatMap(({ kind, id }) => (kind === 'speaker' ? [id] : [])));
  for (const part of PARTS) expect(listed.get(part.id)).toEqual(toListedPart(part));
  expect(listed.get('of nobody')).toBeUndefined();
});

test('a speaker that lacks figures is listed, and is none of those that the engine counts', () => {
  const catalogue = new Catalogue();
  const [first, second, ...others] = PARTS as [PartRecord, PartRecord, ...PartRecord[]];
  for (const part of [{ ...first, magnetDiameterMm: null } as PartRecord, second, ...others])
    catalogue.parts.set(part.id, part);
  const listed = new ListedParts(toListedText(catalogue.inOrder()));
  expect(listed.lackingIds).toEqual([first.id]);
  expect(listed.speakerIds).toHaveLength(6);
  expect(listed.speakerIds).toEqual(toFitCatalogue(catalogue.inOrder()).speakers.map(({ id }) => id));
});

test('a part that was read is the same the next time', () => {
  const listed = new ListedParts(kept);
  const [first] = listed.speakerIds as [string];
  expect(listed.get(first)).toBe(listed.get(first));
  expect(listed.all()[0]).toBe(listed.get(first));
});

test('a name may have any sign in it', () => {
  const [first, ...others] = PARTS;
  const odd = { ...first, name: 'Line\none, \u2028 and "two"' } as (typeof PARTS)[number];
  expect(new ListedParts(toListedText([odd, ...others])).get(odd.id)?.name).toBe(odd.name);
});

test('of an empty catalogue there is nothing', () => {
  const listed = new ListedParts(toListedText([]));
  expect([listed.size, listed.all(), listed.speakerIds, listed.get('')]).toEqual([0, [], [], undefined]);
});

test('an id of two lines is refused before anything is kept', () => {
  const [first] = PARTS;
  expect(() => toListedText([{ ...first, id: 'a\nb' } as (typeof PARTS)[number]])).toThrow(
    'expected an id of one line, got "a\\nb"',
  );
});

test('what lost a line is no catalogue', () => {
  const { records } = kept;
  expect(() => new ListedParts({ ...kept, records: records.slice(records.indexOf('\n') + 1) })).toThrow('lines, got');
});
