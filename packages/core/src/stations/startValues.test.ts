/** Where to begin when a finished car is set; voltages by P = U²/R, worked out by hand. */
import { expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import { type Channel, channelsSchema, type Listening, type OpeningRecord } from '../model';
import type { ChannelOpening } from './channelSheets';
import { startValues } from './startValues';

const PLAYS: Plays = {
  ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '2.83 V', filter: null },
};
const chosen = (plays: Partial<Plays> = {}) =>
  ({ kind: 'chosen', plays: { ...PLAYS, ...plays } }) as unknown as OpeningState;
const STAYS: OpeningState = { kind: 'nothingChosen', known: 0, takenHere: 0 };

function opening(
  place: OpeningRecord['place'],
  state: OpeningState,
  fields: Partial<ChannelOpening['record']> = {},
): ChannelOpening {
  const fitted = { side: 'left', name: '', presence: 'fitted', oldSpeaker: null, lineFilter: null } as const;
  const record = { place, ...fitted, nominalSize: '6.5 in', ...fields };
  return { id: `${place} ${record.side}`, record, state };
}
const channel = (fields: Partial<Channel>): Channel =>
  (
    channelsSchema.parse([
      {
        ...{ name: 'front left', places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'addedAmplifier' },
        ...{ leastOhm: 2, power: { watt: 60, rating: 'RMS', atOhm: 4 }, note: '', grade: 'seenHere', ...fields },
      },
    ]) as Channel[]
  )[0] as Channel;
const valuesOf = (channels: Channel[] | null, openings: readonly ChannelOpening[], listening: Listening[] = []) =>
  startValues(
    {
      found: {},
      amplifierPlan: null,
      crossovers: [],
      vehicle: { channels, facts: {} },
      baseline: { listening, settings: {} },
    },
    openings,
    0.975,
  );
const tellOf = (channels: Channel[], openings: readonly ChannelOpening[]) =>
  valuesOf(channels, openings).map(({ what, value }) => `${what}: ${value}`);
const DOOR = opening('frontDoorLow', chosen());

test('where nothing new plays, or nobody noted the channels, nothing is set', () => {
  expect(valuesOf(null, [DOOR])).toEqual([]);
  expect(valuesOf([channel({})], [opening('frontDoorLow', STAYS)])).toEqual([]);
});

test('on the radio it is the clean volume alone, with the steps that were heard before', () => {
  const heard = { source: '', road: '', kmh: null, seat: '', words: '' };
  const [first, ...others] = valuesOf(
    [channel({ fedBy: 'radio' })],
    [DOOR],
    [
      { ...heard, volume: '12' },
      { ...heard, volume: '20' },
    ],
  );
  expect(first).toMatchObject({ what: 'Clean volume', value: null });
  expect(first?.why).toContain('Before the work it was heard at 12 and 20.');
  expect(others).toEqual([]);
});

test('behind an amplifier a door gets a high-pass for its size, and a gain by the lower of what both stand', () => {
  // √(60 W × 4 Ω) = 15.49 V; √(40 W × 4 Ω) = 12.65 V.
  expect(tellOf([channel({})], [DOOR])).toEqual([
    'Clean volume: null',
    'High-pass, Front door, left: 55 Hz',
    'Gain, front left: 12.6 V',
  ]);
  const [, , gain] = valuesOf([channel({})], [DOOR]);
  expect(gain?.why).toContain('stays clean up to 15.5 V');
  expect(gain?.why).toContain('a tone of 1 kHz');
  // √(100 W × 4 Ω) = 20 V, more than the amplifier has.
  expect(tellOf([channel({})], [opening('frontDoorLow', chosen({ rmsW: 100 }))])).toContain('Gain, front left: 15.5 V');
  expect(valuesOf([channel({ band: 'bass' })], [DOOR]).at(-1)?.why).toContain('a tone of 50 Hz');
});

test('two in series share the voltage, two side by side each get all of it', () => {
  const places = ['Front door, left', 'Rear door, left'];
  const both = [DOOR, opening('rearDoor', chosen({ rmsW: 20 }))];
  const gainOf = (fields: Partial<Channel>) =>
    tellOf([channel({ places, ...fields })], both).find((each) => each.startsWith('Gain'));
  const strong = { watt: 400, rating: 'RMS', atOhm: 2 } as const;
  // Side by side the weaker one decides: √(20 W × 4 Ω) = 8.94 V. In series √(20 W / 4 Ω) × 8 Ω = 17.9 V.
  expect(gainOf({ power: strong })).toBe('Gain, front left: 8.9 V');
  expect(gainOf({ joined: 'series', power: strong })).toBe('Gain, front left: 17.9 V');
  // 60 W into 4 Ω say nothing of 2 Ω.
  expect(gainOf({})).toBe('Gain, front left: null');
  const gain = valuesOf([channel({ places })], both).find(({ what }) => what === 'Gain, front left');
  expect(gain?.why).toContain('look what it gives into 2 Ω');
});

test('a power that is no RMS, or of no load, gives no voltage: it is said what to look for', () => {
  const gainOf = (power: Channel['power'], plays: Partial<Plays> = {}) =>
    valuesOf([channel({ power })], [opening('frontDoorLow', chosen(plays))]).at(-1);
  for (const power of [
    null,
    { watt: 400, rating: 'peak', atOhm: 4 } as const,
    { watt: 60, rating: 'RMS', atOhm: null } as const,
  ])
    expect(gainOf(power)).toMatchObject({
      value: null,
      why: expect.stringContaining('look for what the amplifier gives RMS, and into how many ohms'),
    });
  const whole = { watt: 60, rating: 'RMS', atOhm: 4 } as const;
  expect(gainOf(whole, { rmsW: null })?.why).toContain('what Front door, left stands RMS');
  expect(gainOf(whole, { impedanceOhm: null })?.why).toContain('the ohms of Front door, left');
});

test('what has a filter of its own gets no high-pass, a tweeter on a channel of its own needs one', () => {
  const lineFilter = { highPass: { capacitorUf: 470, coilMh: null }, lowPass: null, pad: null, where: 'tied up' };
  const withLine = opening('frontDoorLow', chosen(), { lineFilter });
  expect(tellOf([channel({})], [withLine]).some((each) => each.startsWith('High-pass'))).toBe(false);
  const sail = opening('sailPanel', chosen({ speakerKind: 'tweeter', resonanceHz: 1500 }), { nominalSize: '1 in' });
  expect(tellOf([channel({ places: ['Sail panel, left'] })], [sail])).toContain('High-pass, Sail panel, left: 3750 Hz');
});

test('a tweeter begins at the step that evens it, at −3 dB where nobody can say; several gains have their order', () => {
  const channels = [
    channel({ name: 'low', places: ['Front door, left'] }),
    channel({ name: 'high', places: ['Sail panel, left'] }),
  ];
  const level = (tweeterDb: number | null) =>
    tellOf(channels, [
      opening('frontDoorLow', chosen({ speakerKind: 'component woofer', sensitivityDb: 90 })),
      opening('sailPanel', chosen({ speakerKind: 'tweeter', sensitivityDb: tweeterDb }), { nominalSize: '1 in' }),
    ]).find((each) => each.startsWith('Tweeter level'));
  expect([level(94), level(90.5), level(86), level(null)]).toEqual([
    'Tweeter level, Sail panel, left: −3 dB',
    'Tweeter level, Sail panel, left: 0 dB',
    'Tweeter level, Sail panel, left: +3 dB',
    'Tweeter level, Sail panel, left: −3 dB',
  ]);
  const openings = [DOOR, opening('sailPanel', chosen({ speakerKind: 'tweeter' }), { nominalSize: '1 in' })];
  expect(tellOf(channels, openings)).toContain('Gain order: low and high');
});

test('the fader evens front and rear', () => {
  const channels = [
    channel({ fedBy: 'radio' }),
    channel({ name: 'rear', fedBy: 'radio', places: ['Rear door, left'] }),
  ];
  const at = (frontDb: number) =>
    tellOf(channels, [opening('frontDoorLow', chosen({ sensitivityDb: frontDb })), opening('rearDoor', chosen())]).at(
      -1,
    );
  expect(at(97)).toBe('Fader: To the rear');
  expect(at(83)).toBe('Fader: To the front');
});
