/**
 * Facts of a car that change what is bought and how it is done, and that no tape measures. Each is known by an answer with its grade, known
 * to be nothing by the answer that says so, or not looked at. A fact of this car goes before one of its variant. Which are asked, where one
 * looks, and what they cost when they are missed is common practice, no source.
 */
import { z } from 'zod';
import { type Grade, gradeSchema, isOnlyHeard, isSomebodysWord } from './grade';

/** Where an answer is to be had, the cheapest first. */
export type FactAskedAt = 'telephone' | 'counter' | 'doorOpen' | 'panelOff';

type CarFactEntry = {
  readonly label: string;
  readonly question: string;
  readonly answers: Readonly<Record<string, string>>;
  /** Where it is asked first. */
  readonly askedAt: FactAskedAt;
  /** Where one sees it for oneself, which is asked where it was only said. */
  readonly seenAt: FactAskedAt;
  /** What to look at. */
  readonly look: string;
  /** What it costs when it is missed. */
  readonly stake: string;
};

const TABLE = {
  amplifier: {
    label: 'Separate amplifier',
    question: 'Is there a separate amplifier?',
    answers: { none: 'None: the radio feeds the speakers', factory: 'The maker’s own', added: 'One that was added' },
    askedAt: 'telephone',
    seenAt: 'doorOpen',
    look: 'The name of the package; a badge on the grilles; a box under a seat, behind a side panel, in the boot.',
    stake: 'It decides load and bands: what is bought for a plain radio is silent on it, or too much for it.',
  },
  windows: {
    label: 'Windows in the doors',
    question: 'Are the windows cranked or electric?',
    answers: {
      electric: 'Electric',
      crank: 'Cranked',
      mixed: 'Electric in front, cranked behind',
      fixed: 'They do not open',
    },
    askedAt: 'telephone',
    seenAt: 'counter',
    look: 'The doors themselves.',
    stake: 'A crank’s clip costs an hour the first time, and its arm sweeps where the magnet wants to be.',
  },
  alsoSounds: {
    label: 'What else sounds through the speakers',
    question: 'Do warnings, parking sounds or voices come through the speakers?',
    answers: {
      nothing: 'Nothing else',
      warnings: 'Warnings or the chime',
      voices: 'Telephone, navigation or parking sounds',
      both: 'Warnings and voices',
    },
    askedAt: 'telephone',
    seenAt: 'counter',
    look: 'Ignition on, belt open, reverse: hear where each sound comes from.',
    stake: 'A warning that is gone after the work is a fault of the work, and may be against local rules.',
  },
  doorWires: {
    label: 'Wires in the doors',
    question: 'Do the doors have wires for speakers?',
    answers: { all: 'All doors', front: 'The front doors only', none: 'No door' },
    askedAt: 'doorOpen',
    seenAt: 'doorOpen',
    look: 'The boot between door and pillar pulled back: two thin wires twisted together, or a plug with empty positions.',
    stake: 'A plug-in lead for the higher trim goes back when this one has no wires in the door.',
  },
  boot: {
    label: 'Boot between door and pillar',
    question: 'Is the boot open for a wire, or does a connector sit in it?',
    answers: { open: 'Open: a wire goes through', connector: 'A connector sits in it', none: 'There is none' },
    askedAt: 'doorOpen',
    seenAt: 'doorOpen',
    look: 'The door open, a finger behind the rubber.',
    stake: 'With a connector in it there is no way for new wire but through its empty positions.',
  },
  beltAnchors: {
    label: 'Belts in the panels',
    question: 'Is a belt anchored in a panel that comes off?',
    answers: { none: 'None', inPanel: 'Yes: its bolt comes out' },
    askedAt: 'doorOpen',
    seenAt: 'doorOpen',
    look: 'Where the belts run into the side panels, pillars and shelf.',
    stake: 'Its bolt goes by the vehicle maker’s manual only, and by nobody’s feel.',
  },
  band: {
    label: 'What the wires carry',
    question: 'Do the wires at the speaker carry everything, or one band only?',
    answers: {
      full: 'Everything',
      split: 'Bass and treble apart',
      bassOnly: 'Bass only at the doors',
      treble: 'Treble only',
    },
    askedAt: 'panelOff',
    seenAt: 'panelOff',
    look: 'The old speaker heard alone with a voice; or a full-range speaker held to the wires.',
    stake: 'A coaxial on a pair that carries bass only has no treble to play.',
  },
} as const satisfies Readonly<Record<string, CarFactEntry>>;

export type CarFactKey = keyof typeof TABLE;
export const CAR_FACT_KEYS = Object.keys(TABLE) as [CarFactKey, ...CarFactKey[]];
export const CAR_FACTS: Readonly<Record<CarFactKey, CarFactEntry>> = TABLE;

export const carFactSchema = z.strictObject({
  answer: z.string().min(1).max(20),
  grade: gradeSchema,
  note: z.string().trim().max(200, 'Type at most 200 characters.'),
  /** Who wrote it down, and when; null for what came from elsewhere. */
  by: z.string().max(80).nullable(),
  at: z.iso.datetime().nullable(),
});
export type CarFact = z.infer<typeof carFactSchema>;

/** By what is asked; what nobody looked at is not in it. */
export const carFactsSchema = z.partialRecord(z.enum(CAR_FACT_KEYS), carFactSchema).superRefine((facts, context) => {
  for (const key of CAR_FACT_KEYS) {
    const { answer } = facts[key] ?? {};
    if (answer === undefined || answer in CAR_FACTS[key].answers) continue;
    const would = Object.keys(CAR_FACTS[key].answers).join(', ');
    context.addIssue({
      code: 'custom',
      path: [key, 'answer'],
      message: `“${answer}” was read. One of these would do: ${would}.`,
    });
  }
});
export type CarFacts = z.infer<typeof carFactsSchema>;

/** "None, seen on such a car here: looked under both seats". */
export function carFactWords(key: CarFactKey, fact: CarFact | undefined): string {
  if (!fact) return 'not looked';
  const answer = CAR_FACTS[key].answers[fact.answer] ?? fact.answer;
  return `${answer} (${fact.grade === 'seenHere' ? 'seen here' : gradeWords(fact.grade)})${fact.note === '' ? '' : `: ${fact.note}`}`;
}

function gradeWords(grade: Grade): string {
  return isSomebodysWord(grade) ? (isOnlyHeard(grade) ? 'only heard' : 'known') : 'usual or guessed';
}

/** What is known of this car: what was found on it goes before what its variant is known to have. */
export function knownFact(key: CarFactKey, found: CarFacts, variant: CarFacts): CarFact | undefined {
  return found[key] ?? variant[key];
}

/** Of another trim: what a package decides is not looked at, and of the rest only that the other one has it. */
export function factsOfOtherVariant(facts: CarFacts): CarFacts {
  const SHEET_METAL: readonly CarFactKey[] = ['boot', 'beltAnchors'];
  return Object.fromEntries(
    SHEET_METAL.flatMap((key) => {
      const fact = facts[key];
      return fact ? [[key, { ...fact, grade: 'otherCar' as const }]] : [];
    }),
  );
}

/** What was seen on this car, and the library does not know of its variant yet or only by hearsay. */
export function taughtFacts(found: CarFacts, variant: CarFacts): CarFacts {
  return Object.fromEntries(
    CAR_FACT_KEYS.flatMap((key) => {
      const [here, there] = [found[key], variant[key]];
      const isSeen = here !== undefined && !isOnlyHeard(here.grade);
      return isSeen && (!there || isOnlyHeard(there.grade)) ? [[key, here]] : [];
    }),
  );
}
