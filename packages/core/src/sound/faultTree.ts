/**
 * Is it the speaker at all? What may make one silent or bad, the tests that tell the causes apart, and which of them to make next.
 *
 * Each test splits the causes that are left by what it shows. The next one is the first of the plan that costs the fewest minutes on
 * average until one cause is left: the plan is searched whole, over every set of causes that can be left (a hundred and some), so that it is the
 * best there is and no rule of thumb. How often each cause is the one, and what a test takes, is common practice, no source.
 */

/** How often each is the one, of a hundred speakers that are silent or bad. */
const CAUSE_SHARES = {
  source: 8,
  setting: 12,
  amplifier: 8,
  wire: 12,
  plug: 15,
  speaker: 40,
  mounting: 5,
} as const;
export type FaultCause = keyof typeof CAUSE_SHARES;
export const FAULT_CAUSES = Object.keys(CAUSE_SHARES) as readonly FaultCause[];

export const CAUSE_WORDS: Readonly<Record<FaultCause, string>> = {
  source: 'the source: the telephone, the disc, the station',
  setting: 'a setting of the radio: fader, balance, a filter',
  amplifier: 'the radio’s or the amplifier’s channel',
  wire: 'the wire on its way, most often at the hinge',
  plug: 'the plug or one of its pins',
  speaker: 'the speaker itself',
  mounting: 'the mounting: loose, or touching something',
};

type TestFacts = {
  readonly label: string;
  /** What a practised hand takes, min. */
  readonly minutes: number;
  /** What it shows where each of these is the cause, in words; any other cause shows `else`. */
  readonly shows: Partial<Readonly<Record<FaultCause, string>>>;
  readonly else: string;
};

const TESTS = {
  otherSource: {
    label: 'Play another source',
    minutes: 1,
    shows: { source: 'It is good then' },
    else: 'It stays as it is',
  },
  faderBalance: {
    label: 'Set fader and balance to it, filters and enhancers off',
    minutes: 1,
    shows: { setting: 'It is good then' },
    else: 'It stays as it is',
  },
  press: {
    label: 'Press on its grille and its card while it plays',
    minutes: 1,
    shows: { mounting: 'It changes' },
    else: 'It stays as it is',
  },
  plugMoved: {
    label: 'Panel off: move its plug and look at the pins',
    minutes: 12,
    shows: { plug: 'It comes and goes, or a pin is bent or green' },
    else: 'The plug is sound',
  },
  meter: {
    label: 'Panel off: meter across the unplugged speaker',
    minutes: 12,
    shows: { speaker: 'Open, shorted or unsteady' },
    else: 'A healthy coil',
  },
  knownSpeaker: {
    label: 'Panel off: a speaker that is known to be good on its plug',
    minutes: 14,
    shows: { speaker: 'That one is good', mounting: 'That one is good' },
    else: 'That one is bad too',
  },
  channelSwapped: {
    label: 'Swap the leads of the two sides at the radio',
    minutes: 20,
    shows: { amplifier: 'The fault goes to the other side' },
    else: 'The fault stays on its side',
  },
  wireThrough: {
    label: 'Meter from the radio to the plug, the door moved',
    minutes: 20,
    shows: { wire: 'No way through, or it comes and goes' },
    else: 'A way through',
  },
} as const satisfies Readonly<Record<string, TestFacts>>;
export type FaultTest = keyof typeof TESTS;
export const FAULT_TESTS = Object.keys(TESTS) as [FaultTest, ...FaultTest[]];

/** A test that was made: whether it showed what its cause shows, or the other. */
export type FaultTrial = { readonly test: FaultTest; readonly isShown: boolean };

export function faultTestLabel(test: FaultTest): string {
  return TESTS[test].label;
}

export function faultTestMinutes(test: FaultTest): number {
  return TESTS[test].minutes;
}

/** What either answer is, in words. */
export function faultAnswers(test: FaultTest): { readonly shown: string; readonly not: string } {
  const { shows, else: not }: TestFacts = TESTS[test];
  return { shown: Object.values(shows)[0] ?? '', not };
}

/** @returns the causes that all trials allow; none where they contradict each other */
export function causesLeft(trials: readonly FaultTrial[]): readonly FaultCause[] {
  return FAULT_CAUSES.filter((cause) => trials.every(({ test, isShown }) => showsFor(test, cause) === isShown));
}

/** @returns the test to make next; null where one cause is left, or none */
export function nextFaultTest(trials: readonly FaultTrial[]): FaultTest | null {
  return planFor(causesLeft(trials)).test;
}

/** Minutes that are still to be spent on average until one cause is left. */
export function minutesLeft(trials: readonly FaultTrial[]): number {
  return planFor(causesLeft(trials)).minutes;
}

function showsFor(test: FaultTest, cause: FaultCause): boolean {
  return cause in TESTS[test].shows;
}

type Plan = { readonly test: FaultTest | null; readonly minutes: number };

/** By the causes that are left: each set is planned once. */
const plans = new Map<string, Plan>();

function planFor(causes: readonly FaultCause[]): Plan {
  const key = causes.join();
  const known = plans.get(key);
  if (known) return known;
  const plan = bestPlan(causes);
  plans.set(key, plan);
  return plan;
}

function bestPlan(causes: readonly FaultCause[]): Plan {
  if (causes.length < 2) return { test: null, minutes: 0 };
  let best: Plan = { test: null, minutes: Number.POSITIVE_INFINITY };
  for (const test of FAULT_TESTS) {
    const shown = causes.filter((cause) => showsFor(test, cause));
    // A test that shows the same whichever it is tells nothing.
    if (shown.length === 0 || shown.length === causes.length) continue;
    const not = causes.filter((cause) => !showsFor(test, cause));
    const share = shareOf(shown) / shareOf(causes);
    const minutes = TESTS[test].minutes + share * planFor(shown).minutes + (1 - share) * planFor(not).minutes;
    if (minutes < best.minutes) best = { test, minutes };
  }
  return best;
}

function shareOf(causes: readonly FaultCause[]): number {
  return causes.reduce((sum, cause) => sum + CAUSE_SHARES[cause], 0);
}
