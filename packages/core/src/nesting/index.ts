/**
 * Pieces laid on the shop's sheets. Each is an ellipse, or has corners, with the **kerf**, what the saw takes away, beside it; pieces are turned as they lie best, a
 * small one comes out of a large one's **throat**, and how many sheets no way does without is told by a **bound**.
 */
export { leastSheets } from './leastSheets';
export type { NestPiece, Sheet } from './NestPiece';
export { type Laid, type Nested, nest } from './nest';
export { areaPieces, type Packed, packRectangles, type RectangleMm, type SizeMm } from './rectangles';
