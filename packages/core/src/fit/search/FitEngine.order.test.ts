import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../../testing/fuzzed';
import { rankCandidates } from '../../testing/rankCandidates';
import {
  adapter,
  bracket,
  candidate,
  circlePattern,
  depthAt,
  exact,
  opening,
  RULES,
  spacer,
  speaker,
  within,
} from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { FitCatalogue } from '../shapes';

const catalogue: FitCatalogue = {
  speakers: [
    speaker({ id: 'deep', name: 'Deep', mountingDepth: exact(90) }),
    speaker({ id: 'dear', name: 'Dear', pieceCostMinor: 9000 }),
    speaker({ id: 'plain', name: 'Plain' }),
    speaker({ id: 'small', name: 'Small', nominalSize: '5.25 in', pieceCostMinor: 1000 }),
    speaker({ id: 'close', name: 'Close', mountingDepth: within(65, 1) }),
    speaker({ id: 'odd', name: 'Odd', terminals: 'bare ends' }),
    speaker({ id: 'wide', name: 'Wide', basket: { kind: 'circle', diameter: exact(160) } }),
  ],
  brackets: [bracket(), bracket({ id: 'tall', name: 'Tall', height: exact(20) })],
  spacers: [spacer(3), spacer(9)],
  adapters: [adapter()],
};

describe('the order', () => {
  const ranking = rankCandidates(opening(), catalogue, RULES);

  test('clears before measure before hold before hits; own size, then cost within clears', () => {
    expect(ranking.speakers.map(({ speakerId, best }) => [speakerId, best.verdict])).toEqual([
      ['plain', 'clears'],
      ['dear', 'clears'],
      ['close', 'clears'],
      ['small', 'clears'],
      ['odd', 'hold'],
      ['wide', 'hits'],
      ['deep', 'hits'],
    ]);
  });

  test('the simplest stack that clears is the best one', () => {
    const [first] = ranking.speakers;
    expect(first?.best).toMatchObject({ layerIds: [], addedParts: 0, costMinor: 5450 });
    // "Close" needs 1 mm more than the bare metal gives for certain: the 3 mm ring is the simplest that clears.
    expect(ranking.speakers.find(({ speakerId }) => speakerId === 'close')?.best).toMatchObject({
      layerIds: ['spacer-3'],
    });
  });

  test('every stack that mates is judged: 7 speakers × 3 chains × 3 spacers', () => {
    expect(ranking.stacksJudged).toBe(63);
  });

  test('who falls out says at which check and by how much', () => {
    const wide = ranking.speakers.find(({ speakerId }) => speakerId === 'wide')?.best;
    // (150 − 160)/2 − 1 = −6
    expect(wide).toMatchObject({ decidedBy: 'hole', marginMm: -6 });
  });

  test('can be handed from one thread to another', () => {
    expect(structuredClone(ranking)).toEqual(ranking);
  });
});

test('where nothing mates, first what a plate would put right, however far the screws miss; then by what the plate leaves', () => {
  const rules = { ...RULES, stock: [{ thicknessMm: 6, halfWidthMm: 0.3, ringCostMinor: 1500 }] };
  const off = (id: string, circleMm: number, mountingDepthMm: number) =>
    speaker({ id, name: id, bolts: circlePattern(4, exact(circleMm), 5), mountingDepth: exact(mountingDepthMm) });
  const speakers = [
    speaker({ id: 'wide', name: 'Wide', basket: { kind: 'circle', diameter: exact(160) } }),
    off('near-but-deep', 170, 75),
    off('far', 240, 60),
    off('near', 170, 60),
  ];
  const ranked = rankCandidates(opening({ frontGap: exact(40) }), { ...catalogue, speakers }, rules).speakers;
  expect(ranked.map(({ speakerId }) => speakerId)).toEqual(['far', 'near', 'near-but-deep', 'wide']);
  // In the hole (150 − 142)/2 − 1; to the glass 70 + 6 − 75 − 5.
  expect(ranked.map(({ best }) => best.plateMm && Math.round(best.plateMm))).toEqual([3, 3, -4, null]);
});

test('an empty catalogue gives an empty ranking', () => {
  const empty = rankCandidates(opening(), { speakers: [], brackets: [], spacers: [], adapters: [] }, RULES);
  expect(empty).toMatchObject({ speakers: [], stacksJudged: 0 });
});

describe('properties', () => {
  const shuffled = <T>(list: readonly T[]) =>
    fc.shuffledSubarray([...list], { minLength: list.length, maxLength: list.length });

  test('the order of the catalogue does not matter', () => {
    const plain = rankCandidates(opening(), catalogue, RULES);
    fc.assert(
      fc.property(
        shuffled(catalogue.speakers),
        shuffled(catalogue.brackets),
        shuffled(catalogue.spacers),
        (speakers, brackets, spacers) => {
          expect(rankCandidates(opening(), { ...catalogue, speakers, brackets, spacers }, RULES)).toEqual(plain);
        },
      ),
      fuzzed(30),
    );
  });

  test('the best stack of a speaker is judged the same by itself, and none of its stacks is better', () => {
    const GRAVITY = { clears: 0, measure: 1, hold: 2, hits: 3 };
    fc.assert(
      fc.property(
        fc.double({ min: 45, max: 90, noNaN: true }),
        fc.double({ min: 8, max: 40, noNaN: true }),
        (depth, gap) => {
          const at = opening({ depths: depthAt(within(depth, 1)), frontGap: within(gap, 1) });
          for (const { speakerId, best } of rankCandidates(at, catalogue, RULES).speakers) {
            const [what] = catalogue.speakers.filter(({ id }) => id === speakerId);
            if (!what) throw new Error('unknown speaker');
            const verdicts = [null, ...catalogue.brackets].flatMap((plate) =>
              [null, ...catalogue.spacers].map((ring) => {
                const judged = judgeCandidate(
                  at,
                  candidate({ speaker: what, brackets: plate ? [plate] : [], spacer: ring }),
                  catalogue.adapters,
                  RULES,
                );
                if ([ring?.id, plate?.id].filter(Boolean).join() === best.layerIds.join())
                  expect(judged.verdict).toBe(best.verdict);
                return judged.verdict;
              }),
            );
            // What needs two rings may be better still.
            expect(Math.min(...verdicts.map((verdict) => GRAVITY[verdict]))).toBeGreaterThanOrEqual(
              GRAVITY[best.verdict],
            );
          }
        },
      ),
      fuzzed(20),
    );
  });

  test('a part whose pattern is found in no vehicle falls out at the bolts', () => {
    const odd = speaker({ id: 'five', bolts: circlePattern(5, exact(120), 5) });
    const ranking = rankCandidates(opening(), { ...catalogue, speakers: [odd] }, RULES);
    expect(ranking.speakers[0]?.best).toMatchObject({ verdict: 'hits', decidedBy: 'bolts', layerIds: [] });
  });
});
