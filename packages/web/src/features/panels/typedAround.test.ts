import { expect, test } from '@jest/globals';
import { type Around, readAroundSchema, toAroundTyped } from './typedAround';

const SPACE = {
  name: 'under the seat',
  lengthMm: 320,
  widthMm: null,
  heightMm: 70,
  note: '',
  grade: 'seenHere',
} as const;
const ROUTE = { from: 'battery', to: 'seat', through: '', lengthMm: 3200, note: '', grade: 'guessed' } as const;
const CHANNEL = { name: 'front left', feeds: 'door', band: null, fedBy: 'radio', note: '', grade: 'maker' } as const;

test.each<[string, Around]>([
  ['nobody looked', { spaces: null, routes: null, channels: null }],
  ['looked, and there is nothing', { spaces: [], routes: [], channels: [] }],
  ['what there is', { spaces: [SPACE], routes: [ROUTE], channels: [CHANNEL] }],
])('%s: it comes back as it was written down', (_name, around) => {
  expect(readAroundSchema.parse(toAroundTyped(around))).toEqual(around);
});

test('a slip is said at its field', () => {
  const typed = toAroundTyped({ spaces: [SPACE], routes: [ROUTE], channels: [CHANNEL] });
  const pathsOf = (value: typeof typed) =>
    readAroundSchema.safeParse(value).error?.issues.map(({ path }) => path.join('.'));
  expect(pathsOf({ ...typed, spaces: [{ ...SPACE, lengthMm: 'long', widthMm: '', heightMm: '' }] })).toEqual([
    'spaces.0.lengthMm',
  ]);
  expect(pathsOf({ ...typed, routes: [{ ...ROUTE, lengthMm: '', to: ' ' }] })).toEqual(['routes.0.to']);
  expect(pathsOf({ ...typed, channels: [{ ...CHANNEL, name: '' }] })).toEqual(['channels.0.name']);
});
