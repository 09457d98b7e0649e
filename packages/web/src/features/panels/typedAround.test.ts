import { expect, test } from '@jest/globals';
import { type Around, aroundKeptSchema, readAroundSchema, toAroundTyped, toChannelTyped } from './typedAround';

const SPACE = {
  name: 'under the seat',
  lengthMm: 320,
  widthMm: null,
  heightMm: 70,
  note: '',
  grade: 'seenHere',
} as const;
const ROUTE = { from: 'battery', to: 'seat', through: '', lengthMm: 3200, note: '', grade: 'guessed' } as const;
const CHANNEL: NonNullable<Around['channels']>[number] = {
  name: 'front left',
  places: ['Front door, left'],
  feeds: 'door',
  joined: 'series',
  band: null,
  fedBy: 'radio',
  leastOhm: 4,
  power: { watt: 20, rating: 'peak', atOhm: null },
  wire: 'new',
  note: '',
  grade: 'maker',
};

const THERE: Around = {
  ...{ spaces: [SPACE], routes: [ROUTE], channels: [CHANNEL] },
  devicePlugs: [{ of: 'radio', name: 'grey, 16 positions', carries: ['music', 'camera'], note: '', grade: 'seenHere' }],
};

test.each<[string, Around]>([
  ['nobody looked', { spaces: null, routes: null, channels: null, devicePlugs: null }],
  ['looked, and there is nothing', { spaces: [], routes: [], channels: [], devicePlugs: [] }],
  ['what there is', THERE],
])('%s: it comes back as it was written down', (_name, around) => {
  expect(readAroundSchema.parse(toAroundTyped(around))).toEqual(around);
});

test('a slip is said at its field', () => {
  const typed = toAroundTyped(THERE);
  const pathsOf = (value: typeof typed) =>
    readAroundSchema.safeParse(value).error?.issues.map(({ path }) => path.join('.'));
  expect(pathsOf({ ...typed, spaces: [{ ...SPACE, lengthMm: 'long', widthMm: '', heightMm: '' }] })).toEqual([
    'spaces.0.lengthMm',
  ]);
  expect(pathsOf({ ...typed, routes: [{ ...ROUTE, lengthMm: '', to: ' ' }] })).toEqual(['routes.0.to']);
  const plugs = typed.devicePlugs.map((each) => ({ ...each, name: ' ' }));
  expect(pathsOf({ ...typed, devicePlugs: plugs })).toEqual(['devicePlugs.0.name']);
  const channel = toChannelTyped(CHANNEL);
  const slips = (fields: Partial<typeof channel>) => pathsOf({ ...typed, channels: [{ ...channel, ...fields }] });
  expect(slips({ name: '' })).toEqual(['channels.0.name']);
  expect(slips({ leastOhm: 'four' })).toEqual(['channels.0.leastOhm']);
  expect(slips({ leastOhm: '0' })).toEqual(['channels.0.leastOhm']);
  expect(slips({ watt: '20 V' })).toEqual(['channels.0.watt']);
  expect(slips({ watt: '', atOhm: '4' })).toEqual(['channels.0.watt']);
  expect(slips({ watt: '0' })).toEqual(['channels.0.power.watt']);
  expect(slips({ watt: '22,5 W', atOhm: '4 Ω', leastOhm: '2.5 ohm' })).toBeUndefined();
});

test('a draft of an earlier page, which asked for no plugs, is read', () => {
  const { devicePlugs: _plugs, isDevicePlugsLooked: _looked, ...earlier } = toAroundTyped(THERE);
  expect(aroundKeptSchema.parse(earlier)).toEqual({ ...earlier, devicePlugs: [], isDevicePlugsLooked: false });
});
