import { describe, expect, test } from '@jest/globals';
import {
  CROSSOVER_CHECKS,
  type JudgedCrossover,
  type JudgedOutput,
  judgeCrossover,
  type OutputEnd,
} from './judgeCrossover';

const at = (label: string, driver: 'tweeter' | 'component woofer' | 'coaxial' | null, more: object = {}): OutputEnd =>
  ({
    ...{ kind: 'place', label, driver, hasSpeaker: true, isInDoor: label.startsWith('Front'), alsoFedBy: [] },
    ...{ ownChannel: 'front left' },
    ...more,
  }) as OutputEnd;
const TWEETER: JudgedOutput = {
  ...{ to: 'tweeter', lead: 'new', filter: { highPass: { hz: 3500, order: 2 }, lowPass: null } },
  end: at('Sail panel, left', 'tweeter', { ownChannel: null }),
};
const WOOFER: JudgedOutput = {
  ...{ to: 'woofer', lead: 'factory', filter: { highPass: null, lowPass: { hz: 3000, order: 1 } } },
  end: at('Front door, left', 'component woofer'),
};
const INPUT = { name: 'front left', isThere: true, joined: 'parallel', besides: [], crossovers: [] } as const;
const CLOSED: JudgedCrossover = {
  isChannelsNoted: true,
  input: INPUT,
  outputs: [TWEETER, WOOFER],
  at: 'door',
  isAtFork: false,
  boot: 'open',
};

const said = (crossover: JudgedCrossover, id: (typeof CROSSOVER_CHECKS)[number]) => {
  const { verdict, sentence, settledBy } = judgeCrossover(crossover).find((check) => check.id === id) as ReturnType<
    typeof judgeCrossover
  >[number];
  return [verdict, sentence, settledBy];
};
const withEnds = (tweeter: OutputEnd, woofer: OutputEnd = WOOFER.end): JudgedCrossover => ({
  ...CLOSED,
  outputs: [
    { ...TWEETER, end: tweeter },
    { ...WOOFER, end: woofer },
  ],
});

test('a closed chain clears, each check by its own sentence', () => {
  const checks = judgeCrossover(CLOSED);
  expect([...checks.map(({ id }) => id), 'place']).toEqual([...CROSSOVER_CHECKS]);
  for (const { verdict, settledBy } of checks) expect([verdict, settledBy]).toEqual(['clears', null]);
  expect(new Set(checks.map(({ sentence }) => sentence)).size).toBe(checks.length);
});

test('nothing that nobody decided clears', () => {
  const outputs = (['tweeter', 'woofer'] as const).map(
    (to): JudgedOutput => ({ to, filter: null, end: { kind: 'notDecided' }, lead: null }),
  );
  const checks = judgeCrossover({ isChannelsNoted: true, input: null, outputs, at: null, isAtFork: false, boot: null });
  expect(checks.map(({ verdict }) => verdict)).toEqual(['measure', 'measure', 'measure', 'measure']);
  for (const { settledBy } of checks) expect(settledBy).toMatch(/\.$/);
});

describe('what feeds it', () => {
  test('is not known where nobody noted the channels, which is another than “none of that name”', () => {
    const unknown = { ...CLOSED, isChannelsNoted: false, input: { ...INPUT, isThere: false } };
    expect(said(unknown, 'input').slice(0, 2)).toEqual(['measure', expect.stringContaining('Nobody noted')]);
    // Nor which pair of the car leads to a speaker.
    const [tweeter, woofer] = CLOSED.outputs as [JudgedOutput, JudgedOutput];
    const end = at('Front door, left', 'component woofer', { ownChannel: null });
    expect(said({ ...unknown, outputs: [tweeter, { ...woofer, end }] }, 'leads').slice(0, 2)).toEqual([
      'measure',
      expect.stringContaining('nobody noted which pair leads there'),
    ]);
  });

  test('has to be a channel of this car', () => {
    expect(said({ ...CLOSED, input: { ...INPUT, isThere: false } }, 'input')).toMatchObject([
      'hold',
      expect.stringContaining('no channel of that name'),
      expect.any(String),
    ]);
  });

  test('and has nothing in series with it; side by side is the load’s question', () => {
    const series = { ...INPUT, joined: 'series' } as const;
    expect(said({ ...CLOSED, input: series }, 'input')[0]).toBe('clears');
    expect(said({ ...CLOSED, input: { ...series, besides: ['Dash corner, left'] } }, 'input')[0]).toBe('hold');
    expect(said({ ...CLOSED, input: { ...series, crossovers: ['rear'] } }, 'input')[0]).toBe('hold');
    expect(said({ ...CLOSED, input: { ...INPUT, crossovers: ['rear'] } }, 'input').slice(0, 2)).toEqual([
      'clears',
      expect.stringContaining('and rear beside it'),
    ]);
  });
});

describe('where its outputs end', () => {
  test('a tweeter on the woofer’s output dies, which is graver than a woofer on the tweeter’s', () => {
    const swapped = withEnds(at('Front door, left', 'component woofer'), at('Sail panel, left', 'tweeter'));
    expect(said(swapped, 'outputs')).toEqual([
      'hold',
      'The woofer’s output ends at the tweeter of Sail panel, left: it gets all that the woofer is made for, and dies.',
      'Change the two outputs over.',
    ]);
    expect(said(withEnds(at('Front door, left', 'coaxial')), 'outputs')[1]).toContain('a coaxial is there');
  });

  test.each<[string, OutputEnd, string, string]>([
    ['nowhere', { kind: 'notDecided' }, 'measure', 'ends nowhere yet'],
    ['a bare end', { kind: 'unused', isInsulated: false }, 'measure', 'nobody insulated it'],
    ['no such place', { kind: 'noSuchPlace', label: 'Kick panel, left' }, 'hold', 'which this car has not'],
    ['nothing there', at('Sail panel, left', 'tweeter', { hasSpeaker: false }), 'measure', 'no speaker is chosen'],
    ['nobody knows what', at('Sail panel, left', null), 'measure', 'nobody knows what speaker that is'],
    ['fed twice', at('Sail panel, left', 'tweeter', { alsoFedBy: ['the woofer’s of rear'] }), 'hold', 'is fed twice'],
  ])('%s', (_name, end, verdict, words) => {
    const [found, sentence] = said(withEnds(end), 'outputs');
    expect([found, sentence]).toEqual([verdict, expect.stringContaining(words)]);
  });

  test('left over on purpose and insulated is an end; where all are, the box is for nothing', () => {
    const unused = { kind: 'unused', isInsulated: true } as const;
    expect(said(withEnds(unused), 'outputs')[0]).toBe('clears');
    expect(said(withEnds(unused, unused), 'outputs')).toMatchObject([
      'measure',
      expect.stringContaining('Nothing is fed'),
      'Leave the crossover out.',
    ]);
  });
});

describe('what they let pass', () => {
  const filtered = (tweeter: JudgedOutput['filter'], woofer = WOOFER.filter): JudgedCrossover => ({
    ...CLOSED,
    outputs: [
      { ...TWEETER, filter: tweeter },
      { ...WOOFER, filter: woofer },
    ],
  });

  test('no tweeter without a high-pass, and nobody guesses what is not written down', () => {
    expect(said(filtered({ highPass: null, lowPass: { hz: 3000, order: 1 } }), 'filters')[0]).toBe('hold');
    expect(said(filtered(null), 'filters').slice(0, 2)).toEqual([
      'measure',
      expect.stringContaining('the filter of its output to the tweeter'),
    ]);
    const spare = filtered(null);
    const [, woofer] = spare.outputs;
    const unused = { ...TWEETER, filter: null, end: { kind: 'unused', isInsulated: true } } as const;
    expect(said({ ...spare, outputs: [unused, woofer as JudgedOutput] }, 'filters')[0]).toBe('clears');
  });

  test('more than an octave between woofer and tweeter is asked about, unless a third speaker plays there', () => {
    const high = { highPass: { hz: 6100, order: 2 }, lowPass: null } as const;
    expect(said(filtered(high), 'filters')).toMatchObject([
      'measure',
      expect.stringContaining('From 3000 to 6100 Hz'),
      expect.any(String),
    ]);
    expect(said(filtered({ ...high, highPass: { hz: 6000, order: 2 } }), 'filters')[0]).toBe('clears');
    const middle: JudgedOutput = {
      ...{ to: 'midrange', lead: 'new', end: at('Dash corner, left', 'coaxial', { ownChannel: null }) },
      filter: { highPass: { hz: 3000, order: 1 }, lowPass: { hz: 6100, order: 1 } },
    };
    expect(said({ ...CLOSED, outputs: [{ ...TWEETER, filter: high }, middle, WOOFER] }, 'filters')[0]).toBe('clears');
  });
});

describe('what leads on from it', () => {
  const led = (tweeter: Partial<JudgedOutput>, more: Partial<JudgedCrossover> = {}): JudgedCrossover => ({
    ...{ ...CLOSED, ...more },
    outputs: [{ ...TWEETER, ...tweeter }, WOOFER],
  });
  const onFactory = { lead: 'factory', end: at('Sail panel, left', 'tweeter') } as const;

  test('one pair of the car carries one output, but at its fork', () => {
    expect(said(led(onFactory, { at: 'dash' }), 'leads')).toMatchObject([
      'hold',
      'One pair of the car cannot carry two outputs apart: Sail panel, left and Front door, left hang on one channel of it.',
      expect.stringContaining('Find where the pair forks'),
    ]);
    expect(said(led(onFactory), 'leads')[0]).toBe('hold');
    expect(said(led(onFactory, { isAtFork: true }), 'leads')[0]).toBe('clears');
  });

  test('a wire of the car that leads nowhere near is none; one of another channel is taken off it', () => {
    expect(said(led({ lead: 'factory' }), 'leads').slice(0, 2)).toEqual([
      'hold',
      expect.stringContaining('no channel of the car'),
    ]);
    const other = { lead: 'factory', end: at('Sail panel, left', 'tweeter', { ownChannel: 'treble left' }) } as const;
    expect(said(led(other, { at: 'dash' }), 'leads').slice(0, 2)).toEqual([
      'clears',
      expect.stringContaining('taken off channel treble left'),
    ]);
  });

  test('what is not decided is asked in turn: where it lies, then which lead', () => {
    expect(said({ ...CLOSED, at: null }, 'leads')[1]).toContain('Nobody decided where it lies');
    expect(said(led({ lead: null }), 'leads')[1]).toBe('Nobody decided how Sail panel, left is led to.');
  });

  test('a wire of its own past the hinge asks for the boot; on one side of it none is asked', () => {
    const newToDoor = { ...CLOSED, outputs: [TWEETER, { ...WOOFER, lead: 'new' as const }] };
    const boots = (crossover: JudgedCrossover) =>
      (['open', 'connector', 'none', null] as const).map((boot) => said({ ...crossover, boot }, 'leads')[0]);
    // From the cabin into the door.
    expect(boots({ ...newToDoor, at: 'cabin' })).toEqual(['clears', 'hold', 'measure', 'measure']);
    // From the door out to a dash speaker.
    const toDash = led({ end: at('Dash corner, left', 'tweeter', { isInDoor: false }) });
    expect(boots(toDash)).toEqual(['clears', 'hold', 'measure', 'measure']);
    const inDoor = led({ end: at('Front door, upper, left', 'tweeter') });
    expect(boots(inDoor)).toEqual(['clears', 'clears', 'clears', 'clears']);
  });
});
