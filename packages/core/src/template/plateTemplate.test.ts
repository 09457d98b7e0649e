/** What is cut is what was judged: each hole of the template lies over the car's screw, and each wall is as wide as it says. */
import { expect, test } from '@jest/globals';
import { judgeCandidate } from '../fit/judgeCandidate';
import type { FitOpening, FitRules } from '../fit/shapes';
import { ownPlates, plateFrom } from '../fit/work/ownPlate';
import { patternHoles } from '../geometry/BoltPattern';
import { circlePattern, exact, opening, RULES, speaker } from '../testing/shapes';
import { pilotMm } from './layOut';
import { CHECK_SQUARE_MM } from './marks';
import { plateTemplate } from './plateTemplate';
import type { Template } from './Template';
import { templateSvg } from './templateSvg';

const SHOP: FitRules = { ...RULES, stock: [{ thicknessMm: 6, halfWidthMm: 0.3, ringCostMinor: 1500 }] };
const AT = opening({ bolts: circlePattern(3, exact(176), 4), frontGap: exact(40) });
const WHAT = speaker({ mountingDepth: exact(50) });
const WORDS = { title: 'Plate for Front door, left: Tide <6½> & more', side: 'LEFT, seen from the cabin' };

function templateOf(at: FitOpening): Template {
  const [figures] = ownPlates(at, WHAT, SHOP);
  const plate = figures && plateFrom(at, WHAT, figures, SHOP);
  if (!figures || !plate) throw new Error('expected a plate');
  const { mount } = judgeCandidate(at, { speaker: WHAT, layers: [plate] }, [], SHOP);
  const [place] = mount.placement.places;
  if (!place) throw new Error('expected a place');
  return plateTemplate(plate, figures, place, null);
}

test('each screw of the car has its hole, to a thousandth; and the speaker’s lie where it was judged', () => {
  const { holes, thicknessMm, throat, outside } = templateOf(AT);
  const screws = patternHoles(AT.bolts as NonNullable<FitOpening['bolts']>);
  const own = holes.filter(({ of }) => of === 'car');
  expect(own).toHaveLength(3);
  for (const screw of screws) {
    const off = own.map(({ xMm, yMm }) => Math.hypot(xMm - screw.xMm, yMm - screw.yMm));
    expect(Math.min(...off)).toBeLessThan(0.001);
  }
  // A drill for a screw of 4 mm is 5.
  expect(own.map(({ diameterMm }) => diameterMm)).toEqual([5, 5, 5]);
  const others = holes.filter(({ of }) => of === 'speaker');
  expect(others).toHaveLength(patternHoles(WHAT.bolts).length);
  expect(thicknessMm).toBe(6);
  expect(throat.halfLengthMm).toBeLessThan(outside.halfLengthMm);
});

test('the least wall is what is left beside the nearest edge, by places sampled on the edges', () => {
  const { holes, outside, throat, leastWallMm } = templateOf(AT);
  const sampled = [outside, throat].flatMap(({ xMm, yMm, halfLengthMm, halfWidthMm, angleRad }) =>
    Array.from({ length: 7200 }, (_, at) => {
      const t = (at * Math.PI) / 3600;
      const [u, v] = [halfLengthMm * Math.cos(t), halfWidthMm * Math.sin(t)];
      return {
        x: xMm + u * Math.cos(angleRad) - v * Math.sin(angleRad),
        y: yMm + u * Math.sin(angleRad) + v * Math.cos(angleRad),
      };
    }),
  );
  const toEdge = holes.map(({ xMm, yMm, diameterMm }) =>
    sampled.reduce((least, { x, y }) => Math.min(least, Math.hypot(x - xMm, y - yMm) - diameterMm / 2), 1000),
  );
  const between = holes.flatMap((a, at) =>
    holes.slice(at + 1).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) - (a.diameterMm + b.diameterMm) / 2),
  );
  expect(leastWallMm).toBeCloseTo(Math.min(...toEdge, ...between), 2);
  expect(leastWallMm).toBeGreaterThanOrEqual(SHOP.clearancesMm.wall - 1e-6);
});

test('on paper it stands in millimetres, y up, beside its square; what is written in its title is text', () => {
  const template = templateOf(AT);
  const svg = templateSvg(template, WORDS) ?? '';
  expect(svg).toMatch(
    /^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="297mm" height="420mm" viewBox="0 0 297 420"|^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="210mm" height="297mm" viewBox="0 0 210 297"/,
  );
  expect(svg).toContain('Tide &lt;6½&gt; &amp; more');
  expect(svg).toContain(`width="${CHECK_SQUARE_MM}" height="${CHECK_SQUARE_MM}"`);
  const [, cx = '', cy = ''] = /<ellipse id="outside" cx="([\d.]+)" cy="([\d.]+)"/.exec(svg) ?? [];
  const drawn = [...svg.matchAll(/<circle class="(car|speaker)" cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/g)];
  expect(drawn.map(([, of]) => of)).toEqual(template.holes.map(({ of }) => of));
  for (const [at, [, , x, y, r]] of drawn.entries()) {
    const hole = template.holes[at] as Template['holes'][number];
    expect(Number(x) - Number(cx)).toBeCloseTo(hole.xMm - template.outside.xMm, 2);
    expect(Number(cy) - Number(y)).toBeCloseTo(hole.yMm - template.outside.yMm, 2);
    expect(Number(r)).toBeCloseTo(hole.diameterMm / 2, 2);
  }
});

test('a pilot stops in three quarters of the sheet', () => {
  expect([6, 12, 9.5, 5].map((each) => pilotMm(each))).toEqual([4.5, 9, 7.1, 3.7]);
  // Under a face that is seen, no nearer to it than the shop asks.
  expect([pilotMm(12, 3), pilotMm(6, 3), pilotMm(2, 3)]).toEqual([9, 3, 0]);
  expect(templateSvg(templateOf(AT), WORDS)).toContain('its pilot at most 4.5 mm deep');
});

test('what is larger than its paper is not drawn smaller', () => {
  const { outside } = templateOf(AT);
  const larger = (halfMm: number) => ({
    ...templateOf(AT),
    outside: { ...outside, halfLengthMm: halfMm, halfWidthMm: halfMm },
  });
  expect(templateSvg(larger(94), WORDS)).toContain('width="210mm"');
  expect(templateSvg(larger(130), WORDS)).toContain('width="297mm"');
  expect(templateSvg(larger(140), WORDS)).toBeNull();
});
