/**
 * Who does what and when: steps by one or two people, each after what must be before it, a step of two people with both. It is the problem of
 * scheduling under precedence on few machines, which nobody solves exactly for a whole car in the time of a press (R. L. Graham, "Bounds on
 * multiprocessing timing anomalies", SIAM J. Appl. Math. 17, 1969): lists by several orders are tried, the best is kept, and how far it may be from
 * the best there is is told by a bound that no schedule is under. Of a few steps the best is found by looking at all ways.
 */
import { seededRandom } from '../math';
import { SECOND_SIDE } from './minutes';
import type { PlanStep } from './PlanStep';
import { sharedTools } from './tools';

export type ScheduleStep = Pick<PlanStep, 'id' | 'minutes' | 'dryMin' | 'people' | 'tools' | 'after' | 'isSecondSide'>;

export type Slot = {
  readonly id: string;
  readonly startMin: number;
  readonly endMin: number;
  /** From 0. */
  readonly who: readonly number[];
};

export type Schedule = {
  readonly people: number;
  readonly minutes: number;
  /** No schedule of so many people is under it, min. */
  readonly boundMin: number;
  /** In the order in which they begin. */
  readonly slots: readonly Slot[];
  /** Steps one after the other that take longest: what of them is quicker makes all of it quicker. */
  readonly critical: readonly string[];
};

/** Orders that are tried besides the usual ones. */
const TRIES = 60;
/** Of so few steps all ways are looked at. */
const MOST_EXACT = 7;
const SAME_MIN = 1e-9;

/**
 * @param steps in an order that holds
 * @param people so many; one more never makes it longer, because who is one too many rests
 */
export function schedule(steps: readonly ScheduleStep[], people: number): Schedule {
  if (people <= 1) return serial(steps);
  const fewer = schedule(steps, people - 1);
  const best = bestOf(steps.map(fresh), people);
  const boundMin = Math.min(best.boundMin, fewer.boundMin);
  if (best.minutes < fewer.minutes) return { ...best, boundMin };
  return { ...fewer, people, boundMin, slots: withHelp(steps, fewer.slots, people) };
}

/** Who rests helps where a step wants two. */
function withHelp(steps: readonly ScheduleStep[], slots: readonly Slot[], people: number): readonly Slot[] {
  const wanted = new Map(steps.map((step) => [step.id, Math.min(step.people, people)]));
  return slots.map((slot) => {
    const others = Array.from({ length: people }, (_, person) => person).filter((person) => !slot.who.includes(person));
    return { ...slot, who: [...slot.who, ...others].slice(0, Math.max(slot.who.length, wanted.get(slot.id) ?? 1)) };
  });
}

/** Two who work side by side learn nothing of each other: the second side takes as long as the first. */
function fresh(step: ScheduleStep): ScheduleStep {
  return step.isSecondSide ? { ...step, minutes: step.minutes / SECOND_SIDE } : step;
}

/**
 * One after the other; a step of two people with a helper for as long as it takes. What waits until something is dry is left for what is next, or
 * waited for where nothing is.
 */
function serial(steps: readonly ScheduleStep[]): Schedule {
  const graph = graphOf(steps, 1);
  const { path, toEnd } = longestPath(steps);
  const work = graph.minutes.reduce((sum, each) => sum + each, 0);
  const placed = listed(
    graph,
    1,
    steps.map((_, at) => -at),
  );
  const slots = placed.map(({ at, ...slot }): Slot => ({ id: steps[at]?.id ?? '', ...slot }));
  return { people: 1, minutes: lengthOf(placed), boundMin: Math.max(work, 0, ...toEnd), slots, critical: path };
}

type Graph = {
  readonly minutes: readonly number[];
  /** Until what follows may begin. */
  readonly dry: readonly number[];
  readonly people: readonly number[];
  /** What of it a shop has once, by its number. */
  readonly tools: readonly (readonly number[])[];
  readonly toolCount: number;
  /** By places: what must be before a step, and what waits for it. */
  readonly before: readonly (readonly number[])[];
  readonly later: readonly (readonly number[])[];
};

function graphOf(steps: readonly ScheduleStep[], people: number): Graph {
  const places = new Map(steps.map(({ id }, at) => [id, at]));
  const before = steps.map(({ id, after }, at) =>
    after.map((first) => {
      const place = places.get(first) ?? -1;
      if (place < 0 || place >= at) throw new Error(`schedule: expected ${first} before ${id}`);
      return place;
    }),
  );
  const shared = sharedTools(steps);
  const later: number[][] = steps.map(() => []);
  before.forEach((own, at) => {
    for (const place of own) later[place]?.push(at);
  });
  return {
    minutes: steps.map(({ minutes }) => minutes),
    dry: steps.map(({ dryMin }) => dryMin),
    people: steps.map((step) => Math.min(step.people, people)),
    tools: steps.map(({ tools }) => shared.flatMap((tool, at) => (tools.includes(tool) ? at : []))),
    toolCount: shared.length,
    before,
    later,
  };
}

function bestOf(steps: readonly ScheduleStep[], people: number): Schedule {
  const graph = graphOf(steps, people);
  const { path, toEnd } = longestPath(steps);
  const boundMin = boundOf(graph, people);
  const random = seededRandom(steps.length);
  const usual: ((at: number) => number)[] = [
    (at) => toEnd[at] ?? 0,
    (at) => -at,
    (at) => graph.minutes[at] ?? 0,
    (at) => (toEnd[at] ?? 0) + ((graph.people[at] ?? 1) > 1 ? 1e6 : 0),
  ];
  let best: readonly Placed[] | null = null;
  for (let turn = 0; turn < usual.length + TRIES; turn++) {
    const rank = usual[turn] ?? ((at: number) => (toEnd[at] ?? 0) * (0.7 + 0.6 * random()));
    const placed = listed(
      graph,
      people,
      steps.map((_, at) => rank(at)),
    );
    if (best === null || lengthOf(placed) < lengthOf(best)) best = placed;
    if (lengthOf(best) <= boundMin + SAME_MIN) break;
  }
  const placed = exact(graph, people, toEnd, best ?? [], boundMin);
  const slots = placed.map(({ at, ...slot }): Slot => ({ id: steps[at]?.id ?? '', ...slot }));
  return { people, minutes: lengthOf(placed), boundMin, slots, critical: path };
}

type Placed = Omit<Slot, 'id'> & { readonly at: number };

function lengthOf(slots: readonly Pick<Slot, 'endMin'>[]): number {
  return slots.reduce((most, { endMin }) => Math.max(most, endMin), 0);
}

/** Whenever somebody is free, the step that can begin first is begun, of several the one that ranks highest; a step of two waits for both. */
function listed(
  { minutes, dry, people: needed, tools, toolCount, before, later }: Graph,
  people: number,
  rank: readonly number[],
): Placed[] {
  const free: number[] = Array.from({ length: people }, () => 0);
  const lastOf: number[] = free.map(() => -1);
  const toolFree: number[] = Array.from({ length: toolCount }, () => 0);
  const waits = before.map(({ length }) => length);
  const readyMin = minutes.map(() => 0);
  const ready = waits.flatMap((count, at) => (count === 0 ? [at] : []));
  const placed: Placed[] = [];
  while (ready.length > 0) {
    const byTime = free.map((_, person) => person).sort((a, b) => (free[a] as number) - (free[b] as number) || a - b);
    let [which, startMin] = [0, Number.POSITIVE_INFINITY];
    ready.forEach((at, place) => {
      const last = free[byTime[(needed[at] as number) - 1] as number] as number;
      const start = (tools[at] as readonly number[]).reduce(
        (latest, tool) => Math.max(latest, toolFree[tool] as number),
        Math.max(readyMin[at] as number, last),
      );
      const isSooner = start < startMin - SAME_MIN;
      const ranksHigher = (rank[at] as number) > (rank[ready[which] as number] as number);
      if (isSooner || (start < startMin + SAME_MIN && ranksHigher)) [which, startMin] = [place, start];
    });
    const [at] = ready.splice(which, 1) as [number];
    const endMin = startMin + (minutes[at] as number);
    // Who was at what it follows from goes on with it, where that makes nothing later.
    const isAtHand = (person: number) => (before[at] as readonly number[]).includes(lastOf[person] as number);
    const inTime = byTime.filter((person) => (free[person] as number) < startMin + SAME_MIN);
    const who = [...inTime.filter(isAtHand), ...inTime.filter((person) => !isAtHand(person))].slice(0, needed[at]);
    for (const person of who) [free[person], lastOf[person]] = [endMin, at];
    for (const tool of tools[at] as readonly number[]) toolFree[tool] = endMin;
    for (const next of later[at] as readonly number[]) {
      readyMin[next] = Math.max(readyMin[next] as number, endMin + (dry[at] as number));
      waits[next] = (waits[next] as number) - 1;
      if (waits[next] === 0) ready.push(next);
    }
    placed.push({ at, startMin, endMin, who });
  }
  return placed;
}

/**
 * The shortest of all ways where they are few: every order in which steps can be begun, by whoever may, each as early as it can be. A way that
 * is no shorter than the best one by the time its longest chain ends is left.
 *
 * @param known the best so far
 */
function exact(
  { minutes, dry, people: needed, tools, toolCount, before }: Graph,
  people: number,
  toEnd: readonly number[],
  known: readonly Placed[],
  boundMin: number,
): readonly Placed[] {
  let best = known;
  if (minutes.length > MOST_EXACT) return best;
  const go = (
    placed: readonly Placed[],
    free: readonly number[],
    toolFree: readonly number[],
    ends: ReadonlyMap<number, number>,
  ): void => {
    if (lengthOf(best) <= boundMin + SAME_MIN) return;
    if (placed.length === minutes.length) {
      if (lengthOf(placed) < lengthOf(best) - SAME_MIN) best = placed;
      return;
    }
    for (let at = 0; at < minutes.length; at++) {
      const first = before[at] as readonly number[];
      if (ends.has(at) || first.some((each) => !ends.has(each))) continue;
      const ready = Math.max(0, ...first.map((each) => (ends.get(each) as number) + (dry[each] as number)));
      for (const who of groupsOf(free, needed[at] as number)) {
        const own = tools[at] as readonly number[];
        const startMin = Math.max(
          ready,
          ...who.map((person) => free[person] as number),
          ...own.map((tool) => toolFree[tool] as number),
        );
        if (startMin + (toEnd[at] as number) >= lengthOf(best) - SAME_MIN) continue;
        const endMin = startMin + (minutes[at] as number);
        const after = free.map((each, person) => (who.includes(person) ? endMin : each));
        const toolsAfter = toolFree.map((each, tool) => (own.includes(tool) ? endMin : each));
        go([...placed, { at, startMin, endMin, who }], after, toolsAfter, new Map(ends).set(at, endMin));
      }
    }
  };
  go(
    [],
    Array.from({ length: people }, () => 0),
    Array.from({ length: toolCount }, () => 0),
    new Map(),
  );
  return best;
}

/** So many of the people, every way that differs: who is free at the same moment may stand for one another. */
function groupsOf(free: readonly number[], count: number): readonly (readonly number[])[] {
  const pick = (from: number, left: number): readonly (readonly number[])[] => {
    if (left === 0) return [[]];
    return free.flatMap((_, person) =>
      person < from ? [] : pick(person + 1, left - 1).map((rest) => [person, ...rest]),
    );
  };
  const moments = (group: readonly number[]) => group.map((person) => free[person]).join();
  const all = pick(0, count);
  return all.filter((group, at) => all.findIndex((other) => moments(other) === moments(group)) === at);
}

/**
 * What no schedule is under: a step that all others are before or after cuts the work in two, and each part takes at least as long as its
 * longest chain, and as all of it shared out; and all that wants one tool takes as long as it does one after the other.
 */
function boundOf(graph: Graph, people: number): number {
  const { minutes, dry, people: needed, tools, before } = graph;
  const count = minutes.length;
  const isBefore = before.map(() => new Uint8Array(count));
  before.forEach((own, at) => {
    for (const first of own) {
      (isBefore[at] as Uint8Array)[first] = 1;
      (isBefore[first] as Uint8Array).forEach((is, place) => {
        if (is) (isBefore[at] as Uint8Array)[place] = 1;
      });
    }
  });
  const isCut = minutes.map((_, at) =>
    minutes.every((__, other) => other === at || isBefore[at]?.[other] === 1 || isBefore[other]?.[at] === 1),
  );
  // Parts by how many cuts are before them.
  const parts = new Map<number, number[]>();
  minutes.forEach((_, at) => {
    const part = isCut.reduce((sum, cut, place) => sum + (cut && isBefore[at]?.[place] ? 1 : 0), 0);
    if (!isCut[at]) parts.set(part, [...(parts.get(part) ?? []), at]);
  });
  const cuts = minutes.reduce((sum, each, at) => sum + (isCut[at] ? each : 0), 0);
  const inParts = [...parts.values()].reduce((sum, part) => {
    const ends = new Map<number, number>();
    let work = 0;
    for (const at of part) {
      const own = (before[at] ?? []).filter((each) => ends.has(each));
      const first = Math.max(0, ...own.map((each) => (ends.get(each) as number) + (dry[each] as number)));
      ends.set(at, first + (minutes[at] as number));
      work += (minutes[at] as number) * (needed[at] as number);
    }
    return sum + Math.max(work / people, ...ends.values());
  }, cuts);
  // What there is one of is at one step at a time.
  const byTool = Array.from({ length: graph.toolCount }, (_, tool) =>
    minutes.reduce((sum, each, at) => sum + (tools[at]?.includes(tool) ? each : 0), 0),
  );
  return Math.max(inParts, ...byTool);
}

function longestPath(steps: readonly ScheduleStep[]): {
  readonly path: readonly string[];
  /** From each step's beginning to the end of all, min. */
  readonly toEnd: readonly number[];
} {
  const { minutes, dry, later } = graphOf(steps, 1);
  const toEnd = minutes.map(() => 0);
  const nextOf = minutes.map(() => -1);
  for (let at = minutes.length - 1; at >= 0; at--) {
    for (const next of later[at] as readonly number[])
      if ((nextOf[at] as number) < 0 || (toEnd[next] as number) > (toEnd[nextOf[at] as number] as number))
        nextOf[at] = next;
    const rest = nextOf[at] as number;
    toEnd[at] = (minutes[at] as number) + (rest < 0 ? 0 : (dry[at] as number) + (toEnd[rest] as number));
  }
  const path: string[] = [];
  for (let at = toEnd.indexOf(Math.max(...toEnd)); at >= 0; at = nextOf[at] as number) path.push(steps[at]?.id ?? '');
  return { path, toEnd };
}
