/** Every change that is advised is made, in seeded openings, and judged anew: it clears. */
import { expect, test } from '@jest/globals';
import type { BoltPattern } from '../../geometry/BoltPattern';
import { mapOutline } from '../../geometry/Outline';
import { seededRandom } from '../../math/seededRandom';
import { fuzzed, fuzzedFrom } from '../../testing/fuzzed';
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
  unevenPattern,
  within,
} from '../../testing/shapes';
import type { Dimension } from '../../uncertainty/Dimension';
import { judgeCandidate } from '../judgeCandidate';
import { openingShape } from '../layout/OpeningShape';
import { speakerShape } from '../layout/SpeakerShape';
import { plateRoomMm } from '../search/plateRoom';
import type { BodyBox, Candidate, FitCatalogue, FitLayer, FitOpening, FitRules, ProudThing } from '../shapes';
import { plateFrom } from '../work/ownPlate';
import { CLOTH_MM, WORK_FACTS, type Work } from '../work/Work';
import { withWork } from '../work/withWork';
import { nearMisses } from './nearMisses';

const OPENINGS = fuzzed(80).numRuns;
const SHOP: FitRules = {
  ...RULES,
  stock: [9, 15].map((thicknessMm) => ({ thicknessMm, halfWidthMm: 0.3, ringCostMinor: 1500 })),
};
const random = seededRandom(fuzzedFrom(21));
const between = (low: number, high: number) => low + (high - low) * random();

const THROAT = { kind: 'circle', diameter: exact(152) } as const;

const catalogue: FitCatalogue = {
  speakers: [],
  brackets: [
    ...[6, 12].map((mm) => bracket({ id: `bracket-${mm}`, height: within(mm, 0.3), throat: THROAT })),
    bracket({
      id: 'other',
      vehicleBolts: unevenPattern(80, 6),
      throat: THROAT,
      plate: { kind: 'circle', diameter: exact(180) },
    }),
  ],
  spacers: [3, 6, 9, 18].map((mm) => spacer(mm, { height: within(mm, 0.3) })),
  adapters: [adapter()],
};
const small = candidate({ speaker: speaker({ id: 'small', mountingDepth: within(38, 0.5) }) });

function stud(): ProudThing {
  const height = within(between(2, 9), 0.2);
  return { id: 'stud', label: 'stud', xMm: 78, yMm: 0, placeX: exact(0), placeY: exact(0), diameterMm: 6, height };
}

function anyOpening(): FitOpening {
  return opening({
    depths: depthAt(within(between(40, 80), 1)),
    frontGap: within(between(8, 40), 1),
    hole: { kind: 'circle', diameter: random() < 0.3 ? within(between(140, 146), 0.2) : exact(150) },
    bolts: random() < 0.3 ? circlePattern(3, within(176, 0.2), 4) : circlePattern(4, within(between(154, 166), 0.2), 4),
    material: random() < 0.5 ? 'plastic' : 'sheetSteel',
    proud: random() < 0.15 ? [stud()] : [],
  });
}

/** A terminal that may stand out beyond the hole it passes, or against the metal's edge. */
function terminal(): BodyBox {
  return {
    label: 'terminal',
    live: true,
    angleRad: between(0, 6),
    innerMm: 52,
    outerMm: between(62, 78),
    widthMm: 10,
    fromMm: 14,
    toMm: 16,
  };
}

function anyCandidate(): Candidate {
  const mountingDepth = within(between(45, 66), 0.5);
  if (random() < 0.25)
    return candidate({
      speaker: speaker({
        mountingDepth: within(45, 0.5),
        boxes: [terminal()],
        bolts: circlePattern(4, within(156, 0.3), 5.5),
      }),
    });
  return random() < 0.3
    ? candidate({
        speaker: speaker({
          mountingDepth,
          bolts: circlePattern(4, within(176, 0.3), 5),
          flange: { kind: 'circle', diameter: exact(190) },
        }),
      })
    : candidate({ speaker: speaker({ mountingDepth, bolts: circlePattern(4, within(156, 0.3), 5.5) }) });
}

/** On a bracket of its own, that no catalogue has: its throat may be tight, its notch point elsewhere, a ring stand under it. */
function onBracket(): readonly [FitOpening, Candidate] {
  const own = bracket({
    id: 'own',
    vehicleBolts: unevenPattern(80, 6),
    height: within(6, 0.2),
    throat: { kind: 'circle', diameter: within(random() < 0.5 ? between(138, 144) : 152, 0.1) },
    plate: { kind: 'circle', diameter: exact(180) },
    notchRad: random() < 0.5 ? between(0, 6) : null,
  });
  const ring = random() < 0.5 ? { spacer: spacer(9, { height: within(between(7, 12), 0.1) }) } : {};
  const what = speaker({ mountingDepth: within(45, 0.5), bolts: circlePattern(4, within(156, 0.3), 5.5) });
  const at = opening({
    depths: depthAt(within(70, 1)),
    frontGap: within(between(20, 40), 0.4),
    bolts: unevenPattern(80, 4),
    plugRad: random() < 0.5 ? between(0, 6) : null,
  });
  return [at, candidate({ speaker: what, brackets: [own], ...ring })];
}

/** With the hand's work done, of which this knows nothing but the words: written apart from `withWork`. */
function afterwards(at: FitOpening, what: Candidate, works: readonly Work[]): readonly [FitOpening, Candidate] {
  return works.reduce(([before, with_], work) => [openingAfter(before, with_, work), partsAfter(before, with_, work)], [
    at,
    what,
  ] as readonly [FitOpening, Candidate]);
}

function openingAfter(at: FitOpening, { speaker: what }: Candidate, work: Work): FitOpening {
  if (work.kind === 'cutCloth') {
    const mm = CLOTH_MM + SHOP.clearancesMm.front;
    return { ...at, frontGap: longer(at.frontGap, mm) };
  }
  if (work.kind === 'fileHole') return { ...at, hole: mapOutline(at.hole, (length) => longer(length, 2 * work.byMm)) };
  if (work.kind === 'grind') return { ...at, proud: [] };
  if (work.kind !== 'drill' || !at.bolts) return at;
  // Drilled after the part that is held against the metal: its holes are where the part's are.
  return { ...at, bolts: { ...at.bolts, shape: exactShape(what.bolts.shape) } };
}

function partsAfter(at: FitOpening, { speaker: what, layers }: Candidate, work: Work): Candidate {
  switch (work.kind) {
    case 'drill':
      return { layers, speaker: { ...what, bolts: { ...what.bolts, shape: exactShape(what.bolts.shape) } } };
    case 'fileThroat':
      return { speaker: what, layers: layers.map((layer) => filedThroat(layer, work.byMm)) };
    case 'thinRing': {
      const most = Math.max(...layers.map((layer) => (layer.kind === 'spacer' ? layer.height.valueMm : 0)));
      const isThickest = (layer: FitLayer) => layer.kind === 'spacer' && layer.height.valueMm === most;
      return {
        speaker: what,
        layers: layers.map((layer) =>
          isThickest(layer) ? { ...layer, height: longer(layer.height, -work.byMm) } : layer,
        ),
      };
    }
    case 'cutNotch': {
      const { places } = judgeCandidate(at, { speaker: what, layers }, [adapter()], SHOP).mount.placement;
      return {
        speaker: what,
        layers: layers.map((layer) => newNotch(layer, (at.plugRad ?? 0) - (places[0]?.angleRad ?? 0))),
      };
    }
    case 'cutPlate': {
      const plate = plateFrom(at, what, work, SHOP);
      if (!plate) throw new Error('expected a plate of sheet that is in stock');
      return { speaker: what, layers: [plate] };
    }
    case 'bendLugs':
      return {
        layers,
        speaker: {
          ...what,
          boxes: what.boxes.map((box) => ({
            ...box,
            outerMm: box.innerMm + box.toMm - box.fromMm,
            toMm: box.fromMm + box.outerMm - box.innerMm,
          })),
        },
      };
    case 'cutLugs':
      return {
        layers,
        speaker: { ...what, boxes: what.boxes.map((box) => ({ ...box, outerMm: box.outerMm - work.byMm })) },
      };
    default:
      return { speaker: what, layers };
  }
}

function longer<Length extends Dimension | null>(length: Length, byMm: number): Length {
  return length && { ...length, valueMm: length.valueMm + byMm };
}

function filedThroat(layer: FitLayer, byMm: number): FitLayer {
  if (layer.kind !== 'bracket' || layer.throat.kind !== 'circle') return layer;
  return { ...layer, throat: { kind: 'circle', diameter: longer(layer.throat.diameter, 2 * byMm) } };
}

function newNotch(layer: FitLayer, notchRad: number): FitLayer {
  return layer.kind === 'bracket' ? { ...layer, notchRad } : layer;
}

function exactShape(shape: BoltPattern['shape']): BoltPattern['shape'] {
  return shape.kind === 'circle' ? { ...shape, diameter: exact(shape.diameter.valueMm) } : shape;
}

test('each change, made, clears; every kind of change is advised somewhere, and kinds together', () => {
  const kinds = new Set<string>();
  let together = 0;
  for (let each = 0; each < OPENINGS; each++) {
    const [at, what] = each % 3 === 0 ? onBracket() : [anyOpening(), anyCandidate()];
    for (const advised of nearMisses(at, what, catalogue, [adapter()], SHOP, [small])) {
      const { works } = advised;
      const names = advised.kind === 'byHand' ? works.map(({ kind }) => kind) : [advised.kind];
      expect([each, names, advised.judgement.verdict]).toEqual([each, names, 'clears']);
      const [after, parts] = afterwards(at, advised.candidate, works);
      const judged = judgeCandidate(after, parts, [adapter()], SHOP);
      expect([each, names, judged.verdict, judged.decidedBy]).toEqual([each, names, 'clears', judged.decidedBy]);
      const done = withWork(at, advised.candidate, works, SHOP);
      expect(done.ok && judgeCandidate(done.value.opening, done.value.candidate, [adapter()], SHOP).verdict).toBe(
        'clears',
      );
      // What the list goes by is an upper bound.
      if (names.join() === 'cutPlate')
        expect(plateRoomMm(openingShape(at), speakerShape(what.speaker), SHOP)).toBeGreaterThanOrEqual(0);
      for (const name of names) kinds.add(name);
      if (works.length > 1) together++;
    }
  }
  expect(kinds).toEqual(new Set(['spacer', 'bracket', 'smaller', ...Object.keys(WORK_FACTS)]));
  expect(together).toBeGreaterThan(5);
});
