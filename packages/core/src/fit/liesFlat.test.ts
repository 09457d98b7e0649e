/** What stands proud around the hole, a bore behind it, and what is soft: figures worked out by hand. */
import { describe, expect, test } from '@jest/globals';
import {
  adapter,
  bracket,
  circlePattern,
  depthAt,
  exact,
  opening,
  RULES,
  rodAt,
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import { nearMisses } from './advice/nearMisses';
import type { CheckId } from './Check';
import { judgeCandidate } from './judgeCandidate';
import type { BodyBox, FitLayer, FitOpening, FitSpeaker, ProudThing } from './shapes';

const NO_PARTS = { speakers: [], brackets: [], spacers: [], adapters: [] };

const stud = (changes: Partial<ProudThing> = {}): ProudThing => ({
  id: 'stud',
  label: 'stud',
  xMm: 88,
  yMm: 0,
  placeX: exact(0),
  placeY: exact(0),
  diameterMm: 8,
  height: exact(5),
  ...changes,
});

function check(id: CheckId, at: Partial<FitOpening>, layers: readonly FitLayer[] = [], what: Partial<FitSpeaker> = {}) {
  const { checks } = judgeCandidate(opening(at), { speaker: speaker(what), layers }, [], RULES);
  const found = checks.find((each) => each.id === id);
  if (!found) throw new Error(`expected a check ${id}`);
  return found;
}
const flat = (at: Partial<FitOpening>, layers: readonly FitLayer[] = []) => check('liesFlat', at, layers);

describe('what stands proud', () => {
  test('beside the flange, as far as its edge is away', () => {
    // 88 − 4 − 165/2
    expect(flat({ proud: [stud()] })).toMatchObject({ verdict: 'clears', margin: { valueMm: 1.5 } });
    const under = flat({ proud: [stud({ xMm: 84 })] });
    expect(under).toMatchObject({ verdict: 'hits', margin: { valueMm: -2.5 } });
    expect(under.sentence).toBe(
      'The flange does not lie flat: the stud stands 5 mm proud and reaches 2.5 mm under its edge. Grind it off, cut the flange out there, or take a ring under it.',
    );
  });

  test('a ring under the flange lifts it over, and the stud must pass the ring itself', () => {
    const ring = spacer(6, { outer: { kind: 'circle', diameter: exact(158) } });
    // Beside the ring 88 − 4 − 79; under the flange 6 − 5.
    expect(flat({ proud: [stud({ xMm: 84 })] }, [ring])).toMatchObject({ verdict: 'clears', margin: { valueMm: 1 } });
    const low = spacer(4, { outer: { kind: 'circle', diameter: exact(158) } });
    expect(flat({ proud: [stud({ xMm: 84 })] }, [low])).toMatchObject({ verdict: 'hits', margin: { valueMm: -1 } });
    // 180/2: the ring lies on it.
    expect(flat({ proud: [stud({ xMm: 84 })] }, [spacer(6)]).verdict).toBe('hits');
  });

  test('in the throat of a wide bracket it may stand, off the basket', () => {
    const wide = bracket({
      throat: { kind: 'circle', diameter: exact(170) },
      plate: { kind: 'circle', diameter: exact(220) },
    });
    const at = { hole: { kind: 'circle' as const, diameter: exact(146) }, proud: [stud({ xMm: 78, diameterMm: 6 })] };
    // To the throat 85 − 81, to the basket 75 − 71; the flange stands 6 over it.
    expect(flat(at, [wide])).toMatchObject({ verdict: 'clears', margin: { valueMm: 1 } });
    expect(flat({ ...at, proud: [stud({ xMm: 83, diameterMm: 6 })] }, [wide])).toMatchObject({
      margin: { valueMm: -1 },
    });
  });

  test('an ear that stands out beyond the outline has to be missed too', () => {
    // Screws on a circle of 190 at 45°, ears of 5/2 + 3 around them, a plate of 170 between.
    const far = circlePattern(4, exact(190), 4);
    const eared = bracket({ vehicleBolts: circlePattern(4, exact(190), 5) });
    const at = (r: number) => ({ bolts: far, proud: [stud({ xMm: r * Math.SQRT1_2, yMm: r * Math.SQRT1_2 })] });
    // 108 − 95 − 5.5 − 4
    expect(flat(at(108), [eared]).margin?.valueMm).toBeCloseTo(3.5, 6);
    expect(flat(at(100), [eared])).toMatchObject({ verdict: 'hits' });
    // Between two ears, beside the plate: 95 − 4 − 85.
    expect(flat({ bolts: far, proud: [stud({ xMm: 95 })] }, [eared]).margin?.valueMm).toBeCloseTo(6, 6);
  });

  test('a place or a height that is not sure is asked for', () => {
    const off = flat({ proud: [stud({ placeX: within(0, 3) })] });
    expect(off.verdict).toBe('measure');
    expect(off.margin?.terms.map(({ name }) => name)).toContain('opening.proud.stud.placeX');
    const ring = spacer(6, { height: within(6, 0.3), outer: { kind: 'circle', diameter: exact(158) } });
    const tall = flat({ proud: [stud({ xMm: 84, height: within(5, 2) })] }, [ring]);
    expect(tall.verdict).toBe('measure');
    expect(tall.margin?.terms.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['opening.proud.stud.height', 'spacer.height']),
    );
  });

  test('known, looked: nothing there, not looked: three states, and the last one never clears by itself', () => {
    expect(flat({ proud: [], proudLooked: true })).toMatchObject({ verdict: 'clears', isJudged: true });
    expect(flat({ proud: [], proudLooked: false })).toMatchObject({
      verdict: 'measure',
      countsFor: 'arrival',
      isJudged: false,
    });
    const more = flat({ proud: [stud()], proudLooked: false });
    expect(more).toMatchObject({ verdict: 'measure', countsFor: 'arrival', margin: { valueMm: 1.5 } });
    expect(more.sentence).toContain('Nobody has looked for more');
  });

  test('ground off is what is in the way, and no more', () => {
    const away = (id: string, angle: number) => stud({ id, xMm: 120 * Math.cos(angle), yMm: 120 * Math.sin(angle) });
    const under = (id: string, yMm: number) => stud({ id, xMm: 82, yMm });
    const ground = (...proud: ProudThing[]) =>
      nearMisses(opening({ proud }), { speaker: speaker(), layers: [] }, NO_PARTS, [adapter()], RULES).map(
        ({ works }) => works,
      );
    expect(ground(away('a', 1), under('b', 0), away('c', 2))).toEqual([[{ kind: 'grind', ids: ['b'] }]]);
    expect(ground(under('a', 0), away('b', 2), under('c', 12))).toEqual([[{ kind: 'grind', ids: ['a', 'c'] }]]);
    const airbag = opening({ proud: [under('a', 0)], airbag: 'notLooked' });
    expect(nearMisses(airbag, { speaker: speaker(), layers: [] }, NO_PARTS, [adapter()], RULES)).toEqual([]);
  });

  test('a ring that is cut is cut round it', () => {
    expect(flat({ proud: [stud({ xMm: 84, height: exact(3) })] }, [spacer(9, { made: true })]).verdict).toBe('clears');
  });
});

describe('a bore behind the hole', () => {
  const bore = (insideMm: number, depthMm = 30) => ({ bore: { depth: exact(depthMm), inside: exact(insideMm) } });
  const plug: BodyBox = {
    label: 'plug',
    live: false,
    angleRad: 0,
    innerMm: 50,
    outerMm: 72,
    widthMm: 2,
    fromMm: 20,
    toMm: 26,
  };

  test('is one more plate that the basket passes', () => {
    // (142.9 − 142)/2 − 1
    expect(check('hole', bore(142.9))).toMatchObject({ verdict: 'hits' });
    const passes = check('hole', bore(146));
    expect(passes).toMatchObject({ verdict: 'clears', margin: { valueMm: 1 } });
    expect(passes.sentence).toContain('passes the bore behind the hole with 2 mm');
    expect(check('hole', {}).margin?.valueMm).toBe(3);
  });

  test('what comes to lie in it must fit, what comes to lie behind it must only pass', () => {
    const at = { ...bore(144), hole: { kind: 'circle' as const, diameter: exact(150) } };
    // √(72² + 1²) = 72.007
    expect(check('hole', at, [], { boxes: [plug] }).sentence).toContain('stands 0 mm too far out for the bore');
    const [roomy] = [{ ...bore(148), hole: { kind: 'circle' as const, diameter: exact(150) } }];
    expect(check('hole', roomy, [], { boxes: [plug] })).toMatchObject({ verdict: 'clears' });
    const short = { ...bore(144, 15), hole: { kind: 'circle' as const, diameter: exact(150) } };
    expect(check('hole', short, [], { boxes: [plug] }).sentence).toContain('on the straight way in');
  });

  test('how deep it is counts where it is not sure', () => {
    const doubtful = { bore: { depth: within(18, 3), inside: exact(144) } };
    expect(check('hole', doubtful, [], { boxes: [plug] }).verdict).toBe('hits');
  });
});

describe('what is soft', () => {
  const felt = (depthMm: number, givesMm: number) => ({
    depths: depthAt(exact(200)),
    obstacles: [
      {
        ...rodAt({ xMm: 0, yMm: 0, depth: exact(depthMm), diameterMm: 20, label: 'felt' }),
        kind: 'soft' as const,
        givesMm,
      },
    ],
  });

  test('may be pressed in as far as it gives, and no air is asked of it', () => {
    const pressed = check('obstacles', felt(57, 5));
    expect(pressed).toMatchObject({ verdict: 'clears' });
    expect(pressed.margin?.valueMm).toBeCloseTo(2, 6);
    expect(pressed.sentence).toBe('The body presses 3 mm into the felt; it gives 5 mm.');
    expect(check('obstacles', felt(62, 0)).margin?.valueMm).toBeCloseTo(2, 6);
    const hard = check('obstacles', felt(53, 5));
    expect(hard.verdict).toBe('hits');
    expect(hard.sentence).toBe('The body would stand 7 mm into the felt; it gives 5 mm.');
  });
});
