import { describe, expect, test } from '@jest/globals';
import { shopFileSchema } from '../formats/shopFile';
import { NO_BASELINE } from '../model/baseline';
import { NOTHING_DONE } from '../model/bay';
import {
  JOB_FACT_KEYS,
  type JobFacts,
  jobFactLabel,
  jobFactsOf,
  jobFactWords,
  jobStateSchema,
  jobTitle,
} from '../model/job';
import { baselineFields } from '../records/baselineFields';
import { bayFields } from '../records/bayFields';
import { carFactFields } from '../records/carFactFields';
import { AMPLIFIER_PLAN_FIELD, INTAKE_FIELDS, SMALL_PARTS_FIELD } from '../records/kinds/job';
import { bookedFields, crossoverFields, quietedFields, stowedFields } from '../records/namedFields';
import { recordDifferences } from '../records/recordDifferences';
import { readStored } from '../records/storedRecord';
import {
  jobSchema,
  newJobSchema,
  putAmplifierPlan,
  putBaseline,
  putBay,
  putBooked,
  putCrossovers,
  putFound,
  putJob,
  putQuieted,
  putSmallParts,
  putStowed,
} from './jobs';

/** What was kept of a job before more was asked. */
const FIRST_FACTS = { customer: 'Pilot station', registration: 'P 1', wants: 'louder', dueOn: '2026-03-04' };
const WINDOWS = { answer: 'crank', grade: 'seenHere', note: '', by: 'Jory', at: null } as const;
const TICKED = { state: 'done', by: 'Rieke', at: '2026-12-04T09:00:00.000Z', print: '00000001' } as const;
const FACTS: JobFacts = {
  ...FIRST_FACTS,
  contact: 'VHF 12',
  ownership: { owner: 'company', leave: 'asked', by: 'harbour office, by letter', putBack: null },
  goals: { clearer: 3, bass: 1 },
  keeps: ['cutting', 'radio'],
  budgetMinor: 42_050,
  later: [],
  doneBefore: 'foreign rivets',
  lostWithoutSupply: '',
  consents: { drill: 'the office, by letter' },
  expectations: ['bassHasLimits'],
  questions: [],
  found: { windows: WINDOWS },
  amplifierPlan: { kind: 'keep', reason: 'the radio is not changed' },
  crossovers: [
    {
      ...{
        name: 'Front left',
        channel: 'front left',
        at: 'door',
        isAtFork: false,
        space: '',
        heldBy: 'two ties on the beam',
        hangerMm: 9,
      },
      ...{ box: { lengthMm: 110, widthMm: 72, heightMm: 38 }, comes: 'set' },
      outputs: [
        {
          ...{ to: 'tweeter', ends: { kind: 'place', place: 'Sail panel, left' }, lead: 'new' },
          filter: { highPass: { hz: 3500, order: 2 }, lowPass: null },
        },
        { to: 'woofer', ends: { kind: 'unused', isInsulated: false }, filter: null, lead: null },
      ],
    },
  ],
  stowed: [
    {
      ...{ name: 'Amplifier', kind: 'amplifier', space: 'under the left seat', heldBy: '', rmsW: null, isLater: true },
      box: { lengthMm: 240, widthMm: 160, heightMm: 52 },
    },
  ],
  baseline: NO_BASELINE,
  bay: { steps: { 'battery off': TICKED }, found: [] },
  quieted: [
    {
      ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'behindSpeaker', material: 'butyl' },
      ...{ lengthMm: 400, widthMm: 300, thicknessMm: 2, staysOpen: 'two drains', blocked: null },
      ...{ spots: [], sheetLengthMm: 500, sheetWidthMm: 370, marked: [] },
    },
  ],
  smallParts: [{ need: 'Spares of the tree clips', partId: 'clip-8' }],
  booked: [{ key: 'k1', lift: 'Lift 1', day: '2026-12-04', at: '08:00', minutes: 220, people: ['Rieke', 'Jory'] }],
};
const ANOTHER: JobFacts = {
  customer: 'Vet',
  registration: 'V 1',
  wants: '',
  dueOn: null,
  contact: '',
  ownership: { owner: 'customer', leave: 'notAsked', by: '', putBack: null },
  goals: null,
  keeps: [],
  budgetMinor: null,
  later: null,
  doneBefore: null,
  lostWithoutSupply: null,
  consents: {},
  expectations: [],
  questions: [
    {
      ...{ of: 'seller', question: 'In stock?', askedOn: null, how: '', answer: '', answeredOn: null, grade: null },
    },
  ],
  found: {},
  amplifierPlan: null,
  crossovers: [],
  stowed: [],
  baseline: { ...NO_BASELINE, damage: 'a dent' },
  bay: NOTHING_DONE,
  smallParts: [],
  quieted: [],
  booked: [],
};

/** Facts that are told part by part. */
const LABELLED_APART: Readonly<Record<string, string>> = {
  baseline: 'Scratches and missing parts',
  found: 'Windows in the doors',
  crossovers: 'Crossover Front left',
  stowed: 'Box Amplifier',
  bay: 'Step: battery off',
  smallParts: 'Small parts taken',
  quieted: 'Quieting Left door',
  booked: 'Time in the bay on 2026-12-04',
};

describe('whoever adds a fact of a job adds it to', () => {
  const places: readonly (readonly [string, readonly string[]])[] = [
    ['what is asked when a car is booked in', Object.keys(newJobSchema.shape)],
    [
      'what can be changed',
      [
        putJob,
        putBaseline,
        putFound,
        putAmplifierPlan,
        putCrossovers,
        putStowed,
        putBay,
        putBooked,
        putQuieted,
        putSmallParts,
      ].flatMap(({ body }) => Object.keys(body.shape)),
    ],
    ['what is answered', Object.keys(jobSchema.shape)],
    ['what its history keeps', Object.keys(jobStateSchema.shape)],
    [
      'what is merged',
      [
        ...INTAKE_FIELDS,
        AMPLIFIER_PLAN_FIELD,
        SMALL_PARTS_FIELD,
        ...carFactFields<'found', JobFacts>('found'),
        ...crossoverFields(FACTS),
        ...stowedFields(FACTS),
        ...baselineFields(FACTS),
        ...bayFields(FACTS),
        ...bookedFields(FACTS),
        ...quietedFields(FACTS),
      ].map(({ path }) => path.split('.')[0] ?? ''),
    ],
    ['the shop file', Object.keys(shopFileSchema.shape.jobs.element.shape)],
  ];
  test.each(places)('%s', (_, keys) => {
    expect(JOB_FACT_KEYS.filter((key) => !keys.includes(key))).toEqual([]);
  });

  test('the differences that the history tells', () => {
    const before = { vehicleId: 'veh-1', ...FACTS, ended: null };
    for (const key of JOB_FACT_KEYS) {
      const after = { ...before, [key]: ANOTHER[key] };
      expect(recordDifferences('job', before, after).map(({ label }) => label)).toEqual([
        LABELLED_APART[key] ?? jobFactLabel(key),
      ]);
    }
  });
});

test('an end is told as a standing', () => {
  const open = { vehicleId: 'veh-1', ...FACTS, ended: null };
  const ended = { ...open, ended: { as: 'handedOver', at: '2026-03-04T10:00:00.000Z' } };
  expect(recordDifferences('job', open, ended)).toEqual([
    expect.objectContaining({ label: 'Standing', before: 'open', after: 'handed over' }),
  ]);
});

test('a state from before jobs ended is one of an open job, and of what was not asked then nothing is known', () => {
  const asked = {
    contact: '',
    ownership: { owner: 'notAsked', leave: 'notAsked', by: '', putBack: null },
    consents: {},
    expectations: [],
    questions: [],
    found: {},
    crossovers: [],
    stowed: [],
    baseline: NO_BASELINE,
    bay: NOTHING_DONE,
    smallParts: [],
    booked: [],
    quieted: [],
  };
  const notAsked = {
    goals: null,
    keeps: null,
    budgetMinor: null,
    later: null,
    doneBefore: null,
    lostWithoutSupply: null,
    amplifierPlan: null,
  };
  expect(readStored('job', { vehicleId: 'veh-1', ...FIRST_FACTS })).toEqual({
    ok: true,
    value: { vehicleId: 'veh-1', ...FIRST_FACTS, ...asked, ...notAsked, ended: null },
  });
});

test('each fact is told in words, and “not asked” is another than “nothing”', () => {
  const told = (facts: JobFacts) => JOB_FACT_KEYS.map((key) => `${key}: ${jobFactWords(key, facts[key])}`);
  expect(told(FACTS).slice(4)).toEqual([
    'contact: VHF 12',
    'ownership: a company’s, leave asked for, no answer yet, harbour office, by letter, to be put back: not asked',
    'goals: clearer (above all), more bass (a little)',
    'keeps: nothing is cut or drilled, the radio stays',
    'budgetMinor: 420.50',
    'later: asked: nothing',
    'doneBefore: foreign rivets',
    'lostWithoutSupply: asked: nothing',
    'consents: Drilling new holes into the car: the office, by letter',
    'expectations: bass from doors has limits; more of it needs a box and an amplifier.',
    'questions: none',
    'found: Windows in the doors: Cranked (seen here)',
    'amplifierPlan: stays: the radio is not changed',
    'crossovers: Front left: from channel front left; tweeter, high-pass 3500 Hz, 12 dB, to Sail panel, left, a wire of its own; woofer, filter not written down, left over, not insulated yet; behind a door’s card, held by two ties on the beam; 110 × 72 × 38 mm; a hanger cut from 9 mm sheet; with the set, for its own speakers',
    'stowed: Amplifier: an amplifier, 240 × 160 × 52 mm, under the left seat, what holds it not said; later',
    'baseline: nothing tried',
    'bay: 1 step done',
    'smallParts: Spares of the tree clips: clip-8',
    'quieted: Left door: behind the speaker, behind door card, front left, butyl of 2 mm, 400 × 300 mm, stays open: two drains, from sheets of 500 × 370 mm, nobody looked what keeps a hand away',
    'booked: 2026-12-04 08:00, Lift 1, 3 h 40 min, Rieke and Jory',
  ]);
  expect(told(ANOTHER).slice(5)).toEqual([
    'ownership: the customer’s own',
    'goals: not asked',
    'keeps: asked: nothing',
    'budgetMinor: not asked',
    'later: not asked',
    'doneBefore: not asked',
    'lostWithoutSupply: not asked',
    'consents: none given',
    'expectations: nothing yet',
    'questions: A seller: In stock? No answer yet.',
    'found: nothing yet',
    'amplifierPlan: not decided',
    'crossovers: none',
    'stowed: none',
    'baseline: nothing tried',
    'bay: not begun',
    'smallParts: none',
    'quieted: nothing',
    'booked: not booked',
  ]);
});

test('a car that comes in may be asked about later; what is changed is changed whole', () => {
  const asked = newJobSchema.parse({ ...FIRST_FACTS, vehicleId: 'veh-1' });
  expect(asked).toMatchObject({ goals: null, ownership: { owner: 'notAsked' }, expectations: [] });
  expect(putJob.body.safeParse({ version: 1, ...FIRST_FACTS }).success).toBe(false);
  const { baseline, found, amplifierPlan, crossovers, stowed, bay, booked, quieted, smallParts, ...intake } = FACTS;
  expect(putJob.body.parse({ version: 1, ...intake })).toEqual({ version: 1, ...intake });
  expect(putJob.body.safeParse({ version: 1, ...FACTS }).success).toBe(false);
  expect(putBaseline.body.parse({ version: 1, baseline })).toEqual({ version: 1, baseline });
  expect(putFound.body.parse({ version: 1, found })).toEqual({ version: 1, found });
  expect(putAmplifierPlan.body.parse({ version: 1, amplifierPlan })).toEqual({ version: 1, amplifierPlan });
  expect(putCrossovers.body.parse({ version: 1, crossovers })).toEqual({ version: 1, crossovers });
  expect(putStowed.body.parse({ version: 1, stowed })).toEqual({ version: 1, stowed });
  expect(putBay.body.parse({ version: 1, bay })).toEqual({ version: 1, bay });
  expect(putBooked.body.parse({ version: 1, booked })).toEqual({ version: 1, booked });
  expect(putQuieted.body.parse({ version: 1, quieted })).toEqual({ version: 1, quieted });
});

test('the facts alone, and what a job is called', () => {
  expect(jobFactsOf({ ...FACTS, more: 1 } as JobFacts)).toEqual(FACTS);
  const vehicle = { make: 'Ostrand', model: 'Longshore' };
  expect(jobTitle({ vehicle, registration: 'P 1', number: 3 })).toBe('Ostrand Longshore, P 1');
  expect(jobTitle({ vehicle, registration: '', number: 3 })).toBe('Ostrand Longshore, job 3');
});
