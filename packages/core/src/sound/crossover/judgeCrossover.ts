/**
 * Is the chain of a crossover closed? One channel goes in, each output ends at a speaker that is made for it or is left over and insulated, no tweeter
 * is fed past a filter, and each output has a lead. What nobody decided is never "clears".
 */
import { listed } from '../../listed';
import type { FromCrossover } from '../channel/channelNetwork';
import type { DriverKind } from '../channel/electrics';
import { newWireCheck } from '../channel/wireCheck';

export type CrossoverVerdict = 'clears' | 'measure' | 'hits' | 'hold';
export const CROSSOVER_CHECKS = ['input', 'outputs', 'filters', 'leads', 'place'] as const;
export type CrossoverCheckId = (typeof CROSSOVER_CHECKS)[number];

export type CrossoverCheck = {
  readonly id: CrossoverCheckId;
  readonly verdict: CrossoverVerdict;
  readonly sentence: string;
  /** The one thing that settles it; null where nothing is open. */
  readonly settledBy: string | null;
  /** What is left on the tightest side, mm; null where it is no number, or not known. */
  readonly margin: { readonly mm: number; readonly expandedMm: number } | null;
};

/** Where an output ends. */
export type OutputEnd =
  | { readonly kind: 'notDecided' }
  | { readonly kind: 'unused'; readonly isInsulated: boolean }
  /** An opening that the car does not have. */
  | { readonly kind: 'noSuchPlace'; readonly label: string }
  | {
      readonly kind: 'place';
      readonly label: string;
      /** Whether a speaker is there, or comes there. */
      readonly hasSpeaker: boolean;
      /** Null where nobody knows what it is. */
      readonly driver: DriverKind | null;
      readonly isInDoor: boolean;
      /** What else feeds it: other outputs, as they are called. */
      readonly alsoFedBy: readonly string[];
      /** The channel whose wire lies there in the car as it came; null where none does. */
      readonly ownChannel: string | null;
    };

export type JudgedOutput = {
  readonly to: FromCrossover['to'];
  readonly filter: FromCrossover['filter'];
  readonly end: OutputEnd;
  readonly lead: 'factory' | 'new' | null;
};

export type JudgedCrossover = {
  /** Whether anybody noted the car's channels: without, neither its input nor whose wire leads where is known. */
  readonly isChannelsNoted: boolean;
  /** Null where nobody decided; `isThere` is false where the car has no channel of that name. */
  readonly input: {
    readonly name: string;
    readonly isThere: boolean;
    readonly joined: 'parallel' | 'series';
    /** What else hangs on the channel, besides this crossover. */
    readonly besides: readonly string[];
    /** Other crossovers on it. */
    readonly crossovers: readonly string[];
  } | null;
  readonly outputs: readonly JudgedOutput[];
  readonly at: 'door' | 'dash' | 'cabin' | 'amplifier' | null;
  /** Whether it lies where one pair of the car forks to its speakers. */
  readonly isAtFork: boolean;
  /** Between door and pillar; null where nobody looked. */
  readonly boot: 'open' | 'connector' | 'none' | null;
};

/** @returns one of each but its place, in the order of `CROSSOVER_CHECKS` */
export function judgeCrossover(crossover: JudgedCrossover): readonly CrossoverCheck[] {
  return [inputCheck(crossover), outputsCheck(crossover), filtersCheck(crossover), leadsCheck(crossover)];
}

function inputCheck({ input, isChannelsNoted }: JudgedCrossover): CrossoverCheck {
  if (!isChannelsNoted)
    return check(
      'input',
      'measure',
      'Nobody noted this car’s channels: what feeds it is not known.',
      'Note them with the vehicle, and choose its channel.',
    );
  if (input === null) return check('input', 'measure', 'Nobody decided which channel feeds it.', 'Choose its channel.');
  const { name, isThere, joined, besides, crossovers } = input;
  if (!isThere)
    return check(
      'input',
      'hold',
      `It is to be fed by ${name}, and the car has no channel of that name.`,
      'Choose one that the vehicle has, or note it there.',
    );
  if (joined === 'series' && (besides.length > 0 || crossovers.length > 0))
    return check(
      'input',
      'hold',
      `On channel ${name} speakers lie one after the other: what a crossover lets pass follows from what it is driven by, and here that is ${listed([...besides, ...crossovers])}.`,
      'Give it a channel of its own, or join them side by side.',
    );
  if (crossovers.length > 0)
    return check(
      'input',
      'clears',
      `Channel ${name} feeds it, and ${listed(crossovers)} beside it: what the amplifier sees of all of them is told with the channel.`,
      null,
    );
  return check('input', 'clears', `Channel ${name} feeds it.`, null);
}

/** What an output must not end at. */
const WRONG_END: Readonly<Record<FromCrossover['to'], ReadonlySet<DriverKind>>> = {
  tweeter: new Set<DriverKind>(['component woofer', 'coaxial', 'full range']),
  midrange: new Set<DriverKind>(['tweeter']),
  woofer: new Set<DriverKind>(['tweeter']),
};

function outputsCheck({ outputs }: JudgedCrossover): CrossoverCheck {
  const told = (of: JudgedOutput, words: string) => `The ${of.to}’s output ${words}.`;
  for (const output of outputs) {
    const { end, to } = output;
    if (end.kind === 'place' && end.driver === 'tweeter' && to !== 'tweeter')
      return check(
        'outputs',
        'hold',
        told(output, `ends at the tweeter of ${end.label}: it gets all that the ${to} is made for, and dies`),
        'Change the two outputs over.',
      );
  }
  for (const output of outputs) {
    const { end, to } = output;
    if (end.kind === 'place' && end.driver !== null && WRONG_END[to].has(end.driver))
      return check(
        'outputs',
        'hold',
        told(output, `ends at ${end.label}, and a ${end.driver} is there: the rest of what it plays is missing`),
        'End it at the speaker that it is made for.',
      );
    if (end.kind === 'place' && end.alsoFedBy.length > 0)
      return check(
        'outputs',
        'hold',
        `${end.label} is fed twice: by the ${to}’s output, and by ${listed(end.alsoFedBy)}.`,
        'One output to a speaker: two on one speaker break what feeds it.',
      );
    if (end.kind === 'noSuchPlace')
      return check(
        'outputs',
        'hold',
        told(output, `ends at ${end.label}, which this car has not`),
        'Choose an opening of this car.',
      );
  }
  for (const output of outputs) {
    const { end } = output;
    if (end.kind === 'notDecided')
      return check(
        'outputs',
        'measure',
        told(output, 'ends nowhere yet'),
        'Choose its speaker, or say that it is left over on purpose.',
      );
    if (end.kind === 'unused' && !end.isInsulated)
      return check(
        'outputs',
        'measure',
        told(output, 'is left over, and nobody insulated it: two bare ends that touch are a short on the channel'),
        'Insulate its two ends apart, and say so.',
      );
    if (end.kind === 'place' && !end.hasSpeaker)
      return check(
        'outputs',
        'measure',
        told(output, `ends at ${end.label}, where no speaker is chosen or stays`),
        'Choose its speaker there.',
      );
    if (end.kind === 'place' && end.driver === null)
      return check(
        'outputs',
        'measure',
        told(output, `ends at ${end.label}, and nobody knows what speaker that is`),
        'Look what it is: a tweeter on another output dies.',
      );
  }
  if (outputs.every(({ end }) => end.kind === 'unused'))
    return check('outputs', 'measure', 'Nothing is fed by it: each output is left over.', 'Leave the crossover out.');
  return check(
    'outputs',
    'clears',
    'Each output ends at a speaker that it is made for, or is left over and insulated.',
    null,
  );
}

function filtersCheck({ outputs }: JudgedCrossover): CrossoverCheck {
  const ends = outputs.filter(({ end }) => end.kind !== 'unused');
  const bare = ends.find(({ to, filter }) => to === 'tweeter' && filter !== null && filter.highPass === null);
  if (bare)
    return check(
      'filters',
      'hold',
      'The tweeter’s output has no high-pass: a tweeter on it dies.',
      'Look at the crossover’s sheet whether tweeter and woofer were written down the wrong way round.',
    );
  const unknown = ends.filter(({ filter }) => filter === null).map(({ to }) => to);
  if (unknown.length > 0)
    return check(
      'filters',
      'measure',
      `Nobody wrote down the filter of its output to the ${listed(unknown)}.`,
      'It stands in the set’s sheet; where there is none, ask its maker.',
    );
  const gap = gapOf(ends);
  if (gap !== null)
    return check(
      'filters',
      'measure',
      `From ${gap.fromHz} to ${gap.toHz} Hz, more than an octave, neither of its outputs plays.`,
      'Look at the sheet again: a set’s corners lie close together.',
    );
  return check('filters', 'clears', 'What each output lets pass is written down, and no tweeter gets the bass.', null);
}

/** Between where the woofer's output ends and the tweeter's begins; null where that is an octave at the most, or a third output lies there. */
function gapOf(outputs: readonly JudgedOutput[]): { readonly fromHz: number; readonly toHz: number } | null {
  const of = (to: FromCrossover['to']) => outputs.find((each) => each.to === to)?.filter;
  if (of('midrange')) return null;
  const [fromHz, toHz] = [of('woofer')?.lowPass?.hz, of('tweeter')?.highPass?.hz];
  return fromHz !== undefined && toHz !== undefined && toHz > 2 * fromHz ? { fromHz, toHz } : null;
}

function leadsCheck({ outputs, input, at, isAtFork, boot, isChannelsNoted }: JudgedCrossover): CrossoverCheck {
  const led = outputs.flatMap(({ to, end, lead }) => (end.kind === 'place' ? [{ to, end, lead }] : []));
  if (led.length === 0)
    return check('leads', 'measure', 'Nothing leads on from it yet.', 'Decide where its outputs end.');
  if (at === null)
    return check(
      'leads',
      'measure',
      'Nobody decided where it lies, and so not what its leads have to pass.',
      'By the amplifier or under a seat where new wire is run, behind the card where the car’s own is used.',
    );
  const undecided = led.filter(({ lead }) => lead === null);
  if (undecided.length > 0)
    return check(
      'leads',
      'measure',
      `Nobody decided how ${listed(undecided.map(({ end }) => end.label))} is led to.`,
      'The car’s own wire serves where it is that speaker’s alone; otherwise a wire of its own.',
    );
  const own = led.filter(({ lead }) => lead === 'factory');
  if (own.length > 0 && !isChannelsNoted)
    return check(
      'leads',
      'measure',
      `${listed(own.map(({ end }) => end.label))} is to be led to by the car’s own wire, and nobody noted which pair leads there.`,
      'Note the channels with the vehicle: one pair carries one output.',
    );
  const without = own.find(({ end }) => end.ownChannel === null);
  if (without)
    return check(
      'leads',
      'hold',
      `${without.end.label} is to be led to by the car’s own wire, and no channel of the car as it came leads there.`,
      'A wire of its own, or note with the vehicle which channel leads there.',
    );
  const shared = own.filter(({ end }) =>
    own.some((other) => other.end !== end && other.end.ownChannel === end.ownChannel),
  );
  if (shared.length > 0 && !isAtFork)
    return check(
      'leads',
      'hold',
      `One pair of the car cannot carry two outputs apart: ${listed(shared.map(({ end }) => end.label))} hang on one channel of it.`,
      'Find where the pair forks, and lay the box there; or give one of them a wire of its own.',
    );
  const through = passesHinge(led, at);
  const hinge = newWireCheck(through, boot);
  if (hinge.verdict !== 'clears') return check('leads', hinge.verdict, hinge.sentence, hinge.settledBy);
  const fromOther = own.filter(({ end }) => input !== null && end.ownChannel !== input.name);
  if (fromOther.length > 0)
    return check(
      'leads',
      'clears',
      `Each has its lead. The car’s own pair to ${listed(fromOther.map(({ end }) => end.label))} is taken off channel ${listed([...new Set(fromOther.map(({ end }) => end.ownChannel as string))])}, and that end insulated.`,
      null,
    );
  return check('leads', 'clears', 'Each of its speakers has its lead.', null);
}

/** Wires of their own that lead into a door, or out of one. */
function passesHinge(
  led: readonly {
    readonly end: { readonly label: string; readonly isInDoor: boolean };
    readonly lead: string | null;
  }[],
  at: NonNullable<JudgedCrossover['at']>,
): readonly string[] {
  return led.filter(({ end, lead }) => lead === 'new' && end.isInDoor !== (at === 'door')).map(({ end }) => end.label);
}

function check(
  id: CrossoverCheckId,
  verdict: CrossoverVerdict,
  sentence: string,
  settledBy: string | null,
): CrossoverCheck {
  return { id, verdict, sentence, settledBy, margin: null };
}
