/** "Turn it" is told where only that would help: a terminal on a beam, and screws that allow no other turn. */
import { expect, test } from '@jest/globals';
import { exact, opening, RULES, rodAt, speaker, unevenPattern } from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { Candidate, FitOpening } from '../shapes';
import { withWork } from '../work/withWork';
import { nearMisses } from './nearMisses';

const BEAM = rodAt({ xMm: 64, yMm: 0, depth: exact(40), diameterMm: 20, angleRad: Math.PI / 2 });
const box = { label: 'plug', live: false, angleRad: 0, innerMm: 40, outerMm: 70, widthMm: 12, fromMm: 36, toMm: 44 };
const what: Candidate = {
  speaker: speaker({
    boxes: [box],
    bolts: unevenPattern(84, 5),
    basket: { kind: 'circle', diameter: exact(132) },
    flange: { kind: 'circle', diameter: exact(180) },
    magnetDiameter: exact(70),
    profile: [
      { depthMm: 0, lengthMm: 132, widthMm: 132 },
      { depthMm: 12, lengthMm: 132, widthMm: 132 },
      { depthMm: 20, lengthMm: 80, widthMm: 80 },
      { depthMm: 60, lengthMm: 70, widthMm: 70 },
    ],
  }),
  layers: [],
};
const door = (changes: Partial<FitOpening> = {}) =>
  opening({
    bolts: unevenPattern(84, 4),
    obstacles: [BEAM],
    depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: exact(90) }],
    ...changes,
  });
const catalogue = { speakers: [], brackets: [], spacers: [], adapters: [] };
const harness: [] = [];
const turns = (at: FitOpening) =>
  nearMisses(at, what, catalogue, harness, RULES).flatMap((each) => (each.kind === 'byHand' ? [each.works] : []));

test('turned on new holes the plug clears the beam, and nothing less helps', () => {
  const at = door();
  const now = judgeCandidate(at, what, [], RULES).checks.filter(({ verdict }) => verdict === 'hits');
  expect(now.map(({ id }) => id)).toEqual(['obstacles']);
  const [works] = turns(at);
  expect(works).toMatchObject([{ kind: 'drill', kept: [] }]);
  const [drill] = works ?? [];
  if (drill?.kind !== 'drill') throw new Error('expected new holes');
  expect(drill.holes).toHaveLength(3);
  expect(Math.abs(drill.turnedRad)).toBeGreaterThan(0.2);
  const done = withWork(at, what, [drill], RULES);
  if (!done.ok) throw new Error(done.failure);
  const after = judgeCandidate(done.value.opening, done.value.candidate, [], RULES);
  expect(after.checks.filter(({ verdict }) => verdict === 'hits')).toEqual([]);
});

test('not where an airbag may sit, and not for what is the same at every turn', () => {
  expect(turns(door({ airbag: 'notLooked' }))).toEqual([]);
  const round = { ...what, speaker: { ...what.speaker, boxes: [], magnetDiameter: exact(140) } };
  expect(nearMisses(door(), round, catalogue, harness, RULES)).toEqual([]);
});
