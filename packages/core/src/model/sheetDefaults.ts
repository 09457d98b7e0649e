/**
 * How what stands behind an opening leans and curves where nobody has measured it.
 *
 * Door glass leans to the cabin at the top, by some 3 to 9 degrees, and is hollow towards the cabin, with a radius from
 * about 0.9 m to flat (common practice, from memory). A second skin follows the wall in front of it.
 */
import type { Behind, SheetDefaults } from '../fit';
import { rectangular } from '../uncertainty';

const GLASS: SheetDefaults = {
  sideLean: rectangular(0, 0.05, 'classDefault'),
  lean: rectangular(-0.1, 0.06, 'classDefault'),
  curvature: rectangular(-2.8e-4, 2.8e-4, 'classDefault'),
};

const SKIN: SheetDefaults = {
  sideLean: rectangular(0, 0.03, 'classDefault'),
  lean: rectangular(0, 0.03, 'classDefault'),
  curvature: rectangular(0, 0, 'classDefault'),
};

export function sheetDefaults(behind: Behind): SheetDefaults {
  return behind === 'glass' ? GLASS : SKIN;
}
