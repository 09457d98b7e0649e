import { expect, test } from '@jest/globals';
import { CAR_WORKS, WORK_FACTS, type Work } from './Work';
import { effortWords, workWords } from './workWords';

const PLATE: Work = {
  kind: 'cutPlate',
  thicknessMm: 9,
  throatMm: { length: 144, width: 144 },
  outsideMm: 190,
  turnRad: Math.PI / 12,
  isSunk: true,
  vehicleHoles: 3,
  speakerHoles: 4,
};

test.each<[Work, string]>([
  [{ kind: 'drill', holes: [{ xMm: 62.2, yMm: -62.2 }], kept: [0, 2], turnedRad: 0 }, 'Drill 1 new hole in the car'],
  [{ kind: 'drill', holes: [{ xMm: 62.2, yMm: -62.2 }], kept: [0, 2], turnedRad: 0 }, '62.2 mm across, −62.2 mm up'],
  [
    { kind: 'drill', holes: [{ xMm: 62.2, yMm: -62.2 }], kept: [], turnedRad: -0.5236 },
    'Turn it by 30° clockwise. Drill 1 new',
  ],
  [{ kind: 'cutCloth', byMm: 2 }, '2 mm are missing there and nowhere else'],
  [{ kind: 'cutCloth', byMm: -0.3 }, 'there and nowhere else it is too near to be sure'],
  [{ kind: 'cutNotch', notchesRad: [1] }, 'where the plug comes from.'],
  [{ kind: 'thinRing', byMm: 1.5 }, 'Take 1.5 mm off the thickest ring.'],
  [{ kind: 'fileThroat', byMm: 1 }, 'File the bracket’s throat by 1 mm all round.'],
  [{ kind: 'fileHole', byMm: 1.5 }, 'File the hole in the car by 1.5 mm all round, and paint a bare edge.'],
  [{ kind: 'bendLugs' }, 'Bend the terminals'],
  [{ kind: 'grind', ids: ['weld-bead', 'stud'] }, 'Grind off what stands proud (weld bead, stud), and paint'],
  [{ kind: 'cutLugs', byMm: 2 }, 'Cut 2 mm off the ends of the terminals.'],
  [
    PLATE,
    'Cut a plate from 9 mm sheet, or look for a bracket like it: 190 mm outside, a throat of 144 mm, the car’s 3 holes and the speaker’s 4, turned by 15°. The car’s screws are sunk under the flange.',
  ],
])('%j', (work, says) => {
  expect(workWords(work, 'mm')).toContain(says);
});

test('lengths are in the unit that is asked for', () => {
  expect(workWords({ kind: 'fileHole', byMm: 25.4 / 16 }, 'in')).toContain('by 1/16 in all round');
});

test('minutes count each hole; what is done to the car says that it cannot be undone', () => {
  const holes = [1, 2].map((xMm) => ({ xMm, yMm: 0 }));
  expect(effortWords({ kind: 'drill', holes, kept: [], turnedRad: 0 })).toBe(
    'About 20 minutes a side; it cannot be undone: the car is changed. The first dry fit shows whether the flange lies flat over the new screws.',
  );
  expect(effortWords({ kind: 'cutNotch', notchesRad: [] })).toContain('About 5 minutes a side');
});

test('just what is told to change the car for good is work on the car, which needs a consent', () => {
  const told = Object.entries(WORK_FACTS).flatMap(([kind, { undone }]) =>
    undone.includes('the car is changed') ? [kind] : [],
  );
  expect(told.sort()).toEqual([...CAR_WORKS].sort());
});
