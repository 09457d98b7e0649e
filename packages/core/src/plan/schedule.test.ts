/** Who does what and when: it holds, it is the best there is where all ways can be tried, and nowhere far above what no schedule is under. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newPanel } from '../model';
import { fuzzed } from '../testing/fuzzed';
import { PLAIN_CAR, PLAIN_PLACE } from '../testing/plainCar';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { carPlan } from './carPlan';
import { type Schedule, type ScheduleStep, schedule } from './schedule';
import { RIVET_TOOLS, SHARED_TOOLS } from './tools';

const step = (
  id: string,
  minutes: number,
  after: readonly string[] = [],
  people: 1 | 2 = 1,
  dryMin = 0,
  tools: readonly string[] = [],
): ScheduleStep => ({
  ...{ id, minutes, after, people, dryMin, tools, isSecondSide: false },
});

/** Nobody is at two steps at once, each is once, with as many as it needs, and after what must be before it. */
function expectToHold(steps: readonly ScheduleStep[], { slots, people, minutes, boundMin }: Schedule): void {
  expect(slots.map(({ id }) => id).sort()).toEqual(steps.map(({ id }) => id).sort());
  const byId = new Map(slots.map((slot) => [slot.id, slot]));
  const ends = slots.map(({ endMin }) => endMin);
  expect(Math.max(0, ...ends)).toBeCloseTo(minutes, 9);
  expect(minutes).toBeGreaterThanOrEqual(boundMin - 1e-9);
  const dryOf = (id: string) => steps.find((each) => each.id === id)?.dryMin ?? 0;
  for (const { id, after } of steps)
    for (const first of after)
      expect(byId.get(id)?.startMin).toBeGreaterThanOrEqual((byId.get(first)?.endMin ?? 0) + dryOf(first) - 1e-9);
  for (const { id, people: wanted } of steps) expect(byId.get(id)?.who).toHaveLength(Math.min(wanted, people));
  // What a shop has one of is in two hands at no time.
  for (const tool of SHARED_TOOLS) {
    const own = slots
      .filter(({ id }) => steps.find((each) => each.id === id)?.tools.includes(tool))
      .sort((a, b) => a.startMin - b.startMin);
    own.slice(1).forEach(({ startMin }, at) => {
      expect(startMin).toBeGreaterThanOrEqual((own[at]?.endMin ?? 0) - 1e-9);
    });
  }
  for (let person = 0; person < people; person++) {
    const own = slots.filter(({ who }) => who.includes(person)).sort((a, b) => a.startMin - b.startMin);
    own.slice(1).forEach(({ startMin }, at) => {
      expect(startMin).toBeGreaterThanOrEqual((own[at]?.endMin ?? 0) - 1e-9);
    });
  }
}

/** The shortest of all ways: every order in which steps can be begun, each as early as it can be. */
function shortest(steps: readonly ScheduleStep[], people: number): number {
  let best = Number.POSITIVE_INFINITY;
  const go = (
    left: readonly ScheduleStep[],
    free: readonly number[],
    drill: number,
    ended: ReadonlyMap<string, number>,
  ) => {
    if (Math.max(...free) >= best) return;
    if (left.length === 0) {
      best = Math.max(...free);
      return;
    }
    for (const each of left) {
      if (each.after.some((id) => !ended.has(id))) continue;
      const hasDrill = each.tools.length > 0;
      const ready = Math.max(hasDrill ? drill : 0, ...each.after.map((id) => ended.get(id) as number));
      const byTime = free.map((at, person) => ({ at, person })).sort((a, b) => a.at - b.at);
      // Anybody may do it, not only who is free first.
      const groups = each.people >= people ? [byTime] : byTime.map((one) => [one]);
      for (const who of groups) {
        const start = Math.max(ready, ...who.map(({ at }) => at));
        const next = free.map((at, person) => (who.some((one) => one.person === person) ? start + each.minutes : at));
        go(
          left.filter((one) => one !== each),
          next,
          hasDrill ? start + each.minutes : drill,
          new Map([...ended, [each.id, start + each.minutes + each.dryMin]]),
        );
      }
    }
  };
  go(
    steps,
    Array.from({ length: people }, () => 0),
    0,
    new Map(),
  );
  return best;
}

const DRILL = RIVET_TOOLS;
const graphs = (most: number) =>
  fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 12 }),
        before: fc.array(fc.nat(most), { maxLength: 2 }),
        isOfTwo: fc.integer({ min: 0, max: 5 }),
        dries: fc.integer({ min: -9, max: 6 }),
        withDrill: fc.integer({ min: 0, max: 2 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((each) =>
      each.map(({ minutes, before, isOfTwo, dries, withDrill }, at) =>
        step(
          `s${at}`,
          minutes,
          [...new Set(before.filter((one) => one < at))].map((one) => `s${one}`),
          isOfTwo === 0 ? 2 : 1,
          Math.max(0, dries),
          withDrill === 0 ? DRILL : [],
        ),
      ),
    );

test('two doors side by side, with what is before and after them', () => {
  const steps = [
    step('battery', 4),
    step('left off', 10, ['battery']),
    step('right off', 10, ['battery']),
    step('left in', 6, ['left off']),
    step('right in', 6, ['right off']),
    step('both lift', 2, ['left in', 'right in'], 2),
  ];
  expect(schedule(steps, 1)).toMatchObject({ minutes: 38, boundMin: 38 });
  const two = schedule(steps, 2);
  expectToHold(steps, two);
  expect(two).toMatchObject({ minutes: 22, boundMin: 22 });
  expect(two.critical[0]).toBe('battery');
  expect(two.slots.find(({ id }) => id === 'both lift')?.who).toHaveLength(2);
});

test('two who would drill at once drill one after the other, and do meanwhile what wants no drill', () => {
  const sides = ['left', 'right'].flatMap((side) => [
    step(`${side} rivets`, 10, [], 1, 0, DRILL),
    step(`${side} wires`, 10),
  ]);
  const two = schedule(sides, 2);
  expectToHold(sides, two);
  expect(two).toMatchObject({ minutes: 20, boundMin: 20 });
  const drills = sides.filter(({ tools }) => tools.length > 0);
  expect(schedule(drills, 2)).toMatchObject({ minutes: 20, boundMin: 20 });
  const forks = drills.map((each) => ({ ...each, tools: ['Forks of plastic'] }));
  expect(schedule(forks, 2)).toMatchObject({ minutes: 10, boundMin: 10 });
});

test('what dries is waited for where nothing else is to be done, and worked beside where something is', () => {
  const sealed = step('edge sealed', 5, [], 1, 20);
  const alone = schedule([sealed, step('in', 5, ['edge sealed'])], 1);
  expect(alone).toMatchObject({ minutes: 30, boundMin: 30 });
  const other = schedule([sealed, step('in', 5, ['edge sealed']), step('card off', 12)], 1);
  expect(other).toMatchObject({ minutes: 30, boundMin: 30 });
  expect(other.slots.map(({ id, startMin }) => [id, startMin])).toEqual([
    ['edge sealed', 0],
    ['card off', 5],
    ['in', 25],
  ]);
  expect(schedule([sealed, step('in', 5, ['edge sealed']), step('card off', 40)], 2).minutes).toBe(40);
});

test('who does the second side without having done the first learns nothing of it', () => {
  const sides = [step('left', 20), { ...step('right', 10), isSecondSide: true }];
  expect(schedule(sides, 1).minutes).toBe(30);
  expect(schedule(sides, 2).minutes).toBe(20);
  // Where that is no gain it is not done.
  const chained = [step('left', 20), { ...step('right', 10, ['left']), isSecondSide: true }];
  expect(schedule(chained, 2)).toMatchObject({ minutes: 30, people: 2 });
});

describe('against all ways there are', () => {
  test('small cases come out as short as any', () => {
    fc.assert(
      fc.property(graphs(6), (steps) => {
        const found = schedule(steps, 2);
        expectToHold(steps, found);
        const best = shortest(steps, 2);
        expect(found.boundMin).toBeLessThanOrEqual(best + 1e-9);
        expect(found.minutes).toBeCloseTo(best, 9);
      }),
      fuzzed(100),
    );
  });

  test('one person more never makes it longer', () => {
    fc.assert(
      fc.property(graphs(20), (steps) => {
        const [one, two, three] = [1, 2, 3].map((people) => schedule(steps, people));
        for (const each of [one, two, three]) expectToHold(steps, each as Schedule);
        expect(two?.minutes).toBeLessThanOrEqual((one?.minutes ?? 0) + 1e-9);
        expect(three?.minutes).toBeLessThanOrEqual((two?.minutes ?? 0) + 1e-9);
      }),
      fuzzed(40),
    );
  });
});

test('a pair of doors with ten fixings each is no twentieth above what no schedule is under', () => {
  const fasteners = Array.from({ length: 10 }, (_, at) => ({
    ...{ key: `f${at}`, kind: 'screw', where: `at ${at}`, cover: 'none', head: 'crossHead', driver: 'PH2' },
    ...{ lengthMm: 16, base: 'plastic', count: 2, marked: [] },
  })) as NonNullable<ReturnType<typeof newPanel>['fasteners']>;
  const { steps } = carPlan(
    {
      ...PLAIN_CAR,
      openings: (['left', 'right'] as const).map((side) => ({
        ...{ ...PLAIN_PLACE, id: side },
        record: { ...PLAIN_OPENING, side, presence: 'fitted', behind: 'glass' },
      })),
      panels: (['frontLeft', 'frontRight'] as const).map((spot) => ({
        ...newPanel({ kind: 'doorCard', spot, name: '' }),
        ...{ comesOff: 'whole', pryFrom: 'below', attached: [], fasteners },
      })),
    },
    { keysProve: false, unit: 'mm' },
  );
  const two = schedule(steps, 2);
  expectToHold(steps, two);
  expect(two.minutes).toBeLessThanOrEqual(two.boundMin * 1.05);
  expect(two.minutes).toBeLessThan(schedule(steps, 1).minutes);
});
