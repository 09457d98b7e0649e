/** What is asked of each kind of part. What has no line here is in the record as it is kept. */
import {
  FASTENER_HEADS,
  FASTENER_TYPES,
  NOMINAL_SIZES,
  PANEL_CLIP_TYPES,
  type PartKind,
  SENSITIVITY_CONDITIONS,
  SHEET_MATERIALS,
  SPEAKER_KINDS,
  TERMINAL_TYPES,
  TERMINALS,
} from '@low-quarry/core/catalogue';
import { COPIED_FIXINGS } from '@low-quarry/core/fit';
import { ratingSpec } from './ratingSpec';
import {
  choice,
  holes,
  knownChoice,
  knownHoles,
  knownLength,
  knownNumber,
  knownOutline,
  length,
  line,
  mass,
  number,
  outline,
  type Spec,
  screws,
  sections,
  some,
} from './Spec';

const DATUM_WORDS = {
  underside: 'the underside of the flange',
  top: 'the top of the flange',
  notStated: 'not stated: either counts as possible',
};
const CONDITION_WORDS = { '1 W': '1 W at 1 m', '2.83 V': '2.83 V at 1 m', notStated: 'not stated' };
const rounding = number('roundingMm', 'Rounded to, ± mm', '0.5', {
  hint: 'Half of what the maker rounds his lengths to.',
});

export const FIGURE_SPECS: Readonly<Record<PartKind, readonly Spec[]>> = {
  speaker: [
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
    screws('screws', 'Screws in the box'),
    knownChoice('terminals', 'Terminals', TERMINALS, 'Nobody noted them: no lead is found'),
    knownNumber('impedanceOhm', 'Impedance, Ω', '4'),
    knownNumber('rmsW', 'Power, RMS, W', '60', { hint: 'Only RMS compares.' }),
    ratingSpec('otherRating', 'Power besides RMS'),
    knownNumber('sensitivityDb', 'Sensitivity, dB', '90'),
    choice('sensitivityAt', 'Taken at', SENSITIVITY_CONDITIONS, { words: CONDITION_WORDS }),
  ],
  bracket: [
    outline('throat', 'Throat'),
    outline('plate', 'Plate'),
    length('heightMm', 'Height'),
    number('offsetXMm', 'Centre to the right, mm', '-4'),
    number('offsetYMm', 'Centre upwards, mm', '-4'),
    knownNumber('notchDeg', 'Wire notch at, °', '90', { hint: 'From the right, anticlockwise. Empty: none.' }),
    knownLength('earMm', 'Thickness under the heads', { without: 'the length of the screws to the vehicle' }),
    knownLength('bossMm', 'What the speaker’s screws find', { without: 'the length of the speaker’s screws' }),
    rounding,
    holes('vehicleBolts', 'Holes to the vehicle'),
    holes('speakerBolts', 'Holes to the speaker'),
    some('copies', 'Holds itself as the old speaker did, by', COPIED_FIXINGS),
    screws('screws', 'Screws in the box'),
  ],
  spacer: [outline('inner', 'Inside'), outline('outer', 'Outside'), length('heightMm', 'Height'), rounding],
  harnessAdapter: [knownLength('plugMm', 'Its plug stands out', { without: 'the room for its plug' })],
  fastener: [
    choice('type', 'Type', FASTENER_TYPES),
    number('diameterMm', 'Diameter, mm', '4.2', { hint: 'Of the thread, or of a rivet’s body.' }),
    knownLength('lengthMm', 'Length below the head', { hint: 'Empty for a nut.' }),
    choice('head', 'Head', FASTENER_HEADS),
    line('driver', 'Turned by', { hint: 'Such as PH2 or T20; empty for what a tool of its own sets.' }),
  ],
  panelClip: [
    choice('type', 'Type', PANEL_CLIP_TYPES),
    knownLength('holeMm', 'Hole it is made for', { hint: 'Empty for what goes into none.' }),
  ],
  wire: [
    number('conductors', 'Conductors', '2'),
    number('areaMm2', 'Area of one, mm²', '1.5'),
    number('lengthM', 'Length in a pack, m', '10'),
  ],
  terminal: [
    choice('type', 'Type', TERMINAL_TYPES),
    knownLength('sizeMm', 'Blade, or hole of a ring', { hint: 'Empty for what has neither.' }),
    number('wireFromMm2', 'Wire from, mm²', '0.5'),
    number('wireToMm2', 'Wire to, mm²', '1.5'),
  ],
  sheet: [
    choice('material', 'Material', SHEET_MATERIALS),
    number('thicknessMm', 'Thickness, mm', '12'),
    number('widthMm', 'Width, mm', '500'),
    number('lengthMm', 'Length, mm', '1000'),
  ],
};
