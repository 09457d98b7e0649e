import { describe, expect, test } from '@jest/globals';
import type { OpeningState } from '../contracts/jobs';
import {
  BUILD_STEPS,
  channelsSchema,
  type Earlier,
  EXPECTATIONS,
  type JobFacts,
  NO_BASELINE,
  NOTHING_DONE,
  OLD_SPEAKER_NOT_TESTED,
  type OldSpeaker,
  type PolarityBy,
  SETTINGS_DEFAULTS,
} from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { openPoints, railOf } from './openPoints';
import { type PointOpening, RAIL } from './point';

const WORKS = { state: 'works', note: '' } as const;
const TRIED: JobFacts['baseline'] = {
  ...{ functions: { camera: WORKS }, radio: '', damage: '', signed: null, settings: { 'Clean volume': '22' } },
  listening: [{ volume: '12', source: 'stick', road: 'the yard', kmh: 0, seat: 'front', words: 'thin' }],
  after: { camera: WORKS, 'speaker.left': WORKS },
};
const MARK = { state: 'done', by: 'Rieke', at: '2026-12-04T09:00:00.000Z', print: '00000001' } as const;
/** A car of which everything was asked and nothing is open. */
const ANSWERED: JobFacts = {
  customer: 'Harbour vet',
  registration: 'VET 1',
  wants: '',
  dueOn: '2026-12-04',
  contact: 'VHF 12',
  ownership: { owner: 'customer', leave: 'notAsked', by: '', putBack: null },
  goals: { clearer: 3 },
  keeps: [],
  budgetMinor: 42_000,
  later: [],
  doneBefore: '',
  lostWithoutSupply: '',
  consents: {},
  expectations: ['clearerNotLouder', 'quietLetsOtherNoise'],
  questions: [],
  found: {},
  amplifierPlan: null,
  crossovers: [],
  stowed: [],
  baseline: TRIED,
  bay: NOTHING_DONE,
  booked: [],
  quieted: [],
  smallParts: [],
};
const seen = (answer: string) => ({ answer, grade: 'seenHere', note: '', by: null, at: null }) as const;
const BUILT = { doorWires: seen('all'), boot: seen('open'), beltAnchors: seen('none') };
const feeding = (...places: readonly string[]) =>
  channelsSchema.parse(
    places.map((place) => ({
      ...{ name: place, places: [place], feeds: '', band: 'full', fedBy: 'radio', leastOhm: 4 },
      ...{ power: { watt: 25, rating: 'RMS', atOhm: 4 }, note: '', grade: 'seenHere' },
    })),
  );
const VEHICLE: Parameters<typeof openPoints>[0]['vehicle'] = {
  ...{
    id: 'veh',
    make: 'Tollan',
    model: 'Skiff',
    years: { from: 2018, to: null },
    body: 'estate',
    cab: null,
    doors: 5,
  },
  ...{ trim: 'Middle', audioPackage: 'Six speakers', steeringSide: 'right', market: '', aliases: [], beganAs: null },
  note: '',
  functions: ['camera'],
  devicePlugs: null,
  disputes: [],
  // Everything was looked at: `carFactPoints` has tests of its own.
  facts: {
    amplifier: seen('none'),
    windows: seen('electric'),
    alsoSounds: seen('nothing'),
    band: seen('full'),
    ...BUILT,
  },
  panels: [],
  spaces: null,
  routes: null,
  channels: feeding('Front door, left'),
};
const CHOSEN: OpeningState = {
  kind: 'chosen',
  speakerName: 'Shoal 65',
  plays: {
    ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
    ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
  },
  works: [],
  needsConsent: [],
  summary: { verdict: 'clears', decidedBy: 'front', marginMm: 5, expandedMm: 1, sentence: '' },
  open: [],
  heldBack: null,
  verdictThen: 'clears',
  sentenceThen: null,
  changedSince: [],
};
const door = (changes: Partial<PointOpening['record']> = {}, state: OpeningState = CHOSEN): PointOpening => ({
  id: 'left',
  record: {
    ...PLAIN_OPENING,
    presence: 'fitted',
    polarity: { by: 'cell', positive: 'pin 1', source: '' },
    oldSpeaker: { ...OLD_SPEAKER_NOT_TESTED, plays: 'plays' },
    build: BUILD_STEPS.map((step) => ({ step, by: null, at: '2026-12-04T09:00:00.000Z' })),
    wiring: { kind: 'connector', connectorId: 'plug' },
    obstaclesLooked: true,
    ...changes,
  },
  state,
});
const job = (facts: Partial<JobFacts> = {}, vehicle: Partial<typeof VEHICLE> = {}) => ({
  ...ANSWERED,
  ...facts,
  vehicle: { ...VEHICLE, ...vehicle },
});
const idsOf = (facts: Partial<JobFacts>, vehicle: Partial<typeof VEHICLE> = {}, openings = [door()]) =>
  openPoints(job(facts, vehicle), openings).map(({ id }) => id);

test('of a car of which everything is known nothing is open, and every station is done', () => {
  expect(openPoints(job(), [door()])).toEqual([]);
  expect(railOf([])).toEqual(Object.fromEntries(RAIL.map((station) => [station, { open: 0, isHeld: false }])));
});

describe('what nobody asked is a question; an answer of “nothing” is none', () => {
  test.each<[string, Partial<JobFacts>, Partial<typeof VEHICLE>]>([
    ['trim', {}, { trim: '' }],
    ['audioPackage', {}, { audioPackage: '' }],
    ['owner', { ownership: { owner: 'notAsked', leave: 'notAsked', by: '', putBack: null } }, {}],
    ['goals', { goals: null }, {}],
    ['keeps', { keeps: null }, {}],
    ['budget', { budgetMinor: null }, {}],
    ['later', { later: null }, {}],
    ['doneBefore', { doneBefore: null }, {}],
    ['lostWithoutSupply', { lostWithoutSupply: null }, {}],
    ['contact', { contact: '' }, {}],
    ['dueOn', { dueOn: null }, {}],
  ])('%s', (id, facts, vehicle) => {
    const points = openPoints(job(facts, vehicle), [door()]);
    expect(points).toMatchObject([{ id, station: 'bookIn', askedAt: 'telephone', isHeld: false }]);
  });
});

test('a wish in the customer’s own words is a wish', () => {
  expect(idsOf({ goals: null, wants: 'clearer voices' })).toEqual([]);
});

test('what is lost without supply matters only where the battery goes off', () => {
  const ids = (place: string, record: Partial<PointOpening['record']>) =>
    idsOf({ lostWithoutSupply: null }, { channels: feeding(place) }, [door(record)]);
  expect(ids('Rear wall, left', { place: 'rearWall' })).toEqual([]);
  expect(ids('Dash centre', { place: 'dashCentre', side: 'centre' })).toEqual(['lostWithoutSupply']);
});

describe('the leave of an owner who is not the customer', () => {
  test.each([
    ['company', 'notAsked', ['leave']],
    ['company', 'asked', ['leave']],
    ['leased', 'refused', ['leave']],
    ['leased', 'given', []],
    ['customer', 'notAsked', []],
  ] as const)('%s, %s', (owner, leave, ids) => {
    const points = openPoints(job({ ownership: { owner, leave, by: '', putBack: '' } }), [door()]);
    expect(points.map(({ id }) => id)).toEqual(ids);
    // Until it is given nothing may be changed on the car.
    expect(points.every(({ isHeld }) => isHeld)).toBe(true);
    expect(railOf(points).bookIn).toEqual({ open: ids.length, isHeld: ids.length > 0 });
  });
});

describe('at the openings', () => {
  const points = (opening: PointOpening) =>
    openPoints(job(), [opening]).map(({ station, words, askedAt }) => ({ station, words, askedAt }));

  test('a place that nobody looked at is asked about at the car', () => {
    expect(points(door({ presence: 'notLooked' }))).toEqual([
      { station: 'bookIn', askedAt: 'counter', words: 'Front door, left: is a speaker fitted, and does it play?' },
    ]);
  });

  describe('what is there is heard alone before anything is ordered for it', () => {
    const old = (changes: Partial<OldSpeaker>): OldSpeaker => ({ ...OLD_SPEAKER_NOT_TESTED, ...changes });
    const over = [{ kind: 'over' as const }];
    test.each<[string, OldSpeaker | null, Partial<JobFacts>, string | null, boolean]>([
      ['not tried', null, {}, 'does it play, heard alone?', false],
      ['tried, it plays', old({ plays: 'plays' }), {}, null, false],
      ['silent, nobody knows why', old({ plays: 'silent' }), {}, 'it is silent, and nobody knows why', true],
      ['crackling, nobody knows why', old({ plays: 'crackles' }), {}, 'heard to be wrong', true],
      [
        'silent with a healthy coil',
        old({ plays: 'silent', nominalOhm: 4, readings: [{ kind: 'ohm', ohm: 3.4 }] }),
        {},
        'nobody knows why',
        true,
      ],
      ['silent with an open coil', old({ plays: 'silent', readings: over, capacitor: 'no' }), {}, null, false],
      [
        'silent, reads open, a capacitor may be there',
        old({ plays: 'silent', readings: over }),
        {},
        'nobody knows why',
        true,
      ],
      ['crackling with a torn cone', old({ plays: 'crackles', damage: ['torn'] }), {}, null, false],
      [
        'silent, and another source is good',
        old({ plays: 'silent', trials: [{ test: 'otherSource', isShown: true }] }),
        {},
        'it is the source: the telephone, the disc, the station. Put that right first.',
        true,
      ],
      [
        'silent, and a known speaker is good where its cone is not touched',
        old({
          plays: 'silent',
          trials: [
            { test: 'knownSpeaker', isShown: true },
            { test: 'press', isShown: false },
          ],
        }),
        {},
        null,
        false,
      ],
      [
        'silent, with answers that contradict each other',
        old({
          plays: 'silent',
          trials: [
            { test: 'otherSource', isShown: true },
            { test: 'press', isShown: true },
          ],
        }),
        {},
        'nobody knows why',
        true,
      ],
      ['plays, a repair is wanted', old({ plays: 'plays' }), { goals: { repair: 3 } }, 'read its coil', false],
    ])('%s', (_, oldSpeaker, facts, words, isHeld) => {
      const found = openPoints(job({ ...facts, expectations: [...EXPECTATIONS] }), [door({ oldSpeaker })]);
      expect(found.map((point) => [point.station, point.askedAt, point.isHeld])).toEqual(
        words === null ? [] : [['bookIn', 'counter', isHeld]],
      );
      if (words !== null) expect(found[0]?.words).toContain(words);
    });
  });

  test('what nobody looked at behind the panel is one look, with all of it', () => {
    const opening = door({
      assumed: ['bolts'],
      wiring: { kind: 'unknown' },
      secondPlug: 'notLooked',
      obstaclesLooked: false,
    });
    expect(points(opening)).toEqual([
      {
        station: 'measure',
        askedAt: 'panelOff',
        words:
          'Front door, left: look at its hole, its screws and what is behind and beams, rails and wires behind it.',
      },
      { station: 'wire', askedAt: 'panelOff', words: 'Front door, left: look at its plug and a second plug.' },
    ]);
  });

  test('wires that are taped back are unwrapped, and a plug that is broken is looked at no more', () => {
    const words = (wiring: PointOpening['record']['wiring']) => points(door({ wiring })).map((point) => point.words);
    expect(words({ kind: 'tapedBack' })).toEqual([
      'Front door, left: look at what is on its wires, which are taped back.',
    ]);
    expect([words({ kind: 'broken' }), words({ kind: 'bare' })]).toEqual([[], []]);
  });

  test('for earlier work one looks where the customer knows of some, until somebody has looked', () => {
    const words = (doneBefore: string | null, earlier: Earlier) =>
      openPoints(job({ doneBefore }), [door({ earlier })]).map((point) => point.words);
    const asked = 'Front door, left: look at what was done to it before.';
    expect(words('Speakers, by a friend', null)).toEqual([asked]);
    expect(words('Speakers, by a friend', [])).toEqual([]);
    expect(words('Speakers, by a friend', ['fixings'])).toEqual([]);
    expect(words('', null)).toEqual([]);
  });

  test('of what is chosen the next step is open until the panel is closed; of what is held back none', () => {
    const done = BUILD_STEPS.map((step) => ({ step, by: 'Rieke', at: '2026-12-04T09:00:00.000Z' }));
    const words = (steps: number, state: OpeningState = CHOSEN) =>
      openPoints(job(), [door({ build: done.slice(0, steps) }, state)])
        .filter(({ station }) => station === 'build')
        .map((point) => point.words);
    expect([0, 1, 2, 3, 4].flatMap((steps) => words(steps))).toEqual([
      'Front door, left: the panel off, the old speaker out.',
      'Front door, left: the new speaker in, all its screws tight.',
      'Front door, left: hear it alone, tug the joints, run the window.',
      'Front door, left: close the panel.',
    ]);
    expect(words(0, { ...CHOSEN, heldBack: 'The glass was not measured.' })).toEqual([]);
    expect(words(0, { kind: 'nothingChosen', known: 5, takenHere: 5 })).toEqual([]);
  });

  test('a panel that is off is open work whatever became of the choice; it holds, until it is closed', () => {
    const off = { build: [{ step: 'panelOff' as const, by: 'Rieke', at: '2026-12-04T09:00:00.000Z' }] };
    const built = (state: OpeningState, changes: Partial<PointOpening['record']> = off) =>
      openPoints(job(), [door(changes, state)]).filter(({ station }) => station === 'build');
    expect(built({ ...CHOSEN, heldBack: 'The glass was not measured.' })).toMatchObject([
      {
        words: 'Front door, left: work has begun, and Shoal 65 is held back.',
        stake: 'The glass was not measured.',
        isHeld: true,
      },
    ]);
    expect(built({ kind: 'nothingChosen', known: 5, takenHere: 5 })).toMatchObject([
      { words: 'Front door, left: work has begun, and nothing is chosen for it.', isHeld: true },
    ]);
    expect(built({ kind: 'nothingChosen', known: 5, takenHere: 5 }, {})).toEqual([]);
  });

  const tick = (...ids: readonly string[]): JobFacts['bay'] => ({
    steps: Object.fromEntries(ids.map((id) => [id, MARK])),
    found: [],
  });
  const inBay = (bay: JobFacts['bay'], changes: Partial<PointOpening['record']> = {}) =>
    openPoints(job({ bay }), [door({ build: [], ...changes })]).filter(
      ({ askedAt, id }) => askedAt === 'bay' || id.startsWith('found'),
    );

  test('the ticks of the plan tell how far an opening is', () => {
    const [out, in_, heard] = ['opening left out', 'opening left in', 'opening left heard'];
    const [off, closed] = ['panel doorCard frontLeft  off', 'panel doorCard frontLeft  closed'];
    const ends = [[], [out], [out, in_], [out, in_, heard], [off, out, in_, heard, closed]] as string[][];
    expect(ends.map((ids) => inBay(tick(...ids)).map(({ words }) => words.split(': ')[1]))).toEqual([
      ['the panel off, the old speaker out.'],
      ['the new speaker in, all its screws tight.'],
      ['hear it alone, tug the joints, run the window.'],
      ['close the panel.'],
      [],
    ]);
    // Where no speaker was, the panel tells it; of two panels there both have to be closed.
    expect(inBay(tick(off), { presence: 'empty' })[0]?.words).toMatch(/the new speaker in/);
    const upper = 'panel doorCard frontLeft upper off';
    expect(inBay(tick(off, upper, out, in_, heard, closed))[0]?.words).toMatch(/close the panel/);
    // A fastener whose key is a word of the plan's is no panel.
    expect(inBay(tick(off, 'panel doorCard frontLeft  off off', out, in_, heard, closed))).toEqual([]);
  });

  test('a panel closed over what nobody heard holds', () => {
    const bay = tick('opening left out', 'opening left in', 'panel doorCard frontLeft  closed');
    expect(inBay(bay)).toMatchObject([
      { words: 'Front door, left: its panel is closed, and nobody heard it.', isHeld: true, station: 'build' },
    ]);
  });

  test('what is left out stays open with name and reason; what wants a second person holds the hand-over; what was found is open until it is settled', () => {
    const done = tick('opening left in', 'opening left heard', 'panel doorCard frontLeft  closed');
    const found = { key: 'k', step: 'x', where: 'Door card', words: 'a beam', by: 'Rieke', at: MARK.at };
    const bay: JobFacts['bay'] = {
      steps: {
        ...done.steps,
        'opening left window': { ...MARK, state: 'skipped', reason: 'the motor is out', words: 'Front door: window' },
        belt: { ...MARK, seconded: null, words: 'Pillar trim: the belt' },
      },
      found: [{ ...found, settled: null }],
    };
    expect(inBay(bay)).toMatchObject([
      { words: 'Door card: a beam (Rieke)', station: 'build', isHeld: false },
      { words: 'Left out: Front door: window', stake: 'Rieke: the motor is out', station: 'build', isHeld: false },
      { words: 'A second person looks at it: Pillar trim: the belt', station: 'handOver', isHeld: true },
    ]);
    const settled = { by: 'Merle', at: MARK.at, how: 'a flatter one is ordered' };
    const { steps } = done;
    const signed = { ...steps, belt: { ...MARK, seconded: { by: 'Jory', at: MARK.at } } };
    expect(inBay({ steps: signed, found: [{ ...found, settled }] })).toEqual([]);
  });

  test.each(['warning', 'unexplained', 'sound', 'soundOn'] as const)(
    'a second plug that carries more than this speaker’s own sound (%s) holds its wires until it is decided on',
    (secondPlug) => {
      const wires = (state: OpeningState) =>
        openPoints(job(), [door({ secondPlug }, state)]).filter(({ station }) => station === 'wire');
      const chime = {
        check: 'chime',
        verdict: 'hold',
        countsFor: 'opening',
        marginMm: null,
        expandedMm: null,
      } as const;
      const open = { ...chime, sentence: '', cures: [], outgrown: null };
      const found = { verdict: 'hold', countsFor: 'opening', marginMm: null, sentence: '' } as const;
      const given = { by: 'Okke', at: '2026-12-04T09:00:00.000Z', found };
      const answer = {
        kind: 'reason',
        check: 'chime',
        words: 'The maker wrote that nothing is lost.',
        ...given,
      } as const;
      const held = [
        { words: 'Front door, left: decide how what comes through its second plug goes on.', isHeld: true },
      ];
      expect(wires({ kind: 'hold', sentence: 'A chime.' })).toMatchObject(held);
      expect(wires({ ...CHOSEN, open: [{ ...open, answer: null }] })).toMatchObject(held);
      expect(wires({ ...CHOSEN, open: [{ ...open, answer }] })).toEqual([]);
    },
  );

  test('missing dimensions and a choice that is not made are open at their own stations', () => {
    expect(points(door({}, { kind: 'toMeasure', missing: ['depthBehind', 'frontGap'] }))).toEqual([
      { station: 'measure', askedAt: 'panelOff', words: 'Front door, left: 2 dimensions are missing.' },
      { station: 'match', askedAt: null, words: 'Front door, left: nothing is chosen.' },
    ]);
  });

  test('what is chosen and held back keeps the order open, by why', () => {
    const held: OpeningState = { ...CHOSEN, heldBack: 'The glass was not measured.' };
    expect(openPoints(job(), [door({}, held)])).toMatchObject([
      { station: 'order', stake: 'The glass was not measured.', settledAt: { kind: 'match', openingId: 'left' } },
    ]);
  });

  test.each(['blank', 'notThere'] as const)('a place without an opening (%s) asks for nothing', (presence) => {
    const opening = door({ presence, wiring: { kind: 'unknown' } }, { kind: 'noOpening', sentence: '' });
    expect(openPoints(job(), [opening])).toEqual([]);
  });
});

test('points come in the order in which asking is cheap: telephone, counter, panel off, then decisions', () => {
  const opening = door(
    { presence: 'notLooked', assumed: ['bolts'], wiring: { kind: 'unknown' } },
    { kind: 'hold', sentence: 'A chime.' },
  );
  const asked = openPoints(job({ later: null, contact: '' }, { trim: '' }), [opening]).map(({ askedAt }) => askedAt);
  expect(asked).toEqual(['telephone', 'telephone', 'telephone', 'counter', 'panelOff', 'panelOff', null]);
});

test('the number of a station is the number of its points, and each point is told apart', () => {
  const openings = [
    door({ presence: 'notLooked' }),
    { ...door({ presence: 'notLooked', side: 'right' }), id: 'right' },
  ];
  const points = openPoints(job({ later: null }), openings);
  expect(railOf(points).bookIn.open).toBe(3);
  expect(new Set(points.map(({ id }) => id)).size).toBe(points.length);
});

test('work that changes the car needs its own consent in writing, once for the whole car', () => {
  const drilled: OpeningState = {
    ...CHOSEN,
    needsConsent: [['drill']],
  };
  const openings = [door({}, drilled), { ...door({ side: 'right' }, drilled), id: 'right' }];
  const baseline = { ...TRIED, after: { ...TRIED.after, 'speaker.right': WORKS } };
  const both = { channels: feeding('Front door, left', 'Front door, right') };
  const pointsOf = (facts: Partial<JobFacts>) => openPoints(job({ baseline, ...facts }, both), openings);
  expect(pointsOf({})).toMatchObject([
    {
      id: 'consent drill',
      station: 'order',
      isHeld: true,
      words: 'Get the written consent: drilling new holes into the car.',
      settledAt: { kind: 'bookIn', field: 'consents' },
    },
  ]);
  expect(pointsOf({ consents: { drill: 'Vet, by letter' } })).toEqual([]);
  expect(pointsOf({ consents: { grind: 'Vet, by letter' } })).toHaveLength(1);
  // Against what the customer wants to stay, a signature alone is not asked for.
  const [against] = pointsOf({ keeps: ['cutting'] });
  expect(against?.stake).toBe('The customer said: nothing is cut or drilled. Ask again, or choose otherwise.');
});

test('of two things that may give way one has to be agreed to', () => {
  const needs: OpeningState = { ...CHOSEN, needsConsent: [['grilleOff', 'pocketGone']] };
  const [point] = openPoints(job(), [door({}, needs)]);
  expect(point?.words).toBe('Get the written consent: leaving a grille off, or giving up a pocket of the door.');
  expect(openPoints(job({ consents: { pocketGone: 'Vet' } }), [door({}, needs)])).toEqual([]);
});

test('what is usually expected wrongly is said before the work, each thing until it is ticked, and only what applies', () => {
  const unsaid = (facts: Partial<JobFacts>, vehicle: Partial<typeof VEHICLE> = {}) =>
    openPoints(job(facts, vehicle), [door()]).find(({ id }) => id === 'expectations')?.words;
  expect(unsaid({})).toBeUndefined();
  expect(unsaid({ expectations: ['clearerNotLouder'] })).toBe('Say what is usually expected wrongly: one thing.');
  expect(unsaid({ goals: { bass: 2 } })).toBe('Say what is usually expected wrongly: one thing.');
  expect(unsaid({ goals: { bass: 2, louder: 1 } })).toBe('Say what is usually expected wrongly: 2 things.');
  // An amplifier is planned: it is not the factory radio’s power that decides.
  expect(unsaid({ expectations: ['quietLetsOtherNoise'], later: ['amplifier'] })).toBeUndefined();
  expect(unsaid({}, { body: 'roadster' })).toBe('Say what is usually expected wrongly: one thing.');
  expect(unsaid({ goals: {} })).toBeUndefined();
});

test.each<[JobFacts['ownership']['owner'], JobFacts['ownership']['leave'], string | null, boolean]>([
  ['leased', 'given', null, true],
  ['company', 'asked', null, true],
  ['leased', 'given', '', false],
  ['leased', 'given', 'The old speakers, the cut card', false],
  // Nothing is done to it.
  ['leased', 'refused', null, false],
  ['customer', 'notAsked', null, false],
])('a car of %s, leave %s, to be put back %j: it is asked for, %s', (owner, leave, putBack, isAsked) => {
  const ids = openPoints(job({ ownership: { owner, leave, by: 'by letter', putBack } }), [door()]).map(({ id }) => id);
  expect(ids.includes('putBack')).toBe(isAsked);
});

describe('what works', () => {
  const wordsOf = (baseline: Partial<JobFacts['baseline']>, openings = [door()]) =>
    openPoints(job({ baseline: { ...TRIED, ...baseline } }), openings).map(({ words }) => words);

  test('what nobody tried, looked at or listened to is open at booking in', () => {
    const untouched = { ...NO_BASELINE, after: TRIED.after, settings: TRIED.settings };
    expect(openPoints(job({ baseline: untouched }), [door()])).toMatchObject([
      { id: 'functions', station: 'bookIn', askedAt: 'counter', settledAt: { kind: 'baseline' }, isHeld: false },
      { id: 'damage' },
      { id: 'radioSettings' },
      { id: 'listening' },
    ]);
    expect(wordsOf({ functions: {} })).toEqual(['Try what works: 1 of 1 thing is not tried.']);
  });

  test('is tried again once there is work on the car, and what is worse holds it', () => {
    expect(wordsOf({ after: {} })).toEqual(['Try again what was tried before: 2 things are left.']);
    const notBegun = openPoints(job({ baseline: { ...TRIED, after: {} } }), [door({ build: [] })]);
    expect(notBegun.map(({ station }) => station)).toEqual(['build']);
    const after = { camera: { state: 'doesNot', note: 'black' } as const, 'speaker.left': WORKS };
    expect(openPoints(job({ baseline: { ...TRIED, after } }), [door()])).toMatchObject([
      { id: 'worse', station: 'handOver', isHeld: true, words: '1 thing that worked before does not work now.' },
    ]);
  });
});

test('a question that went outside is open until an answer came', () => {
  const question: JobFacts['questions'][number] = {
    ...{ of: 'maker', question: 'Which pin?', askedOn: '2026-11-27', how: '', answer: '', answeredOn: null },
    grade: null,
  };
  expect(openPoints(job({ questions: [question] }), [door()])).toMatchObject([
    {
      words: 'The vehicle maker, asked on 2026-11-27, no answer yet: Which pin?',
      settledAt: { kind: 'bookIn', field: 'questions' },
      askedAt: 'telephone',
      isHeld: false,
    },
  ]);
  const answered: typeof question = { ...question, answer: 'Pin 3', grade: 'document' };
  expect(openPoints(job({ questions: [answered] }), [door()])).toEqual([]);
});

test('which wire is positive is open where something is chosen, until it is tested; a keyed lead is enough where the shop says so', () => {
  const polarity = (by: PolarityBy) => ({ by, positive: by === 'notKnown' ? '' : 'pin 1', source: '' });
  const open = (by: PolarityBy, polarityProof: 'test' | 'testOrKey' = 'test', state: OpeningState = CHOSEN) =>
    openPoints(job(), [door({ polarity: polarity(by) }, state)], { ...SETTINGS_DEFAULTS, polarityProof })
      .filter(({ station }) => station === 'wire')
      .map(({ words }) => words);
  expect(open('cell')).toEqual([]);
  expect(open('notKnown')).toEqual(['Front door, left: nobody knows which wire is positive. Test it.']);
  expect(open('colour')).toEqual([
    'Front door, left: that the positive wire is pin 1 (a rule about colours) is a guess. Test it.',
  ]);
  expect(open('keyedAdapter')).toEqual([
    'Front door, left: that the positive wire is pin 1 (a keyed lead) is not tested. Test it.',
  ]);
  expect(open('keyedAdapter', 'testOrKey')).toEqual([]);
  const withoutWires = door({ polarity: polarity('notKnown'), wiring: { kind: 'noWires' } });
  expect(openPoints(job(), [withoutWires]).map(({ id }) => id)).not.toContain('polarity left');
  expect(open('notKnown', 'test', { kind: 'nothingChosen', known: 1, takenHere: 1 })).toEqual([]);
});

test('where the shop wants it, booking in is open until the customer signed', () => {
  const ids = (baseline: JobFacts['baseline'], signature: 'offered' | 'asked') =>
    openPoints(job({ baseline }), [door()], { ...SETTINGS_DEFAULTS, signature }).map(({ id }) => id);
  const signed = { by: 'Vet', at: '2026-03-02T10:00:00.000Z', strokes: [[[1, 2] as [number, number]]] };
  expect(ids(TRIED, 'offered')).not.toContain('signature');
  expect(ids(TRIED, 'asked')).toContain('signature');
  expect(ids({ ...TRIED, signed }, 'asked')).not.toContain('signature');
});

test('what is disputed of the variant is to be looked at on the car', () => {
  const disputes = [{ label: 'Trim', says: 'Coast', by: 'Rieke', at: '2026-03-02T10:00:00.000Z' }];
  const points = openPoints({ ...job(), vehicle: { ...VEHICLE, disputes } }, [door()]);
  expect(points.map(({ words }) => words)).toContain('Trim: Rieke says “Coast”, and the library says otherwise.');
});
