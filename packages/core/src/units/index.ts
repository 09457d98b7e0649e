/**
 * Lengths and angles at the edges. Inside everything is millimetres and radians; here a typed length is read in either unit (fractions of
 * an inch included) and printed again, **rounded to the cautious side** where it says how much room is left.
 */
export { degToRad, radToDeg } from './angle';
export { explainLengthFailure, type LengthUnit, parseLength } from './parseLength';
export { printLength, printMargin, printNumber, printPlusMinus } from './printLength';
