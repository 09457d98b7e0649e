/** What is asked of each kind of part. What has no line here is in the record as it is kept. */
import type { PartKind } from '@low-quarry/core/catalogue';
import { pieces, type Spec } from './Spec';
import { benchSpecs } from './specs/benchSpecs';
import { fitSpecs } from './specs/fitSpecs';
import { signalSpecs } from './specs/signalSpecs';
import { wireSpecs } from './specs/wireSpecs';

const ALL: Readonly<Record<PartKind, readonly Spec[]>> = { ...fitSpecs, ...signalSpecs, ...wireSpecs, ...benchSpecs };
const IN_BOX = pieces('inBox', 'What is in its box');
const MADE_OF = pieces('inBox', 'What it is made of');

/** Of each kind its own, and what is in its box. */
export const FIGURE_SPECS = Object.fromEntries(
  Object.entries(ALL).map(([kind, specs]) => [kind, [...specs, kind === 'set' ? MADE_OF : IN_BOX]]),
) as unknown as typeof ALL;
