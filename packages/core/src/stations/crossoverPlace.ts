/** Whether a crossover's box goes where it is meant to lie, with room for its wires, and beside whatever else lies there. */
import { boxWords } from '../catalogue';
import { type BoxSides, boxRoom } from '../geometry';
import { listed } from '../listed';
import {
  type Crossover,
  crossoverKey,
  isOnlyHeard,
  SOURCE_HALF_WIDTHS_MM,
  type Space,
  spaceWords,
  type VehicleRecord,
} from '../model';
import type { CrossoverCheck } from '../sound';
import { coverageFactor, intervalVerdict } from '../uncertainty';

/** Its wires leave at one end, and bend (from memory). */
const PLUG_MM = 20;

/**
 * @param others all crossovers of the job
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 */
export function crossoverPlace(
  crossover: Crossover,
  others: readonly Crossover[],
  spaces: VehicleRecord['spaces'],
  confidence: number,
): CrossoverCheck {
  const { space: name, at } = crossover;
  if (name === '')
    return at === null
      ? check('measure', 'Nobody decided where it lies.', 'Choose where, and one of the vehicle’s spaces.')
      : check(
          'measure',
          'Whether it goes in there nobody can say: none of the vehicle’s spaces is chosen for it.',
          at === 'door'
            ? 'Measure what is free behind the card, glass down, and note it with the vehicle as a space.'
            : 'Measure what is free there, and note it with the vehicle as a space.',
        );
  const space = (spaces ?? []).find((each) => crossoverKey(each.name) === crossoverKey(name));
  if (!space)
    return check('measure', `The vehicle has no space that is called ${name}.`, 'Note it there with its three sides.');
  const sides = sidesOf(space);
  if (!sides)
    return check('measure', `Nobody measured the space: ${spaceWords(space)}.`, 'Measure length, width and height.');
  const there = others.filter((each) => crossoverKey(each.space) === crossoverKey(name));
  const unknown = there.filter(({ box }) => box === null);
  if (unknown.length > 0)
    return check(
      'measure',
      `Nobody wrote down the size of ${listed(unknown.map((each) => each.name))}.`,
      'It stands in its sheet; otherwise measure the box.',
    );
  const boxes = there.flatMap(({ box }) => (box === null ? [] : [withPlugs(box)]));
  return roomCheck(boxes, sides, space, there, confidence);
}

function roomCheck(
  boxes: readonly BoxSides[],
  sides: BoxSides,
  space: Space,
  there: readonly Crossover[],
  confidence: number,
): CrossoverCheck {
  const { foundMm, atMostMm } = boxRoom(boxes, sides);
  const variance = SOURCE_HALF_WIDTHS_MM.tapeMm ** 2 + boxes.length * SOURCE_HALF_WIDTHS_MM.catalogue ** 2;
  const expandedMm = coverageFactor(confidence, null, 0) * Math.sqrt(variance / 3);
  const what = boxes.length === 1 ? 'It' : `${listed(there.map(({ name }) => name))} together`;
  const free = boxWords(sides);
  const where = `${space.name} (${free} free; ${PLUG_MM} mm at one end are for the wires)`;
  if (intervalVerdict(atMostMm, expandedMm) === 'hits')
    return check('hits', `${what} ${boxes.length === 1 ? 'does' : 'do'} not go into ${where}.`, 'Lay it elsewhere.', {
      mm: atMostMm,
      expandedMm,
    });
  if (foundMm === null || intervalVerdict(foundMm, expandedMm) === 'hits')
    return check(
      'measure',
      `No way was found in which ${listed(there.map(({ name }) => name))} go into ${where} together.`,
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
      `${what} ${boxes.length === 1 ? 'goes' : 'go'} into ${where}, as far as somebody heard: nobody measured it on such a car.`,
      'Measure what is free there.',
      margin,
    );
  return check('clears', `${what} ${boxes.length === 1 ? 'goes' : 'go'} into ${where}.`, null, margin);
}

function withPlugs({ lengthMm, widthMm, heightMm }: BoxSides): BoxSides {
  return { lengthMm: lengthMm + PLUG_MM, widthMm, heightMm };
}

function sidesOf({ lengthMm, widthMm, heightMm }: Space): BoxSides | null {
  return lengthMm === null || widthMm === null || heightMm === null ? null : { lengthMm, widthMm, heightMm };
}

function check(
  verdict: CrossoverCheck['verdict'],
  sentence: string,
  settledBy: string | null,
  margin: CrossoverCheck['margin'] = null,
): CrossoverCheck {
  return { id: 'place', verdict, sentence, settledBy, margin };
}
