import { describe, expect, test } from '@jest/globals';
import {
  CAR_FACT_KEYS,
  CAR_FACTS,
  type CarFact,
  type CarFactKey,
  type CarFacts,
  type Crossover,
  factsOfOtherVariant,
  type Goals,
  jobFactsSchema,
  taughtFacts,
  vehicleSchema,
} from '../model';
import { carFactPoints } from './carFactPoints';
import type { PointJob, PointOpening } from './point';

const fact = (answer: string, grade: CarFact['grade'] = 'seenHere'): CarFact => ({
  ...{ answer, grade, note: '', by: null, at: null },
});
const job = (more: Partial<PointJob> = {}, facts: CarFacts = {}): PointJob => {
  const { openings: _, ...vehicle } = vehicleSchema.parse({
    ...{ id: 'veh', make: 'Tollan', model: 'Skiff', years: { from: 2014, to: null }, body: 'estate', doors: 5 },
    ...{ trim: '', audioPackage: '', steeringSide: 'left', openings: [], facts },
  });
  return { ...jobFactsSchema.parse({ customer: 'Vet', registration: '', wants: '', dueOn: null }), vehicle, ...more };
};
const opening = (more: Partial<PointOpening['record']> = {}): PointOpening => ({
  id: 'o',
  state: { kind: 'noOpening', sentence: '' },
  record: {
    ...{ place: 'frontDoorLow', side: 'left', name: '', presence: 'fitted', assumed: [], wiring: { kind: 'unknown' } },
    ...{ secondPlug: 'notLooked', plugFaces: [], obstaclesLooked: true, behind: 'glass', oldSpeaker: null },
    ...more,
  } as PointOpening['record'],
});
const asked = (of: PointJob, openings: readonly PointOpening[]) =>
  carFactPoints(of, openings).map(({ id }) => id.replace('fact ', ''));

const LEADING_ON: Crossover = {
  ...{
    name: 'left',
    channel: '',
    at: 'cabin',
    isAtFork: false,
    space: '',
    heldBy: '',
    hangerMm: null,
    box: null,
    comes: null,
  },
  outputs: [{ to: 'woofer', ends: { kind: 'place', place: 'Front door, left' }, filter: null, lead: 'new' }],
};

describe('what does not matter for this car and this wish is not asked', () => {
  const CLEARER: Goals = { clearer: 3 };
  test.each<[string, Partial<PointJob>, readonly PointOpening[], readonly CarFactKey[]]>([
    ['a door, and nobody said what is wanted', {}, [opening()], ['amplifier', 'windows', 'alsoSounds', 'band']],
    ['a repair like for like', { goals: { repair: 3 } }, [opening()], ['windows', 'alsoSounds']],
    [
      'a repair, and an amplifier later',
      { goals: { repair: 3 }, later: ['amplifier'] },
      [opening()],
      ['amplifier', 'windows', 'alsoSounds', 'boot'],
    ],
    [
      'no second plug was found',
      { goals: CLEARER },
      [opening({ secondPlug: 'none' })],
      ['amplifier', 'windows', 'band'],
    ],
    [
      'no second plug was found, and two pins more that nobody tried',
      { goals: CLEARER },
      [opening({ secondPlug: 'none', plugFaces: [{ rows: 1, positions: 2, pairs: [], empty: [] }] })],
      ['amplifier', 'windows', 'alsoSounds', 'band'],
    ],
    [
      'a door where nobody looked whether a speaker is fitted',
      { goals: CLEARER },
      [opening({ presence: 'notLooked' })],
      ['amplifier', 'windows', 'doorWires'],
    ],
    [
      'a door without wires',
      { goals: CLEARER },
      [opening({ presence: 'empty', wiring: { kind: 'noWires' } })],
      ['amplifier', 'windows', 'boot'],
    ],
    [
      'a crossover that leads on by a wire of its own',
      { goals: CLEARER, crossovers: [LEADING_ON] },
      [opening({ secondPlug: 'none' })],
      ['amplifier', 'windows', 'boot', 'band'],
    ],
    [
      'a side panel, where belts run',
      { goals: CLEARER },
      [opening({ place: 'sidePanel', secondPlug: 'none' })],
      ['amplifier', 'beltAnchors', 'band'],
    ],
  ])('%s', (_name, more, openings, keys) => {
    expect([...asked(job(more), openings)].sort()).toEqual([...keys].sort());
  });
});

describe('what is known is not asked again', () => {
  test('of the variant, and of this car before it', () => {
    const seen = { amplifier: fact('none'), windows: fact('crank'), alsoSounds: fact('nothing'), band: fact('full') };
    expect(asked(job({}, seen), [opening()])).toEqual([]);
    expect(asked(job({ found: seen }), [opening()])).toEqual([]);
    // The variant is known; this car’s customer says otherwise, and nobody has looked.
    expect(asked(job({ found: { windows: fact('electric', 'claimed') } }, seen), [opening()])).toEqual(['windows']);
  });

  test('what was only said is to be seen where one can see it, with what was said', () => {
    const [amplifier] = carFactPoints(job({ found: { amplifier: fact('none', 'claimed') } }), [opening()]);
    expect(amplifier).toMatchObject({
      station: 'wire',
      askedAt: 'doorOpen',
      words: 'Is there a separate amplifier? It was only said: none: the radio feeds the speakers.',
      settledAt: { kind: 'facts', key: 'amplifier' },
    });
    const [before] = carFactPoints(job(), [opening()]);
    expect(before).toMatchObject({ station: 'bookIn', askedAt: 'telephone', words: 'Is there a separate amplifier?' });
  });
});

test('every fact can be known to be nothing or otherwise, and every answer is taken', () => {
  for (const key of CAR_FACT_KEYS) {
    const answers = Object.keys(CAR_FACTS[key].answers);
    expect(answers.length).toBeGreaterThan(1);
    for (const answer of answers)
      expect(jobFactsSchema.shape.found.safeParse({ [key]: fact(answer) }).success).toBe(true);
    const bad = jobFactsSchema.shape.found.safeParse({ [key]: fact('maybe') });
    expect(bad.error?.issues[0]?.message).toBe(`“maybe” was read. One of these would do: ${answers.join(', ')}.`);
  }
});

test('another trim keeps what is sheet metal, as another car’s, and nothing that a package decides', () => {
  expect(factsOfOtherVariant({ boot: fact('connector'), amplifier: fact('factory'), band: fact('full') })).toEqual({
    boot: fact('connector', 'otherCar'),
  });
});

test('the library is offered what was seen here and it does not know, or only by hearsay', () => {
  const found = { boot: fact('open'), windows: fact('crank', 'claimed'), band: fact('full'), amplifier: fact('none') };
  const variant = { band: fact('bassOnly'), amplifier: fact('factory', 'otherShop') };
  expect(taughtFacts(found, variant)).toEqual({ boot: fact('open'), amplifier: fact('none') });
});
