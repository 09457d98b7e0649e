/** At one opening: the old speaker out, wires, what is changed by hand, the new one in, heard. */
import { minutesOf, WORK_FACTS, type Work, workWords } from '../fit';
import {
  type OpeningRecord,
  openingStepId,
  placeLabel,
  polarityWeight,
  polarityWords,
  speakerCautions,
  tweeterSeatWords,
} from '../model';
import type { JointLine } from '../stations';
import { type LengthUnit, printLength } from '../units';
import { housingBench, housingOn } from './housingSteps';
import { DRY_MIN, MINUTES } from './minutes';
import { type PlanStep, stepOf } from './PlanStep';
import { ANY_BIT, CELL, PRY_TOOLS, RING_TOOLS, RIVET_TOOLS, TAB_TOOLS, THIN_TOOL } from './tools';
import { isMade, jointStep } from './wireSteps';

export type PlanOpening = {
  readonly id: string;
  readonly record: Pick<
    OpeningRecord,
    | 'place'
    | 'side'
    | 'name'
    | 'presence'
    | 'fixing'
    | 'bolts'
    | 'behind'
    | 'secondPlug'
    | 'plugFaces'
    | 'earlier'
    | 'polarity'
    | 'lineFilter'
    | 'tweeterSeat'
    | 'housing'
  >;
  readonly speakerName: string;
  readonly isTweeter: boolean;
  readonly works: readonly Work[];
  /** Of the sheet that its rings are cut from, mm. */
  readonly ringsMm: readonly number[];
  /** Tabs of its bracket are broken off, or cut. */
  readonly hasTabs: boolean;
};

export type OpeningPlan = {
  /** That the old speaker is out; null where none is. */
  readonly outId: string | null;
  /** Before the car is opened. */
  readonly bench: readonly PlanStep[];
  /** The last is that the new speaker is in. */
  readonly work: readonly PlanStep[];
  /** Once there is supply. */
  readonly tests: readonly PlanStep[];
};

type OpeningGiven = {
  readonly opening: PlanOpening;
  readonly joints: readonly JointLine[];
  /** Steps before the old speaker comes out. */
  readonly after: readonly string[];
  /** Quieting behind the same panel, before something stands in front of it. */
  readonly quiet: readonly string[];
  /** Steps before it is heard, besides that it is in. */
  readonly testedAfter: readonly string[];
  readonly keysProve: boolean;
  readonly unit: LengthUnit;
};

/** Leaves bare metal, which is painted. */
const PAINTED: ReadonlySet<Work['kind']> = new Set(['fileHole', 'drill']);
/** Done to the car itself; the rest at the bench. */
const ON_CAR: ReadonlySet<Work['kind']> = new Set(['cutCloth', 'fileHole', 'drill', 'grind']);

export function openingPlan(given: OpeningGiven): OpeningPlan {
  const { opening, joints, after, testedAfter, keysProve, unit, quiet } = given;
  const { record, speakerName, works, isTweeter } = opening;
  const where = placeLabel(record);
  const id = (what: string) => openingStepId(opening.id, what);
  const out = mayHoldOne(record.presence) ? [oldOut(id('out'), where, record, after)] : [];
  const ready = out.length > 0 ? [id('out')] : after;
  const changed = works.map((work) => {
    const words = workWords(work, unit);
    const isOnCar = ON_CAR.has(work.kind);
    return stepOf({
      ...{ id: id(`work ${work.kind}`), where, from: `By hand: ${words}`, minutes: minutesOf(work) },
      what: `${isOnCar ? 'On the car' : 'At the bench'}: ${words}.`,
      says: workWords(work, 'mm'),
      cautions: isOnCar ? [FILINGS] : [],
      dryMin: PAINTED.has(work.kind) ? DRY_MIN : 0,
      after: isOnCar ? ready : [],
    });
  });
  const bench = [...housingBench(id, where, record, unit), ...benchSteps(id, where, opening, unit)];
  const joined = joints.filter(isMade).map(jointStep(ready, where));
  const filter =
    record.lineFilter === null
      ? []
      : [
          stepOf({
            ...{ id: id('filter'), where, from: 'Filter in its line', minutes: MINUTES.filter, after: ready },
            what: 'What goes into its line is tied where it lies: what hangs loose rattles and breaks.',
          }),
        ];
  const fit = firstFit(id, where, opening, [...ready, ...[...bench, ...changed].map((each) => each.id)]);
  const built = housingOn(id, where, record, [...ready, ...bench.map((each) => each.id)]);
  const before = [...changed, ...built, ...joined, ...filter, ...fit];
  const seat = isTweeter ? [tweeterSeat(id('seat'), where, record, ready)] : [];
  const into = stepOf({
    ...{ id: id('in'), where, from: `Chosen: ${speakerName}`, minutes: MINUTES.newIn },
    what: `${speakerName} in: foam between mount and metal, its lead marked with side and plus and through the notch, all screws started by hand, then tightened crosswise; plug reachable, terminals away from metal.`,
    cautions: ['A cone beside a screwdriver: a hand or a card over it.'],
    after: [...ready, ...quiet, ...[...bench, ...before, ...seat].map((each) => each.id)],
  });
  return {
    outId: out[0]?.id ?? null,
    bench,
    work: [...out, ...before, ...seat, into],
    tests: tests(id, where, record, { after: [into.id, ...testedAfter], keysProve }),
  };
}

/** What is made ready before the car is opened: each side by itself, because left and right are not the same. */
function benchSteps(
  id: (what: string) => string,
  where: string,
  { ringsMm, hasTabs }: Pick<PlanOpening, 'ringsMm' | 'hasTabs'>,
  unit: LengthUnit,
): readonly PlanStep[] {
  const ringWords = (mm: number, inUnit: LengthUnit) => `the ring of ${printLength(mm, inUnit)}`;
  const rings = ringsMm.map((mm, at) =>
    stepOf({
      ...{ id: id(`ring ${at + 1}`), where, from: `Cut from sheet: ${ringWords(mm, unit)}`, minutes: MINUTES.ring },
      what: `At the bench: ${ringWords(mm, unit)} cut to its template for this side, the notch for the wire marked where the plug lies, its edges sealed.`,
      says: `ring ${mm}`,
      tools: RING_TOOLS,
      cautions: ['Eyes, lungs and hands: the piece is clamped, the dust drawn off.'],
      dryMin: DRY_MIN,
    }),
  );
  const tabs = hasTabs
    ? [
        stepOf({
          ...{ id: id('tabs'), where, from: 'Its bracket is used without some of its tabs', minutes: MINUTES.tabs },
          what: 'At the bench: the tabs of its bracket off that the order list names, and no others; the edge smooth.',
          tools: TAB_TOOLS,
          cautions: ['A tab that snaps flies: eyes.'],
        }),
      ]
    : [];
  return [...rings, ...tabs];
}

/** What was cut or filed is held to the car first: what touches is seen while it can still be changed. */
function firstFit(
  id: (what: string) => string,
  where: string,
  { ringsMm, hasTabs, works }: Pick<PlanOpening, 'ringsMm' | 'hasTabs' | 'works'>,
  after: readonly string[],
): readonly PlanStep[] {
  const looked = [
    ...(ringsMm.length > 0 ? ['the ring lies flat, its holes over the car’s'] : []),
    ...(hasTabs ? ['nothing of the bracket stands in the way'] : []),
    ...works.map(({ kind }) => WORK_FACTS[kind].firstFit),
  ];
  if (looked.length === 0) return [];
  return [
    stepOf({
      ...{ id: id('first fit'), where, from: 'What is cut or filed for it', minutes: MINUTES.firstFit, after },
      what: `First fit, dry: ${[...new Set(looked)].join('; ')}. The panel held over it: gaps looked for all round.`,
    }),
  ];
}

/** Or nobody looked. */
function mayHoldOne(presence: OpeningRecord['presence']): boolean {
  return presence === 'fitted' || presence === 'notLooked';
}

const FILINGS = 'Window up and held; filings are caught, and the bare edge is painted.';

function oldOut(id: string, where: string, record: PlanOpening['record'], after: readonly string[]): PlanStep {
  const isRiveted = record.fixing === 'rivets';
  const count =
    record.bolts.kind === 'circle' ? record.bolts.count : record.bolts.kind === 'free' ? record.bolts.holes.length : 4;
  return stepOf({
    ...{ id, where, after },
    open: record.presence === 'fitted' ? null : 'Nobody looked whether a speaker is there.',
    what: isRiveted
      ? `Old speaker out: ${count} rivets drilled, their stems caught and counted. It is kept until the car has left.`
      : `Old speaker out: ${FIXED_WORDS[record.fixing]}. It is kept until the car has left.`,
    from: `Fixing: ${FIXED_WORDS[record.fixing]}`,
    tools: OUT_TOOLS[record.fixing],
    minutes: isRiveted ? MINUTES.rivet * count : MINUTES.oldOut,
    cautions: speakerCautions(record),
  });
}

const OUT_TOOLS: Readonly<Record<OpeningRecord['fixing'], readonly string[]>> = {
  screws: [ANY_BIT],
  rivets: RIVET_TOOLS,
  plugs: [ANY_BIT, ...PRY_TOOLS],
  hooks: [ANY_BIT],
  tabs: PRY_TOOLS,
  pressFit: PRY_TOOLS,
  glue: [THIN_TOOL],
};

const FIXED_WORDS: Readonly<Record<OpeningRecord['fixing'], string>> = {
  screws: 'its screws',
  rivets: 'rivets',
  plugs: 'expanding plugs, screw or pin first',
  hooks: 'its one bolt, then tilted off its hooks',
  tabs: 'its tab, then off its hooks',
  pressFit: 'pressed out of its seat',
  glue: 'cut free with a thin tool of plastic',
};

function tweeterSeat(id: string, where: string, record: PlanOpening['record'], after: readonly string[]): PlanStep {
  return stepOf({
    ...{ id, where, from: 'Seat of its tweeter', minutes: MINUTES.tweeterSeat, after },
    what: `Its seat: ${tweeterSeatWords(record.tweeterSeat)}.`,
    open: record.tweeterSeat === null ? 'Decide what it sits in, and what holds it.' : null,
  });
}

function tests(
  id: (what: string) => string,
  where: string,
  record: PlanOpening['record'],
  { after, keysProve }: { readonly after: readonly string[]; readonly keysProve: boolean },
): readonly PlanStep[] {
  const isGuessed = polarityWeight(record.polarity, keysProve) !== 'tested';
  return [
    ...(isGuessed
      ? [
          stepOf({
            ...{ id: id('polarity'), where, minutes: MINUTES.polarity, tools: [CELL] },
            what: 'Which wire is positive: by a cell, with what feeds it unplugged, the cone moves out; or by a tone, against a speaker that is known.',
            from: `Positive wire: ${polarityWords(record.polarity)}`,
            cautions: ['A cell never into an amplifier’s output: unplugged first. A tweeter shows nothing.'],
            after: [id('in')],
          }),
        ]
      : []),
    stepOf({
      ...{ id: id('heard'), where, from: 'A panel closes over no speaker that nobody heard', minutes: MINUTES.heard },
      what: 'Heard alone with all its screws tight; each joint tugged, no wire pinched.',
      after: [...(isGuessed ? [id('polarity')] : []), ...after],
    }),
    ...(record.behind === 'glass'
      ? [
          stepOf({
            ...{ id: id('window'), where, from: 'Behind it: the window', minutes: MINUTES.window },
            what: 'The window down and up again: nothing touches.',
            after: [id('heard')],
          }),
        ]
      : []),
  ];
}
