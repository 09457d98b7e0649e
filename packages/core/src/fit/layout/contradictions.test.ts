import { describe, expect, test } from '@jest/globals';
import { adapter, candidate, circlePattern, exact, opening, RULES, rodAt, spacer, speaker } from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { Candidate, FitOpening } from '../shapes';

const figures = (at: FitOpening, what: Candidate = candidate()) => {
  const found = judgeCandidate(at, what, [adapter()], RULES).checks.find(({ id }) => id === 'figures');
  if (!found) throw new Error('expected the check of the figures');
  return found;
};
const corners = (places: readonly (readonly [number, number])[]) =>
  places.map(([xMm, yMm]) => ({ xMm, yMm, bulgeMm: 0 }));

test('what agrees clears', () => {
  expect(figures(opening())).toMatchObject({ verdict: 'clears', margin: null, missing: [] });
});

describe('an opening that contradicts itself is measured again, with both figures', () => {
  const beam = rodAt({ xMm: 0, yMm: -60, depth: exact(90), diameterMm: 10 });
  test.each<[string, Partial<FitOpening>, string, readonly string[]]>([
    [
      'screws in the hole',
      { bolts: circlePattern(4, exact(124), 4), hole: { kind: 'circle', diameter: exact(130) } },
      'the bolt circle, 124 mm, lies inside the hole, 130 mm',
      ['boltCircle', 'holeDiameter'],
    ],
    [
      'corners rounder than half the hole',
      { hole: { kind: 'roundedRectangle', length: exact(150), width: exact(130), cornerRadiusMm: 90 } },
      'corners of 90 mm do not fit a hole of which half is 65 mm',
      ['holeWidth'],
    ],
    [
      'a trace that crosses itself',
      {
        hole: {
          kind: 'polygon',
          edgeOffset: exact(0),
          corners: corners([
            [70, 70],
            [-70, -70],
            [70, -70],
            [-70, 70],
          ]),
        },
      },
      'the traced edge crosses itself at 0 mm to the right and 0 mm up',
      [],
    ],
    [
      'two obstacles of one name',
      { obstacles: [beam, { ...beam, id: 'other', yMm: 90 }] },
      'two things are called "beam"',
      [],
    ],
  ])('%s', (_, changes, says, missing) => {
    const check = figures(opening(changes));
    expect(check).toMatchObject({ verdict: 'measure', missing });
    expect(check.sentence).toContain(says);
  });
});

describe('a catalogue that contradicts itself is asked about, with both figures', () => {
  const section = (depthMm: number, width: number) => ({ depthMm, lengthMm: width, widthMm: width });
  test.each<[string, Candidate, string]>([
    [
      'a magnet wider than the cutout',
      candidate({ speaker: speaker({ magnetDiameter: exact(150) }) }),
      'the magnet, 150 mm, is wider than the cutout that it has to pass, 142 mm',
    ],
    [
      'a profile deeper than the depth',
      candidate({ speaker: speaker({ profile: [section(0, 142), section(72, 90)] }) }),
      'the sections end 72 mm below the flange, the mounting depth says 60 mm',
    ],
    [
      'a section wider than the cutout',
      candidate({ speaker: speaker({ profile: [section(0, 142), section(20, 150), section(60, 90)] }) }),
      'a section of 150 mm does not pass the cutout of 142 mm',
    ],
    [
      'screws inside the cutout',
      candidate({ speaker: speaker({ bolts: circlePattern(4, exact(120), 5) }) }),
      'screw holes on 120 mm lie inside the cutout of 142 mm',
    ],
    [
      'a ring inside out',
      candidate({ spacer: spacer(6, { outer: { kind: 'circle', diameter: exact(140) } }) }),
      'its outside, 140 mm, is no wider than its hole, 144 mm',
    ],
  ])('%s', (_, what, says) => {
    const check = figures(opening(), what);
    expect(check.verdict).toBe('measure');
    expect(check.sentence).toContain(says);
    expect(check.sentence).toContain('Ask the maker');
  });
});
