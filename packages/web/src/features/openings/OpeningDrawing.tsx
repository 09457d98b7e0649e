/** The opening with nothing in it yet: section and face with every dimension that is asked for, the focused one lit. */
import type { OpeningDimensionKey } from '@low-quarry/core/fit/Check';
import type { FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { patternDimensions } from '@low-quarry/core/geometry/BoltPattern';
import { extents } from '@low-quarry/core/geometry/Outline';
import type { Dimension } from '@low-quarry/core/uncertainty/Dimension';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { printNumber } from '@low-quarry/core/units/printLength';
import { DimensionLine, ExtensionLine, type Point } from '../../drawing/DimensionLine';
import { FaceDrawing } from '../../drawing/FaceDrawing';
import { SectionDrawing } from '../../drawing/SectionDrawing';
import { sectionGeometry } from '../../drawing/sectionGeometry';

type OpeningDrawingProps = {
  readonly opening: FitOpening;
  readonly rules: FitRules;
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
  depthBehind: 0.62,
};

export function OpeningDrawing({ opening, rules, unit, lit }: OpeningDrawingProps) {
  const drawn = {
    ...opening,
    depthBehind: opening.depthBehind ?? unknown(UNKNOWN_DEPTH_MM),
    frontGap: opening.frontGap ?? unknown(UNKNOWN_GAP_MM),
  };
  const section = sectionGeometry(drawn, null, null, rules);
  const text = (dimension: Dimension | null) => (dimension ? printNumber(dimension.valueMm, unit) : '?');
  const colour = (key: OpeningDimensionKey, dimension: Dimension | null) =>
    lit === key ? 'text-action' : dimension ? 'text-ink' : 'text-measure';
  const hole = extents(opening.hole);
  const half = section.holeHalf;
  const holeX = Math.max(10, drawn.depthBehind.valueMm * 0.25);
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
  const holeKey = opening.hole.kind === 'circle' ? 'holeDiameter' : 'holeLength';
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
          line(
            'depthBehind',
            opening.depthBehind,
            { x: 0, y: -half * 0.45 },
            { x: drawn.depthBehind.valueMm, y: -half * 0.45 },
          )}
        {line('frontGap', opening.frontGap, { x: 0, y: half * 0.5 }, { x: -drawn.frontGap.valueMm, y: half * 0.5 })}
        <ExtensionLine from={{ x: 0, y: -half }} to={{ x: 0, y: half }} />
        {line(holeKey, hole.length, { x: holeX, y: -half }, { x: holeX, y: half })}
        <ExtensionLine from={{ x: 0, y: -half }} to={{ x: holeX, y: -half }} />
        <ExtensionLine from={{ x: 0, y: half }} to={{ x: holeX, y: half }} />
      </SectionDrawing>
      <FaceDrawing
        opening={opening.hole.kind === 'circle' && !opening.hole.diameter ? withDrawnHole(opening) : opening}
        candidate={null}
        maxHeightPx={320}
        lit={false}
        label="Face of the opening with its dimensions"
      >
        {opening.hole.kind === 'oval' &&
          line(
            'holeWidth',
            hole.width,
            { x: -half * 0.3, y: -(hole.width?.valueMm ?? half) / 2 },
            { x: -half * 0.3, y: (hole.width?.valueMm ?? half) / 2 },
          )}
        <BoltDimensions opening={opening} line={line} />
      </FaceDrawing>
    </div>
  );
}

type Line = (key: OpeningDimensionKey, dimension: Dimension | null, from: Point, to: Point) => React.ReactNode;

function BoltDimensions({ opening, line }: { readonly opening: FitOpening; readonly line: Line }) {
  if (!opening.bolts)
    return line(
      'boltCircle',
      null,
      { x: -UNKNOWN_BOLTS_MM / 2, y: UNKNOWN_BOLTS_MM * 0.3 },
      { x: UNKNOWN_BOLTS_MM / 2, y: UNKNOWN_BOLTS_MM * 0.3 },
    );
  const [first, second] = patternDimensions(opening.bolts.shape);
  if (!first) return null;
  if (second) {
    const [width, height] = [first.dimension.valueMm / 2, second.dimension.valueMm / 2];
    return (
      <>
        {line('boltWidth', first.dimension, { x: -width, y: -height }, { x: width, y: -height })}
        {line('boltHeight', second.dimension, { x: width, y: -height }, { x: width, y: height })}
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
