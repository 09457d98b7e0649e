/** The opening with nothing in it yet: section and face with every dimension that is asked for, the focused one lit. */
import type { FitOpening, OpeningDimensionKey } from '@low-quarry/core/fit';
import { sheetFit } from '@low-quarry/core/fit';
import { patternDimensions } from '@low-quarry/core/geometry';
import {
  type OpeningRecord,
  readingHalfWidthsMm,
  type ShopSettings,
  toFitOpening,
  toFitRules,
} from '@low-quarry/core/model';
import type { Dimension } from '@low-quarry/core/uncertainty';
import type { LengthUnit } from '@low-quarry/core/units';
import { printNumber } from '@low-quarry/core/units';
import { useMemo } from 'react';
import { DimensionLine, ExtensionLine, type Point } from '../../drawing/DimensionLine';
import { FaceDrawing } from '../../drawing/FaceDrawing';
import { SectionDrawing } from '../../drawing/SectionDrawing';
import { sectionGeometry } from '../../drawing/sectionGeometry';

type OpeningDrawingProps = {
  readonly record: OpeningRecord;
  readonly shop: ShopSettings;
  readonly unit: LengthUnit;
  readonly lit: OpeningDimensionKey | null;
};

/** Stand-ins for what nobody has measured, so that there is something to point at. */
const UNKNOWN_DEPTH_MM = 65;
const UNKNOWN_GAP_MM = 22;
const UNKNOWN_BOLTS_MM = 140;

/** Where along its line a number stands clear of the lines that cross. */
const TEXT_AT: Partial<Record<OpeningDimensionKey, number>> = {
  holeDiameter: 0.7,
  holeLength: 0.7,
  boltCircle: 0.32,
  holeWidth: 0.7,
  depthBehind: 0.62,
};

export function OpeningDrawing({ record, shop, unit, lit }: OpeningDrawingProps) {
  const opening = useMemo(() => toFitOpening(record, readingHalfWidthsMm(shop), (id) => id), [record, shop]);
  const centre = opening.depths.find(({ key }) => key === 'depthBehind') ?? null;
  const standIn = { key: 'depthBehind', xMm: 0, yMm: 0, depth: unknown(UNKNOWN_DEPTH_MM) };
  const drawn = {
    ...opening,
    depths: opening.depths.length > 0 ? opening.depths : [standIn],
    frontGap: opening.frontGap ?? (opening.made ? null : unknown(UNKNOWN_GAP_MM)),
  };
  const section = sectionGeometry(drawn, null, null, toFitRules(shop));
  const depthMm = sheetFit(drawn)?.sheet.c0 ?? UNKNOWN_DEPTH_MM;
  const text = (dimension: Dimension | null) => (dimension ? printNumber(dimension.valueMm, unit) : '?');
  const colour = (key: OpeningDimensionKey, dimension: Dimension | null) =>
    lit === key ? 'text-action' : dimension ? 'text-ink' : 'text-measure';
  const { hole } = opening;
  const half = section.wall.upper.inner;
  const holeX = Math.max(10, depthMm * 0.25);
  const [upright, uprightKey] = uprightDimension(opening);
  const line: Line = (key, dimension, from, to) => (
    <DimensionLine
      key={key}
      from={from}
      to={to}
      text={text(dimension)}
      colour={colour(key, dimension)}
      lit={lit === key}
      textAt={TEXT_AT[key] ?? 0.5}
    />
  );
  return (
    <div className="grid grid-cols-2 items-end gap-4 sm:grid-cols-[3fr_4fr]">
      <SectionDrawing
        section={section}
        unit={unit}
        lit={null}
        maxHeightPx={320}
        label="Section of the opening with its dimensions"
      >
        {opening.behind !== 'nothing' &&
          line('depthBehind', centre?.depth ?? null, { x: 0, y: 0 }, { x: depthMm, y: 0 })}
        {drawn.frontGap &&
          line('frontGap', opening.frontGap, { x: 0, y: half * 0.5 }, { x: -drawn.frontGap.valueMm, y: half * 0.5 })}
        <ExtensionLine from={{ x: 0, y: -half }} to={{ x: 0, y: half }} />
        {opening.behind !== 'nothing' &&
          opening.depths
            .filter(({ key, xMm }) => key !== 'depthBehind' && Math.abs(xMm) < 1)
            .map(({ key, yMm, depth }) =>
              line(key as OpeningDimensionKey, depth, { x: 0, y: -yMm }, { x: depth.valueMm, y: -yMm }),
            )}
        {uprightKey && line(uprightKey, upright, { x: holeX, y: -half }, { x: holeX, y: half })}
        <ExtensionLine from={{ x: 0, y: -half }} to={{ x: holeX, y: -half }} />
        <ExtensionLine from={{ x: 0, y: half }} to={{ x: holeX, y: half }} />
      </SectionDrawing>
      <FaceDrawing
        opening={hole.kind === 'circle' && !hole.diameter ? withDrawnHole(opening) : opening}
        candidate={null}
        mount={null}
        plane={null}
        maxHeightPx={320}
        lit={false}
        label="Face of the opening with its dimensions"
      >
        {(hole.kind === 'oval' || hole.kind === 'roundedRectangle') && (
          <HoleDimensions hole={hole} turnRad={opening.holeRad} line={line} />
        )}
        <BoltDimensions opening={opening} line={line} />
      </FaceDrawing>
    </div>
  );
}

/** What the upright section shows of the hole: a circle's diameter, the width of what lies level; of what is turned, neither. */
function uprightDimension({
  hole,
  holeRad,
}: Pick<FitOpening, 'hole' | 'holeRad'>): readonly [Dimension | null, OpeningDimensionKey | null] {
  if (hole.kind === 'circle') return [hole.diameter, 'holeDiameter'];
  return hole.kind === 'polygon' || holeRad !== 0 ? [null, null] : [hole.width, 'holeWidth'];
}

/** A place of the drawing, whose y runs down, turned with the hole. */
function turned({ x, y }: Point, turnRad: number): Point {
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  return { x: x * cos + y * sin, y: y * cos - x * sin };
}

type Line = (key: OpeningDimensionKey, dimension: Dimension | null, from: Point, to: Point) => React.ReactNode;

/** The length, and the width too where the section does not show it. */
function HoleDimensions({
  hole: { length, width },
  turnRad,
  line,
}: {
  readonly hole: Extract<FitOpening['hole'], { kind: 'oval' | 'roundedRectangle' }>;
  readonly turnRad: number;
  readonly line: Line;
}) {
  const [halfLength, halfWidth] = [length, width].map((each) => (each?.valueMm ?? UNKNOWN_BOLTS_MM) / 2) as [
    number,
    number,
  ];
  const at = (x: number, y: number) => turned({ x, y }, turnRad);
  return (
    <>
      {line('holeLength', length, at(-halfLength, halfWidth * 0.3), at(halfLength, halfWidth * 0.3))}
      {turnRad !== 0 && line('holeWidth', width, at(halfLength * 0.3, -halfWidth), at(halfLength * 0.3, halfWidth))}
    </>
  );
}

function BoltDimensions({ opening, line }: { readonly opening: FitOpening; readonly line: Line }) {
  if (!opening.bolts && opening.boltsMissing.length === 0) return null;
  if (!opening.bolts)
    return line(
      'boltCircle',
      null,
      { x: -UNKNOWN_BOLTS_MM / 2, y: UNKNOWN_BOLTS_MM * 0.3 },
      { x: UNKNOWN_BOLTS_MM / 2, y: UNKNOWN_BOLTS_MM * 0.3 },
    );
  const [first, second] = patternDimensions(opening.bolts.shape);
  if (!first || opening.bolts.shape.kind === 'free') return null;
  if (second && opening.bolts.shape.kind === 'rectangle') {
    const { turnRad = 0 } = opening.bolts.shape;
    const at = (x: number, y: number) => turned({ x, y }, turnRad);
    const [width, height] = [first.dimension.valueMm / 2, second.dimension.valueMm / 2];
    return (
      <>
        {line('boltWidth', first.dimension, at(-width, -height), at(width, -height))}
        {line('boltHeight', second.dimension, at(width, -height), at(width, height))}
      </>
    );
  }
  const radius = first.dimension.valueMm / 2;
  const angle = -Math.PI / 6;
  const end = { x: radius * Math.cos(angle), y: -radius * Math.sin(angle) };
  return (
    <>
      <circle r={radius} fill="none" className="stroke-muted" strokeWidth="0.4" strokeDasharray="6 2 1 2" />
      {line('boltCircle', first.dimension, { x: -end.x, y: -end.y }, end)}
    </>
  );
}

function unknown(valueMm: number): Dimension {
  return { valueMm, uncertaintyMm: 0, degreesOfFreedom: null, origin: 'guess' };
}

function withDrawnHole(opening: FitOpening): FitOpening {
  return { ...opening, hole: { kind: 'circle', diameter: unknown(120) } };
}
