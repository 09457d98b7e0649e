/**
 * A dimension line after ISO 129-1: extension lines, arrowheads, the number above the line. Where there is no room
 * between the extension lines the arrows stand outside and point inwards.
 */
import { usePen } from './Drawing';

export type Point = { readonly x: number; readonly y: number };

type DimensionLineProps = {
  readonly from: Point;
  readonly to: Point;
  readonly text: string;
  /** Text colour class; the lines follow it. */
  readonly colour: string;
  readonly lit?: boolean;
  /** Where along the line the number stands, from 0 to 1. */
  readonly textAt?: number;
};

const ARROW_PX = 9;
const ROOM_PX = 46;

export function DimensionLine({ from, to, text, colour, lit = false, textAt = 0.5 }: DimensionLineProps) {
  const { px } = usePen();
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const along = length > 0 ? { x: (to.x - from.x) / length, y: (to.y - from.y) / length } : { x: 1, y: 0 };
  const isUpright = Math.abs(along.y) > Math.abs(along.x);
  const outside = length < ROOM_PX * px;
  const reach = outside ? 18 * px : 0;
  const start = { x: from.x - along.x * reach, y: from.y - along.y * reach };
  const end = { x: to.x + along.x * reach, y: to.y + along.y * reach };
  const middle = { x: from.x + (to.x - from.x) * textAt, y: from.y + (to.y - from.y) * textAt };
  const at = isUpright
    ? {
        x: middle.x + (outside ? 6 : 5) * px,
        y: outside ? end.y + 14 * px * Math.sign(along.y || 1) : middle.y + 4 * px,
      }
    : { x: middle.x, y: middle.y - 6 * px };
  return (
    <g className={colour} strokeWidth={(lit ? 2.6 : 1.4) * px} stroke="currentColor" fill="currentColor">
      <line x1={start.x} y1={start.y} x2={end.x} y2={end.y} />
      <Arrow tip={from} along={outside ? along : { x: -along.x, y: -along.y }} />
      <Arrow tip={to} along={outside ? { x: -along.x, y: -along.y } : along} />
      <text
        x={at.x}
        y={at.y}
        fontSize={(lit ? 17 : 15) * px}
        fontWeight="700"
        className="stroke-ground"
        strokeWidth={4 * px}
        paintOrder="stroke"
        textAnchor={isUpright ? 'start' : 'middle'}
      >
        {text}
      </text>
    </g>
  );
}

/** An arrowhead whose tip is at `tip`, pointing along `along`. */
function Arrow({ tip, along }: { readonly tip: Point; readonly along: Point }) {
  const { px } = usePen();
  const back = { x: tip.x - along.x * ARROW_PX * px, y: tip.y - along.y * ARROW_PX * px };
  const side = { x: -along.y * 2.6 * px, y: along.x * 2.6 * px };
  return (
    <path
      d={`M${tip.x} ${tip.y}L${back.x + side.x} ${back.y + side.y}L${back.x - side.x} ${back.y - side.y}Z`}
      stroke="none"
    />
  );
}

/** A thin line from what is measured to beyond the dimension line. */
export function ExtensionLine({ from, to }: { readonly from: Point; readonly to: Point }) {
  const { px } = usePen();
  return <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} className="stroke-muted" strokeWidth={0.8 * px} />;
}
