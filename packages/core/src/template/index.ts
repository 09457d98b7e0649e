/**
 * What is cut, at 1:1. A **template** is a piece as it was judged, in millimetres as it lies on the car, seen from the cabin; on paper it stands
 * beside a square to measure, because a printer may scale.
 */
export { type Cut, type CutPiece, cutPieces, PIECE_KINDS, PIECE_LABELS, pieceFault } from './cutPieces';
export { edgeLine, offEdgeMm, type PlaceMm } from './edges';
export { hangerTemplate } from './hangerTemplate';
export { type HousingPieces, housingPieces } from './housingTemplates';
export { CHECK_SQUARE_MM, headLines, holeWords, type Mark, squareLines, templateMarks } from './marks';
export { NOTCH_MM, notchOf } from './notch';
export { plateTemplate } from './plateTemplate';
export { ringTemplate } from './ringTemplate';
export { cutBore } from './sunkHeads';
export { type Edge, type Template, type TemplateHole, templateSchema } from './Template';
export { templateAt } from './templateAt';
export { type TemplateWords, templateSvg } from './templateSvg';
