/** A set's crossover on a car: what hangs on its channel, what is asked, what holds the order, what has to be had. */
import { describe, expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import {
  type Channel,
  type Crossover,
  channelsSchema,
  crossoversSchema,
  SETTINGS_DEFAULTS,
  type Space,
  type Stowed,
} from '../model';
import { channelSheets } from './channelSheets';
import { crossoverPoints } from './crossoverPoints';
import { crossoverSheets } from './crossoverSheets';
import { type JointOpening, jointLines } from './joints';
import { likelyCrossovers } from './likelyCrossovers';
import { startValues } from './startValues';
import { wireHolds } from './wireHolds';
import { wireRuns } from './wireRuns';
import { wiringNeeds } from './wiringNeeds';

const CONFIDENCE = 0.975;
const SHOP = { ...SETTINGS_DEFAULTS, confidence: CONFIDENCE };

function opening(
  place: 'frontDoorLow' | 'sailPanel' | 'dashCorner',
  speakerKind: Plays['speakerKind'] | null,
  side: 'left' | 'right' = 'left',
): JointOpening {
  const plays = {
    ...{ speakerKind, impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
    ...{ rmsW: 60, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
  };
  const nothing: OpeningState = { kind: 'nothingChosen', known: 0, takenHere: 0 };
  return {
    id: `${place} ${side}`,
    record: {
      ...{ place, side, name: '', presence: 'fitted', nominalSize: place === 'frontDoorLow' ? '6.5 in' : '1 in' },
      ...{ oldSpeaker: null, lineFilter: null, jointWay: null },
    },
    state: speakerKind === null ? nothing : ({ kind: 'chosen', plays, open: [] } as unknown as OpeningState),
  };
}
const DOOR = opening('frontDoorLow', 'component woofer');
const SAIL = opening('sailPanel', 'tweeter');
const OPENINGS = [DOOR, SAIL];

const channels = (...list: readonly Partial<Channel>[]): Channel[] =>
  (channelsSchema.parse(
    list.map((each) => ({
      ...{ name: 'front left', places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4 },
      ...{ power: { watt: 20, rating: 'RMS', atOhm: 4 }, wire: 'factory', note: '', grade: 'seenHere', ...each },
    })),
  ) ?? []) as Channel[];
const SPACE: Space = {
  ...{ name: 'behind the card, left', lengthMm: 180, widthMm: 90, heightMm: 42, note: '', grade: 'seenHere' },
};
const box = (fields: Partial<Crossover> = {}): Crossover => ({
  ...{
    name: 'left',
    channel: 'Front left',
    at: 'door',
    isAtFork: false,
    space: 'Behind the card, left',
    heldBy: 'two ties',
    hangerMm: null,
    comes: 'set',
  },
  box: { lengthMm: 110, widthMm: 72, heightMm: 38 },
  outputs: [
    {
      ...{ to: 'tweeter', ends: { kind: 'place', place: 'Sail panel, left' }, lead: 'new' },
      filter: { highPass: { hz: 3500, order: 2 }, lowPass: null },
    },
    {
      ...{ to: 'woofer', ends: { kind: 'place', place: 'Front door, left' }, lead: 'factory' },
      filter: { highPass: null, lowPass: { hz: 3500, order: 2 } },
    },
  ],
  ...fields,
});
const ending = (place: string): Crossover['outputs'] => {
  const [tweeter, woofer] = box().outputs;
  return [
    { ...(tweeter as Crossover['outputs'][number]), ends: { kind: 'place', place } },
    woofer as Crossover['outputs'][number],
  ];
};
type Car = {
  readonly stowed?: Stowed[];
  readonly noted?: Channel[];
  readonly spaces?: Space[] | null;
  readonly routes?: never[];
};
const car = (crossovers: Crossover[], { noted = channels({}), spaces = [SPACE], stowed = [] }: Car = {}) => ({
  ...{ found: {}, amplifierPlan: null, crossovers: crossoversSchema.parse(crossovers), stowed },
  vehicle: { channels: noted, facts: {}, spaces, routes: [] },
});
const known = (job: ReturnType<typeof car>, openings: readonly JointOpening[] = OPENINGS) => {
  const found = channelSheets(job, openings, CONFIDENCE);
  if (found.kind !== 'known') throw new Error('expected channels');
  return found;
};
const verdicts = (job: ReturnType<typeof car>, openings: readonly JointOpening[] = OPENINGS) =>
  crossoverSheets(job, openings, CONFIDENCE).map(({ checks }) => checks.map(({ id, verdict }) => `${id} ${verdict}`));

describe('a set on a channel that feeds the door alone', () => {
  test('its tweeter hangs on it by the crossover, and the amplifier sees about one speaker', () => {
    const without = known(car([]));
    expect(without.unfed).toEqual([SAIL]);
    const { sheets, unfed, twice } = known(car([box()]));
    expect([unfed, twice]).toEqual([[], []]);
    const [sheet] = sheets;
    expect(sheet?.channel.loads.map(({ label, crossover }) => [label, crossover?.to])).toEqual([
      ['Front door, left', 'woofer'],
      ['Sail panel, left', 'tweeter'],
    ]);
    expect(sheet?.checks.map(({ id, verdict }) => `${id} ${verdict}`)).toEqual([
      'load clears',
      'band clears',
      'power clears',
      'wire clears',
    ]);
    expect(sheet?.newOpeningIds).toEqual([DOOR.id, SAIL.id]);
  });

  test('side by side without one the tweeter dies, and the load is half', () => {
    const bare = known(car([], { noted: channels({ places: ['Front door, left', 'Sail panel, left'] }) })).sheets[0];
    expect(bare?.checks.map(({ id, verdict }) => `${id} ${verdict}`)).toContain('band hold');
    expect(bare?.checks.find(({ id }) => id === 'load')?.verdict).toBe('hits');
  });

  test('all of it is decided: nothing is open, nothing held', () => {
    expect(verdicts(car([box()]))).toEqual([
      ['input clears', 'outputs clears', 'filters clears', 'leads clears', 'place clears'],
    ]);
    expect(crossoverPoints(car([box()]), OPENINGS, CONFIDENCE)).toEqual([]);
    expect([...wireHolds(car([box()]), OPENINGS, CONFIDENCE)]).toEqual([]);
  });
});

test('a woofer and a tweeter that are chosen for one side are likely a set; nothing of it is decided by that', () => {
  const job = car([], { noted: channels({}) });
  expect(likelyCrossovers(job, OPENINGS)).toMatchObject([
    { name: 'left', channel: 'front left', at: null, comes: null, outputs: [{ to: 'tweeter' }, { to: 'woofer' }] },
  ]);
  // One that has its crossover, a side without its tweeter, and two tweeters of which nobody knows which.
  expect(likelyCrossovers(car([box()]), OPENINGS)).toEqual([]);
  expect(likelyCrossovers(job, [DOOR, opening('sailPanel', 'tweeter', 'right')])).toEqual([]);
  expect(likelyCrossovers(job, [...OPENINGS, opening('dashCorner', 'tweeter')])).toEqual([]);
});

test('a place that a crossover leads to is taken off what led there before', () => {
  const noted = channels({}, { name: 'treble left', places: ['Sail panel, left'], band: 'treble' });
  const [front, treble] = known(car([box()], { noted })).sheets;
  expect(front?.record.places).toEqual(['Front door, left', 'Sail panel, left']);
  expect(treble).toMatchObject({ record: { places: [] }, takenOff: ['Sail panel, left'], checks: [] });
  expect(front?.takenOff).toEqual([]);
  // Nothing is told of a channel that the car does not have.
  const nowhere = known(car([box({ channel: 'rear left' })], { noted })).sheets;
  expect(nowhere.map(({ record }) => record.places)).toEqual([['Front door, left'], ['Sail panel, left']]);
  expect(verdicts(car([box({ channel: 'rear left' })], { noted }))[0]?.[0]).toBe('input hold');
});

describe('what is wrong holds what it feeds, and nothing else', () => {
  test('both outputs on one speaker, and one on none of this car', () => {
    const both = car([box({ outputs: ending('Front door, left') })]);
    expect(verdicts(both)[0]?.[1]).toBe('outputs hold');
    // Nor does anything lead to the tweeter then.
    expect([...wireHolds(both, OPENINGS, CONFIDENCE).keys()]).toEqual([SAIL.id, DOOR.id]);
    expect(verdicts(car([box({ outputs: ending('Kick panel, left') })]))[0]?.[1]).toBe('outputs hold');
  });

  test('two crossovers on one speaker: each is told by which other', () => {
    const job = car([box(), box({ name: 'spare', space: '' })]);
    const [, spare] = crossoverSheets(job, OPENINGS, CONFIDENCE);
    expect(spare?.checks[1]).toMatchObject({
      verdict: 'hold',
      sentence: 'Sail panel, left is fed twice: by the tweeter’s output, and by the tweeter’s of left.',
    });
  });

  test('a lead with a capacitor of its own in series with the set’s', () => {
    const plays = {
      ...(SAIL.state as { plays: Plays }).plays,
      filter: { highPass: { hz: 5000, order: 1 }, lowPass: null },
    };
    const lead = { ...SAIL, state: { ...SAIL.state, plays } as unknown as OpeningState };
    const band = known(car([box()]), [DOOR, lead]).sheets[0]?.checks.find(({ id }) => id === 'band');
    expect(band).toMatchObject({
      verdict: 'measure',
      sentence: expect.stringContaining('Two high-passes stand in series at Sail panel, left'),
      settledBy: expect.stringContaining('a lead’s own capacitor replaces the set’s'),
    });
  });
});

test('what nobody wrote down of it makes the load a question, and is named as what settles it', () => {
  const unwritten = box().outputs.map((output) => ({ ...output, filter: null }));
  const job = car([box({ outputs: unwritten })]);
  const load = known(job).sheets[0]?.checks.find(({ id }) => id === 'load');
  // A woofer that is fed as it is, and a tweeter behind nobody knows what: two speakers where one is stood.
  expect(load).toMatchObject({ verdict: 'hits' });
  expect(verdicts(job)[0]?.[2]).toBe('filters measure');
});

test('one after the other with something else, its network is not known; alone it lies side by side', () => {
  const alone = known(car([box()], { noted: channels({ joined: 'series' }) })).sheets[0];
  expect(alone?.channel.joined).toBe('parallel');
  const places = ['Front door, left', 'Dash corner, left'];
  const dash = opening('dashCorner', 'coaxial');
  const job = car([box()], { noted: channels({ joined: 'series', places }) });
  const mixed = known(job, [...OPENINGS, dash]).sheets[0];
  expect(mixed?.checks.find(({ id }) => id === 'load')).toMatchObject({ verdict: 'measure', margin: null });
  expect(verdicts(job, [...OPENINGS, dash])[0]?.[0]).toBe('input hold');
});

describe('where it lies', () => {
  const place = (fields: Partial<Crossover>, spaces: Space[] | null = [SPACE], more: Crossover[] = []) =>
    crossoverSheets(car([box(fields), ...more], { spaces }), OPENINGS, CONFIDENCE)[0]?.checks.at(-1);

  test('with 20 mm at one end for its wires: 180 − 130, 90 − 72, 42 − 38', () => {
    expect(place({})).toMatchObject({ verdict: 'clears', margin: { mm: 4 } });
    expect(place({}, [{ ...SPACE, heightMm: 38 }])).toMatchObject({ verdict: 'measure', margin: { mm: 0 } });
    expect(place({}, [{ ...SPACE, heightMm: 36 }])).toMatchObject({ verdict: 'hits', margin: { mm: -2 } });
    expect(place({}, [{ ...SPACE, lengthMm: 129 }])?.verdict).toBe('measure');
  });

  test.each<[string, Partial<Crossover>, Space[] | null]>([
    ['nobody decided', { at: null, isAtFork: false, space: '' }, [SPACE]],
    ['no space is chosen', { space: '' }, [SPACE]],
    ['nobody looked for spaces', {}, null],
    ['another space', { space: 'under the seat' }, [SPACE]],
    ['not measured', {}, [{ ...SPACE, widthMm: null }]],
    ['no size', { box: null }, [SPACE]],
    ['only heard', {}, [{ ...SPACE, grade: 'claimed' }]],
  ])('%s: it is measured first', (_name, fields, spaces) => {
    expect(place(fields, spaces)).toMatchObject({ verdict: 'measure', settledBy: expect.stringMatching(/\.$/) });
  });

  test('two in one space lie together or do not', () => {
    const right = box({ name: 'right', outputs: ending('Sail panel, right') });
    expect(place({}, [{ ...SPACE, heightMm: 84 }], [right])).toMatchObject({
      verdict: 'clears',
      // On their sides, beside each other: 90 − 2 × 38 is 14 for both.
      margin: { mm: expect.closeTo(7, 2) },
    });
    expect(place({}, [SPACE], [right])).toMatchObject({
      verdict: 'hits',
      sentence: expect.stringContaining(
        'Crossover left and crossover right together do not go into “behind the card, left”',
      ),
    });
    expect(place({}, [SPACE], [{ ...right, box: null }])?.sentence).toContain('the size of crossover right');
  });

  test('what holds it, and where it comes from, are asked', () => {
    const ids = (fields: Partial<Crossover>) =>
      crossoverPoints(car([box(fields)]), OPENINGS, CONFIDENCE).map(({ id, isHeld }) => [id, isHeld]);
    expect(ids({ heldBy: '' })).toEqual([['crossover left held', false]]);
    expect(ids({ comes: null })).toEqual([['crossover left comes', false]]);
  });
});

describe('its wires', () => {
  const way = (from: string, to: string, lengthMm: number) => ({
    ...{ from, to, lengthMm, through: '', note: '', grade: 'seenHere' as const },
  });
  const runsOf = (job: ReturnType<typeof car>, routes: ReturnType<typeof way>[]) =>
    wireRuns({ stowed: [], vehicle: { routes } }, known(job).sheets, OPENINGS);

  test('in the door, on the car’s own pair: only the tweeter gets one of its own, from the box on', () => {
    const [run, ...others] = runsOf(car([box()]), [way('behind the card, left', 'sail panel, left', 700)]);
    expect(others).toEqual([]);
    expect(run).toMatchObject({
      id: 'output Sail panel, left',
      need: { what: expect.stringContaining('0.75 mm² (18 AWG)') },
    });
    const [open] = runsOf(car([box()]), [way('radio', 'sail panel, left', 700)]);
    expect(open).toMatchObject({
      need: null,
      next: expect.stringContaining('from “Behind the card, left” to “Sail panel, left”'),
    });
  });

  test('under a seat, on new wire: a pair to the box and one from it to each speaker, none from the amplifier past it', () => {
    const noted = channels({ wire: 'new', fedBy: 'addedAmplifier' });
    const seat = box({ at: 'cabin', space: 'under the seat' });
    const outputs = seat.outputs.map((output) => ({ ...output, lead: 'new' as const }));
    const runs = runsOf(car([{ ...seat, outputs }], { noted }), [way('amplifier', 'under the seat', 1500)]);
    expect(runs.map(({ id, need }) => [id, need !== null])).toEqual([
      ['crossover left', true],
      ['output Sail panel, left', false],
      ['output Front door, left', false],
      ['feed', false],
    ]);
    const byAmplifier = { ...seat, outputs, at: 'amplifier', space: '' } as const;
    const short = runsOf(car([byAmplifier], { noted }), [way('amplifier', 'front door, left', 3000)]);
    expect(short.map(({ id, need }) => [id, need !== null])).toEqual([
      ['output Sail panel, left', false],
      ['output Front door, left', true],
      ['feed', false],
    ]);
  });

  test('a speaker that stays gets its wire from a crossover that a new one hangs on, and none where nothing new does', () => {
    const outputs = box().outputs.map((output) => ({ ...output, lead: 'new' as const }));
    const stays = { ...SAIL, state: { kind: 'nothingChosen', known: 0, takenHere: 0 } } as JointOpening;
    const idsOf = (openings: readonly JointOpening[]) => {
      const { sheets } = known(car([box({ outputs })]), openings);
      return wireRuns({ stowed: [], vehicle: { routes: [] } }, sheets, openings).map(({ id }) => id);
    };
    expect(idsOf([DOOR, stays])).toEqual(['output Sail panel, left', 'output Front door, left']);
    expect(idsOf([opening('frontDoorLow', null), stays])).toEqual([]);
  });

  test('joints: none in the door; in the dash the pair is cut for what goes in, and each output on the car’s own is joined', () => {
    const lines = (job: ReturnType<typeof car>) =>
      jointLines(known(job).sheets, OPENINGS, OPENINGS, 'solder')
        .filter(({ id }) => id.startsWith('crossover'))
        .map(({ count, way: how }) => [count, how]);
    expect(lines(car([box()]))).toEqual([[0, null]]);
    expect(lines(car([box({ at: null })]))).toEqual([[null, null]]);
    // Never a hot iron in a dash by default.
    expect(lines(car([box({ at: 'dash' })]))).toEqual([[4, 'butt']]);
    // At a fork in the door the pair is cut all the same.
    expect(lines(car([box({ isAtFork: true })]))).toEqual([[4, 'solder']]);
  });

  test('on the order list stands what comes in no set’s box, for what is ordered', () => {
    const needs = (fields: Partial<Crossover>, included = OPENINGS) =>
      wiringNeeds(car([box(fields)]), OPENINGS, included, SHOP).map(({ what }) => what);
    expect(needs({ comes: 'own' })).toContain('Crossover, left');
    expect(needs({ comes: 'set' })).not.toContain('Crossover, left');
    expect(needs({ comes: 'own' }, [])).not.toContain('Crossover, left');
  });

  test('what is put in besides stands there as well, and what comes later does not', () => {
    const box: Stowed = {
      ...{ name: 'bass', kind: 'bassBox', box: null, space: '', heldBy: '', rmsW: null, isLater: false },
    };
    const needs = (isLater: boolean) =>
      wiringNeeds(car([], { stowed: [{ ...box, isLater }] }), OPENINGS, OPENINGS, SHOP).map(({ what }) => what);
    expect(needs(false)).toContain('A bass box: bass');
    expect(needs(true)).not.toContain('A bass box: bass');
  });

  test('start values: the tweeter’s level, and no high-pass beside the crossover’s', () => {
    const job = {
      ...car([box()], { noted: channels({ fedBy: 'addedAmplifier' }) }),
      baseline: { listening: [], settings: {} },
    };
    const set = startValues(job, OPENINGS, CONFIDENCE).map(({ what }) => what);
    expect(set).toContain('Tweeter level, Sail panel, left');
    expect(set).not.toContain('High-pass, Sail panel, left');
  });
});
