/** The section: a cut from the cabin (left) to what lies behind (right). */
import type { CheckId } from '@low-quarry/core/fit/Check';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { printMargin } from '@low-quarry/core/units/printLength';
import type { ReactNode } from 'react';
import { verdictColour } from '../ui/VerdictMark';
import { DimensionLine } from './DimensionLine';
import { Drawing, type HatchName, usePen } from './Drawing';
import { PLATE_THICKNESS_MM, type Section, type SectionStack, type Slab } from './sectionGeometry';

type SectionDrawingProps = {
  readonly section: Section;
  readonly unit: LengthUnit;
  readonly lit: CheckId | null;
  readonly maxHeightPx: number;
  readonly label: string;
  readonly children?: ReactNode;
};

const GLASS_MM = 4;

export function SectionDrawing({ section, unit, lit, maxHeightPx, label, children }: SectionDrawingProps) {
  return (
    <Drawing extent={section.extent} maxHeightPx={maxHeightPx} label={label} caption="Section, cabin on the left">
      <Clearances section={section} />
      <Metal section={section} />
      {section.stack && <Stack stack={section.stack} />}
      <Grille section={section} />
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

/** The room the shop asks for, as bands. */
function Clearances({ section: { glassX, grilleX, asked, extent } }: { readonly section: Section }) {
  const { hatch } = usePen();
  const height = extent.bottom - extent.top;
  return (
    <g fill={hatch('clearance')}>
      {glassX !== null && <rect x={glassX - asked.behind} y={extent.top} width={asked.behind} height={height} />}
      {grilleX !== null && <rect x={grilleX} y={extent.top} width={asked.front} height={height} />}
    </g>
  );
}

function Metal({ section: { holeHalf, plateOuter } }: { readonly section: Section }) {
  return (
    <Ring slab={{ left: 0, right: PLATE_THICKNESS_MM, inner: holeHalf, outer: plateOuter }} hatch="metal" width={1.8} />
  );
}

/** A flat part with a hole, cut: two rectangles, mirrored on the axis. */
function Ring({
  slab: { left, right, inner, outer },
  hatch,
  width,
}: {
  readonly slab: Slab;
  readonly hatch: HatchName | null;
  readonly width: number;
}) {
  const pen = usePen();
  const rect = (y: number) => (
    <>
      <rect x={left} y={y} width={right - left} height={outer - inner} className="fill-paper" />
      <rect
        x={left}
        y={y}
        width={right - left}
        height={outer - inner}
        fill={hatch ? pen.hatch(hatch) : 'none'}
        className="stroke-ink"
        strokeWidth={width * pen.px}
      />
    </>
  );
  return (
    <g>
      {rect(inner)}
      {rect(-outer)}
    </g>
  );
}

function Stack({
  stack: { spacer, bracket, flange, body, magnetFrom, magnetHalf, frontX },
}: {
  readonly stack: SectionStack;
}) {
  const { px } = usePen();
  const deepest = body.at(-1)?.x ?? 0;
  const outline = [...body, ...body.toReversed().map(({ x, y }) => ({ x, y: -y }))];
  const innerHalf = flange.inner;
  const dome = Math.min(innerHalf * 0.32, 22);
  return (
    <g className="stroke-ink" strokeWidth={1.6 * px} strokeLinejoin="round">
      <path
        d={`${outline.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')}Z`}
        className="fill-paper"
      />
      <line x1={magnetFrom} x2={magnetFrom} y1={-magnetHalf} y2={magnetHalf} strokeWidth={px} />
      <path
        d={`M${flange.left} ${innerHalf}L${(flange.left + magnetFrom) / 2} ${magnetHalf * 0.45}V${-magnetHalf * 0.45}L${flange.left} ${-innerHalf}`}
        fill="none"
        className="stroke-muted"
        strokeWidth={px}
      />
      {spacer && <Ring slab={spacer} hatch="spacer" width={1.4} />}
      {bracket && <Ring slab={bracket} hatch="bracket" width={1.4} />}
      <Ring slab={flange} hatch={null} width={1.6} />
      <path
        d={`M${flange.left} ${dome}C${frontX - (frontX - flange.left) * 0.3} ${dome} ${frontX} ${dome * 0.6} ${frontX} 0C${frontX} ${-dome * 0.6} ${frontX - (frontX - flange.left) * 0.3} ${-dome} ${flange.left} ${-dome}`}
        fill="none"
      />
      <line x1={deepest} x2={deepest} y1={-magnetHalf} y2={magnetHalf} strokeWidth={2.2 * px} />
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

function Behind({ section: { glassX, behind, extent } }: { readonly section: Section }) {
  const { px, hatch } = usePen();
  if (glassX === null) return null;
  if (behind === 'metal') {
    return (
      <g>
        <rect x={glassX} y={extent.top} width={6} height={extent.bottom - extent.top} fill={hatch('metal')} />
        <line
          x1={glassX}
          x2={glassX}
          y1={extent.top}
          y2={extent.bottom}
          className="stroke-ink"
          strokeWidth={1.8 * px}
        />
        <Label x={glassX + 8 * px} y={extent.bottom - 6 * px} anchor="start">
          metal
        </Label>
      </g>
    );
  }
  return (
    <g className="stroke-ink" strokeWidth={1.4 * px}>
      <line x1={glassX} x2={glassX} y1={extent.top} y2={extent.bottom} />
      <line x1={glassX + GLASS_MM} x2={glassX + GLASS_MM} y1={extent.top} y2={extent.bottom} />
      <Label x={glassX + GLASS_MM + 4 * px} y={extent.bottom - 6 * px} anchor="start">
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
    <text x={x} y={y} fontSize={12 * px} textAnchor={anchor} className="fill-muted" stroke="none">
      {children}
    </text>
  );
}
