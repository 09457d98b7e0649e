/** Parts typed by hand: begun empty or like another, read into as many as have a name, refused at their fields. */
import { describe, expect, test } from '@jest/globals';
import { type ListedPart, PART_KINDS, type PartRecord, partSchema, toListedPart } from '@low-quarry/core/catalogue';
import smallParts from '../../../../../../demo/small-parts.json' with { type: 'json' };
import speakers from '../../../../../../demo/speakers.json' with { type: 'json' };
import { beginParts, readPartsSchema } from './typedParts';

const read = (part: unknown): PartRecord => partSchema.parse(part);
const [SHOAL, ...SPEAKERS] = (speakers as unknown[]).map(read) as [PartRecord, ...PartRecord[]];
const NONE = new Map<string, ListedPart>();
const issuesOf = (found: { readonly error?: { readonly issues: readonly object[] } | undefined }) =>
  found.error?.issues.map((issue) => issue as { path: PropertyKey[]; message: string }) ?? [];

test.each([SHOAL, ...SPEAKERS.slice(0, 5), ...(smallParts as unknown[]).map(read)])(
  'one like $name has all of it but what is its own',
  (like) => {
    const typed = { ...beginParts(like.kind, like), names: 'Another; 77-12' };
    const { parts } = readPartsSchema(like.kind, like, NONE).parse(typed);
    expect(parts).toEqual([
      partSchema.parse({
        ...like,
        ...{ id: parts[0]?.id, name: 'Another', number: '77-12', aliases: [], offers: [], claims: [] },
        ...{ isDiscontinued: false, replacedBy: null },
        ...(like.kind === 'speaker' ? { doubts: [], listed: null } : {}),
      }),
    ]);
  },
);

test('several that share their figures, each with an id that no other part has', () => {
  const known = new Map([[SHOAL.id, toListedPart(SHOAL)]]);
  const typed = { ...beginParts('speaker', SHOAL), names: 'Shoal 65\n Shoal 65 ; 12\n\nShoal ½' };
  const { parts } = readPartsSchema('speaker', SHOAL, known).parse(typed);
  expect(parts.map(({ id, name, number }) => [id, name, number])).toEqual([
    ['spk-wrackline-shoal-65-2', 'Shoal 65', ''],
    ['spk-wrackline-shoal-65-3', 'Shoal 65', '12'],
    ['spk-wrackline-shoal-5', 'Shoal ½', ''],
  ]);
});

describe('begun empty', () => {
  test.each(PART_KINDS)(
    '%s: nothing is made of nothing, and each thing that is missing is said at a field that there is',
    (kind) => {
      const begun = beginParts(kind, null);
      const issues = issuesOf(readPartsSchema(kind, null, NONE).safeParse(begun));
      expect(issues.map(({ path }) => path[0])).toEqual(expect.arrayContaining(['maker', 'names']));
      for (const { path, message } of issues) {
        expect(Object.keys(begun)).toContain(path[0]);
        expect(message).not.toBe('');
      }
    },
  );

  test('a fuse by its type and its current', () => {
    const typed = { ...beginParts('fuse', null), maker: 'Generic', names: 'Blade 25 A', type: 'blade', ampere: '25' };
    expect(readPartsSchema('fuse', null, NONE).parse(typed).parts).toMatchObject([
      { kind: 'fuse', id: 'fuse-generic-blade-25-a', type: 'blade', ampere: 25, inBox: null },
    ]);
  });

  test('a figure that no part can have is refused at its field', () => {
    const typed = { ...beginParts('fuse', null), maker: 'Generic', names: 'Blade', type: 'blade', ampere: '-5' };
    expect(issuesOf(readPartsSchema('fuse', null, NONE).safeParse(typed)).map(({ path }) => path)).toEqual([
      ['ampere'],
    ]);
  });

  test('more names than may come at once', () => {
    const names = Array.from({ length: 51 }, (_, at) => `Blade ${at}`).join('\n');
    const typed = { ...beginParts('fuse', null), maker: 'Generic', names, type: 'blade', ampere: '5' };
    expect(issuesOf(readPartsSchema('fuse', null, NONE).safeParse(typed))).toMatchObject([
      { path: ['names'], message: '51 lines were read. Type at most 50.' },
    ]);
  });
});
