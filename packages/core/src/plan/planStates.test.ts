/** How far a plan is, and what keeps a step from being ticked. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Bay, StepMark } from '../model';
import { fuzzed } from '../testing/fuzzed';
import { type NewStep, type PlanStep, stepOf } from './PlanStep';
import { handOverHolds, marksWithoutStep, missingAt, nextStep, planStates, type StepState } from './planStates';

const step = (id: string, after: readonly string[] = [], more: Partial<NewStep> = {}): PlanStep =>
  stepOf({ ...{ id, after, where: 'Door', what: `Do ${id}.`, from: 'a line', minutes: 1 }, ...more });
const AT = '2026-12-04T09:00:00.000Z';
const mark = (each: PlanStep, more: Partial<StepMark> = {}): StepMark => ({
  ...{ state: 'done', by: 'Rieke', at: AT, print: each.print, ...more },
});
const bayOf = (...marks: readonly (readonly [PlanStep, Partial<StepMark>?])[]): Bay => ({
  steps: Object.fromEntries(marks.map(([each, more]) => [each.id, mark(each, more)])),
  found: [],
});

const OFF = step('off', [], { counts: { what: 'screw', way: 'off', count: 4, outAt: null } });
const HEARD = step('heard', ['off']);
const ON = step('on', ['heard'], { counts: { what: 'screw', way: 'on', count: 4, outAt: 'off' } });
const CLOSED = step('closed', ['on'], { isGate: true });
const STEPS = [OFF, HEARD, ON, CLOSED];
const stateOf = (id: string, bay: Bay): StepState => {
  const found = planStates(STEPS, bay).find((each) => each.step.id === id);
  if (!found) throw new Error(`expected a step ${id}`);
  return found;
};

describe('a step', () => {
  test('is open until it is ticked, left out with a reason, and open again when the plan says something else', () => {
    expect(planStates(STEPS, bayOf()).map(({ kind }) => kind)).toEqual(['open', 'open', 'open', 'open']);
    const begun = bayOf([OFF], [HEARD, { state: 'skipped', reason: 'no supply' }], [ON, { state: 'noted', note: 'x' }]);
    expect(planStates(STEPS, begun).map(({ kind }) => kind)).toEqual(['done', 'skipped', 'open', 'open']);
    const changed = [stepOf({ ...OFF, what: 'Do off otherwise.' }), HEARD];
    expect(planStates(changed, begun)[0]?.kind).toBe('again');
  });

  test('tells all that is open before it, not only what is next to it', () => {
    expect(stateOf('closed', bayOf()).before.map(({ id }) => id)).toEqual(['off', 'heard', 'on']);
    expect(stateOf('closed', bayOf([OFF], [ON])).before.map(({ id }) => id)).toEqual(['heard']);
    expect(stateOf('closed', bayOf([OFF], [HEARD, { state: 'skipped' }], [ON])).before).toEqual([]);
  });

  test('the next is the first that waits for nothing', () => {
    expect(nextStep(planStates(STEPS, bayOf()))?.step.id).toBe('off');
    expect(nextStep(planStates(STEPS, bayOf([OFF], [HEARD])))?.step.id).toBe('on');
    expect(nextStep(planStates(STEPS, bayOf([OFF], [HEARD], [ON], [CLOSED])))).toBeNull();
  });

  test('what is ticked and of the plan no more is told', () => {
    const bay = bayOf([OFF], [step('gone')], [step('thought'), { state: 'noted', note: 'x' }]);
    expect(marksWithoutStep(STEPS, bay).map(([id]) => id)).toEqual(['gone']);
  });
});

describe('what keeps a step from being ticked', () => {
  test('a panel does not close over what is open; what is only out of order is ticked', () => {
    expect(missingAt(stateOf('closed', bayOf([OFF], [ON])), {}, bayOf([OFF], [ON]))).toBe('Before it: Door: Do heard.');
    expect(missingAt(stateOf('closed', bayOf()), {}, bayOf())).toMatch(/^Before it: .*Do on\.$/);
    expect(missingAt(stateOf('heard', bayOf()), {}, bayOf())).toBeNull();
    const all = bayOf([OFF], [HEARD], [ON]);
    expect(missingAt(stateOf('closed', all), {}, all)).toBeNull();
  });

  test('fewer back than out is no whole count', () => {
    const bay = bayOf([OFF, { counted: { pieces: 4, broken: 0, replaced: 0 } }], [HEARD]);
    const back = (pieces: number) =>
      missingAt(stateOf('on', bay), { counted: { pieces, broken: 0, replaced: 0 } }, bay);
    expect(back(3)).toBe('4 came out, and 3 went back: find the rest, or count what is new in its place.');
    expect(back(4)).toBeNull();
  });

  test('a bolt of a belt wants its torque, with where it is written', () => {
    const belt = step('belt', [], { hasTorque: true });
    const [state] = planStates([belt], bayOf()) as [StepState];
    expect(missingAt(state, {}, bayOf())).toMatch(/^Its torque/);
    expect(missingAt(state, { torque: { value: 40, unit: 'newtonMetre', source: 'p. 12' } }, bayOf())).toBeNull();
  });
});

test('a car does not leave before what is never left out is done, and signed by two where that is asked', () => {
  const belt = step('belt', [], { isMust: true, needsSecond: true });
  const steps = [OFF, belt];
  const second = { by: 'Jory', at: AT };
  expect(handOverHolds(steps, bayOf())).toEqual([]);
  expect(handOverHolds(steps, bayOf([OFF]))).toEqual(['Door: Do belt.']);
  expect(handOverHolds(steps, bayOf([belt, { seconded: null }]))).toEqual(['A second person signs. Door: Do belt.']);
  expect(handOverHolds(steps, bayOf([belt, { seconded: second }]))).toEqual([]);
  // Signed for what it said then.
  expect(
    handOverHolds([stepOf({ ...belt, what: 'Do the other belt.' })], bayOf([belt, { seconded: second }])),
  ).toHaveLength(1);
});

test('whatever is ticked in whatever order, the next step waits for nothing that is open, as long as there is one', () => {
  const graph = fc.array(fc.array(fc.nat(30), { maxLength: 4 }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(graph, fc.array(fc.nat(30)), (before, ticked) => {
      const steps = before.map((each, at) =>
        step(
          `s${at}`,
          [...new Set(each.filter((one) => one < at))].map((one) => `s${one}`),
        ),
      );
      const bay = bayOf(...steps.filter((_, at) => ticked.includes(at)).map((each) => [each] as const));
      const states = planStates(steps, bay);
      const next = nextStep(states);
      if (next === null) expect(states.every(({ kind }) => kind === 'done')).toBe(true);
      else expect(next.before).toEqual([]);
      // By looking at every way back.
      for (const state of states) {
        const open = new Set<string>();
        const seen = new Set<string>();
        const walk = (id: string) => {
          if (seen.has(id)) return;
          seen.add(id);
          if (!bay.steps[id]) open.add(id);
          steps.find((each) => each.id === id)?.after.forEach(walk);
        };
        state.step.after.forEach(walk);
        expect(new Set(state.before.map(({ id }) => id))).toEqual(open);
      }
    }),
    fuzzed(60),
  );
});
