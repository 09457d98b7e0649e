/** The section: a cut from the cabin (left) to what lies behind (right). */
import type { CheckId } from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMargin, radToDeg } from '@low-quarry/core/units';
import type { ReactNode } from 'react';
import { verdictColour } from '../ui/VerdictMark';
import { DimensionLine, type Point } from './DimensionLine';
import { Drawing, type HatchName, usePen } from './Drawing';
import type { Section, SectionFront, SectionStack, Slab } from './sectionGeometry';

type SectionDrawingProps = {
  readonly section: Section;
  readonly unit: LengthUnit;
  readonly lit: CheckId | null;
  readonly maxHeightPx: number;
  readonly label: string;
  readonly hasControls?: boolean;
  readonly children?: ReactNode;
};

const GLASS_MM = 4;
const METAL_MM = 6;

export function SectionDrawing({
  section,
  unit,
  lit,
  maxHeightPx,
  label,
  hasControls = false,
  children,
}: SectionDrawingProps) {
  const degrees = Math.round(radToDeg(section.plane.angleRad));
  return (
    <Drawing
      extent={section.extent}
      maxHeightPx={maxHeightPx}
      label={label}
      hasControls={hasControls}
      caption={`Section ${degrees === 90 ? 'upright' : degrees === 0 ? 'level' : `at ${degrees}°`}, cabin on the left`}
    >
      <Clearances section={section} />
      <Ring slab={section.wall} hatch="metal" width={1.8} />
      {section.bore && <Ring slab={section.bore} hatch="metal" width={1} />}
      <Proud section={section} />
      {section.stack && <Stack stack={section.stack} />}
      {section.over && <Over stack={section.over} />}
      <Grille section={section} />
      <InFront section={section} />
      <Obstacles section={section} />
      <Behind section={section} />
      <Axis section={section} />
      {section.margins.map(({ id, verdict, marginMm, from, to }) => (
        <DimensionLine
          key={id}
          from={from}
          to={to}
          text={printMargin(marginMm, unit)}
          colour={verdictColour(verdict)}
          lit={lit === id}
        />
      ))}
      {children}
    </Drawing>
  );
}

function pathOf(points: readonly Point[], close = false): string {
  return `${points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')}${close ? 'Z' : ''}`;
}

/** The room the shop asks for, as bands. */
function Clearances({
  section: { sheet, sheetClearance, grilleX, askedFrontMm, front, extent },
}: {
  readonly section: Section;
}) {
  const { hatch } = usePen();
  return (
    <g fill={hatch('clearance')}>
      {sheet.length > 1 && <path d={pathOf([...sheet, ...sheetClearance.toReversed()], true)} />}
      {grilleX !== null && <rect x={grilleX} y={extent.top} width={askedFrontMm} height={extent.bottom - extent.top} />}
      {front.flatMap((layer) =>
        stretchesOf(layer, extent).map(([from, to]) => (
          <rect key={`${layer.id} ${from}`} x={layer.x} y={from} width={layer.askedMm} height={to - from} />
        )),
      )}
    </g>
  );
}

/** A flat part with a hole, cut: two rectangles, above and below the axis. */
function Ring({
  slab: { left, right, upper, lower },
  hatch,
  width,
}: {
  readonly slab: Slab;
  readonly hatch: HatchName | null;
  readonly width: number;
}) {
  const pen = usePen();
  const rect = (y: number, height: number) =>
    height > 0 && (
      <>
        <rect x={left} y={y} width={right - left} height={height} className="fill-paper" />
        <rect
          x={left}
          y={y}
          width={right - left}
          height={height}
          fill={hatch ? pen.hatch(hatch) : 'none'}
          className="stroke-ink"
          strokeWidth={width * pen.px}
        />
      </>
    );
  return (
    <g>
      {rect(-upper.outer, upper.outer - upper.inner)}
      {rect(lower.inner, lower.outer - lower.inner)}
    </g>
  );
}

function Stack({
  stack: { layers, flange, body, deepestX, axisY, coneHalf, frontX },
}: {
  readonly stack: SectionStack;
}) {
  const { px } = usePen();
  const dome = Math.min(coneHalf * 0.3, 22);
  const cone = flange.left + (deepestX - flange.left) * 0.45;
  return (
    <g className="stroke-ink" strokeWidth={1.6 * px} strokeLinejoin="round">
      <path d={pathOf(body, true)} className="fill-paper" />
      <path
        d={`M${flange.left} ${axisY + coneHalf * 0.86}L${cone} ${axisY + coneHalf * 0.25}V${axisY - coneHalf * 0.25}L${flange.left} ${axisY - coneHalf * 0.86}`}
        fill="none"
        className="stroke-muted"
        strokeWidth={px}
      />
      {layers.map((layer) => (
        <Ring key={layer.left} slab={layer} hatch={layer.kind} width={1.4} />
      ))}
      <Ring slab={flange} hatch={null} width={1.6} />
      <path
        d={`M${flange.left} ${axisY + dome}C${frontX - (frontX - flange.left) * 0.3} ${axisY + dome} ${frontX} ${axisY + dome * 0.6} ${frontX} ${axisY}C${frontX} ${axisY - dome * 0.6} ${frontX - (frontX - flange.left) * 0.3} ${axisY - dome} ${flange.left} ${axisY - dome}`}
        fill="none"
      />
    </g>
  );
}

/** Only the outline of what is laid over, in long dashes. */
function Over({ stack: { body, flange, frontX } }: { readonly stack: SectionStack }) {
  const { px } = usePen();
  return (
    <g
      className="stroke-action"
      fill="none"
      strokeWidth={1.8 * px}
      strokeDasharray={`${12 * px} ${4 * px}`}
      strokeLinejoin="round"
    >
      <path d={pathOf(body, true)} />
      <path
        d={`M${flange.right} ${-flange.upper.outer}H${flange.left}V${flange.lower.outer}H${flange.right}M${frontX} ${-flange.upper.inner * 0.3}V${flange.lower.inner * 0.3}`}
      />
    </g>
  );
}

function Proud({ section: { proud } }: { readonly section: Section }) {
  const { px } = usePen();
  return proud.map(({ id, label, topX, from, to }) => (
    <rect
      key={id}
      x={topX}
      y={from}
      width={-topX}
      height={to - from}
      className="fill-hairline stroke-ink"
      strokeWidth={px}
    >
      <title>{label}</title>
    </rect>
  ));
}

function Obstacles({ section: { obstacles } }: { readonly section: Section }) {
  const { px, hatch } = usePen();
  return (
    <g>
      {obstacles.map(({ id, label, outline }) => {
        const [first] = outline;
        if (!first || outline.length < 3) return null;
        const lowest = outline.reduce((best, each) => (each.y > best.y ? each : best), first);
        return (
          <g key={id}>
            <path d={pathOf(outline, true)} className="fill-ground" />
            <path d={pathOf(outline, true)} fill={hatch('metal')} className="stroke-ink" strokeWidth={1.6 * px} />
            <Label x={lowest.x} y={lowest.y + 13 * px} anchor="middle">
              {label}
            </Label>
          </g>
        );
      })}
    </g>
  );
}

function Grille({ section: { grilleX, extent } }: { readonly section: Section }) {
  const { px } = usePen();
  if (grilleX === null) return null;
  return (
    <g>
      <line
        x1={grilleX}
        x2={grilleX}
        y1={extent.top}
        y2={extent.bottom}
        className="stroke-ink"
        strokeWidth={2 * px}
        strokeDasharray={`${2 * px} ${3 * px}`}
      />
      <Label x={grilleX - 4 * px} y={extent.top + 12 * px} anchor="end">
        grille
      </Label>
    </g>
  );
}

/** Further layers in front: a line where there is something, and nothing where it is cut out. */
function InFront({ section: { front, extent } }: { readonly section: Section }) {
  const { px } = usePen();
  return front.map((layer, at) => (
    <g key={layer.id}>
      {stretchesOf(layer, extent).map(([from, to]) => (
        <line key={from} x1={layer.x} x2={layer.x} y1={from} y2={to} className="stroke-ink" strokeWidth={3 * px} />
      ))}
      <Label x={layer.x - 4 * px} y={extent.bottom - (6 + 14 * at) * px} anchor="end">
        {layer.label}
      </Label>
    </g>
  ));
}

function stretchesOf(
  { insideHalf }: SectionFront,
  { top, bottom }: Section['extent'],
): readonly (readonly [number, number])[] {
  if (insideHalf === null) return [[top, bottom]];
  const all = [[top, -insideHalf] as const, [insideHalf, bottom] as const];
  return all.filter(([from, to]) => to > from);
}

/** Glass is a double line; the end of its travel a dash-double-dot line where the window stands higher now. */
function Behind({ section: { sheet, window, behind, behindWord, extent } }: { readonly section: Section }) {
  const { px, hatch } = usePen();
  const last = sheet[0];
  if (!last || sheet.length < 2) return null;
  if (behind === 'metal') {
    const back = sheet.map(({ x, y }) => ({ x: x + METAL_MM, y }));
    return (
      <g>
        <path d={pathOf([...sheet, ...back.toReversed()], true)} fill={hatch('metal')} />
        <path d={pathOf(sheet)} fill="none" className="stroke-ink" strokeWidth={1.8 * px} />
        <Label x={last.x + 8 * px} y={Math.min(last.y, extent.bottom) - 6 * px} anchor="start">
          {behindWord}
        </Label>
      </g>
    );
  }
  const back = (points: readonly Point[]) => points.map(({ x, y }) => ({ x: x + GLASS_MM, y }));
  const isUp = window !== sheet;
  const travel = `${14 * px} ${3 * px} ${2 * px} ${3 * px} ${2 * px} ${3 * px}`;
  return (
    <g className="stroke-ink" strokeWidth={1.4 * px} fill="none">
      {isUp && <path d={pathOf(sheet)} strokeDasharray={travel} className="stroke-muted" />}
      {window.length > 1 && <path d={pathOf([...window, ...back(window).toReversed()], true)} className="stroke-ink" />}
      <Label x={last.x + GLASS_MM + 4 * px} y={Math.min(last.y, extent.bottom) - 6 * px} anchor="start">
        glass
      </Label>
    </g>
  );
}

function Axis({ section: { extent } }: { readonly section: Section }) {
  const { px } = usePen();
  return (
    <line
      x1={extent.left}
      x2={extent.right}
      y1="0"
      y2="0"
      className="stroke-muted"
      strokeWidth={px}
      strokeDasharray={`${12 * px} ${3 * px} ${2 * px} ${3 * px}`}
    />
  );
}

export function Label({
  x,
  y,
  anchor,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly children: ReactNode;
}) {
  const { px } = usePen();
  return (
    <text
      x={x}
      y={y}
      fontSize={12 * px}
      textAnchor={anchor}
      className="fill-muted stroke-ground"
      strokeWidth={3 * px}
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
