/** What is asked of each kind of part, and of each what is in its box. What has no line here is in the record as it is kept. */
import type { PartKind } from './kindNames';
import { PART_TABLE } from './partTable';
import { pieces, type Spec } from './specs/Spec';

const IN_BOX = pieces('inBox', 'What is in its box');
const MADE_OF = pieces('inBox', 'What it is made of');

export const FIGURE_SPECS = Object.fromEntries(
  Object.entries(PART_TABLE).map(([kind, { specs }]) => [kind, [...specs, kind === 'set' ? MADE_OF : IN_BOX]]),
) as unknown as Readonly<Record<PartKind, readonly Spec[]>>;
