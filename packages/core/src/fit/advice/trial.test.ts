/** Every change that is advised is made, in 300 seeded openings, and judged anew: it clears. */
import { expect, test } from '@jest/globals';
import type { BoltPattern } from '../../geometry/BoltPattern';
import { seededRandom } from '../../math/seededRandom';
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
import type { Candidate, FitCatalogue, FitOpening } from '../shapes';
import { CLOTH_MM, type NearMiss, nearMisses } from './nearMisses';

const OPENINGS = 300;
const random = seededRandom(21);
const between = (low: number, high: number) => low + (high - low) * random();

const catalogue: FitCatalogue = {
  speakers: [],
  brackets: [6, 12].map((mm) =>
    bracket({ id: `bracket-${mm}`, height: within(mm, 0.3), throat: { kind: 'circle', diameter: exact(152) } }),
  ),
  spacers: [3, 6, 9, 18].map((mm) => spacer(mm, { height: within(mm, 0.3) })),
  adapters: [adapter()],
};
const small = candidate({ speaker: speaker({ id: 'small', mountingDepth: within(38, 0.5) }) });

function anyOpening(): FitOpening {
  return opening({
    depths: depthAt(within(between(40, 80), 1)),
    frontGap: within(between(8, 40), 1),
    bolts: random() < 0.3 ? circlePattern(3, within(176, 0.2), 4) : circlePattern(4, within(between(154, 166), 0.2), 4),
    material: random() < 0.5 ? 'plastic' : 'sheetSteel',
  });
}

function anyCandidate(): Candidate {
  const mountingDepth = within(between(45, 66), 0.5);
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

/** The opening after the hand has done what was advised. */
function changed(at: FitOpening, advised: NearMiss): FitOpening {
  if (advised.kind === 'cutCloth') {
    const mm = CLOTH_MM + RULES.clearancesMm.front;
    return { ...at, frontGap: at.frontGap && { ...at.frontGap, valueMm: at.frontGap.valueMm + mm } };
  }
  if (advised.kind !== 'drill' || !at.bolts) return at;
  // Drilled after the part that is held against the metal: its holes are where the part's are.
  return { ...at, bolts: { ...at.bolts, shape: exactShape(advised.candidate.speaker.bolts.shape) } };
}

function inHand(advised: NearMiss): Candidate {
  if (advised.kind !== 'drill') return advised.candidate;
  const { bolts } = advised.candidate.speaker;
  return {
    ...advised.candidate,
    speaker: { ...advised.candidate.speaker, bolts: { ...bolts, shape: exactShape(bolts.shape) } },
  };
}

function exactShape(shape: BoltPattern['shape']): BoltPattern['shape'] {
  return shape.kind === 'circle' ? { ...shape, diameter: exact(shape.diameter.valueMm) } : shape;
}

test('each change, made, clears; every kind of change is advised somewhere', () => {
  const kinds = new Map<NearMiss['kind'], number>();
  for (let each = 0; each < OPENINGS; each++) {
    const [at, what] = [anyOpening(), anyCandidate()];
    for (const advised of nearMisses(at, what, catalogue, [adapter()], RULES, [small])) {
      const after = judgeCandidate(changed(at, advised), inHand(advised), [adapter()], RULES);
      expect([each, advised.kind, after.verdict, after.decidedBy]).toEqual([
        each,
        advised.kind,
        'clears',
        after.decidedBy,
      ]);
      kinds.set(advised.kind, (kinds.get(advised.kind) ?? 0) + 1);
    }
  }
  expect(new Set(kinds.keys())).toEqual(new Set(['spacer', 'bracket', 'cutCloth', 'drill', 'smaller']));
});
