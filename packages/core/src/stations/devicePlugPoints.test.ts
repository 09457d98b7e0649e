import { expect, test } from '@jest/globals';
import { type AmplifierPlan, type Bypass, type DevicePlug, devicePlugsSchema, devicePlugWords } from '../model';
import { devicePlugPoints } from './devicePlugPoints';

const BYPASS: Bypass = {
  ...{ kind: 'bypass', by: 'newRadio', leads: 'atPlug', leastOhm: null, power: null, sounds: 'heard', reason: '' },
};
const plug = (of: DevicePlug['of'], name: string, carries: DevicePlug['carries']): DevicePlug => ({
  ...{ of, name, carries, note: '', grade: 'seenHere' },
});
const idsOf = (amplifierPlan: AmplifierPlan, devicePlugs: DevicePlug[] | null) =>
  devicePlugPoints({ amplifierPlan, vehicle: { devicePlugs } }).map(({ id }) => id);

test('of what stays in its place nobody is asked', () => {
  expect(idsOf(null, null)).toEqual([]);
  expect(idsOf({ kind: 'keep', reason: '' }, null)).toEqual([]);
});

test('what is unplugged holds the work and the hand-over until each of its plugs is known', () => {
  const both = ['plugs of amplifier', 'plugs of amplifier at hand-over'];
  const added: Bypass = { ...BYPASS, by: 'addedAmplifier' };
  expect(idsOf(added, null)).toEqual(both);
  expect(idsOf(added, [plug('radio', 'grey', ['music'])])).toEqual(both);
  expect(idsOf(added, [plug('amplifier', 'black', [])])).toEqual(both);
  expect(idsOf(added, [plug('amplifier', 'black', ['music', 'warnings'])])).toEqual([]);
  // A new radio takes the old one's plugs too.
  expect(idsOf(BYPASS, [plug('amplifier', 'black', ['music'])])).toEqual([
    ...['plugs of radio', 'plugs of radio at hand-over'],
  ]);
  const [held] = devicePlugPoints({ amplifierPlan: BYPASS, vehicle: { devicePlugs: null } });
  expect(held).toMatchObject({ station: 'build', isHeld: true, settledAt: { kind: 'vehicle' } });
});

test('those that nobody knows are named', () => {
  const plugs = [
    plug('amplifier', 'black, 4 positions', []),
    plug('amplifier', 'blue', []),
    plug('amplifier', 'white', ['supply']),
  ];
  const [point] = devicePlugPoints({
    amplifierPlan: { ...BYPASS, by: 'addedAmplifier' },
    vehicle: { devicePlugs: plugs },
  });
  expect(point?.words).toBe(
    'Find out what “black, 4 positions” and “blue” of the maker’s separate amplifier carry before it is unplugged.',
  );
});

test('a plug is told in a line, and one that nobody knows as that', () => {
  expect(devicePlugWords(plug('radio', 'grey, 16 positions', ['music', 'remote']))).toBe(
    'The radio: grey, 16 positions; music, wake-up (remote)',
  );
  expect(devicePlugWords(plug('amplifier', 'black', []))).toBe(
    'The maker’s separate amplifier: black; nobody knows what it carries',
  );
  expect(devicePlugsSchema.safeParse([plug('radio', ' ', ['music'])]).error?.issues[0]?.message).toContain(
    'looks like',
  );
});
