/** Depths and gaps that were read from what stands in front of the metal: sums worked out by hand, errors in common against draws. */
import { describe, expect, test } from '@jest/globals';
import { judgeCandidate } from '../fit/judgeCandidate';
import { sheetFit } from '../fit/layout/sheetFit';
import { seededRandom } from '../math/seededRandom';
import { RULES, speaker } from '../testing/shapes';
import { plusShared, rectangular, wholeUncertaintyMm } from '../uncertainty/Dimension';
import { INWARDS, rereadFromMetal } from './faces';
import type { Face, Measurement } from './measurement';
import { type OpeningRecord, openingRecordSchema } from './opening';
import { SOURCE_HALF_WIDTHS_MM, type SourceId } from './source';
import { toFitOpening } from './toFitOpening';

const read = (mm: number, from: Face = 'metal', source: SourceId = 'depthStick'): Measurement => ({
  readingsMm: [mm],
  source,
  entered: String(mm),
  takenBy: null,
  takenAt: null,
  ...(from === 'metal' ? {} : { from }),
});
const { from: _, ...mount } = read(6, 'metal', 'calliper');
const door = (changes: object) => ({
  place: 'frontDoorLow',
  side: 'left',
  nominalSize: '6.5 in',
  holeKind: 'circle',
  bolts: { kind: 'circle', count: 4, firstAngleDeg: 45, screwDiameterMm: 4 },
  fixing: 'screws',
  behind: 'metal',
  wiring: { kind: 'connector', connectorId: 'plug' },
  secondPlug: 'none',
  note: '',
  ...changes,
});
const DIMENSIONS = {
  holeDiameter: read(150, 'metal', 'calliper'),
  boltCircle: read(156, 'metal', 'calliper'),
  depthBehind: read(76, 'oldMount'),
  depthTop: read(76, 'oldMount'),
  depthBottom: read(76, 'oldMount'),
  frontGap: read(20, 'oldMount'),
};
const record: OpeningRecord = openingRecordSchema.parse(
  door({ dimensions: DIMENSIONS, faces: { oldMount: mount, keptRing: null } }),
);
const opening = toFitOpening(record, SOURCE_HALF_WIDTHS_MM, (id) => id);
const { checks } = judgeCandidate(opening, { speaker: speaker(), layers: [] }, [], RULES);
const marginOf = (id: string) => {
  const margin = checks.find((check) => check.id === id)?.margin;
  if (!margin) throw new Error(`expected a margin at ${id}`);
  return margin;
};
const countOf = (id: string, name: string) =>
  marginOf(id).terms.reduce((sum, term) => (term.name === name ? sum + term.sensitivity : sum), 0);

describe('read from the old mount, 6 in front of the metal', () => {
  test('the depth is what was read less the mount, the gap what was read and the mount', () => {
    expect(opening.depths.map(({ depth }) => depth.valueMm)).toEqual([70, 70, 70]);
    expect(opening.frontGap?.valueMm).toBe(26);
    // 60 of body and 4 of clearance; 4 of flange, 8 in front and 3 of clearance.
    expect(marginOf('depth').valueMm).toBeCloseTo(70 - 60 - 4, 6);
    expect(marginOf('front').valueMm).toBeCloseTo(26 - 4 - 8 - 3, 9);
  });

  test('the mount’s error is one error: three depths do not average it away, and it helps the front where it hurts the depth', () => {
    expect(countOf('depth', 'face.oldMount')).toBeCloseTo(-1, 6);
    expect(countOf('front', 'face.oldMount')).toBeCloseTo(1, 9);
    expect(countOf('depth', 'instrument.calliper')).toBeCloseTo(-1, 6);
    expect(countOf('depth', 'instrument.depthStick')).toBeCloseTo(1, 6);
  });

  test('the sheet neither leans nor bends by what its readings have in common', () => {
    const { terms } = sheetFit(opening) ?? { terms: [] };
    for (const column of [1, 2, 3]) {
      const gain = terms.reduce(
        (sum, { dimension, gains }) =>
          sum +
          (gains[column] as number) *
            (dimension.shared ?? []).reduce((by, each) => (each.name === 'face.oldMount' ? by + each.by : by), 0),
        0,
      );
      expect(gain).toBeCloseTo(0, 6);
    }
  });

  test('read with the same stick as the depth, the stick’s own error falls out', () => {
    const { from, ...byStick } = read(6);
    const same = toFitOpening(
      { ...record, faces: { oldMount: byStick, keptRing: null } },
      SOURCE_HALF_WIDTHS_MM,
      (id) => id,
    );
    expect(same.depths[0]?.depth.shared?.map(({ name }) => name)).toEqual(['face.oldMount']);
    // The gap has it twice.
    expect(same.frontGap?.shared?.find(({ name }) => name === 'instrument.depthStick')?.by).toBe(2);
  });
});

test('a reading from something nobody has measured is refused at its field; so is a hole that is read from a face', () => {
  const noHeight = openingRecordSchema.safeParse(door({ dimensions: DIMENSIONS }));
  expect(noHeight.error?.issues).toMatchObject([
    { path: ['faces', 'oldMount'], message: expect.stringContaining('how far that stands in front of the metal') },
  ]);
  const wrongKey = openingRecordSchema.safeParse(
    door({ dimensions: { holeDiameter: read(150, 'oldMount') }, faces: { oldMount: mount, keptRing: null } }),
  );
  expect(wrongKey.error?.issues).toMatchObject([{ path: ['dimensions', 'holeDiameter', 'from'] }]);
  const tooFar = door({ dimensions: {}, faces: { oldMount: { ...mount, readingsMm: [600] }, keptRing: null } });
  expect(openingRecordSchema.safeParse(tooFar).error?.issues[0]?.path).toEqual(['faces', 'oldMount', 'readingsMm', 0]);
});

test('layers in front have names of their own, and a cut-out is read from no face', () => {
  const card = { id: 'card', label: 'door card', kind: 'card', gap: read(12), inside: null };
  const twice = openingRecordSchema.safeParse(door({ dimensions: {}, front: [card, { ...card, label: 'another' }] }));
  expect(twice.error?.issues).toMatchObject([{ path: ['front', 1, 'id'] }]);
  const inside = read(150, 'oldMount');
  const fromFace = door({ dimensions: {}, front: [{ ...card, inside }], faces: { oldMount: mount, keptRing: null } });
  expect(openingRecordSchema.safeParse(fromFace).error?.issues[0]?.path).toEqual(['front', 0, 'inside']);
});

test('a record without faces is read as ever, and is what it was', () => {
  const plain = openingRecordSchema.parse(door({ dimensions: { depthBehind: read(70) } }));
  expect(plain.faces).toEqual({ keptRing: null, oldMount: null });
  expect(plain.dimensions.depthBehind).toEqual(read(70));
});

test('for another side a reading is told as from the metal', () => {
  const { faces } = record;
  expect(rereadFromMetal(read(76, 'oldMount'), faces, INWARDS)).toEqual({ ...read(70), entered: '70 mm' });
  expect(rereadFromMetal(read(76), faces, INWARDS)).toEqual(read(76));
});

test('sum and doubt of a reading and a face are those of draws', () => {
  const [stick, face] = [rectangular(76, 1, 'takenHere'), rectangular(6, 0.4, 'takenHere')];
  const depth = plusShared(stick, face, -1, 'face.keptRing');
  const random = seededRandom(7);
  const draws = Array.from({ length: 40_000 }, () => 76 + (2 * random() - 1) - (6 + 0.4 * (2 * random() - 1)));
  const mean = draws.reduce((sum, each) => sum + each, 0) / draws.length;
  const deviation = Math.sqrt(draws.reduce((sum, each) => sum + (each - mean) ** 2, 0) / draws.length);
  expect(depth.valueMm).toBeCloseTo(mean, 1);
  expect(wholeUncertaintyMm(depth)).toBeCloseTo(deviation, 2);
});
