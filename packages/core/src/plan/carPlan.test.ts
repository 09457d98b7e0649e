/** The work on a car follows from its record: an order that holds, and every line of the record told by a step. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Housing } from '../housing';
import {
  type Attached,
  FASTENERS,
  type Fastener,
  newPanel,
  type OpeningRecord,
  type Panel,
  panelSchema,
  type Quieted,
} from '../model';
import type { JointLine } from '../stations';
import { PLAIN_CAR, PLAIN_PLACE } from '../testing/plainCar';
import { PLAIN_POD } from '../testing/plainHousing';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { type CarPlan, carPlan, type PlanCar } from './carPlan';
import type { PlanOpening } from './openingSteps';
import { planTools } from './tools';

const HOW = { keysProve: false, unit: 'mm' } as const;

const fastener = (key: string, fields: Partial<Fastener> = {}): Fastener => ({
  ...{ key, kind: 'screw', where: `at ${key}`, cover: 'none', head: 'crossHead', driver: 'PH2', lengthMm: null },
  ...{ base: 'plastic', count: 2, marked: [], ...fields },
});
const hanging = (key: string, fields: Partial<Attached> = {}): Attached => ({
  ...{ key, kind: 'plug', what: `${key} plug`, note: '', marked: [], ...fields },
});
const card = (fields: Partial<Panel> = {}): Panel => ({
  ...newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' }),
  ...{ comesOff: 'whole', pryFrom: 'the bottom corner', breaks: '', looksLike: '', stays: '' },
  fasteners: [
    fastener('cup'),
    fastener('edge'),
    fastener('clips', { kind: 'treeClip', head: null, driver: '', count: 8 }),
  ],
  attached: [hanging('switch'), hanging('cable', { kind: 'cable', what: 'latch cable' })],
  order: [
    { first: 'cup', next: 'clips' },
    { first: 'clips', next: 'cable' },
  ],
  ...fields,
});
const opening = (fields: Partial<OpeningRecord> = {}, more: Partial<PlanOpening> = {}): PlanOpening => ({
  ...PLAIN_PLACE,
  id: 'left',
  record: {
    ...PLAIN_OPENING,
    ...{ presence: 'fitted', fixing: 'screws', behind: 'glass', polarity: { by: 'cell', positive: '1', source: '' } },
    ...fields,
  },
  speakerName: 'Shoal 65',
  ...more,
});
const car = (fields: Partial<PlanCar> = {}): PlanCar => ({
  ...PLAIN_CAR,
  ...{ openings: [opening()], panels: [card()] },
  ...fields,
});
const SURFACE: Quieted = {
  ...{ name: 'Left door', kind: 'doorCard', spot: 'frontLeft', area: 'outerSkin', material: 'butyl' },
  ...{ lengthMm: 600, widthMm: 400, thicknessMm: 2, staysOpen: 'two drains', blocked: 'the beam' },
  ...{ spots: [], sheetLengthMm: null, sheetWidthMm: null, marked: [] },
};
const plan = (fields: Partial<PlanCar> = {}) => carPlan(car(fields), HOW);
const at = ({ steps }: CarPlan, id: string) => steps.findIndex((step) => step.id === id || step.id.endsWith(id));

/** Whether each step comes after all that it waits for, and waits for steps that are there. */
function expectToHold({ steps }: CarPlan): void {
  const places = new Map(steps.map(({ id }, place) => [id, place]));
  expect(places.size).toBe(steps.length);
  const wrong = steps.flatMap(({ id, after }, place) =>
    after.filter((first) => !((places.get(first) ?? steps.length) < place)).map((first) => `${id} before ${first}`),
  );
  expect(wrong).toEqual([]);
}

const RUN = {
  id: 'feed',
  what: 'the amplifier',
  need: null,
  sentence: 'Nobody measured its way.',
  next: 'Measure it.',
};

test('nothing chosen is no work', () => {
  expect(plan({ openings: [] })).toEqual({ steps: [], minutes: 0 });
});

describe('a door', () => {
  test('from the battery to the speaker and back, in an order that holds', () => {
    const one = plan();
    expectToHold(one);
    const order = [
      ...[
        'ready',
        'battery off',
        'frontLeft  photo',
        'off cup',
        'off clips',
        'off cable',
        'frontLeft  off',
        'left out',
      ],
      ...['left in', 'bag plugs', 'battery on', 'left heard', 'left window', 'on cable', 'on clips', 'on cup'],
      ...['frontLeft  closed', 'baseline'],
    ];
    const places = order.map((id) => at(one, id));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(places).not.toContain(-1);
  });

  test('each step names its line, and says what undoes it', () => {
    const { steps } = plan();
    for (const { from, what, where } of steps) {
      expect([from, what, where]).not.toContain('');
      expect(what).toMatch(/[.”]$/);
    }
    expect(steps[at(plan(), 'off cup')]).toMatchObject({
      where: 'Door card, front left',
      what: 'Undo 2 screws, cross-head PH2, into plastic, at cup.',
      from: '2 screws, cross-head PH2, into plastic, at cup',
      tools: ['Cross-head PH2'],
    });
  });

  test('nothing closes over a speaker that nobody heard', () => {
    const { steps } = plan();
    const closing = steps.filter(({ id }) => /^panel .* (on|closed)/.test(id));
    expect(closing.length).toBeGreaterThan(0);
    for (const { id } of closing) expect(at(plan(), id)).toBeGreaterThan(at(plan(), 'left heard'));
  });

  test('a panel that nobody described is described while it comes off, and takes longer', () => {
    const unknown = plan({ panels: [] });
    expectToHold(unknown);
    const step = unknown.steps[at(unknown, 'frontLeft  off')];
    expect(step?.open).toMatch(/^Nobody wrote down what holds it/);
    expect(step?.minutes).toBeGreaterThan(15);
  });

  // The handbook, section 14: about an hour for a pair of front doors with parts that plug in, the second side half of the first.
  test('a pair takes about an hour, and the second side half of the first', () => {
    const right = opening({ side: 'right' }, { id: 'right' });
    const pair = { openings: [opening(), right], panels: [card(), card({ spot: 'frontRight' })] };
    const both = plan(pair);
    expectToHold(both);
    expect(both.minutes).toBeGreaterThan(40);
    expect(both.minutes).toBeLessThan(75);
    const minutesOf = (side: RegExp) =>
      both.steps.filter(({ id }) => side.test(id)).reduce((sum, { minutes }) => sum + minutes, 0);
    expect(minutesOf(/frontRight|opening right/)).toBeCloseTo(minutesOf(/frontLeft|opening left/) / 2, 9);
  });
});

describe('every line of the record is told: what changes in it changes the plan', () => {
  const base = JSON.stringify(plan());
  const joint: JointLine = {
    ...{ id: 'plug left', openingId: 'left', what: 'Front door, left', count: 2, way: 'butt', decided: null },
    ...{ sentence: 'Each wire of the cut plug to one of the lead.', next: null },
  };
  test.each<[string, Partial<PlanCar>]>([
    ['a fastener more', { panels: [card({ fasteners: [...(card().fasteners ?? []), fastener('handle')] })] }],
    ['a head', { panels: [card({ fasteners: [fastener('cup', { head: 'sixLobe', driver: 'T20' })] })] }],
    ['a cover', { panels: [card({ fasteners: [fastener('cup', { cover: 'felt' })] })] }],
    ['a length', { panels: [card({ fasteners: [fastener('cup', { lengthMm: 20 })] })] }],
    ['a base', { panels: [card({ fasteners: [fastener('cup', { base: 'clipNut' })] })] }],
    ['a count', { panels: [card({ fasteners: [fastener('cup', { count: 3 })] })] }],
    ['what hangs on it', { panels: [card({ attached: [hanging('lamp', { kind: 'lamp' })] })] }],
    ['a note of it', { panels: [card({ attached: [hanging('switch', { note: 'two fingers only' })] })] }],
    ['what is first', { panels: [card({ order: [{ first: 'edge', next: 'cup' }] })] }],
    ['how it comes off', { panels: [card({ comesOff: 'swings' })] }],
    ['where one begins', { panels: [card({ pryFrom: 'the top' })] }],
    ['what breaks', { panels: [card({ breaks: 'the corner' })] }],
    ['rivets', { openings: [opening({ fixing: 'rivets' })] }],
    ['no speaker there', { openings: [opening({ presence: 'empty' })] }],
    ['that nobody looked whether one is there', { openings: [opening({ presence: 'notLooked' })] }],
    ['metal behind it', { openings: [opening({ behind: 'metal' })] }],
    ['polarity by a colour', { openings: [opening({ polarity: { by: 'colour', positive: '1', source: '' } })] }],
    ['a second plug with warnings', { openings: [opening({ secondPlug: 'warning' })] }],
    ['another speaker', { openings: [opening({}, { speakerName: 'Cairn 6' })] }],
    ['a tweeter', { openings: [opening({}, { isTweeter: true })] }],
    ['work by hand', { openings: [opening({}, { works: [{ kind: 'fileHole', byMm: 2 }] })] }],
    ['a surface that is quieted', { quieted: [SURFACE] }],
    [
      'a drain on it',
      { quieted: [{ ...SURFACE, spots: [{ what: 'drain', xMm: 9, yMm: 9, lengthMm: 20, widthMm: 20 }] }] },
    ],
    ['where it is on its panel', { quieted: [{ ...SURFACE, marked: [{ x: 20, y: 30 }] }] }],
    ['a pod', { openings: [opening({ presence: 'blank', housing: PLAIN_POD })] }],
    ['a crossover with a level switch', { crossovers: ['left'] }],
    ['a ring of sheet', { openings: [opening({}, { ringsMm: [9] })] }],
    ['tabs of its bracket', { openings: [opening({}, { hasTabs: true })] }],
    ['a joint', { joints: [joint] }],
    ['a joint at no speaker that goes in', { joints: [{ ...joint, id: 'bypass', openingId: null }] }],
    ['a new wire', { runs: [RUN] }],
    ['a box', { boxes: [{ what: 'amplifier', words: 'under the left seat' }] }],
    ['what is lost without supply', { lostWithoutSupply: 'the radio’s code' }],
    ['that nobody asked it', { lostWithoutSupply: null }],
    ['an amplifier of its own', { hasPowerWire: true }],
    ['warnings through the speakers', { hasWarnings: true }],
    ['a new radio', { atRadio: 'newRadio' }],
    ['leads that are taken off the radio', { atRadio: 'leads' }],
  ])('%s', (_, fields) => {
    const changed = plan(fields);
    expectToHold(changed);
    expect(JSON.stringify(changed)).not.toBe(base);
  });

  test('where somebody marked a fixing on its panel, its steps say where, off and on; what nobody marked has no drawing', () => {
    const marked = [{ x: 20, y: 85 }];
    const drawn = plan({ panels: [card({ fasteners: [fastener('cup', { marked }), fastener('edge')], order: [] })] });
    const of = (end: string) => drawn.steps.find(({ id }) => id.endsWith(end))?.marked;
    const there = { kind: 'doorCard', spot: 'frontLeft', at: marked };
    expect([of(' off cup'), of(' on cup')]).toEqual([there, there]);
    expect([of(' off edge'), of(' closed')]).toEqual([null, null]);
  });

  test('an instruction is at the steps at which the panel comes off', () => {
    const sheet = { key: 'a', title: 'Sheet 4', where: '', rated: { as: 'worked' as const, by: 'Rieke' } };
    const led = plan({ panels: [card({ instructions: [sheet] })] });
    expect(led.steps.filter(({ follows }) => follows.length > 0).map(({ id }) => id.split(' ').at(-1))).toEqual([
      'photo',
      'off',
    ]);
  });

  test('is quieted while the card is off and the old speaker out, before the new one is in', () => {
    const quiet = plan({ quieted: [SURFACE] });
    expectToHold(quiet);
    const step = quiet.steps[at(quiet, 'quieting Left door')];
    expect(step).toMatchObject({
      open: null,
      side: 'left',
      where: 'Door card, front left',
      minutes: expect.closeTo(5 + 0.24 * 80, 9),
    });
    expect(step?.what).toMatch(/^Quieting, Left door: the outer skin, flat areas degreased and dry; /);
    expect(step?.what).toContain('Stays open: two drains. Not reached: the beam.');
    const named = { ...SURFACE, name: 'Left door, the outer skin, flat areas' };
    expect(plan({ quieted: [named] }).steps.find(({ id }) => id.startsWith('quieting'))?.what).toMatch(
      /^Quieting, Left door, the outer skin, flat areas: the surface degreased and dry; /,
    );
    expect(step?.after).toEqual([expect.stringContaining('frontLeft  off'), 'opening left out']);
    expect(quiet.steps[at(quiet, 'left in')]?.after).toContain('quieting Left door');
    // One stays at the door: nothing of another one is between.
    const place = at(quiet, 'left out');
    expect([at(quiet, 'quieting Left door'), at(quiet, 'left in')]).toEqual([place + 1, place + 2]);
  });

  test('what of quieting nobody looked at is said; behind a panel that stays on it is said too', () => {
    const open = (changes: Partial<Quieted>) =>
      plan({ quieted: [{ ...SURFACE, ...changes }] }).steps.find(({ id }) => id.startsWith('quieting'));
    expect(open({ staysOpen: null })?.open).toBe('Look first which drains, clips, wires and moving parts stay free.');
    expect(open({ blocked: null })?.open).toBe('Look first what keeps a hand away: a skin that stays riveted, a beam.');
    expect(open({ lengthMm: null })).toMatchObject({ open: 'Measure what can be reached.', minutes: 45 });
    expect(open({ spot: 'rearLeft' })?.open).toBe(
      'No speaker of this job is behind that panel: it comes off for this alone.',
    );
  });

  test('what is cut at the bench comes first, each ring by itself, and nothing goes in before it is dry', () => {
    const cut = plan({ openings: [opening({}, { ringsMm: [9, 3], hasTabs: true })] });
    expectToHold(cut);
    expect(cut.steps.slice(0, 3).map(({ id }) => id)).toEqual(
      ['left ring 1', 'left ring 2', 'left tabs'].map((id) => `opening ${id}`),
    );
    expect(cut.steps[0]).toMatchObject({
      dryMin: 20,
      side: 'left',
      tools: ['A saw or a router for sheet', 'Eye protection'],
    });
    expect(cut.steps[0]?.what).toContain('the ring of 9 mm cut to its template for this side');
    const fit = cut.steps[at(cut, 'left first fit')];
    expect(fit?.after).toEqual(['opening left out', 'opening left ring 1', 'opening left ring 2', 'opening left tabs']);
    expect(fit?.what).toContain(
      'the ring lies flat, its holes over the car’s; nothing of the bracket stands in the way.',
    );
    expect(cut.steps[at(cut, 'left in')]?.after).toContain('opening left first fit');
    const filed = plan({ openings: [opening({}, { works: [{ kind: 'fileHole', byMm: 2 }] })] });
    expect(filed.steps[at(filed, 'left first fit')]?.what).toContain('the basket drops in without being pushed.');
    expect(at(plan(), 'left first fit')).toBe(-1);
  });

  test('wires and boxes are in before supply returns, and before anything is heard', () => {
    const wired = plan({ runs: [RUN], boxes: [{ what: 'amplifier', words: 'under the left seat' }] });
    expectToHold(wired);
    for (const id of ['wire feed', 'box amplifier']) {
      expect(at(wired, id)).toBeGreaterThan(at(wired, 'frontLeft  off'));
      expect(at(wired, id)).toBeLessThan(at(wired, 'bag plugs'));
      expect(at(wired, id)).toBeLessThan(at(wired, 'left heard'));
    }
    expect(wired.steps[at(wired, 'wire feed')]).toMatchObject({ open: 'Measure it.', minutes: 20 });
  });

  test('what is not joined is no step; what nobody decided is one that says so', () => {
    expect(JSON.stringify(plan({ joints: [{ ...joint, count: 0, way: null }] }))).toBe(base);
    const open = plan({ joints: [{ ...joint, count: null, way: null, next: 'Decide it.' }] });
    expect(open.steps.find(({ from }) => from.startsWith('Joints'))?.open).toBe('Decide it.');
  });
});

test('supply stays on where no bag is near and no power wire comes', () => {
  const place = { place: 'rearWall', side: 'left' } as const;
  const wall = plan({ openings: [opening(place)], panels: [] });
  expectToHold(wall);
  expect(wall.steps.map(({ where }) => where)).not.toContain('Battery');
  expect(
    plan({ openings: [opening(place)], panels: [], hasPowerWire: true }).steps.map(({ where }) => where),
  ).toContain('Battery');
});

test('a sail trim that hides a screw of the card is off before it and on after it', () => {
  const trim: Panel = {
    ...newPanel({ kind: 'sailTrim', spot: 'left', name: '' }),
    fasteners: [fastener('pin')],
    attached: [],
  };
  const hidden = card({ fasteners: [fastener('top', { cover: 'mirrorTrim' })] });
  const both = plan({ panels: [hidden, trim] });
  expectToHold(both);
  expect(at(both, 'sailTrim left  off')).toBeLessThan(at(both, 'off top'));
  expect(at(both, 'frontLeft  closed')).toBeLessThan(at(both, 'sailTrim left  on pin'));
  expect(at(plan({ panels: [card(), trim] }), 'sailTrim left  off')).toBe(-1);
});

test('a belt’s bolt goes back with a second person, and no torque of the program’s own', () => {
  const belted = plan({ panels: [card({ fasteners: [fastener('belt', { kind: 'beltBolt' })] })] });
  const back = belted.steps[at(belted, 'on belt')];
  expect(back).toMatchObject({ people: 2, hasTorque: true, needsSecond: true, isMust: true });
  expect(back?.cautions.join()).toContain('torque from the vehicle maker’s manual');
  expect(JSON.stringify(belted)).not.toMatch(/\d+ ?(N m|Nm|lbf)/);
});

test('what is counted out is counted in; nothing is counted that has no pieces', () => {
  const both = plan({
    panels: [card({ fasteners: [fastener('cup'), fastener('seam', { kind: 'glue' })], order: [] })],
  });
  expect(both.steps[at(both, 'off cup')]?.counts).toEqual({ what: 'screw', way: 'off', count: 2, outAt: null });
  const outAt = both.steps[at(both, 'off cup')]?.id;
  expect(both.steps[at(both, 'on cup')]?.counts).toEqual({ what: 'screw', way: 'on', count: 2, outAt });
  expect(both.steps[at(both, 'off seam')]?.counts).toBeNull();
});

test('before a panel goes back its wires are looked at, and each function that hangs on it is tried', () => {
  const { steps } = plan();
  const functions = steps[at(plan(), 'frontLeft  functions')];
  expect(functions?.what).toContain('switch plug and latch cable tried');
  for (const id of ['frontLeft  wires', 'frontLeft  functions'])
    expect(at(plan(), id)).toBeLessThan(at(plan(), 'on cable'));
  const nobody = plan({ panels: [] });
  expect(nobody.steps[at(nobody, 'frontLeft  functions')]?.open).toBe('Nobody wrote down what hangs on it.');
  expect(at(plan({ panels: [card({ attached: [], order: [] })] }), 'frontLeft  functions')).toBe(-1);
});

describe('what is built', () => {
  const pod = (housing: Partial<Housing> = {}, fields: Partial<OpeningRecord> = {}) =>
    plan({ openings: [opening({ presence: 'blank', housing: { ...PLAIN_POD, ...housing }, ...fields })] });
  const step = (built: CarPlan, id: string) => built.steps[at(built, id)];

  test('is made at the bench, its boards before its wall, and is on before the speaker goes in', () => {
    const built = pod();
    expectToHold(built);
    const order = ['left built boards', 'left built wall', 'frontLeft  off', 'left built on', 'left in'];
    const places = order.map((id) => at(built, id));
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(step(built, 'left built on')?.cautions.join(' ')).toMatch(/airbag or its sensor.*maker’s manual/);
    // No old speaker comes out of a panel that was closed.
    expect(at(built, 'left out')).toBe(-1);
  });

  test('asks what nobody looked for before it is drilled, and paints what it cuts', () => {
    const { belt: _, ...others } = PLAIN_POD.free;
    expect(step(pod({ free: others }), 'left built on')?.open).toBe(
      'Look first where these are: belt, its reel and buckle.',
    );
    expect(step(pod(), 'left built on')?.open).toBeNull();
    expect(step(pod({ back: 'open' }), 'left built on')?.what).toContain('with a nibbler, its edge painted');
    expect(step(pod(), 'left built on')?.what).not.toContain('nibbler');
  });

  test.each<[string, Partial<Housing>]>([
    ['higher', { heightMm: 100 }],
    ['turned more', { angleDeg: 20 }],
    ['of another board', { boardMm: 18 }],
    ['open behind', { back: 'open' }],
  ])('%s it is another step: what was ticked of it was of another one', (_, change) => {
    const prints = (built: CarPlan) => built.steps.filter(({ id }) => id.includes(' built ')).map(({ print }) => print);
    expect(prints(pod(change))).not.toEqual(prints(pod()));
  });

  test('two pods from scratch take the time that they take: 120 to 180 min (handbook, section 14)', () => {
    const housing = PLAIN_POD;
    const right = opening({ presence: 'blank', housing, side: 'right' }, { id: 'right' });
    const both = plan({ openings: [opening({ presence: 'blank', housing }), right] });
    const minutes = both.steps.filter(({ id }) => id.includes(' built ')).reduce((sum, each) => sum + each.minutes, 0);
    expect(minutes).toBeGreaterThanOrEqual(120);
    expect(minutes).toBeLessThanOrEqual(180);
  });
});

test('the level switch of each crossover is set at the bench', () => {
  const { steps } = plan({ crossovers: ['left', 'right'] });
  expect(steps.slice(0, 2).map(({ id }) => id)).toEqual(['level left', 'level right']);
  expect(steps[0]?.what).toContain('often −3 dB for a tweeter that looks at the ear');
});

test('a panel, and supply, are gates; what is left out of them is said for each', () => {
  const { steps } = plan({ hasWarnings: null, hasPowerWire: true });
  expect(steps.filter(({ isGate }) => isGate).map(({ id }) => id)).toEqual([
    'battery on',
    'panel doorCard frontLeft  closed',
  ]);
  expect(steps.filter(({ isMust }) => isMust).map(({ id }) => id)).toEqual([
    'bag plugs',
    'battery on',
    'warning sounds',
  ]);
  expect(steps.find(({ id }) => id === 'warning sounds')?.open).toMatch(/^Nobody asked/);
  expect(at(plan({ hasPowerWire: true }), 'start values')).toBeLessThan(at(plan({ hasPowerWire: true }), 'left heard'));
});

test('a tick stands on what a step says, in whatever unit it is shown', () => {
  const works = { openings: [opening({}, { works: [{ kind: 'fileHole', byMm: 2 }] })] };
  const prints = (given: Partial<PlanCar>, unit: 'mm' | 'in') =>
    carPlan(car(given), { ...HOW, unit }).steps.map(({ print }) => print);
  expect(prints(works, 'in')).toEqual(prints(works, 'mm'));
  const more = { openings: [opening({}, { works: [{ kind: 'fileHole', byMm: 3 }] })] };
  expect(prints(more, 'mm').filter((print, place) => print !== prints(works, 'mm')[place])).toHaveLength(1);
  const other = { openings: [opening({}, { speakerName: 'Cairn 6' })] };
  expect(prints(other, 'mm').filter((print, place) => print !== prints({}, 'mm')[place])).toHaveLength(1);
});

test('each kind of piece has a bag of its own, which it comes out of again', () => {
  const right = opening({ side: 'right' }, { id: 'right' });
  const both = plan({ openings: [opening(), right], panels: [card(), card({ spot: 'frontRight' })] });
  const bag = (id: string) => both.steps[at(both, id)]?.bag;
  expect(['frontLeft  off cup', 'frontLeft  off clips', 'frontRight  off cup'].map(bag)).toEqual(['A1', 'A3', 'B1']);
  const off = both.steps.filter(({ counts }) => counts?.way === 'off');
  expect(new Set(off.map((step) => step.bag)).size).toBe(off.length);
  for (const { counts, bag: own } of both.steps.filter((step) => step.counts?.way === 'on'))
    expect(own).toBe(both.steps.find(({ id }) => id === counts?.outAt)?.bag);
  expect(bag('battery off')).toBeNull();
});

test('the fascia closes last of all, over a radio of which everything was tried with supply', () => {
  const fascia: Panel = {
    ...newPanel({ kind: 'radioFascia', spot: 'middle', name: '' }),
    ...{ fasteners: [fastener('frame')], attached: [hanging('hazard')] },
  };
  for (const panels of [[card(), fascia], [card()]]) {
    const radio = plan({ panels, atRadio: 'newRadio' });
    expectToHold(radio);
    const order = ['radioFascia middle  off', 'radio', 'bag plugs', 'battery on', 'radio tried'];
    const places = [...order, 'radioFascia middle  closed', 'baseline'].map((id) =>
      radio.steps.findIndex((step) => step.id === id || step.id === `panel ${id}`),
    );
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(at(radio, 'frontLeft  closed')).toBeLessThan(at(radio, 'radioFascia middle  closed'));
  }
  const unknown = plan({ panels: [card()], atRadio: 'leads' });
  expect(unknown.steps[at(unknown, 'radioFascia middle  off')]?.open).toMatch(/^Nobody wrote down what holds it/);
  expect(at(plan({ panels: [card(), fascia] }), 'radioFascia middle  off')).toBe(-1);
});

test('each tool is told once, in the order in which it is taken up', () => {
  expect(planTools([{ tools: ['T20', 'forks'] }, { tools: [] }, { tools: ['forks', 'cell'] }])).toEqual([
    ...['T20', 'forks', 'cell'],
  ]);
});

test('left and right are told apart', () => {
  const right = opening({ side: 'right' }, { id: 'right' });
  const both = plan({ openings: [opening(), right], panels: [card(), card({ spot: 'frontRight' })] });
  const sides = (id: string) => both.steps[at(both, id)]?.side;
  expect(['left out', 'frontLeft  off', 'right out', 'frontRight  off', 'battery on'].map(sides)).toEqual([
    ...['left', 'left', 'right', 'right', null],
  ]);
});

test('property: whatever a panel is, its plan holds, undoes each of it once and puts each back once', () => {
  const keys = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { minLength: 0, maxLength: 8 });
  const panels = fc
    .record({
      keys,
      kinds: fc.array(fc.constantFrom(...FASTENERS), { minLength: 8, maxLength: 8 }),
      pairs: fc.array(fc.tuple(fc.constantFrom(...'abcdefgh'), fc.constantFrom(...'abcdefgh')), { maxLength: 10 }),
    })
    .map(({ keys: found, kinds, pairs }) =>
      card({
        fasteners: found.map((key, place) => fastener(key, { kind: kinds[place] ?? 'screw' })),
        attached: [],
        // Upwards only: those that close a circle are refused before they are kept.
        order: pairs.filter(([first, next]) => first < next).map(([first, next]) => ({ first, next })),
      }),
    );
  fc.assert(
    fc.property(panels, (panel) => {
      expect(panelSchema.safeParse(panel).success).toBe(true);
      const one = plan({ panels: [panel] });
      expectToHold(one);
      const ids = one.steps.map(({ id }) => id).filter((id) => / (off|on) [a-h]$/.test(id));
      expect(new Set(ids).size).toBe(2 * (panel.fasteners ?? []).length);
    }),
    { numRuns: 100 },
  );
});
