/** A panel off, and on again: what holds it and hangs on it in the order that is written down, backwards when it closes. */
import { listed } from '../listed';
import {
  type Attached,
  type AttachedKind,
  attachedWords,
  FASTENER_LABELS,
  type Fastener,
  type FastenerKind,
  fastenerWords,
  type Panel,
  panelLabel,
  panelOrder,
  panelStepId,
} from '../model';
import { ATTACHED_MINUTES, fastenerMinutes, MINUTES } from './minutes';
import { type NewStep, type PlanStep, stepOf } from './PlanStep';
import { fastenerTools, PRY_TOOLS } from './tools';

export type PanelPlan = {
  readonly label: string;
  /** The last is that it is off. */
  readonly off: readonly PlanStep[];
  /** What is tried before it goes back, and the way back; the last is that it is closed. */
  readonly on: readonly PlanStep[];
};

type PanelGiven = {
  readonly panel: Panel;
  /** Nobody has it in the library. */
  readonly isUnknown: boolean;
  /** Steps before anything of it is undone. */
  readonly after: readonly string[];
  /** Steps before it closes. */
  readonly closesAfter: readonly string[];
  /** Of the places behind it. */
  readonly cautions: readonly string[];
};

export function panelPlan({ panel, isUnknown, after, closesAfter, cautions }: PanelGiven): PanelPlan {
  const label = panelLabel(panel);
  const id = (what: string) => panelStepId(panel, what);
  const items = new Map<string, Fastener | Attached>(
    [...(panel.fasteners ?? []), ...(panel.attached ?? [])].map((each) => [each.key, each]),
  );
  // What closes a circle never gets into a record; what is left out of the order would be: it comes last.
  const { order } = panelOrder(panel);
  const keys = [...order, ...[...items.keys()].filter((key) => !order.includes(key))];
  const photo = stepOf({
    id: id('photo'),
    where: label,
    what: 'Photograph it, and what hangs on it, before anything is undone.',
    from: label,
    minutes: MINUTES.photo,
    follows: panel.instructions,
    after,
  });
  const undone = keys.map((key, at) =>
    stepOf({
      ...ofItem(items.get(key) as Fastener | Attached, 'off', null),
      marked: markedOn(panel, items.get(key)),
      id: id(`off ${key}`),
      where: label,
      after: [at === 0 ? photo.id : id(`off ${keys[at - 1]}`)],
    }),
  );
  const lastUndone = undone.at(-1)?.id ?? photo.id;
  const off = stepOf({
    id: offId(panel),
    where: label,
    what: offWords(panel),
    from: panel.pryFrom ? `${label}: ${panel.pryFrom}` : label,
    open: openOf(panel, isUnknown),
    tools: PRY_TOOLS,
    follows: panel.instructions,
    minutes: MINUTES.pry + (panel.fasteners === null ? MINUTES.unknownPanel : 0),
    cautions: [
      ...cautions,
      'If it resists, a fixing is still in: stop and count again.',
      ...(panel.breaks ? [`Breaks easily: ${panel.breaks}.`] : []),
    ],
    after: [lastUndone],
  });
  const gate = gateSteps(panel, [off.id, ...closesAfter]);
  const back = [...keys].reverse();
  const redone = back.map((key, at) =>
    stepOf({
      ...ofItem(items.get(key) as Fastener | Attached, 'on', id(`off ${key}`)),
      marked: markedOn(panel, items.get(key)),
      id: id(`on ${key}`),
      where: label,
      after: at === 0 ? gate.map((each) => each.id) : [id(`on ${back[at - 1]}`)],
    }),
  );
  const closed = stepOf({
    id: closedId(panel),
    where: label,
    what: 'Clips counted and on the panel, pressed home from the top down, flush all along; covers last.',
    from: label,
    minutes: MINUTES.pry,
    cautions: ['Not over a speaker that nobody heard with all its screws tight.'],
    after: redone.length > 0 ? [redone.at(-1)?.id as string] : gate.map((each) => each.id),
    isGate: true,
  });
  return { label, off: [photo, ...undone, off], on: [...gate, ...redone, closed] };
}

/** Before it goes back: wires, and what hangs on it, held at its plugs (common practice). */
function gateSteps(panel: Panel, after: readonly string[]): readonly PlanStep[] {
  const where = panelLabel(panel);
  const hanging = (panel.attached ?? []).filter(({ kind }) => kind !== 'film' && kind !== 'hose');
  const what =
    hanging.length > 0
      ? listed(hanging.map((each) => each.what))
      : panel.attached === null
        ? 'whatever hangs on it'
        : null;
  return [
    stepOf({
      ...{ id: panelStepId(panel, 'wires'), where, from: 'Before a panel closes', minutes: MINUTES.wiresFree, after },
      what: 'Wires free: along the car’s own loom, tied, clear of glass and rail; a plug that stays loose is taped; nothing lies behind.',
    }),
    ...(what === null
      ? []
      : [
          stepOf({
            ...{ id: panelStepId(panel, 'functions'), where, minutes: MINUTES.functions, after },
            what: `Plugged in by hand, before it goes back: ${what} tried, each function of it.`,
            from: 'What hangs on it',
            open: panel.attached === null ? 'Nobody wrote down what hangs on it.' : null,
          }),
        ]),
  ];
}

type Named = Pick<Panel, 'kind' | 'spot' | 'name'>;

/** That it is off. */
export function offId(panel: Named): string {
  return panelStepId(panel, 'off');
}

/** That it is closed. */
export function closedId(panel: Named): string {
  return panelStepId(panel, 'closed');
}

function offWords({ comesOff, pryFrom }: Panel): string {
  const how =
    comesOff === 'half'
      ? 'Half of it comes off'
      : comesOff === 'swings'
        ? 'It swings, and stays on its wires'
        : 'It comes off whole';
  const from = pryFrom ? `; begin here: ${pryFrom}` : '';
  return `${comesOff === null ? 'Take it off' : how}${from}.`;
}

function openOf(panel: Panel, isUnknown: boolean): string | null {
  if (isUnknown || panel.fasteners === null)
    return 'Nobody wrote down what holds it: write it down while it comes off, and the next car has it.';
  if (panel.pryFrom === null) return 'Nobody wrote down where to begin.';
  return null;
}

function markedOn({ kind, spot }: Panel, item: Fastener | Attached | undefined): PlanStep['marked'] {
  return item && item.marked.length > 0 ? { kind, spot, at: item.marked } : null;
}

type OfItem = Omit<NewStep, 'id' | 'where' | 'after'>;

/** @param outAt the step at which it came out; null there */
function ofItem(item: Fastener | Attached, way: 'off' | 'on', outAt: string | null): OfItem {
  return 'where' in item ? ofFastener(item, way, outAt) : ofAttached(item, way);
}

function ofFastener(fastener: Fastener, way: 'off' | 'on', outAt: string | null): OfItem {
  const { kind, count } = fastener;
  const isBelt = kind === 'beltBolt' && way === 'on';
  const words = fastenerWords(fastener);
  const isUncounted = count === null && way === 'off';
  return {
    what: way === 'off' ? `Undo ${words}.` : `Back in: ${words}.${BACK_WORDS[kind] ?? ''}`,
    from: words,
    open: isUncounted ? 'Nobody counted them: count them out.' : null,
    tools: fastenerTools(fastener),
    minutes: fastenerMinutes(kind, count),
    people: isBelt ? 2 : 1,
    ...(isBelt ? { hasTorque: true, needsSecond: true, isMust: true } : {}),
    counts: kind === 'glue' ? null : { what: FASTENER_LABELS[kind], way, count, outAt },
    cautions: [...(FASTENER_CAUTIONS[way][kind] ?? [])],
  };
}

function ofAttached(attached: Attached, way: 'off' | 'on'): OfItem {
  const words = attachedWords(attached);
  return {
    what: way === 'off' ? `Off: ${words}.` : `On again: ${words}.`,
    from: words,
    open: null,
    tools: [],
    minutes: ATTACHED_MINUTES[attached.kind],
    people: 1,
    cautions: way === 'off' ? [ATTACHED_CAUTIONS[attached.kind]] : [],
  };
}

/** How it goes back (common practice, no source). */
const BACK_WORDS: Readonly<Partial<Record<FastenerKind, string>>> = {
  pushPin: ' Its middle out first, then pressed flush.',
  treeClip: ' Onto the panel first; folded tape shims a loose seat.',
  plasticRivet: ' A rivet nut, a clip nut, or a screw in its place.',
  steelRivet: ' A rivet nut, a clip nut, or a screw in its place.',
  crankClip: ' Onto the crank first, then pressed home.',
  glue: ' A new gasket in its place.',
  hook: ' Hooks first, then what holds them.',
};

const FASTENER_CAUTIONS: Readonly<Record<'off' | 'on', Readonly<Partial<Record<FastenerKind, readonly string[]>>>>> = {
  off: {
    plasticRivet: ['Eyes: drilled plastic flies. Its stems are caught and counted.'],
    steelRivet: [
      'Eyes. Window up and held. Mandrels are caught and counted: one left in the door rattles, and blocks a drain.',
    ],
    beltBolt: ['A belt: the vehicle maker’s manual says how it comes off, and what is new when it goes back.'],
  },
  on: {
    beltBolt: [
      'Threads seen, started by hand; thread lock and torque from the vehicle maker’s manual, never by feel. A second person looks and signs.',
    ],
    screw: ['Light in plastic; by hand first.'],
  },
};

const ATTACHED_CAUTIONS: Readonly<Record<AttachedKind, string>> = {
  plug: 'By its latch, not by its wires. One that is marked yellow stays as it is.',
  lamp: 'It may have been on: hot.',
  cable: 'Hold the panel, do not pull. Which end is which is marked first.',
  rod: 'Which is upper and which lower is marked before it is unhooked.',
  hose: 'Hold the panel, do not pull.',
  film: 'Peeled with its sealant: it goes back to its place, and keeps water and a side bag’s pressure sensor right.',
};
