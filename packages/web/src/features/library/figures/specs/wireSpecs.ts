/** What is asked of wire and of what it ends in. */
import { FUSE_TYPES, type PartKind, TERMINAL_TYPES } from '@low-quarry/core/catalogue';
import { choice, knownLength, number, type Spec, yesNo } from '../Spec';

export const wireSpecs = {
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
    knownLength('barrelMm', 'Barrel, length'),
  ],
  fuse: [choice('type', 'Type', FUSE_TYPES), number('ampere', 'Current, A', '30')],
  distributor: [
    number('inputs', 'Wires in', '1'),
    number('inputMm2', 'Wire in up to, mm²', '21'),
    number('outputs', 'Wires out', '4'),
    number('outputMm2', 'Wire out up to, mm²', '8'),
    yesNo('isFused', 'A fuse for each wire out'),
  ],
} as const satisfies Partial<Record<PartKind, readonly Spec[]>>;
