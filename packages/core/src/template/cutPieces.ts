/** What of a candidate is cut by the shop itself: a plate of its own, rings of its sheet, the base and the face of what it builds. */
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
import { type LengthUnit, printLength } from '../units';
import { housingPieces } from './housingTemplates';
import { plateTemplate } from './plateTemplate';
import { ringTemplate } from './ringTemplate';
import type { Template } from './Template';

export type CutPiece = {
  readonly what: keyof typeof PIECE_LABELS;
  readonly template: Template;
  /** Why it cannot be cut so, in a sentence; null where it can. */
  readonly fault: string | null;
};

export const PIECE_LABELS = { plate: 'Plate', ring: 'Ring', base: 'Base', face: 'Face', hanger: 'Hanger' } as const;
export const PIECE_KINDS = Object.keys(PIECE_LABELS) as [CutPiece['what'], ...CutPiece['what'][]];

/** From the metal to the speaker; a ring of which nobody measured the screws is none. */
export function cutPieces(
  { candidate, opening, works }: Cut,
  mount: Mount,
  rules: FitRules,
  unit: LengthUnit,
): readonly CutPiece[] {
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
  const built =
    opening.made && housingPieces(opening.made, candidate.speaker, mount, { coverMm: rules.clearancesMm.finished });
  const housing = built
    ? [
        { what: 'base' as const, template: built.base },
        { what: 'face' as const, template: built.face },
      ]
    : [];
  return [...housing, ...plates, ...rings].map((piece) => ({ ...piece, fault: pieceFault(piece, rules, unit) }));
}

const WITHOUT: Readonly<Record<CutPiece['what'], string>> = {
  plate: 'Another turn of the speaker, or a bracket.',
  ring: 'Cut a plate, or take a bracket.',
  base: 'A wider rim, or a base that reaches over the car’s screws.',
  face: 'A wider face.',
  hanger: 'A box so small hangs in ties.',
};

/** Why a piece cannot be cut so, in a sentence; null where it can. */
export function pieceFault(
  { what, template }: Pick<CutPiece, 'what' | 'template'>,
  { clearancesMm }: Pick<FitRules, 'clearancesMm'>,
  unit: LengthUnit,
): string | null {
  if (template.leastWallMm > clearancesMm.wall - ROUNDING_MM) return null;
  const left =
    template.leastWallMm >= 0
      ? `Its screws leave ${printLength(template.leastWallMm, unit)} of wall`
      : `A screw stands ${printLength(-template.leastWallMm, unit)} over its edge`;
  return `${left}, and the shop asks ${printLength(clearancesMm.wall, unit)}. ${WITHOUT[what]}`;
}

export type Cut = { readonly candidate: Candidate; readonly opening: FitOpening; readonly works: readonly Work[] };

const ROUNDING_MM = 1e-6;
