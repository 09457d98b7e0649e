/** What is asked of a speaker. */

import { ratingSpec } from '../specs/ratingSpec';
import {
  bodyBoxes,
  choice,
  knownChoice,
  knownHoles,
  knownLength,
  knownNumber,
  knownOutline,
  mass,
  rounding,
  type Spec,
  screws,
  sections,
} from '../specs/Spec';
import { TERMINALS } from '../terminals';
import { NOMINAL_SIZES, SENSITIVITY_CONDITIONS, SPEAKER_KINDS } from './speakerNames';

const DATUM_WORDS = {
  underside: 'the underside of the flange',
  top: 'the top of the flange',
  notStated: 'not stated: either counts as possible',
};
const CONDITION_WORDS = { '1 W': '1 W at 1 m', '2.83 V': '2.83 V at 1 m', notStated: 'not stated' };

export const speakerSpecs: readonly Spec[] = [
  choice('speakerKind', 'Kind of speaker', SPEAKER_KINDS),
  choice('nominalSize', 'Nominal size', NOMINAL_SIZES, { hint: 'A name, and no measure.' }),
  choice('depthDatum', 'Its depth counts from', ['underside', 'top', 'notStated'], { words: DATUM_WORDS }),
  knownOutline('basket', 'Cutout', { without: 'the hole' }),
  knownOutline('flange', 'Flange across', { without: 'what covers the hole' }),
  knownLength('flangeThicknessMm', 'Flange thickness', { without: 'the room in front' }),
  knownLength('mountingDepthMm', 'Mounting depth', { hint: 'Also 2-3/8".', without: 'the room behind' }),
  knownLength('magnetDiameterMm', 'Magnet', { without: 'the room behind' }),
  knownLength('frontHeightMm', 'Front height', {
    hint: 'Above the flange, at full excursion.',
    without: 'the room in front',
  }),
  knownLength('surroundMm', 'What moves in front', { hint: 'Its diameter, with the surround.' }),
  mass('massG', 'Mass'),
  rounding,
  knownHoles('bolts', 'Screw holes', 'whether it can be screwed down'),
  sections('profile', 'Body behind the flange'),
  bodyBoxes('boxes', 'What sticks out of its body'),
  screws('screws', 'Screws in the box'),
  knownChoice('terminals', 'Terminals', TERMINALS, 'Nobody noted them: no lead is found'),
  knownNumber('impedanceOhm', 'Impedance, Ω', '4'),
  knownNumber('rmsW', 'Power, RMS, W', '60', { hint: 'Only RMS compares.' }),
  ratingSpec('otherRating', 'Power besides RMS'),
  knownNumber('sensitivityDb', 'Sensitivity, dB', '90'),
  choice('sensitivityAt', 'Taken at', SENSITIVITY_CONDITIONS, { words: CONDITION_WORDS }),
  knownNumber('coilOhm', 'Voice coil, resistance, Ω', '3.3'),
  knownNumber('coilMh', 'Voice coil, inductance, mH', '0.4'),
  knownNumber('resonanceHz', 'Resonance in free air, Hz', '62'),
  knownNumber('totalQ', 'Total Q', '0.62'),
];
