/** Wires and boxes that are of no one opening: what is run new, joined away from the speakers that go in, and laid into the car. */
import type { JointLine, WireRun } from '../stations';
import { MINUTES } from './minutes';
import { type PlanStep, stepOf } from './PlanStep';
import { JOINT_TOOLS } from './tools';

/** A crossover, an amplifier, a bass box that is put in now. */
export type PlanBox = { readonly what: string; readonly words: string };

type WiresGiven = {
  readonly runs: readonly WireRun[];
  readonly boxes: readonly PlanBox[];
  /** Of no opening that something goes into. */
  readonly joints: readonly JointLine[];
  /** Panels that are off before. */
  readonly after: readonly string[];
};

export function wireSteps({ runs, boxes, joints, after }: WiresGiven): readonly PlanStep[] {
  const laid = boxes.map(({ what, words }) =>
    stepOf({
      ...{ id: `box ${what}`, where: 'Boxes', from: `Boxes: ${what}`, minutes: MINUTES.box, after },
      what: `${what} in its place: ${words}.`,
      cautions: ['Nothing is drilled where nobody looked what lies behind.'],
    }),
  );
  const run = runs.map(({ id, what, sentence, next }) =>
    stepOf({
      ...{ id: `wire ${id}`, where: 'Wires', from: `New wire: ${what}`, open: next, minutes: MINUTES.newWire, after },
      what: `New wire, ${what}: ${sentence}`,
      cautions: [
        'Along the car’s own loom, tied clear of glass and rail, never bare through metal; pulled before it gets its terminals.',
        ...(id.startsWith('feed') ? ['Its fuse goes in last, once all of it is closed.'] : []),
      ],
    }),
  );
  const joined = joints.filter(isMade).map(jointStep(after, 'Wires'));
  return [...laid, ...run, ...joined];
}

/** Where everything plugs in nothing is done; what nobody decided is a step that says so. */
export function isMade({ count }: JointLine): boolean {
  return count !== 0;
}

/** @param where the opening, or what else it is at */
export function jointStep(after: readonly string[], where: string): (line: JointLine) => PlanStep {
  return ({ id, what, sentence, next, way, count }) =>
    stepOf({
      ...{ id: `joint ${id}`, where, from: `Joints: ${what}`, open: next, after },
      what: where === what ? sentence : `${what}: ${sentence}`,
      tools: way === null ? [] : JOINT_TOOLS[way],
      minutes: MINUTES.joint * (count ?? 1),
      cautions: way === 'solder' ? ['Hot iron: not near trim, and not over a seat.'] : [],
    });
}
