/** What a channel says of speakers before one is chosen: the same as of one that is, and what no choice changes said once. */
import { expect, test } from '@jest/globals';
import type { Plays } from '../contracts/jobs';
import { type Channel, channelsSchema } from '../model';
import { CHANNEL_CHECKS } from '../sound';
import { candidateChannel, channelMarks } from './candidateChannel';
import { type ChannelJob, channelSheets, type PlayingOpening } from './channelSheets';

const COAXIAL: Plays = {
  ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
};
const WOOFER: Plays = { ...COAXIAL, speakerKind: 'component woofer' };
const LOW: Plays = { ...COAXIAL, impedanceOhm: 2 };

function opening(place: 'frontDoorLow' | 'rearDoor', state: PlayingOpening['state']): PlayingOpening {
  const record = { place, side: 'left', name: '', presence: 'fitted', nominalSize: '6.5 in' } as const;
  return { id: place, record: { ...record, oldSpeaker: null, lineFilter: null }, state };
}
const FRONT = opening('frontDoorLow', { kind: 'nothingChosen' });
const OPENINGS = [FRONT, opening('rearDoor', { kind: 'chosen', plays: COAXIAL })];

function job(...channels: readonly Partial<Channel>[]): ChannelJob {
  const whole = (fields: Partial<Channel>, at: number) => ({
    ...{ name: `channel ${at}`, places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4 },
    ...{ power: { watt: 20, rating: 'RMS', atOhm: 4 }, note: '', grade: 'seenHere', ...fields },
  });
  const noted = channelsSchema.parse(channels.map(whole)) as Channel[];
  return { found: {}, amplifierPlan: null, crossovers: [], vehicle: { channels: noted, facts: {} } };
}
function checksOf(plays: Plays, ...channels: readonly Partial<Channel>[]) {
  const channel = candidateChannel(job(...channels), OPENINGS, FRONT.id, 0.975);
  if (channel.kind !== 'known') throw new Error(`expected a channel, got ${channel.kind}`);
  return channel.checksOf(plays);
}
const verdicts = (plays: Plays, ...channels: readonly Partial<Channel>[]) =>
  checksOf(plays, ...channels).map(({ id, verdict }) => `${id} ${verdict}`);

test('what nobody noted is no channel that clears', () => {
  const kindOf = (of: ReturnType<typeof job>) => candidateChannel(of, OPENINGS, FRONT.id, 0.975).kind;
  const unnoted = { ...job(), vehicle: { channels: null, facts: {} } };
  expect(kindOf(unnoted)).toBe('notLooked');
  expect(kindOf(job({ places: ['Rear door, left'] }))).toBe('unfed');
  expect(kindOf(job({}, {}))).toBe('twice');
  expect(kindOf(job({}))).toBe('known');
  expect(() => candidateChannel(job({}), OPENINGS, 'gone', 0.975)).toThrow(/expected an opening of the car, got gone/);
});

test('each speaker is judged as if it were chosen, with what else hangs on the channel', () => {
  expect(verdicts(COAXIAL, {})).toEqual(['load clears', 'band clears', 'power clears', 'wire clears']);
  expect(verdicts(LOW, {})[0]).toBe('load hits');
  expect(verdicts(COAXIAL, { band: 'bass' })[1]).toBe('band hold');
  expect(verdicts(WOOFER, { band: 'bass' })[1]).toBe('band clears');
  // Two of 4 Ω side by side are 2.
  expect(verdicts(COAXIAL, { places: ['Front door, left', 'Rear door, left'] })[0]).toBe('load hits');
  const chosen = [opening('frontDoorLow', { kind: 'chosen', plays: LOW }), ...OPENINGS.slice(1)];
  const sheets = channelSheets(job({}), chosen, 0.975);
  expect(sheets.kind === 'known' && sheets.sheets[0]?.checks).toEqual(checksOf(LOW, {}));
});

test('what is open whatever is chosen is no speaker’s doing; the gravest of its own is', () => {
  const marksOf = (all: readonly Plays[], channel: Partial<Channel>) =>
    channelMarks(all.map((plays) => checksOf(plays, channel)));
  const peak = { power: { watt: 50, rating: 'peak', atOhm: null } } as const;
  const alone = marksOf([COAXIAL, LOW, WOOFER], peak);
  expect(alone.always).toEqual({ load: 'clears', band: 'clears', power: 'measure', wire: 'clears' });
  expect([...alone.verdictAt]).toEqual([0, 3, 0]);
  expect(CHANNEL_CHECKS[alone.checkAt[1] ?? 9]).toBe('load');
  const bass = marksOf([COAXIAL, LOW, WOOFER], { ...peak, band: 'bass' });
  // A load that is not stood is graver than a tweeter that is silent.
  expect([...bass.verdictAt]).toEqual([2, 3, 0]);
  expect([...bass.checkAt].slice(0, 2).map((at) => CHANNEL_CHECKS[at])).toEqual(['band', 'load']);
  // Where no speaker does better, it is said once for all.
  expect(marksOf([COAXIAL], { band: 'bass' }).always.band).toBe('hold');
  expect([...marksOf([COAXIAL], { band: 'bass' }).verdictAt]).toEqual([0]);
  expect(channelMarks([]).always.load).toBe('clears');
});
