/** What is asked of a bracket. */
import { COPIED_FIXINGS } from '../../fit';
import {
  holes,
  knownLength,
  knownNumber,
  length,
  number,
  outline,
  rounding,
  type Spec,
  screws,
  snapOffs,
  some,
} from '../specs/Spec';

export const bracketSpecs: readonly Spec[] = [
  outline('throat', 'Throat'),
  outline('plate', 'Plate'),
  length('heightMm', 'Height'),
  number('offsetXMm', 'Centre to the right, mm', '-4'),
  number('offsetYMm', 'Centre upwards, mm', '-4'),
  knownNumber('notchDeg', 'Wire notch at, °', '90', { hint: 'From the right, anticlockwise. Empty: none.' }),
  knownLength('earMm', 'Thickness under the heads', { without: 'the length of the screws to the vehicle' }),
  knownLength('bossMm', 'What the speaker’s screws find', { without: 'the length of the speaker’s screws' }),
  knownLength('wallMm', 'Thickness of its plate'),
  rounding,
  holes('vehicleBolts', 'Holes to the vehicle'),
  holes('speakerBolts', 'Holes to the speaker'),
  snapOffs('snapOffs', 'Further states, with tabs off'),
  some('copies', 'Holds itself as the old speaker did, by', COPIED_FIXINGS),
  screws('screws', 'Screws in the box'),
];
