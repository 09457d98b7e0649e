/** Which wires of a job are joined, by what, and how many joints that makes. */
import { describe, expect, test } from '@jest/globals';
import type { OpeningState } from '../contracts/jobs';
import { type Channel, channelsSchema, type OpeningLineFilter, type Place } from '../model';
import { CURE_IDS, CURES, type CureId } from '../order';
import type { JointWay } from '../wiring';
import { type ChannelOpening, type ChannelSheet, channelSheets } from './channelSheets';
import { type JointOpening, jointLines, jointNeeds } from './joints';

type Open = { readonly check: string; readonly answer: unknown };

const answered = (cure: CureId): Open => ({
  check: CURES[cure].check,
  answer: { kind: 'cure', check: CURES[cure].check, cure, words: 'as agreed with the owner', leave: null },
});
function opening(
  open: readonly Open[],
  place: Place = 'frontDoorLow',
  lineFilter: OpeningLineFilter | null = null,
  jointWay: JointWay | null = null,
) {
  return {
    id: place,
    record: {
      ...{ place, side: 'left', name: '', presence: 'fitted', nominalSize: '6.5 in', oldSpeaker: null, lineFilter },
      jointWay,
    },
    state: { kind: 'chosen', open, plays: null } as unknown as OpeningState,
  } satisfies JointOpening;
}
function sheets(channels: readonly Partial<Channel>[], openings: readonly ChannelOpening[]): readonly ChannelSheet[] {
  const noted = channelsSchema.parse(
    channels.map((each) => ({
      ...{ name: 'front left', places: ['Front door, left'], feeds: '', band: 'full', note: '', grade: 'seenHere' },
      ...{ fedBy: 'radio', ...each },
    })),
  );
  const vehicle = { channels: noted, facts: {} };
  const found = channelSheets({ found: {}, amplifierPlan: null, crossovers: [], vehicle }, openings, 0.975);
  if (found.kind !== 'known') throw new Error('expected channels');
  return found.sheets;
}
const linesOf = (one: JointOpening, channels: readonly Partial<Channel>[] = [], school: 'crimp' | 'solder' = 'crimp') =>
  jointLines(sheets(channels, [one]), [one], [one], school);

describe('at a speaker', () => {
  test('whose lead plugs in nothing is joined, and that is said', () => {
    expect(linesOf(opening([]))).toEqual([
      expect.objectContaining({ count: 0, way: null, sentence: 'The lead plugs in: nothing is cut, nothing joined.' }),
    ]);
  });

  test('where nothing plugs in and nobody decided, nothing is counted', () => {
    const [line] = linesOf(opening([{ check: 'connector', answer: null }]));
    expect(line).toMatchObject({ count: null, way: null, next: 'Decide it where the speaker was chosen.' });
    expect(jointNeeds([line as NonNullable<typeof line>])).toEqual([]);
  });

  // Common practice, no source: two connectors for a pair that is cut once, two more where a piece is let in.
  test.each<[CureId, number]>([
    ['loomCut', 2],
    ['wiresJoined', 2],
    ['ownAdapter', 2],
    ['pigtailUsed', 2],
    ['wireLengthened', 4],
    ['wiredOn', 2],
  ])('%s makes %i joints', (cure, count) => {
    const line = linesOf(opening([answered(cure)])).find(({ way }) => way !== null);
    expect(line).toMatchObject({ count, openingId: 'frontDoorLow', what: 'Front door, left' });
    expect(line?.sentence).toContain(`${count} `);
    expect(line?.sentence).toContain('cannot touch');
  });

  test('a decision about a plug takes the place of plugging in; one about the way of the wire comes besides', () => {
    expect(linesOf(opening([answered('loomCut')]))).toHaveLength(1);
    expect(linesOf(opening([answered('wireLengthened')])).map(({ count }) => count)).toEqual([0, 4]);
  });

  test('a new housing joins nothing, and that is said', () => {
    expect(linesOf(opening([answered('housingChanged')]))).toEqual([
      expect.objectContaining({
        count: 0,
        way: null,
        sentence: 'A new housing on the same terminals: nothing is joined.',
      }),
    ]);
  });

  test('what is kept sounding nobody counted, and its words stand there', () => {
    const kept = linesOf(opening([answered('sounderKept')])).at(-1);
    expect(kept).toMatchObject({ count: null, way: null });
    expect(kept?.sentence).toContain('as agreed with the owner');
  });

  test('every answer that joins wires is known here, and no other', () => {
    const joins = CURE_IDS.filter((cure) =>
      linesOf(opening([answered(cure)])).some(({ id }) => id.startsWith(CURES[cure].check)),
    );
    const rest = CURE_IDS.filter((cure) => !joins.includes(cure));
    expect(rest).toEqual(['newWire', 'notchCut', 'triedInHand', 'holeFiled', 'makersManual', 'builtOnAgreed']);
  });

  test('in a door the sleeve seals; at the bench, in a dash and in a shop that solders it is as it suits there', () => {
    const way = (place: Place, cure: CureId, school: 'crimp' | 'solder') =>
      linesOf(opening([answered(cure)], place), [], school).find((line) => line.way)?.way;
    expect(way('frontDoorLow', 'loomCut', 'crimp')).toBe('sealedButt');
    expect(way('frontDoorLow', 'pigtailUsed', 'crimp')).toBe('butt');
    expect(way('frontDoorLow', 'loomCut', 'solder')).toBe('solder');
    expect(way('dashCorner', 'loomCut', 'solder')).toBe('butt');
    // Made at the bench, it is carried into the dash when it is cold.
    expect(way('dashCorner', 'ownAdapter', 'solder')).toBe('solder');
  });
});

test('what is decided for one opening holds for all its joints, at the bench too, and for no other’s', () => {
  const one = opening([answered('pigtailUsed')], 'frontDoorLow', null, 'blades');
  const other = { ...opening([answered('loomCut')], 'rearDoor'), id: 'other' };
  const lines = jointLines([], [one, other], [one, other], 'crimp');
  expect(lines.map(({ openingId, way, decided }) => [openingId, way, decided])).toEqual([
    ['frontDoorLow', 'blades', 'blades'],
    ['other', 'sealedButt', null],
  ]);
  expect(jointNeeds(lines).map(({ what }) => what)).toEqual([
    '2 blades and their receptacles, all insulated, for the wires on both sides',
    '2 butt connectors with sleeves that seal, for the wires on both sides',
  ]);
});

describe('new wire', () => {
  const CHOSEN = opening([answered('newWire')]);
  test.each<[Channel['fedBy'], number | null]>([
    ['radio', 2],
    ['factoryAmplifier', 2],
    ['addedAmplifier', 0],
    [null, null],
  ])('that %s feeds makes %p joints', (fedBy, count) => {
    expect(linesOf(CHOSEN, [{ fedBy }])).toEqual([expect.objectContaining({ count })]);
  });

  test('is new by the channel too, whatever plugs in', () => {
    expect(linesOf(opening([]), [{ fedBy: 'addedAmplifier', wire: 'new' }])).toEqual([
      expect.objectContaining({ count: 0, sentence: expect.stringContaining('added amplifier’s terminals') }),
    ]);
  });
});

describe('what lies in a line', () => {
  const pad = { seriesOhm: 2.2, parallelOhm: null };
  test.each<[string, Omit<OpeningLineFilter, 'where'>, number]>([
    ['a capacitor', { highPass: { capacitorUf: 68, coilMh: null }, lowPass: null, pad: null }, 2],
    ['second order', { highPass: { capacitorUf: 68, coilMh: 0.5 }, lowPass: null, pad: null }, 3],
    ['a capacitor, then a resistor', { highPass: { capacitorUf: 68, coilMh: null }, lowPass: null, pad }, 3],
    [
      'all of it',
      {
        highPass: { capacitorUf: 68, coilMh: 1 },
        lowPass: { coilMh: 1, capacitorUf: 2 },
        pad: { ...pad, parallelOhm: 8 },
      },
      5,
    ],
  ])('%s is joined in as many places as wires meet', (_what, filter, count) => {
    const line = linesOf(opening([], 'frontDoorLow', { ...filter, where: '' })).at(-1);
    expect(line).toMatchObject({ id: 'filter frontDoorLow', count });
    // One wire of the pair is whole: nothing lies beside it.
    expect(line?.sentence).not.toContain('cannot touch');
  });
});

test('what is to be had adds up by the way it is joined', () => {
  const left = opening([answered('loomCut')]);
  const dash = opening([answered('wiresJoined'), answered('wireLengthened')], 'dashCorner');
  const lines = jointLines([], [left, dash], [left, dash], 'crimp');
  expect(jointNeeds(lines)).toEqual([
    {
      what: '2 butt connectors with sleeves that seal, for the wires on both sides',
      why: 'Front door, left: 2 joints.',
    },
    {
      what: '6 butt connectors, for the wires on both sides',
      why: 'Dash corner, left: 2 joints; Dash corner, left: 4 joints.',
    },
  ]);
});

test('past an amplifier new wire is joined to what stays too', () => {
  const stays: JointOpening = {
    ...opening([], 'dashCorner'),
    state: { kind: 'noChoice' } as unknown as OpeningState,
  };
  const front = opening([]);
  const plan = {
    kind: 'bypass',
    by: 'newRadio',
    leads: 'new',
    leastOhm: null,
    power: null,
    reason: '',
    sounds: 'heard',
  };
  const places = ['Front door, left', 'Dash corner, left'];
  const noted = channelsSchema.parse([
    { name: 'front', places, feeds: '', band: 'full', fedBy: 'factoryAmplifier', note: '', grade: 'seenHere' },
  ]);
  const job = { found: {}, amplifierPlan: plan, crossovers: [], stowed: [], vehicle: { channels: noted, facts: {} } };
  const found = channelSheets(job as unknown as Parameters<typeof channelSheets>[0], [front, stays], 0.975);
  if (found.kind !== 'known') throw new Error('expected channels');
  const lines = jointLines(found.sheets, [front, stays], [front], 'crimp');
  expect(lines.map(({ id, count }) => [id, count])).toEqual([
    ['plug frontDoorLow', 2],
    ['stays dashCorner', 2],
  ]);
  expect(jointLines(found.sheets, [stays], [], 'crimp')).toEqual([]);
});

test('where nothing is worked on, nothing past an amplifier is joined; one pair makes two joints of each place', () => {
  const front = opening([]);
  const plan = {
    kind: 'bypass',
    by: 'newRadio',
    leads: 'kept',
    leastOhm: null,
    power: null,
    reason: '',
    sounds: 'heard',
  };
  const noted = channelsSchema.parse([
    {
      name: 'front',
      places: ['Front door, left', 'Dash corner, left'],
      feeds: '',
      band: 'full',
      fedBy: 'factoryAmplifier',
      note: '',
      grade: 'seenHere',
    },
  ]);
  const job = { found: {}, amplifierPlan: plan, crossovers: [], stowed: [], vehicle: { channels: noted, facts: {} } };
  const found = channelSheets(job as unknown as Parameters<typeof channelSheets>[0], [front], 0.975);
  if (found.kind !== 'known') throw new Error('expected channels');
  expect(jointLines(found.sheets, [], [], 'crimp')).toEqual([]);
  expect(jointLines(found.sheets, [front], [front], 'crimp').at(-1)).toMatchObject({
    id: 'bypass',
    count: 4,
    way: 'butt',
  });
});
