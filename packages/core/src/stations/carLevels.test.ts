/** How loud a car's speakers are to each other, from its records. */
import { expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import { type Channel, channelsSchema, type OpeningRecord } from '../model';
import { levelLines } from './carLevels';
import { type ChannelOpening, channelSheets } from './channelSheets';

const CONFIDENCE = 0.975;
const plays = (fields: Partial<Plays>): OpeningState =>
  ({
    kind: 'chosen',
    plays: {
      ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
      ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '2.83 V', filter: null, ...fields },
    },
  }) as unknown as OpeningState;
const STAYS: OpeningState = { kind: 'nothingChosen', known: 0, takenHere: 0 };

function opening(place: OpeningRecord['place'], state: OpeningState, fields: object = {}): ChannelOpening {
  const record = {
    place,
    side: 'left',
    name: '',
    presence: 'fitted',
    nominalSize: '6.5 in',
    oldSpeaker: null,
    lineFilter: null,
  };
  return { id: place, record: { ...record, ...fields } as ChannelOpening['record'], state };
}
function channel(places: readonly string[], fields: Partial<Channel> = {}): Channel {
  const whole = {
    name: places.join(),
    places,
    feeds: '',
    band: 'full',
    fedBy: 'radio',
    note: '',
    grade: 'seenHere',
    ...fields,
  };
  return (channelsSchema.parse([whole]) as Channel[])[0] as Channel;
}
function lines(channels: readonly Channel[], openings: readonly ChannelOpening[]) {
  const found = channelSheets(
    { found: {}, amplifierPlan: null, crossovers: [], vehicle: { channels: [...channels], facts: {} } },
    openings,
    CONFIDENCE,
  );
  if (found.kind !== 'known') throw new Error('expected channels');
  return levelLines(found.sheets, openings, CONFIDENCE);
}
const FRONT = channel(['Front door, left']);

test('a new one is held against what factory speakers usually are, with the power that the same loudness takes', () => {
  const [quieter] = lines(
    [{ ...FRONT, power: { watt: 18, rating: 'RMS', atOhm: 4 } }],
    [opening('frontDoorLow', plays({ sensitivityDb: 86 }))],
  );
  expect(quieter).toMatchObject({ what: 'Front door, left against before', db: -3 });
  // A figure of 1 dB and a range of 3 dB either way, at 1.96 of their root of squares.
  expect(quieter?.expandedDb).toBeCloseTo((1.96 * Math.hypot(1, 3)) / Math.sqrt(3), 2);
  expect(quieter?.sentence).toContain('3.0 ± 3.6 dB quieter than factory speakers usually are.');
  expect(quieter?.sentence).toContain('takes 2.0 times the power, of 18 W that are there');
  expect(quieter?.next).toContain('baseline');
  const [surely] = lines([FRONT], [opening('frontDoorLow', plays({ sensitivityDb: 94 }))]);
  expect(surely).toMatchObject({ db: 5, next: null });
  expect(surely?.sentence).toContain('takes less power');
});

test('where no speaker is known to have been, there is no before', () => {
  for (const presence of ['empty', 'notLooked'] as const)
    expect(lines([FRONT], [opening('frontDoorLow', plays({}), { presence })])[0]).toMatchObject({
      db: null,
      sentence: expect.stringContaining('nothing to compare it with'),
    });
});

test('what nobody rated is not called as loud', () => {
  expect(lines([FRONT], [opening('frontDoorLow', plays({ sensitivityDb: null }))])[0]).toMatchObject({
    db: null,
    sentence: expect.stringContaining('Nobody says how sensitive'),
    next: expect.stringContaining('sensitivity'),
  });
  expect(lines([FRONT], [opening('frontDoorLow', STAYS)])).toEqual([]);
});

test('front and rear are compared where one source feeds them, and the fader begins on the quieter side', () => {
  const openings = [opening('frontDoorLow', plays({ sensitivityDb: 93 })), opening('rearDoor', STAYS)];
  const rear = channel(['Rear door, left']);
  const front = lines([FRONT, rear], openings).find(({ id }) => id === 'front rear');
  expect(front?.sentence).toContain('What nobody rated is taken as factory speakers usually are.');
  expect(front).toMatchObject({ db: 4, next: 'The fader evens it: begin with it to the rear.' });
  const apart = lines([FRONT, channel(['Rear door, left'], { fedBy: 'addedAmplifier' })], openings);
  expect(apart.find(({ id }) => id === 'front rear')).toMatchObject({
    db: null,
    sentence: expect.stringContaining('different sources'),
  });
  expect(lines([FRONT], openings).find(({ id }) => id === 'front rear')).toBeUndefined();
});

test('a tweeter that is louder than its woofer is evened by a pad of parts that are sold, and by that pad it is', () => {
  const woofer = opening('frontDoorLow', plays({ speakerKind: 'component woofer', sensitivityDb: 88 }));
  const tweeter = (fields: object = {}) =>
    opening('sailPanel', plays({ speakerKind: 'tweeter', sensitivityDb: 92 }), fields);
  const both = channel(['Front door, left', 'Sail panel, left']);
  const of = (openings: readonly ChannelOpening[]) =>
    lines([both], openings).find(({ id }) => id === 'tweeter Sail panel, left');
  const bare = of([woofer, tweeter()]);
  expect(bare).toMatchObject({ what: 'Sail panel, left against Front door, left', db: 4 });
  expect(bare?.next).toContain('a pad of 4 dB, evens it: pad 1.5 Ω in the line, 6.8 Ω across it.');
  const pad = { seriesOhm: 1.5, parallelOhm: 6.8 };
  const padded = of([woofer, tweeter({ lineFilter: { highPass: null, lowPass: null, pad, where: '' } })]);
  expect(Math.abs(padded?.db as number)).toBeLessThan(0.5);
  expect(padded?.next).toBeNull();
});
