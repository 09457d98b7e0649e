/** A plate of one's own as it is judged, as a template: what is cut is what was judged. */
import { DRILL_PLAY_MM, type FitBracket, type LayerPlace, type PlateFigures } from '../fit';
import { patternHoles } from '../geometry';
import { ellipseAt, moved, withWalls } from './layOut';
import { boresThatFit, counterbore } from './sunkHeads';
import type { Template, TemplateHole } from './Template';

/**
 * @param plate as it was judged, with its holes marked off the car and the speaker
 * @param at how it lies on the car
 * @param wireRad where the wire comes from; null where nobody noted it
 */
export function plateTemplate(
  plate: FitBracket,
  { thicknessMm, turnRad, isSunk }: Pick<PlateFigures, 'thicknessMm' | 'turnRad' | 'isSunk'>,
  at: LayerPlace,
  wireRad: number | null,
): Template {
  const holesOf = (of: TemplateHole['of'], isUnder: boolean) => {
    const pattern = of === 'car' ? plate.vehicleBolts : plate.speakerBolts;
    const sunk = isUnder ? counterbore(pattern.holeDiameterMm - DRILL_PLAY_MM) : null;
    return patternHoles(pattern).map(
      (hole): TemplateHole => ({ ...moved(hole, at), diameterMm: pattern.holeDiameterMm, of, sunk }),
    );
  };
  return withWalls({
    thicknessMm,
    outside: ellipseAt(plate.plate, at),
    // An oval throat lies as the speaker is turned.
    throat: ellipseAt(plate.throat, at, turnRad),
    ...{ wireRad, hasNotch: true },
    holes: boresThatFit({ thicknessMm, holes: [...holesOf('car', isSunk), ...holesOf('speaker', false)] }),
  });
}
