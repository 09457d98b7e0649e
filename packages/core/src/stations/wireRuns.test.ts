/** What is to be run new on a car, from its records. */
import { expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import { type Channel, channelsSchema, type Route, routesSchema, SETTINGS_DEFAULTS, type Stowed } from '../model';
import { channelSheets } from './channelSheets';
import type { JointOpening } from './joints';
import { wireRuns } from './wireRuns';
import { wiringNeeds } from './wiringNeeds';

const CONFIDENCE = 0.975;
const SHOP = { ...SETTINGS_DEFAULTS, confidence: CONFIDENCE };
const PLAYS: Plays = {
  ...{ speakerKind: 'component woofer', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 80, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
};
const DOOR: JointOpening = {
  id: 'door',
  record: {
    ...{ place: 'frontDoorLow', side: 'left', name: '', presence: 'fitted', nominalSize: '6.5 in' },
    ...{ oldSpeaker: null, lineFilter: null, jointWay: null },
  },
  state: { kind: 'chosen', plays: PLAYS, open: [] } as unknown as OpeningState,
};
function channel(fields: Partial<Channel>): Channel {
  const whole = {
    ...{
      name: 'front left',
      places: ['Front door, left'],
      feeds: '',
      band: 'full',
      fedBy: 'addedAmplifier',
      leastOhm: 2,
    },
    ...{ power: { watt: 75, rating: 'RMS', atOhm: 4 }, wire: 'new', note: '', grade: 'seenHere', ...fields },
  };
  return (channelsSchema.parse([whole]) as Channel[])[0] as Channel;
}
const ways = (list: readonly Partial<Route>[]): Route[] =>
  routesSchema.parse(
    list.map((each) => ({ from: 'radio', to: '', through: '', lengthMm: null, note: '', grade: 'seenHere', ...each })),
  ) ?? [];
function runs(channels: readonly Channel[], routes: readonly Route[] | null, stowed: readonly Stowed[] = []) {
  const vehicle = { channels: [...channels], facts: {}, routes: routes && [...routes] };
  const found = channelSheets({ found: {}, amplifierPlan: null, crossovers: [], vehicle }, [DOOR], CONFIDENCE);
  if (found.kind !== 'known') throw new Error('expected channels');
  return wireRuns({ stowed: [...stowed], vehicle }, found.sheets, [DOOR]);
}
const TO_DOOR = { to: 'front door, left', lengthMm: 3000 };
const TO_SEAT = { from: 'Battery', to: 'under the left seat', lengthMm: 5000 };

test('a pair and a feed are told with their length, thickness, loss, current and fuse', () => {
  const right = channel({ name: 'front right', places: [], power: { watt: 225, rating: 'RMS', atOhm: 4 } });
  const [pair, feed] = runs([channel({}), right], ways([TO_DOOR, TO_SEAT]));
  expect(pair).toMatchObject({
    what: 'Front door, left',
    need: { what: '3.6 m of pair, 1.5 mm² (16 AWG)' },
    sentence: '3.6 m of 1.5 mm² (16 AWG): 3.0 m of way and slack. It takes 0.2 dB.',
    next: null,
  });
  expect(feed?.sentence).toBe(
    '300 W RMS take about 36 A at 12 V: 16 mm² (6 AWG) of copper from battery to under the left seat, 5.0 m, loses 0.44 V; a fuse of 40 A within 45 cm of the battery protects the cable.',
  );
  expect(feed?.next).toContain('sheet goes before');
});

test('what nobody measured or states is asked for, and is no need of nothing', () => {
  const [pair, feed] = runs([channel({ power: { watt: 400, rating: 'peak', atOhm: 4 } })], null);
  expect(pair).toMatchObject({ need: null, next: expect.stringContaining('ends at “Front door, left”') });
  expect(feed).toMatchObject({ need: null, sentence: expect.stringContaining('nobody says that of front left') });
  const [, unmeasured] = runs([channel({})], ways([TO_DOOR]));
  expect(unmeasured).toMatchObject({ need: null, next: expect.stringContaining('begins at “battery”') });
  const [, tooMuch] = runs([channel({ power: { watt: 4000, rating: 'RMS', atOhm: 4 } })], ways([TO_DOOR, TO_SEAT]));
  expect(tooMuch).toMatchObject({ need: null, sentence: expect.stringContaining('more than one cable carries') });
});

test('an amplifier that is in already has its feed looked at and nothing of it bought; of several ways nobody guesses which', () => {
  const [feed, ...more] = runs([channel({ wire: 'factory' })], ways([TO_DOOR, TO_SEAT]));
  expect(more).toEqual([]);
  expect(feed).toMatchObject({ need: null, next: expect.stringContaining('in the car already') });
  const [, several] = runs([channel({})], ways([TO_DOOR, TO_SEAT, { ...TO_SEAT, to: 'the boot' }]));
  expect(several).toMatchObject({
    need: null,
    sentence: expect.stringContaining('to under the left seat; to the boot'),
  });
  const box: Stowed = {
    name: 'amplifier',
    kind: 'amplifier',
    box: null,
    space: 'The boot',
    heldBy: '',
    rmsW: null,
    isLater: false,
  };
  const [, chosen] = runs([channel({})], ways([TO_DOOR, TO_SEAT, { ...TO_SEAT, to: 'the boot' }]), [box]);
  expect(chosen?.sentence).toContain('from battery to the boot');
});

test('what stays on the car’s own wire and on the radio needs none', () => {
  expect(runs([channel({ wire: 'factory', fedBy: 'radio' })], ways([TO_DOOR, TO_SEAT]))).toEqual([]);
});

test('for an opening that nothing is ordered for no pair is cut', () => {
  const vehicle = { channels: [channel({ fedBy: 'factoryAmplifier' })], facts: {}, routes: ways([TO_DOOR]) };
  const job = { found: {}, amplifierPlan: null, crossovers: [], stowed: [], vehicle };
  const needs = wiringNeeds(job, [DOOR], [DOOR], SHOP);
  expect(needs.map(({ what }) => what)).toEqual([
    '3.6 m of pair, 1.5 mm² (16 AWG)',
    // Behind the amplifier.
    '2 butt connectors, for the wires on both sides',
  ]);
  expect(wiringNeeds(job, [DOOR], [], SHOP)).toEqual([]);
  const added = { ...job, vehicle: { ...vehicle, channels: [channel({})], routes: ways([TO_DOOR, TO_SEAT]) } };
  expect(wiringNeeds(added, [DOOR], [DOOR], SHOP)).toHaveLength(2);
  expect(wiringNeeds(added, [DOOR], [], SHOP)).toEqual([]);
  expect(wiringNeeds({ ...job, vehicle: { ...vehicle, channels: null } }, [DOOR], [DOOR], SHOP)).toEqual([]);
});
