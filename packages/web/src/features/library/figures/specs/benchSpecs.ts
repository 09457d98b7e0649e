/** What is asked of what is used on the bench and in the bay. */
import {
  CONSUMABLE_TYPES,
  DEADENING_MATERIALS,
  FASTENER_HEADS,
  FASTENER_TYPES,
  PANEL_CLIP_TYPES,
  type PartKind,
  SHEET_MATERIALS,
  TOOL_TYPES,
} from '@low-quarry/core/catalogue';
import { choice, knownLength, knownNumber, line, number, type Spec } from '../Spec';

export const benchSpecs = {
  fastener: [
    choice('type', 'Type', FASTENER_TYPES),
    number('diameterMm', 'Diameter, mm', '4.2', { hint: 'Of the thread, or of a rivet’s body.' }),
    knownLength('lengthMm', 'Length below the head', { hint: 'Empty for a nut.' }),
    line('thread', 'Thread', { hint: 'Such as M6 × 1; empty for what cuts its own.' }),
    choice('head', 'Head', FASTENER_HEADS),
    line('driver', 'Turned by', { hint: 'Such as PH2 or T20; empty for what a tool of its own sets.' }),
  ],
  panelClip: [
    choice('type', 'Type', PANEL_CLIP_TYPES),
    knownLength('holeMm', 'Hole it is made for', { hint: 'Empty for what goes into none.' }),
  ],
  sheet: [
    choice('material', 'Material', SHEET_MATERIALS),
    number('thicknessMm', 'Thickness, mm', '12'),
    number('widthMm', 'Width, mm', '500'),
    number('lengthMm', 'Length, mm', '1000'),
  ],
  deadeningSheet: [
    choice('material', 'Material', DEADENING_MATERIALS),
    number('thicknessMm', 'Thickness, mm', '2'),
    number('widthMm', 'Width, mm', '370'),
    number('lengthMm', 'Length, mm', '500'),
    knownNumber('massKgM2', 'Mass, kg/m²', '3.2'),
  ],
  consumable: [
    choice('type', 'Type', CONSUMABLE_TYPES),
    line('amount', 'How much', { hint: 'Such as 19 mm × 25 m; empty where nobody says.' }),
  ],
  tool: [
    choice('type', 'Type', TOOL_TYPES),
    line('size', 'Size', { hint: 'Such as T20 or 8 mm; empty for what has none.' }),
  ],
} as const satisfies Partial<Record<PartKind, readonly Spec[]>>;
