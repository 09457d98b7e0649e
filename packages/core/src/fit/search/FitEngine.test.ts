/** The engine against the plain ranking: every speaker, its stack, its verdict, and every figure of the deciding check. */
import { describe, expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import { plainRanking } from '../../testing/plainRanking';
import type { Dimension } from '../../uncertainty/Dimension';
import { VERDICTS_BY_RANK } from '../Check';
import type { FitOpening, ProudThing } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import { FitEngine } from './FitEngine';

const catalogue = largeCatalogue({ speakers: 20, brackets: 30, seed: 11 });
const index = new CatalogueIndex(catalogue);

function stud(xMm: number, height: Dimension): ProudThing {
  const place = { ...height, valueMm: 0, uncertaintyMm: 0.5 };
  return {
    id: `stud-${Math.abs(xMm)}`,
    label: 'stud',
    xMm,
    yMm: 10,
    placeX: place,
    placeY: place,
    diameterMm: 8,
    height,
  };
}

/** What both say, rounded to what two ways of adding up may differ by. */
function compare(engine: FitEngine, opening: FitOpening): void {
  const round = (value: number | null | undefined) => (value === null || value === undefined ? null : value.toFixed(8));
  const fast = Array.from(engine.order, (at) => {
    const { speakerId, best } = engine.rankedSpeaker(at);
    return {
      speakerId,
      ...best,
      marginMm: round(best.marginMm),
      expandedMm: round(best.expandedMm),
      plateMm: round(best.plateMm),
    };
  });
  const ranked = plainRanking(opening, catalogue, LARGE_RULES);
  const plain = ranked.map(({ candidate, judgement, score, plateMm }) => {
    const margin = judgement.checks.find(({ id }) => id === judgement.decidedBy)?.margin;
    return {
      speakerId: candidate.speaker.id,
      layerIds: candidate.layers.map(({ id }) => id),
      verdict: judgement.verdict,
      decidedBy: judgement.decidedBy,
      addedParts: score.addedParts,
      costMinor: score.costMinor,
      marginMm: round(margin?.valueMm),
      expandedMm: round(margin?.expandedMm),
      plateMm: round(plateMm),
    };
  });
  expect(fast).toEqual(plain);
  ranked.forEach(({ judgement }, rank) => {
    const checks = engine.judgementOf(engine.order[rank] as number).checks;
    expect(checks.map(({ id, verdict }) => [id, verdict])).toEqual(
      judgement.checks.map(({ id, verdict }) => [id, verdict]),
    );
  });
  // While a hand moves only the verdicts are asked for, and the stacks of what clears.
  const quick = new FitEngine(index, LARGE_RULES);
  quick.rank(opening, { figures: false });
  const { verdicts, best } = quick.look(catalogue.speakers.length);
  const bySpeaker = new Map(ranked.map(({ candidate, judgement }) => [candidate.speaker.id, judgement.verdict]));
  expect(Array.from(verdicts, (each) => VERDICTS_BY_RANK[each])).toEqual(
    catalogue.speakers.map(({ id }) => bySpeaker.get(id)),
  );
  expect(best.map(({ speakerId }) => speakerId)).toEqual(fast.slice(0, best.length).map(({ speakerId }) => speakerId));
}

describe('says what the plain ranking says', () => {
  const [frontDoor, , rearDoor, , dash, , , kick, , , , deck] = largeVehicle() as FitOpening[];
  test.each([frontDoor, rearDoor, dash, kick, deck].map((opening) => [opening?.label, opening] as const))(
    '%s',
    (_, opening) => {
      if (!opening) throw new Error('expected an opening');
      const engine = new FitEngine(index, LARGE_RULES);
      engine.rank(opening);
      compare(engine, opening);
    },
  );

  test('after every kind of change, on an engine that has ranked before', () => {
    if (!frontDoor?.frontGap) throw new Error('expected a door with a front gap');
    const engine = new FitEngine(index, LARGE_RULES);
    engine.rank(frontDoor);
    const moved = (valueMm: number) =>
      ({ valueMm, uncertaintyMm: 0.3, degreesOfFreedom: 4, origin: 'takenHere' }) as const;
    const changes: readonly FitOpening[] = [
      { ...frontDoor, depths: frontDoor.depths.map((each) => ({ ...each, depth: moved(each.depth.valueMm - 3) })) },
      { ...frontDoor, hole: { kind: 'circle', diameter: moved(139) } },
      { ...frontDoor, hole: { kind: 'oval', length: moved(152), width: moved(141) } },
      { ...frontDoor, frontGap: moved(17) },
      { ...frontDoor, obstacles: frontDoor.obstacles.map((each) => ({ ...each, depth: moved(45) })) },
      { ...frontDoor, obstacles: [] },
      { ...frontDoor, bore: { depth: moved(25), inside: moved(146) } },
      { ...frontDoor, proudLooked: false, proud: [stud(88, moved(4)), stud(-80, moved(9))] },
      { ...frontDoor, lowerEdge: moved(35) },
      { ...frontDoor, bolts: kick?.bolts ?? null },
      { ...frontDoor, hole: { kind: 'circle', diameter: null }, depths: [], frontGap: null },
      { ...frontDoor, bolts: null },
      { ...frontDoor, wiring: { kind: 'noWires' }, secondPlug: 'warning' },
      frontDoor,
    ];
    for (const opening of changes) {
      engine.rank(opening);
      compare(engine, opening);
    }
  });

  test('where a shoulder that is not sure decides whether the body passes', () => {
    const many = largeCatalogue({ speakers: 400, brackets: 120, seed: 5 });
    const some = { ...many, speakers: many.speakers.slice(264, 280) };
    if (!kick) throw new Error('expected a kick panel');
    const engine = new FitEngine(new CatalogueIndex(some), LARGE_RULES);
    engine.rank(kick);
    const fast = Array.from(engine.order, (at) => engine.rankedSpeaker(at));
    const plain = plainRanking(kick, some, LARGE_RULES);
    expect(fast.map(({ speakerId, best }) => [speakerId, best.layerIds, best.decidedBy])).toEqual(
      plain.map(({ candidate, judgement }) => [
        candidate.speaker.id,
        candidate.layers.map(({ id }) => id),
        judgement.decidedBy,
      ]),
    );
  });

  test('speakers with terminals and boxes behind the door', () => {
    if (!frontDoor) throw new Error('expected a door');
    const boxed = {
      ...catalogue,
      // The plain ranking takes a second for each.
      speakers: catalogue.speakers.slice(0, 4).map((speaker, at) => ({
        ...speaker,
        boxes:
          at % 2 === 0
            ? [{ label: 'tab', live: true, angleRad: 1, innerMm: 40, outerMm: 70, widthMm: 12, fromMm: 18, toMm: 26 }]
            : [],
      })),
    };
    const opening: FitOpening = {
      ...frontDoor,
      obstacles: frontDoor.obstacles.map((each) => ({
        ...each,
        shape: { kind: 'box' as const, lengthMm: 300, widthMm: 30, thicknessMm: 20 },
      })),
    };
    const engine = new FitEngine(new CatalogueIndex(boxed), LARGE_RULES);
    engine.rank(opening);
    const plain = plainRanking(opening, boxed, LARGE_RULES);
    expect(Array.from(engine.order, (at) => engine.rankedSpeaker(at).speakerId)).toEqual(
      plain.map(({ candidate }) => candidate.speaker.id),
    );
    expect(Array.from(engine.order, (at) => engine.rankedSpeaker(at).best.verdict)).toEqual(
      plain.map(({ judgement }) => judgement.verdict),
    );
  });
});
