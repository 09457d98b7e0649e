/**
 * The work on a car as steps, each from a line of its record: what must be before what is a graph, and the order one that keeps it. One works from
 * the battery to the doors and back (handbook, section 3): supply off where bags are, each panel off, the speaker out and in, supply on again once
 * every plug of a bag is closed, each speaker heard, and only then its panel closed.
 */
import {
  coverCautions,
  needsSupplyOff,
  newPanel,
  openingStepId,
  orderOf,
  type Panel,
  type PanelSpot,
  panelAt,
  panelLabel,
  panelsInFrontOf,
  type Quieted,
} from '../model';
import type { JointLine, WireRun } from '../stations';
import type { LengthUnit } from '../units';
import { type AtRadio, fasciaPlan } from './fasciaSteps';
import { MINUTES, SECOND_SIDE } from './minutes';
import { openingPlan, type PlanOpening } from './openingSteps';
import { type PlanStep, stepOf } from './PlanStep';
import { closedId, offId, panelPlan } from './panelSteps';
import { quietId, quietStep } from './quietSteps';
import { CLAMP_WRENCH } from './tools';
import { type PlanBox, wireSteps } from './wireSteps';

export type PlanCar = {
  /** Those that something goes into, in the order in which they are worked on. */
  readonly openings: readonly PlanOpening[];
  readonly panels: readonly Panel[];
  readonly joints: readonly JointLine[];
  /** What is run new. */
  readonly runs: readonly WireRun[];
  readonly boxes: readonly PlanBox[];
  /** Names of the crossovers that come in with this job. */
  readonly crossovers: readonly string[];
  /** Surfaces that are quieted while a panel is off. */
  readonly quieted: readonly Quieted[];
  /** Null where nobody asked. */
  readonly lostWithoutSupply: string | null;
  /** Whether a power wire comes to an amplifier. */
  readonly hasPowerWire: boolean;
  readonly atRadio: AtRadio;
  /** Whether warning sounds come through its speakers, or may: null where nobody asked. */
  readonly hasWarnings: boolean | null;
};

export type CarPlan = {
  /** In an order that keeps what must be before what. */
  readonly steps: readonly PlanStep[];
  /** All steps one after the other, min. */
  readonly minutes: number;
};

/** Before it is out of reach behind a card. */
function levelSwitch(name: string): PlanStep {
  return stepOf({
    ...{ id: `level ${name}`, where: 'At the bench', from: `Crossover ${name}`, minutes: MINUTES.levelSwitch },
    what: `At the bench: the level switch of crossover ${name}, where it has one: where one begins, often −3 dB for a tweeter that looks at the ear, else 0. What was set is written on it.`,
  });
}

/** A panel there, whatever it is called besides. */
function isSamePlace(panel: Pick<Panel, 'kind' | 'spot'>, { kind, spot }: Pick<Quieted, 'kind' | 'spot'>): boolean {
  return panel.kind === kind && panel.spot === spot;
}

/** @param keysProve whether the shop takes a keyed lead for a proof of polarity */
export function carPlan(
  car: PlanCar,
  { keysProve, unit }: { readonly keysProve: boolean; readonly unit: LengthUnit },
): CarPlan {
  if (car.openings.length === 0) return { steps: [], minutes: 0 };
  const isSupplyOff = car.hasPowerWire || car.openings.some(({ record }) => needsSupplyOff(record.place));
  const ready = beforeWork(car, isSupplyOff);
  const begun = ready.at(-1)?.id as string;
  const inFront = panelsInFront(car);
  const fascia = fasciaPlan(car.atRadio, car.panels, { after: [begun], supply: isSupplyOff ? 'battery on' : null });
  const off = [...fascia.offIds, ...inFront.map(({ panel }) => offId(panel))];
  const wires = wireSteps({
    ...{ runs: car.runs, boxes: car.boxes, after: off.length > 0 ? off : [begun] },
    joints: car.joints.filter(({ openingId }) => !car.openings.some(({ id }) => id === openingId)),
  });
  const first = startValues(car, [...wires.map(({ id }) => id), ...(isSupplyOff ? ['battery on'] : [])]);
  const testedAfter = [
    ...wires.map(({ id }) => id),
    ...(isSupplyOff ? ['battery on'] : []),
    ...first.map(({ id }) => id),
  ];

  const openings = car.openings.map((opening) => {
    const before = inFront.filter(({ behind }) => behind.includes(opening));
    const given = { opening, keysProve, unit, testedAfter };
    const joints = car.joints.filter(({ openingId }) => openingId === opening.id);
    const after = before.length > 0 ? before.map(({ panel }) => offId(panel)) : [begun];
    const quiet = car.quieted.filter((each) => before.some(({ panel }) => isSamePlace(panel, each))).map(quietId);
    return { opening, plan: openingPlan({ ...given, joints, after, quiet }) };
  });
  const panels = inFront.map(({ panel, isUnknown, behind, first }) => {
    const closesAfter = [
      ...openings
        .filter(({ opening }) => behind.includes(opening))
        .flatMap(({ plan }) => plan.tests.map(({ id }) => id)),
      // What came off before another panel goes back after it.
      ...inFront.filter((each) => each.first.includes(panel)).map((each) => closedId(each.panel)),
    ];
    const cautions = [...new Set(behind.flatMap(({ record }) => coverCautions(record)))];
    return {
      panel,
      behind,
      plan: panelPlan({ panel, isUnknown, cautions, closesAfter, after: [begun, ...first.map(offId)] }),
    };
  });
  const works = openings.flatMap(({ plan }) => plan.work);
  const quieting = car.quieted.map((each) => {
    const own = inFront.filter(({ panel }) => isSamePlace(panel, each));
    const behind = own.flatMap((panel) => panel.behind);
    const outs = openings.filter(({ opening }) => behind.includes(opening)).flatMap(({ plan }) => plan.outId ?? []);
    const step = quietStep(each, own.length > 0 ? [...own.map(({ panel }) => offId(panel)), ...outs] : null, begun);
    return { step, panel: own.at(-1)?.panel ?? null };
  });
  const supply = isSupplyOff
    ? supplyOn([...works, ...quieting.map(({ step }) => step), ...wires, ...fascia.work].map(({ id }) => id))
    : [];
  const steps = [
    ...openings.flatMap(({ plan }) => plan.bench),
    ...car.crossovers.map(levelSwitch),
    ...ready,
    ...fascia.off,
    ...panels.flatMap(({ plan, panel, behind }) => [
      ...plan.off,
      // Where one stands already, before the new speaker.
      ...quieting.flatMap((each) => (each.panel === panel ? each.step : [])),
      // Behind several panels it is worked on after the last of them.
      ...openings
        .filter(({ opening }) => panels.findLast((each) => each.behind.includes(opening))?.behind === behind)
        .flatMap(({ plan: { work } }) => work),
    ]),
    ...openings
      .filter(({ opening }) => !panels.some(({ behind }) => behind.includes(opening)))
      .flatMap(({ plan }) => plan.work),
    ...quieting.flatMap((each) => (each.panel === null ? each.step : [])),
    ...wires,
    ...fascia.work,
    ...supply,
    ...first,
    ...fascia.tried,
    ...openings.flatMap(({ plan }) => plan.tests),
    ...[...panels].reverse().flatMap(({ plan }) => plan.on),
    ...fascia.on,
    ...afterWork(
      car,
      [...fascia.closedIds, ...panels.map(({ plan }) => plan.on.at(-1)?.id as string)],
      openings.flatMap(({ plan }) => plan.tests),
    ),
  ];
  const waits = steps.flatMap(({ id, after }) => after.map((first) => ({ first, next: id })));
  const { order } = orderOf(
    steps.map(({ id }) => id),
    waits,
  );
  const bags = bagsOf(steps);
  const byId = new Map(
    steps.map((step) => [
      step.id,
      { ...asSecondSide(step, car.openings), side: sideOf(step, car.openings), bag: bags.get(step.id) ?? null },
    ]),
  );
  const ordered = order.map((id) => byId.get(id) as PlanStep);
  return {
    steps: ordered,
    minutes: ordered.reduce((sum, { minutes }) => sum + minutes, 0),
  };
}

function beforeWork({ lostWithoutSupply }: PlanCar, isSupplyOff: boolean): readonly PlanStep[] {
  const ready = stepOf({
    ...{ id: 'ready', where: 'The car', minutes: MINUTES.ready },
    what: isSupplyOff
      ? `Windows up, boot open, keys outside.${lostWithoutSupply ? ` Noted, because it is lost without supply: ${lostWithoutSupply}.` : ''}`
      : 'Windows up, keys outside.',
    from: isSupplyOff ? 'Lost when the battery is off' : 'The car as it came',
    open:
      isSupplyOff && lostWithoutSupply === null
        ? 'Nobody asked what is lost when the battery is off: codes, settings, what the windows have learnt.'
        : null,
  });
  if (!isSupplyOff) return [ready];
  return [
    ready,
    stepOf({
      ...{ id: 'battery off', where: 'Battery', minutes: MINUTES.battery, after: ['ready'], tools: [CLAMP_WRENCH] },
      what: 'Negative clamp off, laid aside and covered; then wait as the vehicle maker says.',
      from: 'Work beside airbags or their sensors, or on power wires',
      cautions: ['Airbags and belt tensioners keep a charge for a while: the vehicle maker’s manual says how long.'],
    }),
  ];
}

function supplyOn(after: readonly string[]): readonly PlanStep[] {
  return [
    stepOf({
      ...{ id: 'bag plugs', where: 'Battery', minutes: MINUTES.bagPlugs, after },
      what: 'Every plug of an airbag, a belt or their sensors is closed: looked at, one by one.',
      from: 'Before supply returns',
      cautions: ['One that is open when supply returns sets its lamp, or worse. Nobody sits before a bag.'],
      isMust: true,
    }),
    stepOf({
      ...{ id: 'battery on', where: 'Battery', minutes: MINUTES.battery, after: ['bag plugs'], tools: [CLAMP_WRENCH] },
      what: 'Negative clamp on, last of all. Warning lamps, camera, and what was lost is set again.',
      from: 'Each speaker is heard before its panel closes',
      isGate: true,
      isMust: true,
    }),
  ];
}

/** What an amplifier plays at its first sound is set before it. */
function startValues({ hasPowerWire }: PlanCar, after: readonly string[]): readonly PlanStep[] {
  if (!hasPowerWire) return [];
  return [
    stepOf({
      ...{ id: 'start values', where: 'Amplifier', minutes: MINUTES.startValues, after },
      what: 'Gains and filters at their start values, read off the meter, the volume all the way down.',
      from: 'Start values',
      cautions: ['Before the first sound: a tweeter without its filter is gone in a second.'],
    }),
  ];
}

function afterWork(
  { hasWarnings }: PlanCar,
  closed: readonly string[],
  tests: readonly PlanStep[],
): readonly PlanStep[] {
  const after = [...closed, ...tests.map(({ id }) => id)];
  const sounds =
    hasWarnings === false
      ? []
      : [
          stepOf({
            ...{ id: 'warning sounds', where: 'The car', minutes: MINUTES.warningSounds, after },
            what: 'Each warning sound is heard as before the work: belt, open door, lights, parking.',
            from: 'What else sounds through the speakers',
            open:
              hasWarnings === null ? 'Nobody asked whether warnings come through the speakers: hear them all.' : null,
            needsSecond: true,
            isMust: true,
          }),
        ];
  return [
    ...sounds,
    stepOf({
      ...{ id: 'baseline', where: 'The car', minutes: MINUTES.baseline },
      what: 'Everything that was tried before the work is tried again.',
      from: 'What works today',
      after: [...after, ...sounds.map(({ id }) => id)],
    }),
  ];
}

type InFront = {
  readonly panel: Panel;
  readonly isUnknown: boolean;
  readonly behind: readonly PlanOpening[];
  /** Panels that are off before it. */
  readonly first: readonly Panel[];
};

/** In front of the openings, in their order, with the sail trims that hide a fixing of a card before the card. */
function panelsInFront({ openings, panels }: PlanCar): readonly InFront[] {
  const places = openings.flatMap((opening) => {
    const where = panelAt(opening.record.place, opening.record.side);
    return where === null ? [] : [{ opening, where }];
  });
  const found = places.flatMap(({ opening }) =>
    panelsInFrontOf(opening.record, panels).map(
      (named) => panels.find((each) => panelLabel(each) === panelLabel(named)) ?? newPanel(named),
    ),
  );
  const own = found.filter((panel, at) => found.findIndex((each) => panelLabel(each) === panelLabel(panel)) === at);
  const trims = own.flatMap((panel) => sailTrimBefore(panel, panels)).filter((trim) => !own.includes(trim));
  return [...new Set([...trims, ...own])].map((panel) => ({
    panel,
    isUnknown: !panels.includes(panel),
    behind: places
      .filter(({ where }) => where.kind === panel.kind && where.spot === panel.spot)
      .map(({ opening }) => opening),
    first: sailTrimBefore(panel, panels),
  }));
}

const SIDE_OF_SPOT: Readonly<Partial<Record<PanelSpot, PanelSpot>>> = { frontLeft: 'left', frontRight: 'right' };

/** The mirror's or sail trim that covers a fixing of a door's card, where somebody described one. */
function sailTrimBefore(panel: Panel, panels: readonly Panel[]): readonly Panel[] {
  const side = SIDE_OF_SPOT[panel.spot];
  if (panel.kind !== 'doorCard' || !(panel.fasteners ?? []).some(({ cover }) => cover === 'mirrorTrim')) return [];
  return panels.filter(({ kind, spot }) => kind === 'sailTrim' && (spot === side || spot === panel.spot));
}

/** A letter for each panel, and a number for each kind of piece that comes off it, in the order of the work. */
function bagsOf(steps: readonly PlanStep[]): ReadonlyMap<string, string> {
  const off = steps.filter(({ counts }) => counts?.way === 'off');
  const panels = [...new Set(off.map(({ where }) => where))];
  const bags = new Map<string, string>();
  for (const [at, panel] of panels.entries())
    off
      .filter(({ where }) => where === panel)
      .forEach(({ id }, each) => {
        bags.set(id, `${String.fromCharCode(65 + (at % 26))}${each + 1}`);
      });
  for (const { id, counts } of steps) {
    const bag = counts?.outAt ? bags.get(counts.outAt) : undefined;
    if (bag) bags.set(id, bag);
  }
  return bags;
}

/** Its panel's, or its opening's. */
function sideOf({ id, side: own }: PlanStep, openings: readonly PlanOpening[]): PlanStep['side'] {
  if (own !== null) return own;
  const spot = /^panel \w+ (\w+) /.exec(id)?.[1] ?? '';
  const side = openings.find((opening) => id.startsWith(openingStepId(opening.id, '')))?.record.side;
  if (side === 'left' || /left$/i.test(spot)) return 'left';
  return side === 'right' || /right$/i.test(spot) ? 'right' : null;
}

/** What was just done on the other side goes quicker. */
function asSecondSide(step: PlanStep, openings: readonly PlanOpening[]): PlanStep {
  if (!isSecondSide(step, openings)) return step;
  return { ...step, minutes: step.minutes * SECOND_SIDE, isSecondSide: true };
}

function isSecondSide({ id }: PlanStep, openings: readonly PlanOpening[]): boolean {
  return openings.some((opening, at) => {
    const { place, side, name } = opening.record;
    const hasTwin = openings
      .slice(0, at)
      .some(({ record }) => record.place === place && record.name === name && record.side !== side);
    if (!hasTwin) return false;
    if (id.startsWith(openingStepId(opening.id, ''))) return true;
    const panel = panelAt(place, side);
    return panel !== null && panel.spot !== 'middle' && id.startsWith(`panel ${panel.kind} ${panel.spot} `);
  });
}
