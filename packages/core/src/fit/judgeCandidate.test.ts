import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { heldBackBecause, type OpenCheck, openChecks } from '../order/openChecks';
import { fuzzed } from '../testing/fuzzed';
import {
  adapter,
  bracket,
  candidate,
  circlePattern,
  depthAt,
  exact,
  FLAT,
  opening,
  RULES,
  rodAt,
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import { heightRange } from './advice/heightRange';
import type { CheckId } from './Check';
import { judgeCandidate } from './judgeCandidate';
import { openForOpening } from './openForOpening';
import type { Candidate, FitOpening } from './shapes';

const judge = (at: FitOpening, what: Candidate) => judgeCandidate(at, what, [adapter()], RULES);

function check(id: CheckId, at: FitOpening = opening(), what: Candidate = candidate()) {
  const found = judge(at, what).checks.find((each) => each.id === id);
  if (!found) throw new Error(`no check ${id}`);
  return found;
}

const FACTS = {
  airbag: 'none',
  secondPlug: 'none',
  pinsBeyond: [],
  wiring: { kind: 'connector' },
  made: null,
} as const;
const marginOf = (id: CheckId, at?: FitOpening, what?: Candidate) => check(id, at, what).margin?.valueMm;

describe('hole', () => {
  test('(150 − 142) / 2 − 1 = 3 mm', () => {
    expect(marginOf('hole')).toBe(3);
    expect(check('hole').sentence).toBe('The basket passes the hole with 4 mm at the tightest; the shop asks 1 mm.');
  });

  test('exactly at the clearance clears, a hair less hits', () => {
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: exact(144) } })).verdict).toBe('clears');
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: exact(143.99) } })).verdict).toBe('hits');
  });

  test('the tightest passage decides: throat 144 leaves 1 mm and is asked no clearance', () => {
    const what = candidate({ brackets: [bracket()] });
    expect(marginOf('hole', opening(), what)).toBe(1);
    expect(check('hole', opening(), what).sentence).toContain('throat');
  });

  test('too wide: says by how much', () => {
    const small = opening({ hole: { kind: 'circle', diameter: exact(138) } });
    expect(check('hole', small)).toMatchObject({
      verdict: 'hits',
      sentence: 'The basket is wider than the hole by 2 mm on one side.',
    });
  });

  test('u = half of each diameter in quadrature: ½ √(0.2² + 0.5²) / √3', () => {
    const at = opening({ hole: { kind: 'circle', diameter: within(150, 0.2) } });
    const what = candidate({ speaker: speaker({ basket: { kind: 'circle', diameter: within(142, 0.5) } }) });
    expect(check('hole', at, what).margin?.standardUncertaintyMm).toBeCloseTo(
      (0.5 * Math.hypot(0.2, 0.5)) / Math.sqrt(3),
      12,
    );
  });

  test('an oval in an oval: 220 × 150 takes 212 × 140 with 4 mm along and 5 across', () => {
    const at = opening({ hole: { kind: 'oval', length: exact(220), width: exact(150) } });
    const what = candidate({ speaker: speaker({ basket: { kind: 'oval', length: exact(212), width: exact(140) } }) });
    expect(marginOf('hole', at, what)).toBeCloseTo(3, 9);
  });

  test('not measured: measure first, and which dimension', () => {
    expect(check('hole', opening({ hole: { kind: 'circle', diameter: null } }))).toMatchObject({
      verdict: 'measure',
      margin: null,
      missing: ['holeDiameter'],
    });
    expect(check('hole', opening({ hole: { kind: 'oval', length: null, width: exact(90) } })).missing).toEqual([
      'holeLength',
    ]);
  });
});

describe('bolts', () => {
  test('a 5 mm hole round a 4 mm screw leaves 0.5 mm of play', () => {
    expect(marginOf('bolts')).toBeCloseTo(0.5, 6);
    expect(check('bolts').sentence).toContain('4 of 4 screws line up');
  });

  test('circles that differ by 2 mm miss by 1 mm: −0.5', () => {
    const what = candidate({ speaker: speaker({ bolts: circlePattern(4, exact(158), 5) }) });
    expect(marginOf('bolts', opening(), what)).toBeCloseTo(-0.5, 6);
    expect(check('bolts', opening(), what).verdict).toBe('hits');
  });

  test('three screws against four holes: only one lines up', () => {
    const at = opening({ bolts: circlePattern(3, exact(156), 4) });
    expect(check('bolts', at)).toMatchObject({ verdict: 'hits' });
    expect(check('bolts', at).sentence).toContain('Only 1 of 3 screws');
  });

  test('u of a bolt circle counts half: 0.5 × 1 / √3, although the margin has a kink there', () => {
    const at = opening({ bolts: circlePattern(4, within(156, 1), 4) });
    expect(check('bolts', at).margin?.standardUncertaintyMm).toBeCloseTo(0.5 / Math.sqrt(3), 3);
  });

  test('with a bracket both joints are asked, and the worse decides', () => {
    const crooked = bracket({ speakerBolts: circlePattern(4, exact(153), 4) });
    expect(marginOf('bolts', opening(), candidate({ brackets: [crooked] }))).toBeCloseTo(0.5 - 1.5, 6);
    expect(check('bolts', opening(), candidate({ brackets: [crooked] })).sentence).toContain('speaker on the bracket');
  });

  test('screws beside the ring of a spacer are seen: 78 − 2 = 76 inside a ring that starts at 77, and 1.5 mm of wall are asked', () => {
    const wide = spacer(6, { inner: { kind: 'circle', diameter: exact(154) } });
    expect(marginOf('bolts', opening(), candidate({ spacer: wide }))).toBeCloseTo(-2.5, 6);
    expect(check('bolts', opening(), candidate({ spacer: wide })).sentence).toContain('too little wall');
  });
});

describe('a figure that its class does not bear out', () => {
  const doubted = candidate({ speaker: speaker({ doubted: ['Mounting depth 6 mm: others have 50 to 70 mm.'] }) });

  test('holds the candidate whatever its margins are, and says what settles it', () => {
    const { verdict, decidedBy, chance } = judge(opening(), doubted);
    expect({ verdict, decidedBy, chance }).toEqual({ verdict: 'hold', decidedBy: 'figures', chance: null });
    expect(check('figures', opening(), doubted).sentence).toBe(
      'A figure of Speaker is doubted. Mounting depth 6 mm: others have 50 to 70 mm. Measure a piece, or ask the maker, and settle it on the page of the part.',
    );
  });

  test('is no reason’s to lift', () => {
    const [first] = openChecks(judge(opening(), doubted), [], FACTS);
    expect(first).toMatchObject({ check: 'figures', verdict: 'hold', cures: [] });
    expect(heldBackBecause([first as OpenCheck], 'clears')).toContain('No reason lifts this hold');
  });
});

describe('depth to the glass', () => {
  test('70 − 60 − 5 = 5 mm; with a 6 mm bracket and a 3 mm spacer 14 mm', () => {
    expect(marginOf('depth')).toBe(5);
    expect(marginOf('depth', opening(), candidate({ brackets: [bracket()], spacer: spacer(3) }))).toBe(14);
  });

  test('measured from the top of a 4 mm flange it is 4 mm less deep', () => {
    expect(marginOf('depth', opening(), candidate({ speaker: speaker({ depthDatum: 'top' }) }))).toBe(9);
  });

  test('where the catalogue does not say, the middle is taken and half the flange is doubt: u = 2/√3', () => {
    const margin = check(
      'depth',
      opening(),
      candidate({ speaker: speaker({ depthDatum: 'notStated', depthDoubt: within(0, 2) }) }),
    ).margin;
    expect(margin?.valueMm).toBe(7);
    expect(margin?.standardUncertaintyMm).toBeCloseTo(2 / Math.sqrt(3), 12);
  });

  test('metal is asked 4 mm, nothing is asked nothing', () => {
    expect(marginOf('depth', opening({ behind: 'metal' }))).toBe(6);
    expect(check('depth', opening({ behind: 'nothing', depths: [] }))).toMatchObject({
      verdict: 'clears',
      margin: null,
    });
  });

  test('one reading with a ±1 mm stick: 4 mm clears, 0.5 mm is too close, −2 mm hits', () => {
    const at = (depthMm: number) => opening({ depths: depthAt(within(depthMm, 1)) });
    expect(check('depth', at(69)).verdict).toBe('clears');
    expect(check('depth', at(65.5))).toMatchObject({ verdict: 'measure' });
    expect(check('depth', at(63)).verdict).toBe('hits');
    expect(check('depth', at(58)).sentence).toBe(
      'The magnet would stand 2 mm into the glass; the shop asks 5 mm of air.',
    );
  });

  test('not taken: measure first', () => {
    expect(check('depth', opening({ depths: [] }))).toMatchObject({
      verdict: 'measure',
      missing: ['depthBehind'],
    });
  });
});

describe('front gap', () => {
  test('20 − 4 − 8 − 3 = 5 mm; a 6 mm bracket takes 6 of them', () => {
    expect(marginOf('front')).toBe(5);
    expect(marginOf('front', opening(), candidate({ brackets: [bracket()] }))).toBe(-1);
    expect(check('front', opening({ frontGap: null })).missing).toEqual(['frontGap']);
  });
});

describe('height range', () => {
  const shallow = opening({ depths: depthAt(exact(61)) });

  test('the glass asks 60 + 5 − 61 = 4 mm, the grille allows 5: one interval from 4 to 5', () => {
    const range = heightRange(shallow, candidate(), RULES);
    expect(range?.intervals).toEqual([{ fromMm: expect.closeTo(4, 6), toMm: 5 }]);
    expect(range).toMatchObject({ mostMm: 5, behindBy: 'depth' });
  });

  test('empty: the glass asks at least 7 mm, the grille allows 2', () => {
    const tight = opening({ depths: depthAt(exact(58)), frontGap: exact(17) });
    const range = heightRange(tight, candidate(), RULES);
    expect(range?.intervals).toEqual([]);
    expect(range?.leastMm).toBeCloseTo(7, 6);
    expect(range?.mostMm).toBe(2);
  });

  test('a magnet wider than the waist before it, beside a rail: clears low and high, hits between', () => {
    const waisted = speaker({
      profile: [
        { depthMm: 0, lengthMm: 142, widthMm: 142 },
        { depthMm: 15, lengthMm: 142, widthMm: 142 },
        { depthMm: 20, lengthMm: 80, widthMm: 80 },
        { depthMm: 45, lengthMm: 80, widthMm: 80 },
        { depthMm: 46, lengthMm: 110, widthMm: 110 },
        { depthMm: 60, lengthMm: 110, widthMm: 110 },
      ],
    });
    const beside = opening({
      depths: depthAt(exact(120)),
      frontGap: exact(80),
      hole: { kind: 'circle', diameter: exact(190) },
      // Its axis lies 33 mm in and 55 mm up: 5 mm thick and asked 4, so 9 mm off its axis are free.
      obstacles: [rodAt({ xMm: 0, yMm: 55, depth: exact(28), diameterMm: 10 })],
    });
    const range = heightRange(beside, candidate({ speaker: waisted }), RULES);
    // The slope from the waist (40, 45) to the magnet (55, 46) comes within 9 mm of (55, 33) when (13 − H) · 15/√226 = 9; the
    // magnet's end, 60 mm deep, is 9 mm past the axis when 60 − H = 24.
    expect(range?.intervals).toEqual([
      { fromMm: 0, toMm: expect.closeTo(13 - (9 * Math.sqrt(226)) / 15, 6) },
      { fromMm: expect.closeTo(36, 6), toMm: 45 },
    ]);
  });

  test('a beam beside the body forbids the heights at which the basket passes it, and no others', () => {
    const beside = opening({
      depths: depthAt(exact(120)),
      frontGap: exact(80),
      hole: { kind: 'circle', diameter: exact(190) },
      obstacles: [rodAt({ xMm: 0, yMm: 66, depth: exact(28), diameterMm: 10 })],
    });
    const what = candidate({ speaker: speaker({ basket: { kind: 'circle', diameter: exact(142) } }) });
    const range = heightRange(beside, what, RULES);
    // Deep in the door only the magnet (45 mm) is at the beam; raised, the basket (71 mm) never reaches it again.
    expect(range?.intervals.at(-1)?.toMm).toBeCloseTo(45, 6);
    expect(range?.intervals[0]?.fromMm).toBeGreaterThan(0);
  });

  test('a spacer does not change its own range', () => {
    expect(heightRange(shallow, candidate({ spacer: spacer(9) }), RULES)).toEqual(
      heightRange(shallow, candidate(), RULES),
    );
  });
});

describe('leaning glass', () => {
  test('the rim of the magnet counts, not its middle: (70 − 60 − 45 · 0.2) · cos − 5', () => {
    const at = opening({ sheet: { ...FLAT, lean: exact(-0.2) } });
    expect(marginOf('depth', at)).toBeCloseTo((70 - 60 - 45 * 0.2) / Math.hypot(1, 0.2) - 5, 9);
    expect(check('depth', at).sentence).toContain('at the top');
  });

  test('a reading at the top says as much as a known lean', () => {
    const top = { key: 'depthTop', xMm: 0, yMm: 60, depth: exact(58) };
    const at = opening({ depths: [...depthAt(exact(70)), top], sheet: { ...FLAT, lean: within(0, 0.5) } });
    expect(marginOf('depth', at)).toBeCloseTo((70 - 60 - 45 * 0.2) / Math.hypot(1, 0.2) - 5, 3);
  });

  test('where only the centre was read, the usual lean is doubt', () => {
    const at = opening({ sheet: { ...FLAT, lean: within(-0.1, 0.06) } });
    const margin = check('depth', at).margin;
    const [slope] = margin?.terms.filter(({ name }) => name === 'opening.lean') ?? [];
    expect(slope?.sensitivity).toBeGreaterThan(40);
    expect(check('depth', at).verdict).toBe('measure');
  });

  test('a window that stops above the body does not threaten it', () => {
    const top = { key: 'depthTop', xMm: 0, yMm: 100, depth: exact(30) };
    const at = opening({ depths: [top], lowerEdge: exact(90) });
    // What stands below it instead nobody has read, and the body is past where the glass would be.
    expect(check('depth', at)).toMatchObject({ verdict: 'measure', missing: ['depthBottom'] });
    const skin = { key: 'depthBottom', xMm: 0, yMm: -70, depth: exact(75) };
    const read = check('depth', { ...at, depths: [top, skin] });
    expect(read.verdict).toBe('clears');
    expect(read.sentence).toContain('what the stick met below the glass');
    expect(check('depth', { ...at, depths: [top, { ...skin, depth: exact(62) }] }).verdict).toBe('hits');
    // What stays in front of where the glass would be is in front of the skin behind it too.
    const deep = { ...top, depth: exact(75) };
    expect(check('depth', opening({ depths: [deep], lowerEdge: exact(90) })).verdict).toBe('clears');
    expect(check('depth', opening({ depths: depthAt(exact(30)) })).verdict).toBe('hits');
  });
});

describe('beam, rail, wiring', () => {
  const beam = rodAt({ xMm: 0, yMm: 0, depth: exact(67), diameterMm: 30 });

  test('what is noted and takes room is said; otherwise that nobody has looked for more', () => {
    const far = { ...beam, depth: exact(200) };
    const of = (obstacles: FitOpening['obstacles']) =>
      check('obstacles', opening({ obstacles, obstaclesLooked: false }));
    expect(of([far])).toMatchObject({
      verdict: 'measure',
      isJudged: false,
      countsFor: 'opening',
      margin: expect.anything(),
    });
    expect(of([far]).sentence).toMatch(
      /stays .* off the beam; the shop asks 4 mm. Nobody has looked behind this opening for more than what is noted/,
    );
    expect(of([{ ...beam, depth: exact(20) }])).toMatchObject({ verdict: 'hits', countsFor: 'candidate' });
  });

  test('a beam behind the magnet that may stand far enough aside is asked about, one that may not hits', () => {
    const near = { ...beam, depth: exact(50) };
    const of = (placeY: FitOpening['obstacles'][number]['placeY']) =>
      check('obstacles', opening({ obstacles: [{ ...near, placeY }] })).verdict;
    expect(of(exact(0))).toBe('hits');
    expect(of(within(0, 5))).toBe('hits');
    // 100 mm aside of a 90 mm magnet there is all the room there is.
    expect(of(within(0, 100))).toBe('measure');
  });

  test('67 − 60 − 4 = 3 mm to a beam across the axis', () => {
    const at = opening({ obstacles: [beam] });
    expect(marginOf('obstacles', at)).toBeCloseTo(3, 9);
    expect(check('obstacles', at).sentence).toBe('The body stays 7 mm off the beam; the shop asks 4 mm.');
  });

  test('wiring is asked less, a box counts with its corners, none noted clears', () => {
    expect(marginOf('obstacles', opening({ obstacles: [{ ...beam, kind: 'wiring' }] }))).toBeCloseTo(5, 9);
    const box = { ...beam, shape: { kind: 'box' as const, lengthMm: 200, widthMm: 20, thicknessMm: 30 } };
    expect(marginOf('obstacles', opening({ obstacles: [box] }))).toBeCloseTo(3, 6);
    expect(check('obstacles').verdict).toBe('clears');
  });

  test('of two obstacles the one that hits more decides', () => {
    const near = rodAt({ id: 'rail', label: 'rail', xMm: 0, yMm: 0, depth: exact(55), diameterMm: 10 });
    expect(check('obstacles', opening({ obstacles: [beam, near] })).sentence).toContain('into the rail');
  });
});

describe('terminals', () => {
  const box = {
    label: 'terminal',
    live: true,
    angleRad: 0,
    innerMm: 60,
    outerMm: 70,
    widthMm: 12,
    fromMm: 20,
    toMm: 30,
  };
  const what = candidate({ speaker: speaker({ boxes: [box] }) });

  test('5 mm inside the edge and 18.5 mm behind the wall: the way there is the Pythagorean sum', () => {
    // Outer corner at √(70² + 6²) from the axis, the wall 1.5 mm thick, the box from 20 mm on.
    const aside = 75 - Math.hypot(70, 6);
    expect(marginOf('terminals', opening(), what)).toBeCloseTo(Math.hypot(aside, 20 - 1.5) - 4, 9);
  });

  test('in a plastic carrier there is no metal; where the catalogue is silent nothing is claimed', () => {
    expect(check('terminals', opening({ material: 'plastic' }), what).margin).toBeNull();
    expect(check('terminals', opening(), what).isJudged).toBe(true);
    expect(check('terminals')).toMatchObject({ verdict: 'measure', isJudged: false, countsFor: 'arrival' });
    expect(judge(opening(), candidate()).verdict).toBe('clears');
  });

  test('the plug that is put on belongs to the body behind the hole, and passes none', () => {
    // On all four sides, so that there is no turning away from them.
    const rails = [0, 1, 2, 3].map((side) => {
      const angle = (side * Math.PI) / 2;
      return rodAt({
        id: `rail-${side}`,
        xMm: 100 * Math.cos(angle),
        yMm: 100 * Math.sin(angle),
        depth: exact(20),
        diameterMm: 10,
        angleRad: angle + Math.PI / 2,
      });
    });
    const plugged = (plugMm: number | null) => {
      const { checks } = judgeCandidate(opening({ obstacles: rails }), what, [adapter({ plugMm })], RULES);
      const of = (id: CheckId) => checks.find((each) => each.id === id);
      return { hole: of('hole'), obstacles: of('obstacles'), terminals: of('terminals') };
    };
    // The rails' sides 95 from the axis, the terminal's end 70.
    expect(plugged(0).obstacles?.margin?.valueMm).toBeGreaterThan(20);
    expect(plugged(12).obstacles?.margin?.valueMm).toBeCloseTo(25 - 12 - 4, 6);
    expect(plugged(30).obstacles).toMatchObject({ verdict: 'hits' });
    expect(plugged(30).hole?.margin?.valueMm).toBe(plugged(0).hole?.margin?.valueMm);
    const unknown = plugged(null).terminals;
    expect(unknown).toMatchObject({ verdict: 'measure', countsFor: 'arrival', isJudged: false });
    expect(unknown?.sentence).toContain('look when it is on');
  });

  test('one that stands outside the hole by little may be tilted in, by much it may not', () => {
    const out = (outerMm: number) => candidate({ speaker: speaker({ boxes: [{ ...box, outerMm }] }) });
    expect(check('hole', opening(), out(80))).toMatchObject({ verdict: 'measure' });
    expect(check('hole', opening(), out(80)).sentence).toContain('not proven');
    expect(check('hole', opening(), out(110))).toMatchObject({ verdict: 'hold' });
  });
});

describe('wire way', () => {
  const notched = bracket({ notchRad: 0 });

  test('of the turns that serve the screws the one with the notch at the plug is taken', () => {
    const at = opening({ plugRad: Math.PI });
    const judged = judge(at, candidate({ brackets: [notched] }));
    expect(Math.cos(judged.mount.placement.notchesRad[0] ?? 0)).toBeCloseTo(-1, 6);
    expect(judged.checks.find(({ id }) => id === 'wireWay')?.verdict).toBe('clears');
  });

  test('where nobody noted where the plug comes from it is left to the eye', () => {
    expect(check('wireWay', opening({ plugRad: null }), candidate({ brackets: [notched] }))).toMatchObject({
      verdict: 'measure',
      isJudged: false,
      countsFor: 'opening',
    });
  });

  test('three screws leave three turns: a plug between two of them is up to 60° away, and then held', () => {
    const three = { ...notched, vehicleBolts: circlePattern(3, exact(156), 5) };
    const at = opening({ bolts: circlePattern(3, exact(156), 4), plugRad: Math.PI });
    expect(check('wireWay', at, candidate({ brackets: [three] }))).toMatchObject({ verdict: 'hold' });
  });
});

describe('shapes of a hole', () => {
  test('a rounded rectangle of 150 × 150 takes a 142 mm basket with 4 mm, a polygon of the same shape too', () => {
    const rectangle = { kind: 'roundedRectangle', length: exact(150), width: exact(150), cornerRadiusMm: 10 } as const;
    expect(marginOf('hole', opening({ hole: rectangle }))).toBeCloseTo(3, 9);
    const corners = [
      [75, 75],
      [-75, 75],
      [-75, -75],
      [75, -75],
    ].map(([xMm = 0, yMm = 0]) => ({ xMm, yMm, bulgeMm: 0 }));
    expect(marginOf('hole', opening({ hole: { kind: 'polygon', corners, edgeOffset: exact(0) } }))).toBeCloseTo(3, 6);
  });

  test('a shoulder that may lie less deep than was taken lets a body through that misses beside it: it is asked about', () => {
    // 142 mm wide to 21 mm, 90 mm from 39 mm on, give or take 7.5 mm; lifted by 20 mm the hole of 138 mm is at the edge.
    const typical = speaker({ profile: [], profileDoubt: within(0, 7.5) });
    const wide = spacer(20, { inner: { kind: 'circle', diameter: exact(160) } });
    const hole = { kind: 'circle' as const, diameter: exact(138) };
    expect(check('hole', opening({ hole }), candidate({ speaker: typical, spacer: wide })).verdict).toBe('measure');
    const known = speaker({ profile: [], profileDoubt: exact(0) });
    expect(check('hole', opening({ hole }), candidate({ speaker: known, spacer: wide })).verdict).toBe('hits');
  });

  test('what a spacer lifts out of the hole need not pass it: a basket that narrows', () => {
    const narrowing = speaker({
      profile: [
        { depthMm: 0, lengthMm: 150, widthMm: 150 },
        { depthMm: 20, lengthMm: 130, widthMm: 130 },
        { depthMm: 60, lengthMm: 90, widthMm: 90 },
      ],
    });
    expect(marginOf('hole', opening(), candidate({ speaker: narrowing }))).toBe(-1);
    // 10 mm up, the section in the plane of the hole is 140 mm wide.
    const wideRing = spacer(10, { inner: { kind: 'circle', diameter: exact(160) } });
    expect(marginOf('hole', opening(), candidate({ speaker: narrowing, spacer: wideRing }))).toBeCloseTo(4, 9);
  });
});

describe('recess', () => {
  const recess = { depthMm: 4, outline: { kind: 'circle' as const, diameter: within(176, 0.2) } };

  test('a 170 mm plate in a 176 mm recess leaves 3 mm; both diameters count half', () => {
    const plate = { kind: 'circle' as const, diameter: within(170, 0.5) };
    // The throat leaves 5 mm: the recess leaves less, and decides.
    const wide = bracket({ plate, throat: { kind: 'circle', diameter: exact(152) } });
    const { margin } = check(
      'hole',
      opening({ recess, hole: { kind: 'circle', diameter: exact(160) } }),
      candidate({ brackets: [wide] }),
    );
    expect(margin?.valueMm).toBe(3);
    expect(margin?.standardUncertaintyMm).toBeCloseTo((0.5 * Math.hypot(0.2, 0.5)) / Math.sqrt(3), 12);
    expect(margin?.terms.map(({ name }) => name)).toEqual(['opening.recessDiameter', 'bracket.plateDiameter']);
  });

  test('a flange that is wider hits', () => {
    const what = candidate({ speaker: speaker({ flange: { kind: 'circle', diameter: exact(180) } }) });
    const { verdict, sentence } = check('hole', opening({ recess }), what);
    expect(verdict).toBe('hits');
    expect(sentence).toBe('The flange is wider than the recess by 2 mm on one side.');
  });
});

describe('plugs', () => {
  test('an adapter leads to the terminals', () => {
    expect(check('connector')).toMatchObject({
      verdict: 'clears',
      sentence: 'two-way plug to spades 2.8 + 4.8 through Lead; nothing is cut.',
    });
    expect(judge(opening(), candidate()).harness.map(({ id }) => id)).toEqual(['lead']);
  });

  test.each([
    [
      'no adapter',
      opening({ wiring: { kind: 'connector', connectorId: 'other', connectorName: 'odd plug' } }),
      'No adapter leads from odd plug',
    ],
    ['no wires in the door', opening({ wiring: { kind: 'noWires' } }), 'no speaker wires here'],
    ['nobody looked', opening({ wiring: { kind: 'unknown' } }), 'not been looked at'],
    ['wires without a plug', opening({ wiring: { kind: 'bare' } }), 'without a plug'],
    ['a broken plug', opening({ wiring: { kind: 'broken' } }), 'A new housing'],
    ['wires taped back', opening({ wiring: { kind: 'tapedBack' } }), 'unwrap them'],
  ])('%s: hold', (_, at, says) => {
    expect(check('connector', at).verdict).toBe('hold');
    expect(check('connector', at).sentence).toContain(says);
  });

  test.each([
    ['none', 'clears'],
    ['soundAlone', 'clears'],
    ['sound', 'hold'],
    ['soundOn', 'hold'],
    ['warning', 'hold'],
    ['unexplained', 'hold'],
    ['notLooked', 'hold'],
  ] as const)('second plug %s: %s', (secondPlug, verdict) => {
    expect(check('chime', opening({ secondPlug })).verdict).toBe(verdict);
  });

  test.each([
    ['none', 'warning', /^Through pins 3 and 4 of its plug come the vehicle's warning sounds/],
    ['none', 'notKnown', /^Nobody has tried what comes through pins 3 and 4 of its plug/],
    ['soundAlone', 'feed', /^Through pins 3 and 4 of its plug the sound goes on/],
    ['notLooked', 'warning', /^Through pins 3 and 4 .* Nobody has looked whether/],
    ['unexplained', 'notKnown', /^There is a second plug .* Nobody has tried what comes through pins 3 and 4/],
    [
      'warning',
      'notKnown',
      /^The second plug carries the vehicle's warning sounds.* Nobody has tried what comes through/,
    ],
    ['notLooked', 'feed', /^Nobody has looked whether the old speaker has a second plug\. Through pins 3 and 4/],
  ] as const)(
    'second plug %s, and pins that carry %s: both hold and both are said, the graver first',
    (secondPlug, carries, said) => {
      const at = opening({
        secondPlug,
        pinsBeyond: [{ carries, words: 'pins 3 and 4 of its plug', isOfSecondPlug: false }],
      });
      expect(check('chime', at)).toMatchObject({ verdict: 'hold', sentence: expect.stringMatching(said) });
    },
  );

  test('of a second plug whose pins say the same it is said once', () => {
    const pinsBeyond = [
      { carries: 'warning', words: 'pins 1 and 2 of its second plug', isOfSecondPlug: true },
    ] as const;
    const { sentence } = check('chime', opening({ secondPlug: 'warning', pinsBeyond }));
    expect(sentence).toMatch(/^Through pins 1 and 2 of its second plug/);
    expect(sentence).not.toContain('The second plug carries');
  });
});

describe('the whole', () => {
  test('clears when every check does, and says which is least sure', () => {
    const at = opening({ frontGap: within(20, 1) });
    expect(judge(at, candidate())).toMatchObject({ verdict: 'clears', decidedBy: 'front' });
  });

  test('where nobody is asked to look for an airbag nothing is claimed, and nothing is open', () => {
    const at = opening({ airbag: 'notAsked' });
    expect(check('airbag', at)).toMatchObject({ verdict: 'clears', isJudged: false });
    expect(openForOpening(at, judge(at, candidate()))).toEqual([]);
    expect(check('airbag', opening({ airbag: 'none' }))).toMatchObject({ verdict: 'clears', isJudged: true });
  });

  test('what is open for the opening is the same whatever is shown, the holds first', () => {
    const at = opening({
      obstaclesLooked: false,
      obstacles: [rodAt({ xMm: 0, yMm: 0, depth: exact(20), diameterMm: 30 })],
      secondPlug: 'warning',
      wiring: { kind: 'noWires' },
    });
    const open = openForOpening(at, judge(at, candidate()));
    expect(open.map(({ check: id, verdict }) => [id, verdict])).toEqual([
      ['chime', 'hold'],
      ['connector', 'hold'],
      ['obstacles', 'measure'],
    ]);
    expect(openForOpening(opening({}), judge(opening({}), candidate()))).toEqual([]);
    const notched = candidate({ brackets: [bracket({ notchRad: 0 })] });
    expect(openForOpening(opening({ plugRad: null }), judge(opening({ plugRad: null }), notched))).toMatchObject([
      { check: 'wireWay', verdict: 'measure' },
    ]);
  });

  test('a hit outweighs a hold, a hold outweighs an open question', () => {
    const held = opening({ wiring: { kind: 'connector', connectorId: 'odd', connectorName: 'odd' }, depths: [] });
    expect(judge(held, candidate())).toMatchObject({ verdict: 'hold', decidedBy: 'connector' });
    const hit = { ...held, hole: { kind: 'circle', diameter: exact(120) } } as const;
    expect(judge(hit, candidate())).toMatchObject({ verdict: 'hits', decidedBy: 'hole' });
  });

  test.each([
    ['an airbag at the cover', { airbag: 'near' }, 'airbag', 'hold'],
    ['a cover nobody looked at', { airbag: 'notLooked' }, 'airbag', 'hold'],
    ['no wires', { wiring: { kind: 'noWires' } }, 'connector', 'hold'],
    ['a plug nobody looked at', { wiring: { kind: 'unknown' } }, 'connector', 'hold'],
    ['a warning sound', { secondPlug: 'warning' }, 'chime', 'hold'],
    ['nobody looked behind', { obstaclesLooked: false }, 'obstacles', 'measure'],
  ] as const)('%s is open for the opening, and the candidate keeps its own word', (_, known, id, verdict) => {
    const { checks, ...whole } = judge(opening(known), candidate());
    expect(checks.find((each) => each.id === id)).toMatchObject({ verdict, countsFor: 'opening' });
    expect(whole.verdict).toBe('clears');
    const hit = { ...known, hole: { kind: 'circle', diameter: exact(120) } } as const;
    expect(judge(opening(hit), candidate())).toMatchObject({ verdict: 'hits', decidedBy: 'hole' });
  });

  test('of several hits the one that misses most decides', () => {
    const tight = opening({ depths: depthAt(exact(50)), frontGap: exact(10) });
    // 50 − 60 − 5 = −15 at the glass, 10 − 4 − 8 − 3 = −5 at the front
    expect(judge(tight, candidate()).decidedBy).toBe('depth');
  });
});

describe('properties', () => {
  const depthMm = fc.double({ min: 30, max: 120, noNaN: true });
  const gapMm = fc.double({ min: 0, max: 60, noNaN: true });
  const heights = fc.tuple(
    fc.double({ min: 0.5, max: 30, noNaN: true }),
    fc.double({ min: 0.5, max: 30, noNaN: true }),
  );

  test('a thicker spacer never worsens the glass margin and never betters the front', () => {
    fc.assert(
      fc.property(depthMm, gapMm, heights, (depth, gap, [a, b]) => {
        const at = opening({ depths: depthAt(within(depth, 1)), frontGap: within(gap, 1) });
        const [thin, thick] = [Math.min(a, b), Math.max(a, b)];
        const on = (id: CheckId, height: number) =>
          marginOf(id, at, candidate({ spacer: spacer(height) })) ?? Number.NaN;
        expect(on('depth', thick)).toBeGreaterThanOrEqual(on('depth', thin));
        expect(on('front', thick)).toBeLessThanOrEqual(on('front', thin));
      }),
    );
  });

  test('inside its range a spacer clears glass and grille, outside it does not', () => {
    fc.assert(
      fc.property(depthMm, gapMm, fc.double({ min: 0.5, max: 30, noNaN: true }), (depth, gap, height) => {
        const at = opening({ depths: depthAt(exact(depth)), frontGap: exact(gap) });
        const what = candidate({ spacer: spacer(height) });
        const range = heightRange(at, what, RULES);
        if (!range) throw new Error('expected a range');
        const ends = range.intervals.flatMap(({ fromMm, toMm }) => [fromMm, toMm]);
        fc.pre(ends.every((end) => Math.abs(height - end) > 1e-6));
        const inside = range.intervals.some(({ fromMm, toMm }) => height > fromMm && height < toMm);
        const clears = ['depth', 'front'].every((id) => check(id as CheckId, at, what).verdict === 'clears');
        expect(clears).toBe(inside);
      }),
    );
  });

  test('a turn by a pattern’s own symmetry changes nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 8 }), fc.integer({ min: 0, max: 8 }), (count, turns) => {
        const screws = (firstAngleRad: number) => ({
          ...circlePattern(count, exact(156), 4),
          shape: { kind: 'circle' as const, count, diameter: exact(156), firstAngleRad },
        });
        const what = candidate({ speaker: speaker({ bolts: circlePattern(count, exact(156.6), 5) }) });
        const margins = (angle: number) =>
          judge(opening({ bolts: screws(angle) }), what).checks.map(({ margin }) => margin?.valueMm.toFixed(6));
        expect(margins(Math.PI / 4 + (turns * 2 * Math.PI) / count)).toEqual(margins(Math.PI / 4));
      }),
      fuzzed(30),
    );
  });

  test('a surer measurement never turns "clears" into anything else', () => {
    fc.assert(
      fc.property(
        depthMm,
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (depth, doubt, part) => {
          const before = check('depth', opening({ depths: depthAt(within(depth, doubt)) })).verdict;
          const after = check('depth', opening({ depths: depthAt(within(depth, doubt * part)) })).verdict;
          if (before !== 'measure') expect(after).toBe(before);
        },
      ),
    );
  });

  test('scaling every length and clearance scales every margin', () => {
    fc.assert(
      fc.property(depthMm, gapMm, fc.double({ min: 0.5, max: 2, noNaN: true }), (depth, gap, factor) => {
        const at = (k: number) =>
          opening({
            depths: depthAt(exact(depth * k)),
            frontGap: exact(gap * k),
            hole: { kind: 'circle', diameter: exact(150 * k) },
            bolts: circlePattern(4, exact(156 * k), 4 * k),
          });
        const what = (k: number) =>
          candidate({
            speaker: speaker({
              basket: { kind: 'circle', diameter: exact(142 * k) },
              flange: { kind: 'circle', diameter: exact(165 * k) },
              flangeThickness: exact(4 * k),
              mountingDepth: exact(60 * k),
              frontHeight: exact(8 * k),
              magnetDiameter: exact(90 * k),
              bolts: circlePattern(4, exact(157 * k), 5 * k),
            }),
          });
        const { glass, metal, wiring, front, cloth, hole, terminal, cover, wall, bite } = RULES.clearancesMm;
        const rules = {
          ...RULES,
          clearancesMm: {
            glass: glass * factor,
            metal: metal * factor,
            wiring: wiring * factor,
            front: front * factor,
            cloth: cloth * factor,
            hole: hole * factor,
            terminal: terminal * factor,
            cover: cover * factor,
            wall: wall * factor,
            bite: bite * factor,
            finished: 3 * factor,
          },
        };
        const plain = judgeCandidate(at(1), what(1), [adapter()], RULES);
        const scaled = judgeCandidate(at(factor), what(factor), [adapter()], rules);
        plain.checks.forEach(({ margin }, index) => {
          if (margin) expect(scaled.checks[index]?.margin?.valueMm).toBeCloseTo(margin.valueMm * factor, 6);
        });
      }),
    );
  });
});
