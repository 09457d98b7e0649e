/** A car whose speakers hang on the maker's separate amplifier: kept, bypassed, and not decided. */
import { describe, expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import {
  type AmplifierPlan,
  amplifierPlanSchema,
  amplifierPlanWords,
  type Bypass,
  type CarFacts,
  type Channel,
  channelsSchema,
  type Route,
  routesSchema,
  SETTINGS_DEFAULTS,
} from '../model';
import { amplifierPoints } from './amplifierPoints';
import { channelPoints } from './channelPoints';
import { channelSheets } from './channelSheets';
import type { JointOpening } from './joints';
import type { PointJob, PointOpening } from './point';
import { wireHolds } from './wireHolds';
import { wireRuns } from './wireRuns';
import { wiringNeeds } from './wiringNeeds';

const CONFIDENCE = 0.95;
const PLAYS: Plays = {
  ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: 3.4, coilMh: 0.4, resonanceHz: 60, totalQ: 0.7 },
  ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
};
const at = (place: 'frontDoorLow' | 'rearDoor', state: unknown): JointOpening => ({
  id: place,
  record: {
    ...{ place, side: 'left', name: '', presence: 'fitted', nominalSize: '6.5 in' },
    ...{ oldSpeaker: null, lineFilter: null, jointWay: null },
  },
  state: state as OpeningState,
});
const FRONT = at('frontDoorLow', { kind: 'chosen', plays: PLAYS, open: [] });
const REAR = at('rearDoor', { kind: 'nothingChosen', known: 0, takenHere: 0 });
const OPENINGS = [FRONT, REAR];

/** Bass at the front door, everything at the rear one, each of 2 Ω; a horn that the radio feeds. */
const CHANNELS = channelsSchema.parse(
  [
    { name: 'front', places: ['Front door, left'], band: 'bass', fedBy: 'factoryAmplifier' },
    { name: 'rear', places: ['Rear door, left'], band: 'full', fedBy: 'factoryAmplifier' },
    { name: 'horn', places: [], feeds: 'a horn', band: 'voices', fedBy: 'radio' },
  ].map((each) => ({ feeds: '', leastOhm: 2, note: '', grade: 'seenHere', ...each })),
) as Channel[];
const BYPASS: Bypass = {
  ...{ kind: 'bypass', by: 'newRadio', leads: 'atPlug', leastOhm: 4, sounds: 'heard', reason: '' },
  power: { watt: 22, rating: 'RMS', atOhm: 4 },
};
const ways = (...list: readonly Partial<Route>[]): Route[] =>
  routesSchema.parse(
    list.map((each) => ({ from: 'radio', to: '', through: '', lengthMm: null, note: '', grade: 'seenHere', ...each })),
  ) ?? [];
const said = (answer: string): CarFacts => ({
  alsoSounds: { answer, grade: 'seenHere', note: '', by: null, at: null },
});
const car = (amplifierPlan: AmplifierPlan, routes: Route[] | null = null, found: CarFacts = {}) => ({
  ...{ found, amplifierPlan, crossovers: [], stowed: [] },
  vehicle: { channels: CHANNELS, facts: {}, routes, spaces: null },
});
/** Its channels ask for nothing else of a job. */
const pointJob = (plan: AmplifierPlan) => car(plan) as unknown as PointJob;
function sheets(plan: AmplifierPlan) {
  const known = channelSheets(car(plan), OPENINGS, CONFIDENCE);
  if (known.kind !== 'known') throw new Error('expected channels');
  return known.sheets;
}
const runs = (plan: AmplifierPlan, routes: Route[] | null) => wireRuns(car(plan, routes), sheets(plan), OPENINGS);

describe('the channels', () => {
  test('are judged as they are while it stays, or nobody decided', () => {
    for (const plan of [null, { kind: 'keep', reason: '' }] as const) {
      const [front, rear, horn] = sheets(plan);
      expect([front, rear, horn].map((each) => each?.isOnMakersAmplifier)).toEqual([true, true, false]);
      expect([front, rear, horn].map((each) => each?.isBypassed)).toEqual([false, false, false]);
      expect(front?.checks.find(({ id }) => id === 'band')?.verdict).toBe('hold');
    }
  });

  test('carry everything past it, and load what feeds them then; what it did not feed stays', () => {
    const [front, rear, horn] = sheets(BYPASS);
    expect([front, rear].map((each) => each?.record)).toEqual([
      { ...CHANNELS[0], fedBy: 'radio', band: 'full', leastOhm: 4, power: BYPASS.power, wire: 'factory' },
      { ...CHANNELS[1], fedBy: 'radio', band: 'full', leastOhm: 4, power: BYPASS.power, wire: 'factory' },
    ]);
    expect(front?.checks.find(({ id }) => id === 'band')?.verdict).toBe('clears');
    expect(horn).toMatchObject({ record: CHANNELS[2], isBypassed: false });
    // The old speaker gets another power than it was made for, and nobody knows what it stands.
    expect(rear?.checks.find(({ id }) => id === 'power')).toMatchObject({
      verdict: 'measure',
      sentence: expect.stringContaining('Rear door, left stands'),
    });
    const asked = channelPoints(pointJob(BYPASS), OPENINGS as readonly PointOpening[], CONFIDENCE);
    expect(asked.map(({ id }) => id)).toContain('channel 2 power');
    const kept = channelPoints(pointJob({ kind: 'keep', reason: '' }), OPENINGS as readonly PointOpening[], CONFIDENCE);
    expect(kept.map(({ id }) => id)).not.toContain('channel 2 power');
  });
});

describe('the leads', () => {
  test('go to its plug, a pair for each of its channels, also for what stays', () => {
    const [run, ...more] = runs(BYPASS, ways({ to: 'Amplifier', lengthMm: 2500 }));
    expect(more).toEqual([]);
    expect(run?.sentence).toContain('front to Front door, left; rear to Rear door, left');
    expect(run).toMatchObject({ need: { what: expect.stringMatching(/^2 times \d\.\d m of pair, /) }, next: null });
  });

  test('are told where nothing new goes in, too: what stays would be silent without', () => {
    const known = channelSheets(car(BYPASS), [REAR], CONFIDENCE);
    const told = known.kind === 'known' ? wireRuns(car(BYPASS), known.sheets, [REAR]) : [];
    expect(told.map(({ id }) => id)).toEqual(['bypass']);
  });

  test('of a length that nobody measured are told, and need nothing yet', () => {
    expect(runs(BYPASS, null)).toEqual([
      expect.objectContaining({ need: null, next: expect.stringContaining('ends at “amplifier”') }),
    ]);
  });

  test('go to every speaker where new wire is run, and to the one that stays', () => {
    const plan: Bypass = { ...BYPASS, leads: 'new' };
    const routes = ways({ to: 'Front door, left', lengthMm: 3000 }, { to: 'Rear door, left', lengthMm: 4000 });
    expect(runs(plan, routes).map(({ what, need }) => [what, need !== null])).toEqual([
      ['Front door, left', true],
      ['Rear door, left', true],
    ]);
    // Kept, what stays on its own wire needs none.
    expect(runs({ kind: 'keep', reason: '' }, routes)).toEqual([]);
  });

  test('to an added amplifier bring its feed', () => {
    const plan: Bypass = { ...BYPASS, by: 'addedAmplifier', power: { watt: 50, rating: 'RMS', atOhm: 4 } };
    const routes = ways({ to: 'amplifier', lengthMm: 2500 }, { from: 'battery', to: 'the boot', lengthMm: 5000 });
    const [, feed] = runs(plan, routes);
    expect(feed).toMatchObject({ id: 'feed', need: { what: expect.stringContaining('a fuse of') } });
    expect(feed?.sentence).toContain('100 W RMS');
  });

  test('are cut where something is ordered for one of its channels, and else not', () => {
    const job = car(BYPASS, ways({ to: 'amplifier', lengthMm: 2500 }));
    const [pairs, joints, ...more] = wiringNeeds(job, OPENINGS, [FRONT], SETTINGS_DEFAULTS);
    expect(pairs?.what).toContain('of pair');
    // At the plug, two for each place on the two channels.
    expect(joints).toEqual({
      what: '4 butt connectors, for the wires on both sides',
      why: 'Past the maker’s amplifier: 4 joints.',
    });
    expect(more).toEqual([]);
    expect(wiringNeeds(job, OPENINGS, [], SETTINGS_DEFAULTS)).toEqual([]);
  });
});

describe('what is open', () => {
  const points = (plan: AmplifierPlan, found: CarFacts = {}) =>
    amplifierPoints(car(plan, null, found), true).map(({ id, isHeld }) => [id, isHeld]);

  test('is the decision, which holds nothing: what hangs on it is judged as if it stays', () => {
    expect(points(null)).toEqual([['amplifier plan', false]]);
    expect(points({ kind: 'keep', reason: '' })).toEqual([]);
  });

  test('is whether every warning is heard without it, and that holds', () => {
    const tried: readonly (readonly [Bypass['sounds'], CarFacts, boolean])[] = [
      ['heard', {}, false],
      ['heard', said('warnings'), false],
      ['notTried', {}, true],
      ['notTried', said('voices'), true],
      ['notTried', said('nothing'), false],
      ['gone', said('nothing'), true],
    ];
    for (const [sounds, found, holds] of tried) {
      const plan: Bypass = { ...BYPASS, sounds };
      expect([sounds, found, points(plan, found)]).toEqual([sounds, found, holds ? [['amplifier sounds', true]] : []]);
      const held = [...wireHolds(car(plan, null, found), OPENINGS, CONFIDENCE)];
      expect(held.map(([id]) => id)).toEqual(holds ? [FRONT.id] : []);
    }
  });

  test('is no decision where nothing new goes onto it; what was decided asks for its looks all the same', () => {
    expect(amplifierPoints(car(null), false)).toEqual([]);
    expect(amplifierPoints(car({ ...BYPASS, sounds: 'gone' }), false)).toMatchObject([{ isHeld: true }]);
  });

  test('holds whatever is chosen where nobody noted which speakers hang on it', () => {
    const unknown = { ...car({ ...BYPASS, sounds: 'notTried' }), vehicle: { channels: null, facts: {}, spaces: null } };
    const words = (job: typeof unknown) => [...wireHolds(job, OPENINGS, CONFIDENCE)].join();
    expect([...wireHolds(unknown, OPENINGS, CONFIDENCE).keys()]).toEqual([FRONT.id]);
    expect(words({ ...unknown, amplifierPlan: BYPASS })).toMatch(/,Nobody noted this car’s channels/);
    expect(words(unknown)).toMatch(/,(?!Nobody).* Nobody noted this car’s channels/);
  });
});

test('what is typed is read with what would do, and told in a line', () => {
  const read = (plan: unknown) => amplifierPlanSchema.safeParse(plan);
  expect(read({ ...BYPASS, leastOhm: -4 }).error?.issues[0]).toMatchObject({
    path: ['leastOhm'],
    message: 'Type ohms above 0.',
  });
  expect(read({ ...BYPASS, by: 'radio' }).success).toBe(false);
  expect(amplifierPlanWords(null)).toBe('not decided');
  expect(amplifierPlanWords(BYPASS)).toBe(
    'bypassed: a new radio; to its plug, then the car’s own wire; stands 4 Ω; 22 W RMS into 4 Ω; warnings and voices: all heard with the amplifier unplugged',
  );
});
