/** Whether what is put into a car goes where it is meant to lie, with room for its wires, and beside whatever else lies there now or later. */
import { boxWords } from '../catalogue';
import { capital } from '../firstLetter';
import { type BoxSides, boxRoom } from '../geometry';
import { listed } from '../listed';
import {
  isOnlyHeard,
  type JobFacts,
  nameKey,
  SOURCE_HALF_WIDTHS_MM,
  type Space,
  type StowedKind,
  spaceWords,
  type VehicleRecord,
} from '../model';
import type { CrossoverCheck } from '../sound';
import { coverageFactor, intervalVerdict } from '../uncertainty';

export type PlaceCheck = Pick<CrossoverCheck, 'verdict' | 'sentence' | 'settledBy' | 'margin'>;

/** A crossover, or another box, as it is laid into a space. */
export type Laid = {
  readonly name: string;
  readonly box: BoxSides | null;
  readonly space: string;
  /** At one end, for what is plugged in there. */
  readonly wiresMm: number;
  readonly isLater: boolean;
};

/** Wires leave at one end, and bend; an amplifier's are thick (from memory). */
const CROSSOVER_WIRES_MM = 20;
const WIRES_MM: Readonly<Record<StowedKind, number>> = {
  amplifier: 40,
  bassBox: 20,
  distributor: 40,
  other: 20,
};

/** All that is put into a car, crossovers first. */
export function laidIn({ crossovers, stowed }: Pick<JobFacts, 'crossovers' | 'stowed'>): readonly Laid[] {
  return [
    ...crossovers.map(({ name, box, space }) => ({
      ...{ name: `crossover ${name}`, box, space },
      wiresMm: CROSSOVER_WIRES_MM,
      isLater: false,
    })),
    ...stowed.map(({ name, kind, box, space, isLater }) => ({ name, box, space, wiresMm: WIRES_MM[kind], isLater })),
  ];
}

/**
 * @param name of the space that it is to go into; not empty
 * @param all that is put into the car
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 */
export function boxPlace(
  name: string,
  all: readonly Laid[],
  spaces: VehicleRecord['spaces'],
  confidence: number,
): PlaceCheck {
  const space = (spaces ?? []).find((each) => nameKey(each.name) === nameKey(name));
  if (!space)
    return check(
      'measure',
      `The vehicle has no space that is called “${name}”.`,
      'Note it there with its three sides.',
    );
  const sides = sidesOf(space);
  if (!sides)
    return check('measure', `Nobody measured the space: ${spaceWords(space)}.`, 'Measure length, width and height.');
  const there = all.filter((each) => nameKey(each.space) === nameKey(name));
  const unknown = there.filter(({ box }) => box === null);
  if (unknown.length > 0)
    return check(
      'measure',
      `Nobody wrote down the size of ${listed(unknown.map((each) => each.name))}.`,
      'It stands in its sheet; otherwise measure the box.',
    );
  return roomCheck(there, sides, space, confidence);
}

function roomCheck(there: readonly Laid[], sides: BoxSides, space: Space, confidence: number): PlaceCheck {
  const boxes = there.flatMap(({ box, wiresMm }) =>
    box === null ? [] : [{ ...box, lengthMm: box.lengthMm + wiresMm }],
  );
  const { foundMm, atMostMm } = boxRoom(boxes, sides);
  const variance = SOURCE_HALF_WIDTHS_MM.tapeMm ** 2 + boxes.length * SOURCE_HALF_WIDTHS_MM.catalogue ** 2;
  const expandedMm = coverageFactor(confidence, null, 0) * Math.sqrt(variance / 3);
  const isOne = there.length === 1;
  const names = listed(there.map((each) => `${each.name}${each.isLater ? ' (later)' : ''}`));
  const what = isOne ? 'It' : `${capital(names)} together`;
  const wires = listed([...new Set(there.map(({ wiresMm }) => `${wiresMm}`))]);
  const where = `“${space.name}” (${boxWords(sides)} free; ${wires} mm at an end are for wires)`;
  const goes = `${what} ${isOne ? 'goes' : 'go'} into ${where}`;
  if (intervalVerdict(atMostMm, expandedMm) === 'hits')
    return check('hits', `${what} ${isOne ? 'does' : 'do'} not go into ${where}.`, 'Lay it elsewhere.', {
      mm: atMostMm,
      expandedMm,
    });
  if (foundMm === null || intervalVerdict(foundMm, expandedMm) === 'hits')
    return check(
      'measure',
      `No way was found in which ${names} go into ${where} together.`,
      'Lay them out where it is free, or one of them elsewhere.',
    );
  const margin = { mm: foundMm, expandedMm };
  if (intervalVerdict(foundMm, expandedMm) === 'measure')
    return check(
      'measure',
      `${what} may go into ${where}.`,
      'Measure the tightest side of the space again, or hold the box in.',
      margin,
    );
  if (isOnlyHeard(space.grade))
    return check(
      'measure',
      `${goes}, as far as somebody heard: nobody measured it on such a car.`,
      'Measure what is free there.',
      margin,
    );
  return check('clears', `${goes}.`, null, margin);
}

function sidesOf({ lengthMm, widthMm, heightMm }: Space): BoxSides | null {
  return lengthMm === null || widthMm === null || heightMm === null ? null : { lengthMm, widthMm, heightMm };
}

function check(
  verdict: PlaceCheck['verdict'],
  sentence: string,
  settledBy: string | null,
  margin: PlaceCheck['margin'] = null,
): PlaceCheck {
  return { verdict, sentence, settledBy, margin };
}
