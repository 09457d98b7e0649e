/** What was measured in hand stands above the catalogue, with the doubt that it leaves; and what it says of a maker's other parts. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import jstat from 'jstat';
import { DATUM_SHARE, type FitSpeaker, judgeCandidate } from '../../fit';
import { seededRandom } from '../../math/seededRandom';
import { fuzzed } from '../../testing/fuzzed';
import { largeParts } from '../../testing/largeCatalogue';
import { candidate, exact, opening, RULES } from '../../testing/shapes';
import { toFitCatalogue } from '../partKinds';
import { handWords, readHandWords } from '../words/handWords';
import { openDoubts, settledByHand } from './figureDoubts';
import {
  asKnown,
  differencesFromCounted,
  differencesOf,
  IN_HAND_FIGURES,
  type InHand,
  type InHandFigure,
  inHandDimension,
  poolDifferences,
  withBias,
} from './inHand';
import { isWhole, lacksOf, type SpeakerRecord, speakerSchema } from './speaker';

const speakers = largeParts({ speakers: 40, brackets: 0, seed: 3 }) as SpeakerRecord[];
const round = speakers.find(({ basket }) => basket?.kind === 'circle') as SpeakerRecord;
const read = (figure: InHandFigure, pieces: number[][], halfWidthMm = 0.2): InHand => ({
  ...{ figure, pieces, halfWidthMm, by: 'Okke', on: '2031-05-02' },
});
const shapeOf = (speaker: SpeakerRecord) => toFitCatalogue([speakerSchema.parse(speaker)]).speakers[0] as FitSpeaker;

describe('a piece in the hand', () => {
  test('its figure is counted instead of the catalogue’s, and no other', () => {
    for (const figure of IN_HAND_FIGURES) {
      const before = shapeOf(round);
      const after = shapeOf({ ...round, inHand: [read(figure, [[33.3, 33.5]])] });
      const dimensions = (shape: FitSpeaker) => ({
        cutout: shape.basket.kind === 'circle' ? shape.basket.diameter : null,
        flange: shape.flange.kind === 'circle' ? shape.flange.diameter : null,
        flangeThickness: shape.flangeThickness,
        depth: shape.mountingDepth,
        frontHeight: shape.frontHeight,
        magnet: shape.magnetDiameter,
        boltCircle: shape.bolts.shape.kind === 'circle' ? shape.bolts.shape.diameter : null,
      });
      const { [figure]: found, ...others } = dimensions(after);
      const { [figure]: _, ...othersBefore } = dimensions(before);
      expect(found).toMatchObject({ origin: 'takenHere' });
      expect(found?.valueMm).toBeCloseTo(33.4, 10);
      expect(others).toEqual(othersBefore);
    }
  });

  test('a screw circle that was measured is what the holes lie on; a pattern that is none stays as it is', () => {
    const circle = { kind: 'circle' as const, count: 4, diameterMm: 156, firstAngleDeg: 45 };
    const bolts = { shape: circle, holeDiameterMm: 5, slotMm: 0, slotRuns: 'radial' as const };
    const inHand = [read('boltCircle', [[158.2, 158.4]])];
    expect(asKnown({ ...round, bolts, inHand }).bolts?.shape).toEqual({ ...circle, diameterMm: 158.3 });
    expect(differencesOf({ ...round, bolts, inHand }).boltCircle).toBeCloseTo(2.3, 10);
    const rectangle = { ...bolts, shape: { kind: 'rectangle' as const, widthMm: 100, heightMm: 80 } };
    expect(shapeOf({ ...round, bolts: rectangle, inHand })).toEqual(shapeOf({ ...round, bolts: rectangle }));
    expect(differencesOf({ ...round, bolts: rectangle, inHand })).toEqual({});
    // Of nothing that nobody wrote down a circle alone makes no pattern.
    expect(lacksOf({ ...round, bolts: null, inHand })).toEqual(['screw holes']);
  });

  test('a depth that was measured counts from the underside, whatever the catalogue counts from', () => {
    const top = { ...round, depthDatum: 'top' as const, mountingDepthMm: 70, flangeThicknessMm: 5 };
    const after = shapeOf({ ...top, inHand: [read('depth', [[64.6]])] });
    expect(after).toMatchObject({ depthDatum: 'underside', depthDoubt: { uncertaintyMm: 0 } });
    expect(differencesOf({ ...top, inHand: [read('depth', [[64.6]])] }).depth).toBeCloseTo(64.6 - 65, 10);
  });

  test('its sections are drawn out with it', () => {
    const section = (depthMm: number, mm: number) => ({ depthMm, lengthMm: mm, widthMm: mm });
    const profile = [section(0, 120), section(30, 110), section(60, 90)];
    const speaker = { ...round, depthDatum: 'underside' as const, mountingDepthMm: 60, profile };
    expect(shapeOf(speaker).profile).toEqual(profile);
    expect(shapeOf({ ...speaker, inHand: [read('depth', [[66]])] }).profile.map(({ depthMm }) => depthMm)).toEqual([
      0, 33, 66,
    ]);
  });

  test('of an oval the longest measure is read: the other is as the catalogue has it', () => {
    const oval = speakers.find(({ basket }) => basket?.kind === 'oval') as SpeakerRecord;
    const { basket } = shapeOf({ ...oval, inHand: [read('cutout', [[221.5]])] });
    const before = shapeOf(oval).basket;
    if (basket.kind !== 'oval' || before.kind !== 'oval') throw new Error('expected ovals');
    const [long, short] =
      oval.basket?.kind === 'oval' && oval.basket.lengthMm >= oval.basket.widthMm
        ? (['length', 'width'] as const)
        : (['width', 'length'] as const);
    expect(basket[long]).toMatchObject({ valueMm: 221.5, origin: 'takenHere' });
    expect(basket[short]).toEqual(before[short]);
  });

  test('what the catalogue does not say and a piece does is lacked no more', () => {
    const unknown = speakerSchema.parse({ ...round, mountingDepthMm: null });
    expect(lacksOf(unknown)).toEqual(['mounting depth']);
    const measured = { ...unknown, inHand: [read('depth', [[60]])] };
    expect([isWhole(measured), lacksOf(measured)]).toEqual([true, []]);
    expect(shapeOf(measured).mountingDepth.valueMm).toBe(60);
    expect(differencesOf(measured)).toEqual({});
  });

  test('a doubt about it is settled by it, and no other', () => {
    const doubt = { words: 'It is no such speaker.', proposes: null, chance: 0.9, settled: null };
    const doubted = speakerSchema.parse({
      ...round,
      doubts: [
        { figure: 'depth', value: round.mountingDepthMm, ...doubt },
        { figure: 'magnet', value: round.magnetDiameterMm, ...doubt },
      ],
      inHand: [read('depth', [[60.2, 60.4]])],
    });
    expect(openDoubts(settledByHand(doubted)).map(({ figure }) => figure)).toEqual(['magnet']);
    expect(settledByHand(doubted).doubts[0]?.settled).toEqual({
      ...{ how: 'measured', words: 'Read as 60.2 60.4 mm', by: 'Okke', on: '2031-05-02' },
    });
  });

  test('turns a verdict: what cleared by the catalogue hits by the calliper', () => {
    const at = (depthMm: number) => ({
      ...round,
      profile: [],
      depthDatum: 'underside' as const,
      mountingDepthMm: 50,
      inHand: depthMm === 50 ? [] : [read('depth', [[depthMm], [depthMm]])],
    });
    const glass = opening({ depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: exact(62) }] });
    const verdictOf = (depthMm: number) =>
      judgeCandidate(glass, candidate({ speaker: shapeOf(at(depthMm)) }), [], RULES).checks.find(
        ({ id }) => id === 'depth',
      )?.verdict;
    expect([verdictOf(50), verdictOf(71)]).toEqual(['clears', 'hits']);
  });
});

describe('terminals of a piece in the hand', () => {
  const plug = {
    label: 'plug',
    live: true,
    angleDeg: 270,
    innerMm: 45,
    outerMm: 62,
    widthMm: 24,
    fromMm: 18,
    toMm: 40,
  };
  const placed = (toMm: number) =>
    speakerSchema.parse({
      ...round,
      ...{ boxes: [], roundingMm: 0.5 },
      terminalsInHand: { boxes: [{ ...plug, toMm }], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' },
    });

  test('stand above the catalogue’s, with the doubt of the hand and of another piece', () => {
    const listed = { ...placed(40), boxes: [{ ...plug, outerMm: 70 }] };
    expect(asKnown(listed).boxes).toEqual([plug]);
    const { boxes, boxDoubt } = shapeOf(listed);
    expect(boxes).toMatchObject([{ outerMm: 62, angleRad: (3 / 2) * Math.PI }]);
    // As of one piece: √((0.2/√3)² + (0.5/√3)²), by hand.
    expect(boxDoubt.valueMm).toBe(0);
    expect(boxDoubt.uncertaintyMm).toBeCloseTo(Math.sqrt((0.04 + 0.25) / 3), 10);
    expect(shapeOf({ ...listed, terminalsInHand: null }).boxDoubt.uncertaintyMm).toBeCloseTo(0.5 / Math.sqrt(3), 10);
  });

  test('are judged against metal, where without them somebody has to look', () => {
    // Metal lies 70 mm behind the wall, and live terminals keep 4 mm from it: 40 mm deep they do, 69 mm deep they do not.
    const metal = opening({ behind: 'metal', wiring: { kind: 'cut' } });
    const body = {
      ...{ basket: { kind: 'circle' as const, diameterMm: 142 }, flangeThicknessMm: 4 },
      mountingDepthMm: 60,
    };
    const verdictOf = (speaker: SpeakerRecord) =>
      judgeCandidate(metal, candidate({ speaker: shapeOf({ ...speaker, ...body }) }), [], RULES).checks.find(
        ({ id }) => id === 'terminals',
      )?.verdict;
    expect(verdictOf(placed(40))).toBe('clears');
    expect(verdictOf(placed(69))).toBe('hits');
    expect(verdictOf({ ...placed(40), terminalsInHand: null })).toBe('measure');
  });

  test('are somewhere: nothing is no place of theirs', () => {
    const nowhere = { ...placed(40), terminalsInHand: { boxes: [], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' } };
    expect(speakerSchema.safeParse(nowhere).error?.issues[0]?.path).toEqual(['terminalsInHand', 'boxes']);
  });
});

describe('how sure it is', () => {
  test('of one piece: the hand, the instrument, and that another piece may be off by what the catalogue rounds to', () => {
    const { uncertaintyMm } = inHandDimension(read('depth', [[60]]), 0.5);
    // √((0.2·√(0.25/3))² + (0.5/√3)² + (0.2·√(0.75/3))²), by hand.
    expect(uncertaintyMm).toBeCloseTo(Math.sqrt(0.2 ** 2 / 3 + 0.25 / 3), 10);
  });

  test('of several: how far they lie apart, as a prediction of the next; statistics by jstat', () => {
    const pieces = [61.2, 61.9, 61.5, 62.1];
    const found = inHandDimension(
      read(
        'depth',
        pieces.map((each) => [each]),
        0.02,
      ),
      0.5,
    );
    const apart = jstat.stdev(pieces, true) * Math.sqrt(1 + 1 / 4);
    expect(found.valueMm).toBeCloseTo(jstat.mean(pieces), 10);
    expect(found.uncertaintyMm).toBeCloseTo(Math.hypot(apart, 0.02 * Math.sqrt(0.25)), 10);
    expect(found.degreesOfFreedom).toBeGreaterThanOrEqual(3);
    expect(found.degreesOfFreedom).toBeLessThan(3.01);
  });

  test.each([2, 3, 6])('the next piece lies within the 95 %% interval of %d, 95 times in 100', (count) => {
    const random = seededRandom(41 + count);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const tries = 4000;
    let within = 0;
    for (let at = 0; at < tries; at++) {
      const pieces = Array.from({ length: count }, () => [60 + 0.8 * normal()]);
      const { valueMm, uncertaintyMm, degreesOfFreedom } = inHandDimension(read('depth', pieces, 0.01), 0.5);
      const reach = uncertaintyMm * jstat.studentt.inv(0.975, degreesOfFreedom ?? 1e6);
      if (Math.abs(60 + 0.8 * normal() - valueMm) <= reach) within++;
    }
    // Four standard deviations of such a count.
    expect(Math.abs(within / tries - 0.95)).toBeLessThan(4 * Math.sqrt((0.95 * 0.05) / tries));
  });
});

describe('a maker', () => {
  const measured = (offMm: number) => ({
    ...{ ...round, depthDatum: 'underside' as const, mountingDepthMm: 60, inHand: [read('depth', [[60 + offMm]])] },
  });

  test('is pooled from three parts on, each with its difference', () => {
    const of = (offs: readonly number[]) => poolDifferences(offs.map((off) => differencesOf(measured(off))));
    expect(of([1.1, 1.3])).toEqual([]);
    const offs = [1.1, 1.3, 0.9];
    expect(of(offs)).toEqual([
      {
        ...{ figure: 'depth', biasMm: Number(jstat.mean(offs).toFixed(3)), parts: 3 },
        uncertaintyMm: Number((jstat.stdev(offs, true) * Math.sqrt(1 + 1 / 3)).toFixed(3)),
      },
    ]);
  });

  test('where he does not say what his depths count from, his others are counted so that they come out as those that were measured', () => {
    // He counts from the top of a flange of 5 mm and says nothing of it: each is 5 mm shallower than he says.
    const unsaid = { ...round, depthDatum: 'notStated' as const, mountingDepthMm: 60, flangeThicknessMm: 5 };
    const [bias] = poolDifferences(
      [54.9, 55, 55.1].map((mm) => differencesFromCounted({ ...unsaid, inHand: [read('depth', [[mm]])] })),
    );
    const other = shapeOf({ ...unsaid, mountingDepthMm: 70, profile: [], ...(bias ? { makersBias: [bias] } : {}) });
    expect(other.mountingDepth.valueMm - DATUM_SHARE.notStated * 5).toBeCloseTo(65, 10);
  });

  test('his other parts are counted with it, those that were measured are not', () => {
    const [bias] = poolDifferences([1.1, 1.3, 0.9].map((off) => differencesOf(measured(off))));
    if (!bias) throw new Error('expected a bias');
    const other = { ...round, depthDatum: 'underside' as const, mountingDepthMm: 55, inHand: [], makersBias: [bias] };
    const { mountingDepth } = shapeOf(other);
    expect(mountingDepth).toMatchObject({ origin: 'catalogue' });
    expect(mountingDepth.valueMm).toBeCloseTo(56.1, 10);
    expect(mountingDepth.uncertaintyMm).toBeCloseTo(
      Math.hypot(round.roundingMm / Math.sqrt(3), bias.uncertaintyMm),
      10,
    );
    expect(mountingDepth.degreesOfFreedom).toBeGreaterThanOrEqual(2);
    expect(shapeOf({ ...measured(2), makersBias: [bias] }).mountingDepth.valueMm).toBeCloseTo(62, 10);
    expect(withBias(bias, mountingDepth).valueMm).toBeCloseTo(57.2, 10);
  });
});

describe('as it is typed', () => {
  test('whatever was read is read as it was', () => {
    const reading = fc.integer({ min: 0, max: 39_999 }).map((each) => each / 100);
    const list = fc.array(fc.array(reading, { minLength: 1, maxLength: 20 }), { minLength: 1, maxLength: 20 });
    fc.assert(
      fc.property(list, (pieces) => expect(readHandWords(handWords(pieces))).toEqual({ ok: true, value: pieces })),
      fuzzed(200),
    );
  });

  test.each([
    ['61,4 61,6; 61,9 mm', [[61.4, 61.6], [61.9]]],
    [' 60mm ', [[60]]],
    ['', null],
  ])('“%s”', (text, value) => expect(readHandWords(text)).toEqual({ ok: true, value }));

  test.each(['deep', '61.4,61.6', '61;', '2-3/8"', '1e3', '-4'])('“%s” is refused, with what would do', (text) => {
    const found = readHandWords(text);
    expect(found.ok ? found.value : found.failure).toMatch(/was read\. Readings in mm/);
  });
});

test('asKnown leaves a speaker that nobody measured as it is', () => {
  expect(asKnown(round)).toBe(round);
});
