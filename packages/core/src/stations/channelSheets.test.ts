/** What hangs on the channels of a car, from its records. */
import { expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import { type Channel, channelsSchema, OLD_SPEAKER_NOT_TESTED, type OpeningRecord } from '../model';
import { channelPoints } from './channelPoints';
import { type ChannelOpening, channelSheets } from './channelSheets';
import type { PointJob, PointOpening } from './point';
import { wireHolds } from './wireHolds';

const CONFIDENCE = 0.975;
const PLAYS: Plays = {
  ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
};
const chosen = (plays: Plays | null = PLAYS) => ({ kind: 'chosen', plays, open: [] }) as unknown as OpeningState;
const NOTHING: OpeningState = { kind: 'nothingChosen', known: 0, takenHere: 0 };

function opening(
  place: OpeningRecord['place'],
  state: OpeningState,
  fields: Partial<ChannelOpening['record']> = {},
): ChannelOpening {
  const fitted = {
    side: 'left',
    name: '',
    presence: 'fitted',
    nominalSize: '6.5 in',
    oldSpeaker: null,
    lineFilter: null,
  } as const;
  const record = { place, ...fitted, ...fields };
  return { id: `${place} ${record.side}`, record, state };
}
function channel(fields: Partial<Channel>): Channel {
  const whole = {
    ...{ name: 'front left', places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4 },
    ...{ power: { watt: 20, rating: 'RMS', atOhm: 4 }, note: '', grade: 'seenHere', ...fields },
  };
  return (channelsSchema.parse([whole]) as Channel[])[0] as Channel;
}
const car = (channels: Channel[] | null, boot?: string) => ({
  found: boot ? { boot: { answer: boot, grade: 'seenHere' as const, note: '', by: null, at: null } } : {},
  amplifierPlan: null,
  crossovers: [],
  stowed: [],
  vehicle: { channels, facts: {}, spaces: null },
});
function known(channels: readonly Channel[], openings: readonly ChannelOpening[]) {
  const found = channelSheets(car([...channels]), openings, CONFIDENCE);
  if (found.kind !== 'known') throw new Error('expected channels');
  return found;
}
const verdicts = (channels: readonly Channel[], openings: readonly ChannelOpening[]) =>
  known(channels, openings).sheets.map(({ checks }) => checks.map(({ id, verdict }) => `${id} ${verdict}`));

const DOOR = opening('frontDoorLow', chosen());
const SAIL = opening('sailPanel', NOTHING, { nominalSize: '1 in' });

test('nobody looked is not “no channels”', () => {
  expect(channelSheets(car(null), [DOOR], CONFIDENCE)).toEqual({ kind: 'notLooked' });
  expect(known([], [DOOR]).unfed).toEqual([DOOR]);
});

test('a coaxial on a radio that stands it clears by load, band and power', () => {
  expect(verdicts([channel({})], [DOOR])).toEqual([['load clears', 'band clears', 'power clears', 'wire clears']]);
});

test('what this job puts into the line of a tweeter counts, for a new one and for one that stays', () => {
  const lineFilter = { highPass: { capacitorUf: 4.7, coilMh: null }, lowPass: null, pad: null, where: 'tied up' };
  const bare = { ...PLAYS, speakerKind: 'tweeter' as const };
  const places = ['Sail panel, left'];
  const bandOf = (state: OpeningState, fields: Partial<ChannelOpening['record']>) =>
    known(
      [channel({ places })],
      [opening('sailPanel', state, { nominalSize: '1 in', ...fields })],
    ).sheets[0]?.checks.find(({ id }) => id === 'band')?.verdict;
  expect(bandOf(chosen(bare), {})).toBe('hold');
  expect(bandOf(chosen(bare), { lineFilter })).toBe('clears');
  const oldSpeaker = { ...OLD_SPEAKER_NOT_TESTED, capacitor: 'no' as const };
  expect(bandOf(NOTHING, { oldSpeaker })).toBe('hold');
  expect(bandOf(NOTHING, { oldSpeaker, lineFilter })).toBe('clears');
});

test('beside it an old tweeter of which nobody knows the coil or its capacitor leaves the load open, and doubles the treble', () => {
  const places = ['Front door, left', 'Sail panel, left'];
  const [first] = known([channel({ places })], [DOOR, SAIL]).sheets;
  expect(first?.checks.map(({ id, verdict }) => `${id} ${verdict}`)).toEqual([
    'load measure',
    'band measure',
    'power clears',
    'wire clears',
  ]);
  expect(first?.checks[1]?.sentence).toContain('the treble comes twice');
  const oldSpeaker = { ...OLD_SPEAKER_NOT_TESTED, nominalOhm: 4, capacitor: 'yes' as const };
  const read = opening('sailPanel', NOTHING, { nominalSize: '1 in', oldSpeaker });
  expect(verdicts([channel({ places })], [DOOR, read])).toEqual([
    ['load measure', 'band measure', 'power clears', 'wire clears'],
  ]);
  // Nobody read the capacitor: of 10 µF it lets the tweeter load the channel from lower down than of 3.3.
  const [sheet] = known([channel({ places, leastOhm: 3 })], [DOOR, read]).sheets;
  expect(sheet?.checks[0]).toMatchObject({
    verdict: 'measure',
    settledBy: expect.stringMatching(/printed on the capacitor/),
  });
  expect(verdicts([channel({ places, leastOhm: 2 })], [DOOR, read])[0]?.[0]).toBe('load clears');
});

test('a coil that the meter read stands for an old speaker', () => {
  const oldSpeaker = {
    ...OLD_SPEAKER_NOT_TESTED,
    nominalOhm: 4,
    readings: [{ kind: 'ohm' as const, ohm: 3.4 }],
    capacitor: 'no' as const,
  };
  const [sheet] = known([channel({})], [opening('frontDoorLow', NOTHING, { oldSpeaker })]).sheets;
  expect(sheet?.channel.loads[0]?.electrics).toMatchObject({ nominalOhm: 4, coilOhm: 3.4 });
  expect(sheet?.newOpeningIds).toEqual([]);
});

test('an empty place loads nothing, one that nobody looked at may', () => {
  const loads = (presence: OpeningRecord['presence']) =>
    known([channel({})], [opening('frontDoorLow', NOTHING, { presence })]).sheets[0]?.channel.loads.length;
  expect([loads('empty'), loads('notThere'), loads('notLooked')]).toEqual([0, 0, 1]);
});

test('a place on two channels, a place that is none, and a new speaker on none are told', () => {
  const found = known(
    [channel({}), channel({ name: 'other', places: ['Front door, left', 'Roof'] })],
    [DOOR, opening('rearDoor', chosen())],
  );
  expect(found.twice).toEqual(['Front door, left']);
  expect(found.sheets[1]?.unknownPlaces).toEqual(['Roof']);
  expect(found.unfed.map(({ id }) => id)).toEqual(['rearDoor left']);
});

test('whatever else is said to hang on it keeps its load from being clear: a place that is none, words, a choice that cannot be judged', () => {
  const load = (fields: Partial<Channel>, openings: readonly ChannelOpening[] = [DOOR]) =>
    verdicts([channel(fields)], openings)[0]?.[0];
  expect(load({ feeds: 'a tweeter behind the grille' })).toBe('load measure');
  expect(load({ places: ['Front door, left', 'Roof'] })).toBe('load measure');
  const broken: OpeningState = { kind: 'cannotJudge', parts: '', sentence: '' };
  expect(load({}, [opening('frontDoorLow', broken)])).toBe('load measure');
});

test('new wire to a door stops at a boot with a connector in it, as it was found on this car', () => {
  const wire = (boot?: string) => {
    const found = channelSheets(car([channel({ fedBy: 'addedAmplifier', wire: 'new' })], boot), [DOOR], CONFIDENCE);
    return found.kind === 'known' ? found.sheets[0]?.checks[3]?.verdict : null;
  };
  expect([wire('open'), wire('connector'), wire()]).toEqual(['clears', 'hold', 'measure']);
});

test('nothing is ordered for a new speaker that its channel does not feed or stand, and for the others it is', () => {
  const holds = (fields: Partial<Channel>) => [...wireHolds(car([channel(fields)]), [DOOR, SAIL], CONFIDENCE)];
  expect(holds({})).toEqual([]);
  expect(holds({ band: null, power: null, leastOhm: null })).toEqual([]);
  expect(holds({ band: 'bass' })).toEqual([
    ['frontDoorLow left', expect.stringMatching(/^Channel front left: The channel sends bass only.* A woofer instead/)],
  ]);
  expect(holds({ leastOhm: 8 })).toEqual([['frontDoorLow left', expect.stringMatching(/speaker of more ohms/)]]);
});

test('nothing is ordered for a speaker of which nobody noted what feeds it, or two of what does', () => {
  const holds = (channels: Channel[] | null) => [...wireHolds(car(channels), [DOOR, SAIL], CONFIDENCE)];
  const points = (channels: Channel[] | null, openings: readonly ChannelOpening[] = [DOOR]) =>
    channelPoints(car(channels) as unknown as PointJob, openings as readonly PointOpening[], CONFIDENCE);
  expect(holds(null)).toEqual([['frontDoorLow left', expect.stringMatching(/^Nobody noted this car’s channels/)]]);
  expect(points(null)).toMatchObject([
    { id: 'channels', station: 'wire', isHeld: true, settledAt: { kind: 'vehicle' } },
  ]);
  // Where everything stays as it was nobody is asked.
  expect(points(null, [SAIL])).toEqual([]);
  expect(holds([])).toEqual([['frontDoorLow left', expect.stringMatching(/^No channel is noted that feeds it/)]]);
  expect(holds([channel({}), channel({ name: 'other' })])).toEqual([
    ['frontDoorLow left', expect.stringMatching(/^It stands on two channels/)],
  ]);
});

test('what an earlier program answered without what plays is not known, and not judged', () => {
  expect(verdicts([channel({})], [opening('frontDoorLow', chosen(null))])[0]?.[0]).toBe('load measure');
});
