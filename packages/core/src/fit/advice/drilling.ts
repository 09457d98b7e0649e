/**
 * New screw holes in the car, where there is metal for them: so many that enough screws hold, or all of them, with the part turned.
 */
import type { HoleMm } from '../../geometry';
import type { Judgement } from '../Judgement';
import { bracketsOf } from '../judgeCandidate';
import { canBeDrilled, type Place } from '../work/metal';
import type { Work } from '../work/Work';
import type { Worked } from '../work/withWork';

/** So many new holes that enough screws hold. */
export function drill({ opening, candidate }: Worked, now: Judgement): readonly Work[] {
  const [first] = now.mount.joints;
  const [held] = now.mount.placement.turns;
  if (!first || !held || bracketsOf(candidate).length > 0) return [];
  const diameterMm = first.screwSide.holeDiameterMm;
  const { angleRad, landed } = held.turn;
  const places = turnedPlaces(first.holes, angleRad);
  const free = places.filter((place) => canBeDrilled(opening, first.screws, place, diameterMm));
  const wanted = first.enough - landed;
  if (wanted <= 0 || free.length < wanted) return [];
  const kept = held.turn.misalignmentsMm.flatMap((mm, at) => (mm <= first.playMm ? [at] : []));
  const keptPlaces = kept.map((at): Place => [(first.screws[at] as HoleMm).xMm, (first.screws[at] as HoleMm).yMm]);
  return [
    {
      kind: 'drill',
      holes: spreadOut(free, wanted, keptPlaces).map(([xMm, yMm]) => ({ xMm, yMm })),
      kept,
      turnedRad: 0,
    },
  ];
}

/** Steps in which a speaker is turned on new holes, and of how many of them it is judged: those that need the least turning. */
const TURN_STEPS = 24;
const MOST_TURNS = 8;

/**
 * Where a terminal, or an oval, would have to point elsewhere than its screws allow: turned, on new holes all round. Of a part that is
 * the same at every turn there is nothing to turn.
 */
export function turn({ opening, candidate }: Worked, now: Judgement): readonly Work[] {
  const [first] = now.mount.joints;
  const [held] = now.mount.placement.turns;
  const { boxes, basket, flange } = candidate.speaker;
  const isTurned = boxes.length > 0 || basket.kind !== 'circle' || flange.kind !== 'circle';
  if (!first || !held || !isTurned || candidate.layers.some(({ kind }) => kind === 'bracket')) return [];
  const diameterMm = first.screwSide.holeDiameterMm;
  const steps = Array.from({ length: TURN_STEPS - 1 }, (_, at) => (at % 2 === 0 ? 1 : -1) * Math.ceil((at + 1) / 2));
  return steps
    .flatMap((step): readonly Work[] => {
      const turnedRad = (2 * Math.PI * step) / TURN_STEPS;
      const places = turnedPlaces(first.holes, held.turn.angleRad + turnedRad);
      if (!places.every((place) => canBeDrilled(opening, first.screws, place, diameterMm))) return [];
      const holes = places.map(([xMm, yMm]) => ({ xMm, yMm }));
      return [{ kind: 'drill', holes, kept: [], turnedRad }];
    })
    .slice(0, MOST_TURNS);
}

/** As they are marked: to a tenth of a millimetre. */
function turnedPlaces(holes: readonly HoleMm[], angleRad: number): readonly Place[] {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return holes.map(({ xMm, yMm }): Place => [tenths(xMm * cos - yMm * sin), tenths(xMm * sin + yMm * cos)]);
}

function tenths(valueMm: number): number {
  return Math.round(valueMm * 10) / 10;
}

/** Those that lie farthest from all that holds already, one after the other. */
function spreadOut(free: readonly Place[], wanted: number, held: readonly Place[]): readonly Place[] {
  const taken: Place[] = [];
  const nearest = ([x, y]: Place) =>
    Math.min(Number.MAX_VALUE, ...[...held, ...taken].map(([u, v]) => Math.hypot(x - u, y - v)));
  while (taken.length < wanted) {
    const left = free.filter((place) => !taken.includes(place));
    const [best] = [...left].sort((a, b) => nearest(b) - nearest(a));
    if (!best) break;
    taken.push(best);
  }
  return taken;
}
