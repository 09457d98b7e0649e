/**
 * The sweep against the plain ranking and against the engine that has all figures: the same verdict for every speaker, the
 * same stack and order for what clears, and no speaker that hits by less than is said.
 */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { changedByHand } from '../../testing/changedByHand';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import { plainRanking } from '../../testing/plainRanking';
import { type RankedSpeaker, VERDICTS_BY_RANK } from '../Ranking';
import type { FitCatalogue, FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import { CatalogueSweep } from './CatalogueSweep';
import { FitEngine } from './FitEngine';
import { MountIndex } from './MountIndex';
import { CLEARS, HITS, HOLD } from './Scratch';

const EVERYBODY = 1e6;
const ROUNDING_MM = 1e-7;
const [frontDoor, , rearDoor, , dash, , centre, kick, , side, , deck] = largeVehicle() as FitOpening[];

function must<Value>(value: Value | null | undefined): Value {
  if (value === null || value === undefined) throw new Error('expected a value');
  return value;
}

function rounded({ best, ...speaker }: RankedSpeaker) {
  const round = (value: number | null) => (value === null ? null : value.toFixed(8));
  return { ...speaker, ...best, marginMm: round(best.marginMm), expandedMm: round(best.expandedMm) };
}

describe('says what the plain ranking says', () => {
  const catalogue = largeCatalogue({ speakers: 40, brackets: 40, seed: 17 });
  const sweep = new CatalogueSweep(new CatalogueIndex(catalogue), LARGE_RULES);

  test.each([frontDoor, rearDoor, side, deck].map((opening) => [opening?.label, opening] as const))(
    '%s',
    (_, given) => {
      const opening = must(given);
      const plain = plainRanking(opening, catalogue, LARGE_RULES);
      sweep.sweep(opening);
      const { verdicts, best, stacksJudged } = sweep.look(EVERYBODY);
      const verdictOf = new Map(plain.map(({ candidate, judgement }) => [candidate.speaker.id, judgement.verdict]));
      expect(catalogue.speakers.map((_speaker, at) => VERDICTS_BY_RANK[verdicts[at] as number])).toEqual(
        catalogue.speakers.map(({ id }) => verdictOf.get(id)),
      );
      const clearing = plain.filter(({ judgement }) => judgement.verdict === 'clears');
      expect(best.map((each) => rounded(each))).toEqual(
        clearing.map(({ candidate, judgement, score, stacksJudged: judged }) => {
          const margin = judgement.checks.find(({ id }) => id === judgement.decidedBy)?.margin;
          return {
            speakerId: candidate.speaker.id,
            stacksJudged: judged,
            bracketIds: candidate.brackets.map(({ id }) => id),
            spacerId: candidate.spacer?.id ?? null,
            verdict: 'clears',
            decidedBy: judgement.decidedBy,
            addedParts: score.addedParts,
            costMinor: score.costMinor,
            marginMm: margin?.valueMm.toFixed(8) ?? null,
            expandedMm: margin?.expandedMm.toFixed(8) ?? null,
          };
        }),
      );
      expect(stacksJudged).toBe(plain.reduce((sum, each) => sum + each.stacksJudged, 0));
    },
  );
});

/** What differs between a sweep and the engine, in words; and how many speakers had which verdict. */
function differences(sweep: CatalogueSweep, engine: FitEngine): { faults: string[]; counts: number[] } {
  const [quick, full] = [sweep.standings, engine.standings];
  const faults: string[] = [];
  const counts = [0, 0, 0, 0];
  for (const [at, { id }] of engine.index.speakers.entries()) {
    const verdict = full.verdict[at] as number;
    counts[verdict] = (counts[verdict] as number) + 1;
    const missesMm = sweep.missesMm[at] as number;
    if (quick.verdict[at] !== verdict) faults.push(`${id}: verdict ${quick.verdict[at]}, not ${verdict}`);
    else if (verdict === CLEARS || verdict === HOLD) {
      for (const column of ['mount', 'spacer', 'parts', 'costMinor'] as const)
        if (quick[column][at] !== full[column][at]) faults.push(`${id}: ${column} ${quick[column][at]}`);
    } else if (verdict === HITS && missesMm > ROUNDING_MM - (full.worstMm[at] as number))
      faults.push(`${id}: misses by ${missesMm} mm at the least, but ${full.worstMm[at]}`);
  }
  const order = Array.from(quick.clearing(EVERYBODY));
  const first = Array.from(quick.clearing(7));
  if (first.join() !== order.slice(0, 7).join()) faults.push('the first of what clears');
  if (order.some((at, rank) => engine.order[rank] !== at)) faults.push('the order of what clears');
  return { faults: faults.slice(0, 5), counts };
}

function together(catalogue: FitCatalogue) {
  const index = new CatalogueIndex(catalogue);
  const mounts = new MountIndex(index, LARGE_RULES);
  return {
    sweep: new CatalogueSweep(index, LARGE_RULES, mounts),
    /** From nothing every time: what it keeps is the subject of other tests. */
    compare(sweep: CatalogueSweep, opening: FitOpening) {
      const engine = new FitEngine(index, LARGE_RULES, mounts);
      engine.rank(opening);
      sweep.sweep(opening);
      return differences(sweep, engine);
    },
  };
}

describe('says what the engine says', () => {
  const many = together(largeCatalogue({ speakers: 600, brackets: 200, seed: 8 }));

  test('after each of many changes by hand, in every kind of opening', () => {
    const random = seededRandom(41);
    const seen = [0, 0, 0, 0];
    for (const start of [frontDoor, rearDoor, dash, centre, kick, side, deck]) {
      let opening = must(start);
      for (let step = 0; step < 9; step++) {
        const { faults, counts } = many.compare(many.sweep, opening);
        expect(faults).toEqual([]);
        counts.forEach((count, verdict) => {
          seen[verdict] = (seen[verdict] as number) + count;
        });
        opening = changedByHand(opening, random);
      }
    }
    // Every verdict has been tried, and often.
    expect(Math.min(...seen)).toBeGreaterThan(200);
  });

  test('while a bolt circle is dragged out and back, in small steps and great ones', () => {
    const { bolts } = must(frontDoor);
    if (bolts?.shape.kind !== 'circle') throw new Error('expected screws on a circle');
    const { shape } = bolts;
    for (const byMm of [0, 0.2, 0.4, 0.9, 1.4, 2.2, 3, 2.8, 2.4, 0, -0.3, -5, -5.2, 11, 11.3, 0]) {
      const diameter = { ...shape.diameter, valueMm: shape.diameter.valueMm + byMm };
      const opening = { ...must(frontDoor), bolts: { ...bolts, shape: { ...shape, diameter } } };
      expect({ byMm, faults: many.compare(many.sweep, opening).faults }).toEqual({ byMm, faults: [] });
    }
  });

  const door = must(frontDoor);
  const unsure = (valueMm: number) =>
    ({ valueMm, uncertaintyMm: 0.4, degreesOfFreedom: 3, origin: 'takenHere' }) as const;
  const OPENINGS: Readonly<Record<string, FitOpening>> = {
    'nothing measured': { ...door, hole: { kind: 'circle', diameter: null }, depths: [], frontGap: null, bolts: null },
    'the front not measured': { ...door, frontGap: null },
    'the screws not measured': { ...door, bolts: null },
    'few readings, so a wide interval': {
      ...door,
      hole: { kind: 'circle', diameter: unsure(143) },
      depths: door.depths.map((each) => ({ ...each, depth: unsure(each.depth.valueMm) })),
      frontGap: unsure(20),
    },
    'an oval hole': { ...door, hole: { kind: 'oval', length: unsure(156), width: unsure(140) } },
    'a window that leans aside too': {
      ...door,
      depths: [...door.depths, { key: 'depthRight', xMm: 60, yMm: 0, depth: unsure(73) }],
    },
    'the edge of the window in the middle': { ...door, lowerEdge: unsure(55) },
    'an unknown second plug': { ...door, secondPlug: 'warning' },
    'nobody noted where the plug comes from': { ...door, plugRad: null },
  };
  test.each(Object.entries(OPENINGS))('%s', (_, opening) => {
    expect(many.compare(many.sweep, opening).faults).toEqual([]);
  });

  test('boxes, terminals and a recess, which go through the checks themselves', () => {
    const catalogue = largeCatalogue({ speakers: 60, brackets: 40, seed: 11 });
    const boxed = together({
      ...catalogue,
      speakers: catalogue.speakers.map((speaker, at) => ({
        ...speaker,
        boxes:
          at % 2 === 0
            ? [{ label: 'tab', live: true, angleRad: 1, innerMm: 40, outerMm: 70, widthMm: 12, fromMm: 18, toMm: 26 }]
            : [],
      })),
    });
    const second: FitOpening = {
      ...door,
      obstacles: door.obstacles.map((each) => ({
        ...each,
        shape: { kind: 'box' as const, lengthMm: 300, widthMm: 30, thicknessMm: 20 },
      })),
    };
    const recess = { depthMm: 4, outline: { kind: 'circle' as const, diameter: unsure(178) } };
    for (const opening of [door, second, { ...door, recess }])
      expect(boxed.compare(boxed.sweep, opening).faults).toEqual([]);
  });

  test('no speakers, and no brackets', () => {
    const { brackets, ...catalogue } = largeCatalogue({ speakers: 30, brackets: 10, seed: 2 });
    const bare = together({ ...catalogue, brackets: [] });
    expect(bare.compare(bare.sweep, must(deck)).faults).toEqual([]);
    const empty = together({ ...catalogue, brackets, speakers: [] });
    empty.sweep.sweep(door);
    expect(empty.sweep.look(EVERYBODY)).toEqual({ verdicts: new Uint8Array(0), best: [], stacksJudged: 0 });
  });
});
