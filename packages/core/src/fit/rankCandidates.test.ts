import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  adapter,
  bracket,
  candidate,
  circlePattern,
  exact,
  opening,
  RULES,
  spacer,
  speaker,
  within,
} from '../testing/shapes';
import { CHECK_IDS } from './Check';
import { judgeCandidate } from './judgeCandidate';
import { MOST_OTHERS, rankCandidates } from './rankCandidates';
import type { FitCatalogue } from './shapes';

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
    expect(first?.best).toMatchObject({ bracketId: null, spacerId: null, addedParts: 0, costMinor: 5450 });
    // "Close" needs 1 mm more than the bare metal gives for certain: the 3 mm ring is the simplest that clears.
    expect(ranking.speakers.find(({ speakerId }) => speakerId === 'close')?.best).toMatchObject({
      bracketId: null,
      spacerId: 'spacer-3',
    });
  });

  test('every candidate is judged: 7 speakers × 3 × 3', () => {
    expect(ranking.candidatesJudged).toBe(63);
  });

  test('who falls out is counted at the check that decides, and keeps every failing check with by how much', () => {
    expect(ranking.fallOut).toEqual({
      ...Object.fromEntries(CHECK_IDS.map((id) => [id, 0])),
      hole: 1,
      spacerWindow: 1,
      connector: 1,
    });
    const wide = ranking.speakers.find(({ speakerId }) => speakerId === 'wide')?.best;
    // (150 − 160)/2 − 1 = −6
    expect(wide?.failing).toEqual([expect.objectContaining({ id: 'hole', marginMm: -6 })]);
  });

  test('can be handed from one thread to another', () => {
    expect(structuredClone(ranking)).toEqual(ranking);
  });
});

test('an empty catalogue gives an empty ranking', () => {
  const empty = rankCandidates(opening(), { speakers: [], brackets: [], spacers: [], adapters: [] }, RULES);
  expect(empty).toMatchObject({ speakers: [], candidatesJudged: 0 });
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
      { numRuns: 30 },
    );
  });

  test('the best stack of a speaker is judged the same by itself, and none of its stacks is better', () => {
    const GRAVITY = { clears: 0, measure: 1, hold: 2, hits: 3 };
    fc.assert(
      fc.property(
        fc.double({ min: 45, max: 90, noNaN: true }),
        fc.double({ min: 8, max: 40, noNaN: true }),
        (depth, gap) => {
          const at = opening({ depthBehind: within(depth, 1), frontGap: within(gap, 1) });
          for (const { speakerId, best, otherClearing } of rankCandidates(at, catalogue, RULES).speakers) {
            const [what] = catalogue.speakers.filter(({ id }) => id === speakerId);
            if (!what) throw new Error('unknown speaker');
            const verdicts = [null, ...catalogue.brackets].flatMap((plate) =>
              [null, ...catalogue.spacers].map((ring) => {
                const judged = judgeCandidate(
                  at,
                  candidate({ speaker: what, bracket: plate, spacer: ring }),
                  catalogue.adapters,
                  RULES,
                );
                if ((plate?.id ?? null) === best.bracketId && (ring?.id ?? null) === best.spacerId)
                  expect(judged.verdict).toBe(best.verdict);
                return judged.verdict;
              }),
            );
            expect(Math.min(...verdicts.map((verdict) => GRAVITY[verdict]))).toBe(GRAVITY[best.verdict]);
            const clearing = verdicts.filter((verdict) => verdict === 'clears').length;
            expect(otherClearing).toHaveLength(Math.min(MOST_OTHERS, Math.max(0, clearing - 1)));
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  test('a part whose pattern is found in no vehicle falls out at the bolts', () => {
    const odd = speaker({ id: 'five', bolts: circlePattern(5, exact(120), 5) });
    const ranking = rankCandidates(opening(), { ...catalogue, speakers: [odd] }, RULES);
    expect(ranking.fallOut.bolts).toBe(1);
  });
});
