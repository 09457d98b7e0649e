/**
 * A grip on a dimension line: dragged along the depth or up and down, or moved by arrow keys in half millimetres. What it changes is a
 * what-if and says so.
 */
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { usePen } from './Drawing';

type DragGripProps = {
  readonly x: number;
  readonly y: number;
  readonly label: string;
  readonly valueMm: number;
  readonly valueText: string;
  readonly leastMm: number;
  readonly mostMm: number;
  /** Which way it is dragged, and by how much a millimetre to the right or downwards changes the dimension. */
  readonly along: 'depth' | 'height';
  readonly factor: number;
  readonly onChange: (valueMm: number) => void;
};

const STEP_MM = 0.5;
const GRIP_PX = 11;

export function DragGrip({ x, y, label, valueMm, valueText, leastMm, mostMm, along, factor, onChange }: DragGripProps) {
  const { px } = usePen();
  const start = useRef<{ readonly at: number; readonly valueMm: number; readonly mmPerPx: number } | null>(null);
  const set = (next: number) => onChange(Math.min(mostMm, Math.max(leastMm, Math.round(next / STEP_MM) * STEP_MM)));
  const begin = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    start.current = { at: along === 'depth' ? event.clientX : event.clientY, valueMm, mmPerPx: px };
  };
  const move = ({ clientX, clientY }: PointerEvent<SVGGElement>) => {
    const from = start.current;
    if (from) set(from.valueMm + factor * ((along === 'depth' ? clientX : clientY) - from.at) * from.mmPerPx);
  };
  const key = (event: KeyboardEvent<SVGGElement>) => {
    const step = { ArrowRight: STEP_MM, ArrowUp: STEP_MM, ArrowLeft: -STEP_MM, ArrowDown: -STEP_MM }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    set(valueMm + step);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={valueMm}
      aria-valuemin={leastMm}
      aria-valuemax={mostMm}
      aria-valuetext={valueText}
      className={`touch-none text-action ${along === 'depth' ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={() => {
        start.current = null;
      }}
      onKeyDown={key}
    >
      <circle cx={x} cy={y} r={2 * GRIP_PX * px} fill="transparent" />
      <circle cx={x} cy={y} r={GRIP_PX * px} className="fill-paper" stroke="currentColor" strokeWidth={2.4 * px} />
      <path
        d={`M${x - 5 * px} ${y}l${4 * px} ${-4 * px}m${-4 * px} ${4 * px}l${4 * px} ${4 * px}M${x + 5 * px} ${y}l${-4 * px} ${-4 * px}m${4 * px} ${4 * px}l${-4 * px} ${4 * px}`}
        stroke="currentColor"
        strokeWidth={1.6 * px}
        fill="none"
        transform={along === 'depth' ? undefined : `rotate(90 ${x} ${y})`}
      />
    </g>
  );
}
