/**
 * A panel of a vehicle: what holds it, what hangs on it, what breaks, and in which order it comes off. Written down bit by bit by
 * whoever sees it: null where nobody looked, an empty list or text where somebody did and there is nothing. The kinds of fixings, covers and
 * what hangs on a panel are common practice, no source.
 */
import { z } from 'zod';
import { gradeSchema } from './grade';
import { askedTextSchema } from './intake';
import { panelOrder } from './panelOrder';
import type { Place, Side } from './place';

export const PANEL_LABELS = {
  doorCard: 'Door card',
  sailTrim: 'Sail trim',
  pillarTrim: 'Pillar trim',
  kickTrim: 'Kick trim',
  dashTop: 'Dash top',
  radioFascia: 'Radio fascia',
  sideTrim: 'Side trim',
  rearShelf: 'Rear shelf',
  roofTrim: 'Roof trim',
  seatBase: 'Seat base',
  other: 'Another panel',
} as const;
export type PanelKind = keyof typeof PANEL_LABELS;
export const PANEL_KINDS = Object.keys(PANEL_LABELS) as [PanelKind, ...PanelKind[]];

export const PANEL_SPOT_LABELS = {
  frontLeft: 'front left',
  frontRight: 'front right',
  rearLeft: 'rear left',
  rearRight: 'rear right',
  left: 'left',
  right: 'right',
  middle: '',
} as const;
export type PanelSpot = keyof typeof PANEL_SPOT_LABELS;
export const PANEL_SPOTS = Object.keys(PANEL_SPOT_LABELS) as [PanelSpot, ...PanelSpot[]];

export const FASTENER_LABELS = {
  screw: 'screw',
  bolt: 'bolt',
  pushPin: 'push pin',
  treeClip: 'tree clip',
  plasticRivet: 'plastic rivet',
  steelRivet: 'steel rivet',
  expandingPlug: 'expanding plug',
  hook: 'hook',
  tab: 'tab',
  crankClip: 'clip of the window crank',
  beltBolt: 'bolt of a belt',
  glue: 'run of glue',
} as const;
export type FastenerKind = keyof typeof FASTENER_LABELS;
export const FASTENERS = Object.keys(FASTENER_LABELS) as [FastenerKind, ...FastenerKind[]];

export const COVER_LABELS = {
  none: 'Nothing: it is to be seen',
  plug: 'A small plug',
  felt: 'Felt or carpet',
  switchPanel: 'The switch panel',
  lamp: 'The lamp',
  latchCover: 'The latch’s cover',
  mirrorTrim: 'The mirror’s or sail trim',
  rubberCap: 'A rubber cap',
  slidingTrim: 'A trim that slides or turns',
  otherPanel: 'Another panel',
} as const;
export type Cover = keyof typeof COVER_LABELS;
export const COVERS = Object.keys(COVER_LABELS) as [Cover, ...Cover[]];

export const HEAD_LABELS = {
  crossHead: 'Cross-head',
  sixLobe: 'Six-lobe',
  hex: 'Hexagon',
  hexSocket: 'Hexagon socket',
  slot: 'Slot',
} as const;
export type Head = keyof typeof HEAD_LABELS;
export const HEADS = Object.keys(HEAD_LABELS) as [Head, ...Head[]];

export const BASE_LABELS = {
  plastic: 'Plastic',
  metal: 'The metal',
  clipNut: 'A clip nut or rivet nut',
  nut: 'A nut behind',
  panelSlot: 'A slot of the panel itself',
} as const;
export type Base = keyof typeof BASE_LABELS;
export const BASES = Object.keys(BASE_LABELS) as [Base, ...Base[]];

export const ATTACHED_LABELS = {
  plug: 'Plug',
  lamp: 'Lamp',
  cable: 'Cable',
  rod: 'Rod',
  hose: 'Hose',
  film: 'Film',
} as const;
export type AttachedKind = keyof typeof ATTACHED_LABELS;
export const ATTACHED = Object.keys(ATTACHED_LABELS) as [AttachedKind, ...AttachedKind[]];

export const COMES_OFF_LABELS = {
  whole: 'Whole',
  half: 'By half: the rest stays',
  swings: 'It swings, and stays on its wires',
} as const;
export type ComesOff = keyof typeof COMES_OFF_LABELS;
export const COMES_OFF = Object.keys(COMES_OFF_LABELS) as [ComesOff, ...ComesOff[]];

const shortText = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);
const itemKeySchema = z.string().min(1).max(40);

/**
 * Where something is on a panel as it is seen from the cabin: hundredths of its width from the left, and of its height from the top.
 */
export const panelMarkSchema = z.strictObject({
  x: z.int().min(0).max(100),
  y: z.int().min(0).max(100),
});
export type PanelMark = z.infer<typeof panelMarkSchema>;
/** Empty where nobody marked it. */
export const markedSchema = z.array(panelMarkSchema).max(60, 'Mark at most 60 places.').default([]);

export const fastenerSchema = z.strictObject({
  /** What the order names it by. */
  key: itemKeySchema,
  kind: z.enum(FASTENERS),
  where: shortText(80).min(1, 'Type where it is, such as “in the handle’s cup”.'),
  /** What hides it; null where nobody wrote it down. */
  cover: z.enum(COVERS).nullable(),
  head: z.enum(HEADS).nullable(),
  /** What turns it, such as T20 or 10 mm; empty where nobody wrote it down. */
  driver: shortText(20),
  lengthMm: z.number().positive('Type a length above 0 mm.').max(300, 'Type at most 300 mm.').nullable(),
  /** What it goes into. */
  base: z.enum(BASES).nullable(),
  /** Null where nobody counted. */
  count: z.int('Type a whole number.').min(1, 'Type 1 or more.').max(99, 'Type at most 99.').nullable(),
  marked: markedSchema,
});
export type Fastener = z.infer<typeof fastenerSchema>;

export const attachedSchema = z.strictObject({
  key: itemKeySchema,
  kind: z.enum(ATTACHED),
  what: shortText(80).min(1, 'Type what it is, such as “window switch”.'),
  /** How it is got at, and what to mark before it is off. */
  note: shortText(200),
  marked: markedSchema,
});
export type Attached = z.infer<typeof attachedSchema>;

export const RATING_LABELS = {
  worked: 'it worked here',
  partly: 'partly so here',
  wrong: 'it is wrong here',
} as const;
export type Rating = keyof typeof RATING_LABELS;
const RATINGS = Object.keys(RATING_LABELS) as [Rating, ...Rating[]];

/** What somebody else wrote or showed of how it comes off: a page of the maker's manual, a sheet, an address. */
export const instructionSchema = z
  .strictObject({
    key: itemKeySchema,
    title: shortText(120).min(1, 'Type what it is, such as “the maker’s manual, door trim”.'),
    /** An address on the network, or a page of what lies in the shop. */
    where: shortText(300),
    /** Null where nobody here has worked by it. */
    rated: z.strictObject({ as: z.enum(RATINGS), by: z.string().max(80) }).nullable(),
  })
  .superRefine(({ where }, context) => {
    // "Door: page 4" is none.
    if (!/^[a-z][a-z0-9+.-]*:\S/i.test(where) || isWebAddress(where)) return;
    context.addIssue({ code: 'custom', path: ['where'], message: 'Type an address with http or https, or a page.' });
  });
export type Instruction = z.infer<typeof instructionSchema>;
const MOST_INSTRUCTIONS = 10;

/** Whether it leads somewhere by itself; anything else is read. */
export function isWebAddress(where: string): boolean {
  return /^https?:\/\/[^\s]+$/i.test(where);
}

/** "the maker’s manual, door trim (page 12): it worked here (Rieke)". */
export function instructionWords({ title, where, rated }: Instruction): string {
  const said = rated ? `${RATING_LABELS[rated.as]} (${rated.by})` : 'nobody here has worked by it';
  return `${title}${where ? ` (${where})` : ''}: ${said}`;
}

/** One thing that must be out before another. */
const firstThenSchema = z.strictObject({ first: itemKeySchema, next: itemKeySchema });
export type FirstThen = z.infer<typeof firstThenSchema>;

const MOST_ITEMS = 40;

export const panelSchema = z
  .strictObject({
    kind: z.enum(PANEL_KINDS),
    spot: z.enum(PANEL_SPOTS),
    /** What tells it from another of its kind there; empty where that is enough. */
    name: shortText(40),
    grade: gradeSchema,
    comesOff: z.enum(COMES_OFF).nullable(),
    /** Where to begin to pry: schools differ, the variant's record says. */
    pryFrom: askedTextSchema,
    fasteners: z.array(fastenerSchema).max(MOST_ITEMS, `Keep to ${MOST_ITEMS} fasteners.`).nullable(),
    /** What looks like a fixing and is none. */
    looksLike: askedTextSchema,
    /** What stays on the car. */
    stays: askedTextSchema,
    attached: z.array(attachedSchema).max(MOST_ITEMS, `Keep to ${MOST_ITEMS} things.`).nullable(),
    breaks: askedTextSchema,
    order: z.array(firstThenSchema).max(2 * MOST_ITEMS, `Keep to ${2 * MOST_ITEMS} lines.`),
    note: shortText(500),
    instructions: z
      .array(instructionSchema)
      .max(MOST_INSTRUCTIONS, `Keep to ${MOST_INSTRUCTIONS} instructions.`)
      .default([]),
  })
  .superRefine(({ fasteners, attached, order }, context) => {
    const { circle } = panelOrder({ fasteners, attached, order });
    if (circle === null) return;
    const names = new Map([
      ...(fasteners ?? []).map(({ key, where }) => [key, where] as const),
      ...(attached ?? []).map(({ key, what }) => [key, what] as const),
    ]);
    const way = [...circle, circle[0] as string].map((key) => names.get(key) ?? key).join(', before ');
    context.addIssue({
      code: 'custom',
      path: ['order'],
      message: `${way}: nobody could work by that. Take one of these lines off.`,
    });
  });
export type Panel = z.infer<typeof panelSchema>;
export const MOST_PANELS = 40;

/** "Door card, front left"; "Door card, front left, upper". */
export function panelLabel({ kind, spot, name }: Pick<Panel, 'kind' | 'spot' | 'name'>): string {
  const words =
    kind === 'other' && name !== ''
      ? [name, PANEL_SPOT_LABELS[spot]]
      : [PANEL_LABELS[kind], PANEL_SPOT_LABELS[spot], name];
  return words.filter(Boolean).join(', ');
}

/** Nothing of it looked at. */
export function newPanel(where: Pick<Panel, 'kind' | 'spot' | 'name'>): Panel {
  const nothing = {
    comesOff: null,
    pryFrom: null,
    fasteners: null,
    looksLike: null,
    stays: null,
    attached: null,
    breaks: null,
  };
  return { ...where, grade: 'seenHere', ...nothing, order: [], note: '', instructions: [] };
}

/** "2 screws, cross-head PH2, in the handle’s cup". */
export function fastenerWords({ kind, where, cover, head, driver, lengthMm, base, count }: Fastener): string {
  const several = count !== null && count > 1;
  const noun = FASTENER_LABELS[kind];
  const counted = count === null ? `${noun}s, not counted` : `${count} ${several ? plural(noun) : noun}`;
  const hidden = cover === null || cover === 'none' ? '' : `under ${lower(COVER_LABELS[cover])}`;
  const turned = [head ? HEAD_LABELS[head].toLowerCase() : '', driver].filter(Boolean).join(' ');
  const into = base === null ? '' : `into ${lower(BASE_LABELS[base])}`;
  const length = lengthMm === null ? '' : `${lengthMm} mm`;
  return [counted, turned, length, into, where, hidden].filter(Boolean).join(', ');
}

function lower(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

/** Of "run of glue" the runs, of "clip of the window crank" the clips. */
function plural(noun: string): string {
  const [head = '', ...rest] = noun.split(' of ');
  return [`${head}s`, ...rest].join(' of ');
}

export function attachedWords({ kind, what, note }: Attached): string {
  return `${ATTACHED_LABELS[kind]}: ${what}${note === '' ? '' : ` (${note})`}`;
}

/** What nobody has looked at yet, as a person says it. */
export function panelNotLooked(panel: Panel): readonly string[] {
  const parts: readonly (readonly [unknown, string])[] = [
    [panel.fasteners, 'what holds it'],
    [panel.comesOff, 'how it comes off'],
    [panel.attached, 'what hangs on it'],
    [panel.looksLike, 'what only looks like a fixing'],
    [panel.stays, 'what stays'],
    [panel.breaks, 'what breaks'],
    [panel.pryFrom, 'where to begin'],
  ];
  return parts.filter(([part]) => part === null).map(([, words]) => words);
}

const PANEL_OF_PLACE: Readonly<Record<Place, PanelKind | null>> = {
  frontDoorLow: 'doorCard',
  frontDoorHigh: 'doorCard',
  rearDoor: 'doorCard',
  rearDoorHigh: 'doorCard',
  dashCorner: 'dashTop',
  dashCentre: 'dashTop',
  sailPanel: 'sailTrim',
  kickPanel: 'kickTrim',
  aPillar: 'pillarTrim',
  sidePanel: 'sideTrim',
  rearWall: 'sideTrim',
  rearDeck: 'rearShelf',
  overhead: 'roofTrim',
  underSeat: 'seatBase',
  other: null,
};

/** The panel in front of a place for a speaker; null where its place says nothing of it. */
export function panelAt(place: Place, side: Side): Pick<Panel, 'kind' | 'spot'> | null {
  const kind = PANEL_OF_PLACE[place];
  if (kind === null) return null;
  if (kind === 'doorCard') {
    if (side === 'centre') return null;
    const end = place === 'rearDoor' ? 'rear' : 'front';
    return { kind, spot: `${end}${side === 'left' ? 'Left' : 'Right'}` as PanelSpot };
  }
  const isInMiddle = side === 'centre' || kind === 'rearShelf' || kind === 'dashTop';
  return { kind, spot: isInMiddle ? 'middle' : side };
}
