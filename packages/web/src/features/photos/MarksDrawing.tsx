/** Arrows and circles over a picture, drawn twice, light under dark, so that they stand out on anything. */
import type { PhotoMark } from '@low-quarry/core/model';

type MarksDrawingProps = {
  readonly marks: readonly PhotoMark[];
  /** Of the picture: marks are fractions of it. */
  readonly widthPx: number;
  readonly heightPx: number;
};

/** Parts of the picture's longer side. */
const LINE = 0.006;
const HEAD = 0.035;

export function MarksDrawing({ marks, widthPx, heightPx }: MarksDrawingProps) {
  const longest = Math.max(widthPx, heightPx);
  const paths = marks.map((mark) => pathOf(mark, widthPx, heightPx, longest * HEAD)).join(' ');
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round">
      <path d={paths} stroke="#ffffff" strokeWidth={longest * LINE * 2.4} />
      <path d={paths} stroke="#b0121b" strokeWidth={longest * LINE} />
    </g>
  );
}

function pathOf(mark: PhotoMark, width: number, height: number, head: number): string {
  if (mark.kind === 'circle') {
    const [x, y, r] = [mark.at[0] * width, mark.at[1] * height, mark.radius * width];
    return `M ${x - r} ${y} a ${r} ${r} 0 1 0 ${2 * r} 0 a ${r} ${r} 0 1 0 ${-2 * r} 0`;
  }
  const [fromX, fromY] = [mark.from[0] * width, mark.from[1] * height];
  const [toX, toY] = [mark.to[0] * width, mark.to[1] * height];
  const angle = Math.atan2(toY - fromY, toX - fromX);
  const barb = (turn: number) => `${toX - head * Math.cos(angle + turn)} ${toY - head * Math.sin(angle + turn)}`;
  return `M ${fromX} ${fromY} L ${toX} ${toY} M ${barb(0.5)} L ${toX} ${toY} L ${barb(-0.5)}`;
}
