/** What of a channel is heard, from a car's records, and what is said of what nobody knows. */
import { expect, test } from '@jest/globals';
import type { Plays } from '../contracts/jobs';
import { type Channel, channelsSchema, OLD_SPEAKER_NOT_TESTED, POLARITY_NOT_KNOWN } from '../model';
import { channelResponse } from '../sound';
import { channelSheets, type PlayingOpening } from './channelSheets';
import { type HeardOpening, type HeardSheet, heardSheet } from './heardSheet';

const PLAYS: Plays = {
  ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 40, sensitivityDb: 92, sensitivityAt: '2.83 V', filter: null },
};
const chosen = (plays: Partial<Plays> = {}): Heard['state'] => ({ kind: 'chosen', plays: { ...PLAYS, ...plays } });
const NOTHING: Heard['state'] = { kind: 'nothingChosen' };
const READ = { ...OLD_SPEAKER_NOT_TESTED, nominalOhm: 4 };

type Heard = PlayingOpening & HeardOpening;
type Fields = Partial<Heard['record']>;

function opening(place: 'frontDoorLow' | 'rearDoor', state: Heard['state'], fields: Fields = {}): Heard {
  const record: Heard['record'] = {
    ...({ place, side: 'left', name: '', presence: 'fitted', nominalSize: '6.5 in', lineFilter: null } as const),
    ...{ oldSpeaker: READ, polarity: POLARITY_NOT_KNOWN },
  };
  return { id: place, record: { ...record, ...fields }, state };
}
const FRONT = opening('frontDoorLow', chosen());
const REAR = opening('rearDoor', NOTHING);

function heardOf(openings: readonly Heard[], fields: Partial<Channel> = {}, keysProve = false): HeardSheet {
  const whole = {
    ...{ name: 'left', places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4 },
    ...{ power: null, note: '', grade: 'seenHere', ...fields },
  };
  const vehicle = { channels: channelsSchema.parse([whole]) as Channel[], facts: {} };
  const channels = channelSheets({ found: {}, amplifierPlan: null, crossovers: [], vehicle }, openings, 0.975);
  if (channels.kind !== 'known') throw new Error('expected channels');
  const [sheet] = channels.sheets;
  if (!sheet) throw new Error('expected a channel');
  return heardSheet(sheet, openings, keysProve);
}

test('the speaker that goes in stands against the one that was there, as its channel was', () => {
  const { now, before, responseWants, seatWants, taken } = heardOf([FRONT]);
  expect(now.loads.map(({ load: { kind, isNew } }) => [kind, isNew])).toEqual([['coaxial', true]]);
  expect(before?.loads.map(({ load: { kind, isNew } }) => [kind, isNew])).toEqual([['full range', false]]);
  expect([responseWants, seatWants]).toEqual([null, null]);
  expect(taken).toEqual([
    'What was in Front door, left is taken to be as loud as factory speakers usually are, 86 to 92 dB at 2.83 V.',
  ]);
  expect(channelResponse(now, before, 40)?.change).toHaveLength(3);
});

test('what nobody read of the old one, and what nobody looked at, is told and not taken for known', () => {
  const unread = heardOf([opening('frontDoorLow', chosen(), { oldSpeaker: null })]);
  expect(unread.taken.at(-1)).toBe('Nobody read the ohms of what was in Front door, left: 3 to 8 Ω are taken.');
  expect(channelResponse(unread.now, unread.before, 40)?.before).not.toBeNull();
  const unlooked = heardOf([opening('frontDoorLow', chosen(), { presence: 'notLooked' })]);
  expect(unlooked.before).toBeNull();
  expect(unlooked.taken).toEqual([
    'What was in Front door, left nobody looked: it is not compared with what was there.',
  ]);
  const blank = heardOf([opening('frontDoorLow', chosen(), { presence: 'blank' })]);
  expect(blank.before).toBeNull();
  expect(blank.taken).toEqual(['No speaker was on it before: there is nothing to compare with.']);
});

test('what would tell it is named: ohms for the response, sensitivity for the seat', () => {
  expect(heardOf([opening('frontDoorLow', NOTHING, { oldSpeaker: null })]).responseWants).toBe(
    'The ohms of what is in Front door, left are not known: read its coil with the meter, unplugged, or what is printed on its back.',
  );
  const unrated = heardOf([opening('frontDoorLow', chosen({ sensitivityDb: null }))]);
  expect(unrated.seatWants).toBe(
    'Nobody says how sensitive Front door, left is: look for its sensitivity in dB, and whether at 1 W or at 2.83 V.',
  );
  expect(channelResponse(unrated.now, unrated.before, 40)?.seat).toBeNull();
  // A factory speaker that stays is as loud as factory speakers are.
  expect(heardOf([opening('frontDoorLow', NOTHING)]).seatWants).toBeNull();
});

test('of two on one channel polarity counts, and only a test settles it', () => {
  const places = ['Front door, left', 'Rear door, left'];
  const by = (each: 'keyedAdapter' | 'cell') => ({ polarity: { by: each, positive: 'pin 1', source: '' } });
  const keyed = [opening('frontDoorLow', chosen(), by('keyedAdapter')), opening('rearDoor', NOTHING, by('cell'))];
  const said = (keysProve: boolean) =>
    heardOf(keyed, { places }, keysProve).taken.filter((each) => each.startsWith('Which wire'));
  expect(said(true)).toEqual([]);
  expect(said(false)).toEqual([
    'Which wire is positive is not tested at Front door, left: either is taken, and one that is reversed takes away where both play.',
  ]);
  expect(heardOf(keyed, { places }).now.loads.map(({ isPolarityTested }) => isPolarityTested)).toEqual([false, true]);
  expect(heardOf([FRONT, REAR]).now.loads).toHaveLength(1);
});

test('a channel that nobody listened to is taken to carry everything, and that is said', () => {
  expect(heardOf([FRONT], { band: null }).taken[0]).toBe(
    'Nobody looked what the channel carries: everything is taken.',
  );
  const bass = heardOf([FRONT], { band: 'bass' });
  expect([bass.now.band, bass.before?.band]).toEqual(['bass', 'bass']);
  expect(bass.taken[0]).toBe('The channel carries bass only: where it ends is as likely in one octave as in another.');
});
