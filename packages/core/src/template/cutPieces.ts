/** What of a candidate is cut by the shop itself: a plate of its own, rings of its sheet. */
import {
  type Candidate,
  type FitBracket,
  type FitOpening,
  type FitRules,
  type FitSpacer,
  type Mount,
  WHAT_IF_ID,
  type Work,
} from '../fit';
import { plateTemplate } from './plateTemplate';
import { ringTemplate } from './ringTemplate';
import type { Template } from './Template';

export type CutPiece = {
  readonly what: 'plate' | 'ring';
  readonly template: Template;
  /** Its walls are as wide as the shop asks. */
  readonly isSound: boolean;
};

/** From the metal to the speaker; a ring of which nobody measured the screws is none. */
export function cutPieces({ candidate, opening, works }: Cut, mount: Mount, rules: FitRules): readonly CutPiece[] {
  const brackets = candidate.layers.filter((layer): layer is FitBracket => layer.kind === 'bracket');
  const plates = works.flatMap((work) => {
    if (work.kind !== 'cutPlate') return [];
    const at = brackets.findIndex(({ id }) => id.startsWith('plate-'));
    const [plate, lies] = [brackets[at], mount.placement.places[at]];
    return plate && lies
      ? [{ what: 'plate' as const, template: plateTemplate(plate, work, lies, opening.plugRad) }]
      : [];
  });
  const rings = candidate.layers
    // A height that is only tried is no sheet of the shop.
    .filter((layer): layer is FitSpacer => layer.kind === 'spacer' && layer.made && layer.id !== WHAT_IF_ID)
    .flatMap((ring) => {
      const template = ringTemplate(ring, candidate, opening, mount, rules);
      return template ? [{ what: 'ring' as const, template }] : [];
    });
  return [...plates, ...rings].map((piece) => ({
    ...piece,
    isSound: piece.template.leastWallMm > rules.clearancesMm.wall - ROUNDING_MM,
  }));
}

export type Cut = { readonly candidate: Candidate; readonly opening: FitOpening; readonly works: readonly Work[] };

const ROUNDING_MM = 1e-6;
