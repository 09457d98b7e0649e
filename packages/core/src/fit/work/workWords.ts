/** Work by hand in words: what is cut, filed or drilled, and what that takes. */

import type { LengthUnit } from '../../units';
import { printLength, radToDeg } from '../../units';
import { minutesOf, WORK_FACTS, type Work } from './Work';

/** What to do, in a sentence. */
export function workWords(work: Work, unit: LengthUnit): string {
  const by = 'byMm' in work ? printLength(work.byMm, unit) : '';
  switch (work.kind) {
    case 'cutNotch':
      return 'Cut a new wire notch where the plug comes from.';
    case 'cutCloth':
      return work.byMm > 0
        ? `Cut the grille’s cloth away behind the tallest part: ${by} are missing there and nowhere else.`
        : 'Cut the grille’s cloth away behind the tallest part: there and nowhere else it is too near to be sure.';
    case 'thinRing':
      return `Take ${by} off the thickest ring.`;
    case 'fileThroat':
      return `File the bracket’s throat by ${by} all round.`;
    case 'fileHole':
      return `File the hole in the car by ${by} all round, and paint a bare edge.`;
    case 'bendLugs':
      return 'Bend the terminals so that they lie along the basket.';
    case 'cutLugs':
      return `Cut ${by} off the ends of the terminals.`;
    case 'drill': {
      const places = work.holes.map(({ xMm, yMm }) => `${printLength(xMm, unit)} across, ${printLength(yMm, unit)} up`);
      const count = work.holes.length;
      const turned = Math.round(radToDeg(work.turnedRad));
      const turn =
        turned === 0 ? '' : `Turn it by ${Math.abs(turned)}° ${turned > 0 ? 'anticlockwise' : 'clockwise'}. `;
      return `${turn}Drill ${count} new ${count === 1 ? 'hole' : 'holes'} in the car, marked through the part that is held against it (from the hole’s centre ${places.join('; ')}): a decision.`;
    }
    case 'grind':
      return `Grind off what stands proud (${work.ids.map((id) => id.replaceAll('-', ' ')).join(', ')}), and paint the bare metal; the window up, sparks kept off glass and trim.`;
    case 'cutPlate':
      return plateWords(work, unit);
  }
}

/** What to cut, and so what a bracket would have to be that does the same. */
function plateWords(plate: Extract<Work, { kind: 'cutPlate' }>, unit: LengthUnit): string {
  const { thicknessMm, throatMm, outsideMm, turnRad, isSunk, vehicleHoles, speakerHoles } = plate;
  const mm = (value: number) => printLength(value, unit);
  const throat =
    throatMm.length === throatMm.width ? mm(throatMm.length) : `${mm(throatMm.length)} × ${mm(throatMm.width)}`;
  const turn = Math.round(radToDeg(turnRad));
  const sunk = isSunk ? ' The car’s screws are sunk under the flange.' : '';
  return `Cut a plate from ${mm(thicknessMm)} sheet, or look for a bracket like it: ${mm(outsideMm)} outside, a throat of ${throat}, the car’s ${vehicleHoles} holes and the speaker’s ${speakerHoles}, turned by ${turn}°.${sunk}`;
}

/** What it takes, what can be had back, and what shows whether it was enough. */
export function effortWords(work: Work): string {
  const { undone, firstFit } = WORK_FACTS[work.kind];
  return `About ${minutesOf(work)} minutes a side; ${undone}. The first dry fit shows whether ${firstFit}.`;
}
