/**
 * Screws from head to tip. Figures are worked out by hand from the shapes: bolt circle 156, screw 4, hole 150, flange 4, glass at
 * 70, bite 6, 5 off the glass; and held against places sampled densely on the tips, with geometry of their own.
 */

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../testing/fuzzed';
import {
  bracket,
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
import { judgeCandidate } from './judgeCandidate';
import type { FitBracket, FitLayer, FitOpening, FitSpeaker, ScrewBag } from './shapes';

const bag = (lengthMm: number, count = 4, diameterMm = 4): ScrewBag => ({
  count,
  diameterMm,
  lengthMm,
  headMm: null,
});
const judge = (at: FitOpening, what: FitSpeaker, layers: readonly FitLayer[] = []) =>
  judgeCandidate(at, { speaker: what, layers }, [], RULES);
const screwsOf = (at: FitOpening, what: FitSpeaker, layers: readonly FitLayer[] = []) => {
  const check = judge(at, what, layers).checks.find(({ id }) => id === 'screws');
  if (!check) throw new Error('expected the check of the screws');
  return check;
};

describe('straight into the metal', () => {
  test('with no bag known it is a look on arrival, and the lengths that serve are told', () => {
    const check = screwsOf(opening(), speaker());
    expect(check).toMatchObject({ verdict: 'measure', countsFor: 'arrival', isJudged: false, margin: null });
    // 4 of flange and 6 of bite; 4 of flange, 70 to the glass, less 5.
    expect(check.sentence).toBe(
      'The speaker needs 4 screws of 4 mm, and no box is known to hold them: a length of 10 to 69 mm is needed.',
    );
  });

  test('what holds and stays off the glass clears, by the lesser of the two', () => {
    const check = screwsOf(opening(), speaker({ screws: [bag(20)] }));
    expect(check).toMatchObject({ verdict: 'clears', isJudged: true });
    expect(check.margin?.valueMm).toBeCloseTo(20 - 4 - 6, 9);
    expect(check.sentence).toContain('The speaker takes the screws of the speaker’s box (4 of 4 × 20 mm)');
  });

  test.each([
    ['too short to reach it', 3, 3 - 4 - 6, 'too short to reach the metal by 1 mm: a length of 10 to 69 mm is needed.'],
    ['too short to hold', 8, 8 - 4 - 6, 'which reach only 4 mm into the metal; the shop asks 6 mm'],
    ['too long', 71, 70 - (71 - 4) - 5, 'too long: their tips stay 3 mm off the glass, the shop asks 5 mm'],
    ['much too long', 80, 70 - (80 - 4) - 5, 'too long: their tips would stand 6 mm into the glass'],
  ])('%s', (_, lengthMm, marginMm, words) => {
    const check = screwsOf(opening(), speaker({ screws: [bag(lengthMm)] }));
    expect(check).toMatchObject({ verdict: 'hits', countsFor: 'arrival' });
    expect(check.margin?.valueMm).toBeCloseTo(marginMm, 6);
    expect(check.sentence).toContain(words);
  });

  test('too long: what they are cut to', () => {
    expect(screwsOf(opening(), speaker({ screws: [bag(80)] })).sentence).toContain(
      'a length of 10 to 69 mm is needed; or these cut to 69 mm, with a nut on the thread first to clear the burr.',
    );
  });

  test('heads bear beside the holes, wherever in their play the screws stand, and stay off the surround', () => {
    const headed = (headMm: number, more: Partial<FitSpeaker> = {}) =>
      screwsOf(opening(), speaker({ screws: [{ ...bag(20), headMm }], ...more }));
    // Holes of 5 under heads of 5.6: 0.3 on either side, 0.5 are asked.
    const small = headed(5.6);
    expect(small).toMatchObject({ verdict: 'hits', countsFor: 'arrival' });
    expect(small.margin?.valueMm).toBeCloseTo(-0.2, 9);
    expect(small.sentence).toContain('Their heads of 5.6 mm do not bear beside the holes: a washer under each');
    expect(headed(8).margin?.valueMm).toBeCloseTo(1, 9);
    // Holes on a circle of 156: 78 − 4 − 146/2 − 0.5.
    const wide = headed(8, { surroundMm: 146 });
    expect(wide.margin?.valueMm).toBeCloseTo(0.5, 9);
    const wider = headed(8, { surroundMm: 150 });
    expect(wider.verdict).toBe('hits');
    expect(wider.sentence).toContain('would stand 1.5 mm too near to the surround: smaller heads, or sunk ones.');
  });

  test('a wrong bag changes neither the verdict of the candidate nor its chance', () => {
    const [right, wrong] = [20, 80].map((lengthMm) => judge(opening(), speaker({ screws: [bag(lengthMm)] })));
    expect(wrong).toMatchObject({ verdict: right?.verdict, decidedBy: right?.decidedBy, chance: right?.chance });
  });

  test('a beam behind one screw hole shortens what is expected; only that screw meets it', () => {
    const place = 78 * Math.SQRT1_2;
    // Its surface lies 30 behind the metal; 4 of room are asked.
    const beam = rodAt({ xMm: place, yMm: place, depth: exact(30), diameterMm: 20, angleRad: -Math.PI / 4 });
    const check = screwsOf(opening({ obstacles: [beam] }), speaker());
    expect(check.sentence).toContain('10 to 30 mm is needed');
    expect(screwsOf(opening({ obstacles: [beam] }), speaker({ screws: [bag(31)] })).margin?.valueMm).toBeCloseTo(-1, 6);
  });

  test('a ring is gone through as well, and bags are told apart by their diameter and their number', () => {
    const ring = spacer(9);
    const check = screwsOf(opening(), speaker({ screws: [bag(40, 4, 5.5), bag(40, 2), bag(25)] }), [ring]);
    expect(check.margin?.valueMm).toBeCloseTo(25 - 4 - 9 - 6, 9);
    expect(screwsOf(opening(), speaker({ screws: [bag(40, 4, 5.5), bag(40, 2)] }), [ring])).toMatchObject({
      isJudged: false,
      countsFor: 'arrival',
    });
  });

  test('what is not known of flange and screw is part of the margin', () => {
    const at = { flangeThickness: within(4, 0.5), screws: [bag(10.6)], screwDoubt: within(0, 0.5) };
    const { verdict, margin } = screwsOf(opening(), speaker(at));
    expect(verdict).toBe('measure');
    expect(margin?.valueMm).toBeCloseTo(0.6, 9);
    expect(margin?.standardUncertaintyMm).toBeCloseTo(Math.hypot(0.5, 0.5) / Math.sqrt(3), 9);
  });
});

describe('on a bracket', () => {
  const plate = (changes: Partial<FitBracket> = {}) => bracket({ height: exact(20), earMm: 3, bossMm: 12, ...changes });

  test('each joint takes the bag that serves it best: the bracket’s to the metal, the speaker’s into the bracket', () => {
    const what = speaker({ screws: [bag(15)] });
    const check = screwsOf(opening(), what, [plate({ screws: [bag(12)] })]);
    expect(check.verdict).toBe('clears');
    // To the metal 12 − 3 − 6 = 3; into the bracket 15 − 4 − 6 = 5, and 20 − 11 = 9 to the metal under it.
    expect(check.margin?.valueMm).toBeCloseTo(3, 9);
    expect(check.sentence).toContain('The bracket takes the screws of the bracket’s box (4 of 4 × 12 mm)');
    expect(check.sentence).toContain('The speaker takes the screws of the speaker’s box (4 of 4 × 15 mm)');
    // Three quarters of the boss.
    expect(check.sentence).toContain('a pilot hole at most 9 mm deep');
  });

  test('longer screws of the speaker’s box may serve the bracket, and the bracket’s the speaker', () => {
    const check = screwsOf(opening(), speaker({ screws: [bag(30)] }), [plate({ screws: [bag(12)] })]);
    expect(check.sentence).toContain('The bracket takes the screws of the speaker’s box (4 of 4 × 30 mm)');
    expect(check.margin?.valueMm).toBeCloseTo(12 - 4 - 6, 9);
  });

  test('a bag is used once', () => {
    const check = screwsOf(opening(), speaker({ screws: [bag(15, 4)] }), [plate()]);
    expect(check).toMatchObject({ verdict: 'measure', isJudged: false, countsFor: 'arrival' });
    expect(screwsOf(opening(), speaker({ screws: [bag(15, 8)] }), [plate()]).verdict).toBe('clears');
  });

  test('screws that come out of its back hit the metal under it, unless they stand well within the hole', () => {
    const own = { bolts: circlePattern(4, exact(156), 5.5) };
    const larger = { vehicleBolts: circlePattern(4, exact(156), 6.5), screws: [bag(12, 4, 5.5)] };
    const long = screwsOf(opening(own), speaker({ screws: [bag(30)] }), [plate(larger)]);
    expect(long).toMatchObject({ verdict: 'hits', countsFor: 'arrival' });
    expect(long.margin?.valueMm).toBeCloseTo(20 - (30 - 4), 9);
    expect(long.sentence).toContain(
      'come out of the bracket’s back by 6 mm, onto what is under it: a length of 10 to 24 mm is needed',
    );
    // In a hole of 190 the tips go on towards the glass: 4 + 20 + 70 − 5.
    const wide = { hole: { kind: 'circle', diameter: exact(190) } } as const;
    const within = screwsOf(opening({ ...own, ...wide }), speaker({ screws: [bag(30)] }), [plate(larger)]);
    expect(within.sentence).not.toContain('too long');
  });

  test('of a thin plate two thirds are bitten; without its thickness under the heads nothing can be said of its own screws', () => {
    const thin = screwsOf(opening(), speaker(), [plate({ height: exact(4), bossMm: null, earMm: null })]);
    expect(thin.sentence).toContain('How thick the bracket is under the heads of its screws is not in the catalogue');
    expect(thin.sentence).toContain('a length of 7 to 8 mm is needed');
  });
});

describe('what is not held by screws', () => {
  test('rivets and plugs need new fasteners; nothing is asked of the bag at the wall', () => {
    const check = screwsOf(opening({ fixing: 'rivets' }), speaker({ screws: [bag(80)] }));
    expect(check).toMatchObject({ verdict: 'measure', isJudged: false, countsFor: 'arrival' });
    expect(check.sentence).toContain('its 4 rivets are drilled out');
    expect(screwsOf(opening({ fixing: 'plugs' }), speaker()).sentence).toContain('expanding plugs: 4 new ones');
  });

  test('hooks and tabs have to be copied: open for the opening, unless the bracket takes hold the same way', () => {
    const check = screwsOf(opening({ fixing: 'hooks' }), speaker());
    expect(check).toMatchObject({ verdict: 'measure', isJudged: false, countsFor: 'opening' });
    expect(check.sentence).toContain('nothing in this stack is known to copy them');
    const copying = bracket({ copies: ['hooks'], earMm: 3 });
    expect(screwsOf(opening({ fixing: 'hooks' }), speaker(), [copying])).toMatchObject({ countsFor: 'arrival' });
    expect(screwsOf(opening({ fixing: 'tabs' }), speaker(), [copying])).toMatchObject({ countsFor: 'opening' });
  });

  test('what was pressed or glued in is not forced into a screw pattern', () => {
    const at = opening({ fixing: 'pressFit', bolts: null, boltsMissing: [] });
    const judged = judge(at, speaker());
    expect(judged.checks.find(({ id }) => id === 'bolts')).toMatchObject({ verdict: 'clears', missing: [] });
    expect(screwsOf(at, speaker())).toMatchObject({ verdict: 'measure', countsFor: 'arrival' });
  });
});

test('tips against leaning glass and beams: as near as places sampled on them say', () => {
  const drawn = fc.record({
    lengthMm: fc.double({ min: 25, max: 90, noNaN: true }),
    lean: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    sideLean: fc.double({ min: -0.2, max: 0.2, noNaN: true }),
    depthMm: fc.double({ min: 50, max: 110, noNaN: true }),
    beamMm: fc.double({ min: -90, max: 90, noNaN: true }),
    beamDepthMm: fc.double({ min: 30, max: 100, noNaN: true }),
    beamRad: fc.double({ min: 0, max: Math.PI, noNaN: true }),
  });
  fc.assert(
    fc.property(drawn, ({ lengthMm, lean, sideLean, depthMm, beamMm, beamDepthMm, beamRad }) => {
      const at = opening({
        depths: depthAt(exact(depthMm)),
        sheet: { ...FLAT, lean: exact(lean), sideLean: exact(sideLean) },
        obstacles: [rodAt({ xMm: 0, yMm: beamMm, depth: exact(beamDepthMm), diameterMm: 16, angleRad: beamRad })],
      });
      const { margin } = screwsOf(at, speaker({ screws: [bag(lengthMm)] }));
      let least = lengthMm - 4 - 6;
      for (let screw = 0; screw < 4; screw++) {
        const angle = Math.PI / 4 + (screw * Math.PI) / 2;
        for (let step = 0; step < 72; step++) {
          const around = (step * Math.PI) / 36;
          const x = 78 * Math.cos(angle) + 2 * Math.cos(around);
          const y = 78 * Math.sin(angle) + 2 * Math.sin(around);
          for (let height = 0; height <= 40; height++) {
            const z = ((lengthMm - 4) * height) / 40;
            const toGlass = (depthMm + sideLean * x + lean * y - z) / Math.hypot(1, lean, sideLean);
            // From the axis of the beam, which lies its radius behind its nearest place.
            const aside = -x * Math.sin(beamRad) + (y - beamMm) * Math.cos(beamRad);
            const toBeam = Math.hypot(aside, z - (beamDepthMm + 8)) - 8;
            least = Math.min(least, toGlass - 5, toBeam - 4);
          }
        }
      }
      // Where a tip stands inside something, how far it would have to be moved is another question than how deep it stands.
      if (least > -4) expect(Math.abs((margin?.valueMm ?? Number.NaN) - least)).toBeLessThan(0.2);
      else expect(margin?.valueMm).toBeLessThan(-2);
    }),
    fuzzed(60),
  );
});

test('seen in a mirror, every figure is the same', () => {
  const drawn = fc.record({
    lengthMm: fc.double({ min: 12, max: 80, noNaN: true }),
    firstRad: fc.double({ min: 0, max: Math.PI / 2, noNaN: true }),
    sideLean: fc.double({ min: -0.2, max: 0.2, noNaN: true }),
  });
  fc.assert(
    fc.property(drawn, ({ lengthMm, firstRad, sideLean }) => {
      const side = (mirror: 1 | -1) => {
        const pattern = (holeMm: number) => {
          const { shape, ...rest } = circlePattern(3, exact(156), holeMm);
          if (shape.kind !== 'circle') throw new Error('expected a circle');
          return { ...rest, shape: { ...shape, firstAngleRad: mirror === 1 ? firstRad : Math.PI - firstRad } };
        };
        const at = opening({ bolts: pattern(4), sheet: { ...FLAT, sideLean: exact(mirror * sideLean) } });
        return screwsOf(at, speaker({ bolts: pattern(5), screws: [bag(lengthMm)] })).margin?.valueMm ?? Number.NaN;
      };
      expect(side(-1)).toBeCloseTo(side(1), 6);
    }),
    fuzzed(60),
  );
});
