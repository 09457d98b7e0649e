/** Crossovers as they are typed come back as they were, and a slip is named at its field. */
import { describe, expect, test } from '@jest/globals';
import type { Crossover } from '@low-quarry/core/model';
import { takenOver } from './FromLibrary';
import {
  BARE,
  type CrossoverTyped,
  EMPTY_CROSSOVER,
  INSULATED,
  NO_OUTPUT,
  placeEnd,
  readCrossoversSchema,
  toCrossoversTyped,
} from './typedCrossovers';

const WHOLE: Crossover = {
  ...{
    name: 'left',
    channel: 'front left',
    at: 'dash',
    isAtFork: true,
    space: '',
    heldBy: 'ties',
    hangerMm: 9,
    comes: 'set',
  },
  box: { lengthMm: 112, widthMm: 74, heightMm: 38 },
  outputs: [
    {
      ...{ to: 'tweeter', ends: { kind: 'place', place: 'Dash corner, left' }, lead: 'factory' },
      filter: { highPass: { hz: 3500, order: 2 }, lowPass: null },
    },
    { to: 'woofer', ends: { kind: 'unused', isInsulated: false }, filter: null, lead: null },
  ],
};
const problems = (...typed: readonly CrossoverTyped[]) => {
  const read = readCrossoversSchema.safeParse({ crossovers: [...typed] });
  return (read.error?.issues ?? []).map(({ path, message }) => [path.join('.'), message]);
};
const named = (name: string, more: Partial<CrossoverTyped> = {}): CrossoverTyped => ({
  ...EMPTY_CROSSOVER,
  name,
  ...more,
});

test('what is kept is typed as it was, and read back the same', () => {
  const typed = toCrossoversTyped([WHOLE]);
  expect(typed.crossovers[0]?.outputs).toMatchObject({
    tweeter: { ends: placeEnd('Dash corner, left'), filter: 'high-pass 3500 Hz, 12 dB' },
    midrange: { ends: NO_OUTPUT },
    woofer: { ends: BARE, filter: '' },
  });
  expect(readCrossoversSchema.parse(typed)).toEqual({ crossovers: [WHOLE] });
});

test('a new one has two outputs of which nobody decided anything', () => {
  const [read] = readCrossoversSchema.parse({ crossovers: [named('left')] }).crossovers;
  expect(read).toMatchObject({ channel: '', at: null, box: null, comes: null });
  const outputs = ['tweeter', 'woofer'].map((to) => ({ to, ends: null, filter: null, lead: null }));
  expect(read?.outputs).toEqual(outputs);
});

describe('a slip', () => {
  test('without a name, or with that of another', () => {
    expect(problems(named(''))).toEqual([['crossovers.0.name', expect.stringContaining('Type what it is called')]]);
    expect(problems(named('Left'), named('left '))).toEqual([
      ['crossovers.1.name', 'Another crossover is called so: call it otherwise.'],
    ]);
  });

  test('in a filter or a box says what was read', () => {
    const outputs = { ...EMPTY_CROSSOVER.outputs, woofer: { ends: INSULATED, filter: '3 kHz', lead: null } };
    expect(problems(named('left', { outputs, box: '110 mm' }))).toEqual([
      ['crossovers.0.box', expect.stringContaining('“110 mm” was read.')],
      ['crossovers.0.outputs.woofer.filter', expect.stringContaining('“3 khz” was read.')],
    ]);
  });

  test('no output at all', () => {
    const none = { ends: NO_OUTPUT, filter: '', lead: null };
    expect(problems(named('left', { outputs: { tweeter: none, midrange: none, woofer: none } }))).toEqual([
      ['crossovers.0.outputs.tweeter.ends', 'A crossover has an output at least.'],
    ]);
  });
});

test('of the library only what its sheet says is taken over', () => {
  const typed = named('left', { box: '100 × 60 × 30 mm' });
  const taken = takenOver(typed, { filters: { woofer: 'low-pass 3300 Hz, 12 dB' }, box: null });
  expect(taken.box).toBe('100 × 60 × 30 mm');
  expect(taken.outputs).toEqual({
    ...typed.outputs,
    woofer: { ...typed.outputs.woofer, filter: 'low-pass 3300 Hz, 12 dB' },
  });
});
