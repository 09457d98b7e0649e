/**
 * A panel as it is seen from the cabin, not to scale: which edge is which, and where on it something is. The car's front is to the right of a panel
 * of the left side, and to the left of one of the right side.
 */
import type { Panel, PanelMark } from '@low-quarry/core/model';

/** One to two thirds, as most door cards are. */
const WIDE = 300;
const HIGH = 200;
const EDGE = 12;

type Side = 'left' | 'right' | null;

export type Marks = {
  /** What they are, for who does not see the drawing. */
  readonly words: string;
  readonly at: readonly PanelMark[];
  /** Written beside each of them. */
  readonly label?: string;
  readonly isMain: boolean;
};

/** A part of the panel, by its corners in their order; of fewer than three nothing is drawn. */
export type Area = { readonly words: string; readonly corners: readonly PanelMark[] };

export function PanelDrawing({
  kind,
  spot,
  marks,
  areas = [],
  onPress,
}: Pick<Panel, 'kind' | 'spot'> & {
  readonly areas?: readonly Area[];
  readonly marks: readonly Marks[];
  /** Where it is pressed; none where it is only looked at. */
  readonly onPress?: (at: PanelMark) => void;
}) {
  const side: Side = /left/i.test(spot) ? 'left' : /right/i.test(spot) ? 'right' : null;
  const place = ({ x, y }: PanelMark) => ({
    cx: EDGE + (x / 100) * (WIDE - 2 * EDGE),
    cy: EDGE + (y / 100) * (HIGH - 2 * EDGE),
  });
  const words = [
    ...marks.flatMap((each) => (each.at.length > 0 ? `${each.words}: ${each.at.length} marked` : [])),
    ...areas.flatMap((each) => (each.corners.length > 2 ? each.words : [])),
  ].join('; ');
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: what is pressed here is typed in a field beside it.
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className={`w-full max-w-xl ${onPress ? 'cursor-crosshair' : ''}`}
      role="img"
      aria-label={`The panel from the cabin${words === '' ? '' : `. ${words}`}`}
      fill="none"
      stroke="currentColor"
      onClick={(event) => {
        if (!onPress) return;
        const box = event.currentTarget.getBoundingClientRect();
        const share = (at: number, from: number, size: number, whole: number) =>
          Math.round(Math.min(100, Math.max(0, ((((at - from) / size) * whole - EDGE) / (whole - 2 * EDGE)) * 100)));
        onPress({
          x: share(event.clientX, box.left, box.width, WIDE),
          y: share(event.clientY, box.top, box.height, HIGH),
        });
      }}
    >
      <g transform={side === 'right' ? `translate(${WIDE} 0) scale(-1 1)` : undefined}>
        <Outline kind={kind} />
      </g>
      <text
        x={side === 'right' ? WIDE - EDGE - 4 : EDGE + 4}
        y={HIGH - 1}
        fontSize={9}
        textAnchor={side === 'right' ? 'end' : 'start'}
        fill="currentColor"
        stroke="none"
      >
        not to scale
      </text>
      {side && (
        <text
          x={side === 'left' ? WIDE - EDGE - 4 : EDGE + 4}
          y={HIGH - 1}
          fontSize={10}
          textAnchor={side === 'left' ? 'end' : 'start'}
          fill="currentColor"
          stroke="none"
        >
          {side === 'left' ? 'front of the car →' : '← front of the car'}
        </text>
      )}
      {areas
        .filter(({ corners }) => corners.length > 2)
        .map(({ words: name, corners }) => (
          <polygon
            key={name}
            points={corners.map((mark) => Object.values(place(mark)).join(',')).join(' ')}
            className="fill-action stroke-action"
            fillOpacity={0.2}
            strokeWidth={2}
          />
        ))}
      {marks.map(({ words: name, at, label, isMain }) =>
        at.map((mark, number) => {
          const { cx, cy } = place(mark);
          return (
            <g
              // biome-ignore lint/suspicious/noArrayIndexKey: two may be marked at one place.
              key={`${name} ${number}`}
              className={isMain ? 'text-action' : 'text-muted'}
              stroke="currentColor"
            >
              <circle cx={cx} cy={cy} r={isMain ? 7 : 5} strokeWidth={isMain ? 3 : 1.5} className="fill-paper" />
              <path d={`M${cx - 3} ${cy}H${cx + 3}M${cx} ${cy - 3}V${cy + 3}`} strokeWidth={1.5} />
              {label && (
                <text x={cx + 9} y={cy - 5} fontSize={12} fontWeight={700} fill="currentColor" stroke="none">
                  {label}
                </text>
              )}
            </g>
          );
        }),
      )}
    </svg>
  );
}

/** Of the left side of the car: its front is to the right. */
function Outline({ kind }: { readonly kind: Panel['kind'] }) {
  const [l, r, t, b] = [EDGE, WIDE - EDGE, EDGE, HIGH - EDGE];
  switch (kind) {
    case 'doorCard':
      return (
        <>
          <path
            d={`M${l} ${t + 26}Q${l + 20} ${t} ${l + 60} ${t}L${r - 30} ${t + 8}L${r} ${t + 40}V${b - 14}Q${r} ${b} ${r - 16} ${b}H${l + 16}Q${l} ${b} ${l} ${b - 14}Z`}
            strokeWidth={2}
          />
          {/* Arm rest with its cup, the inner handle, the pocket, and what lies behind the speaker's grille. */}
          <path d={`M${l + 40} ${t + 70}H${r - 70}V${t + 88}H${l + 40}Z`} strokeDasharray="4 3" />
          <rect x={r - 110} y={t + 40} width={44} height={16} rx={8} strokeDasharray="4 3" />
          <path d={`M${l + 26} ${b - 44}H${r - 100}V${b - 14}H${l + 26}Z`} strokeDasharray="4 3" />
          <circle cx={r - 48} cy={b - 44} r={32} strokeDasharray="4 3" />
        </>
      );
    case 'sailTrim':
      return <path d={`M${l + 40} ${b}L${r - 40} ${b}L${r - 40} ${b - 40}L${l + 120} ${t}Z`} strokeWidth={2} />;
    case 'pillarTrim':
      return <path d={`M${l + 100} ${b}H${r - 60}L${r - 100} ${t}H${l + 80}Z`} strokeWidth={2} />;
    case 'dashTop':
      return (
        <path
          d={`M${l} ${b - 40}Q${WIDE / 2} ${t - 10} ${r} ${b - 40}L${r - 16} ${b - 10}Q${WIDE / 2} ${t + 50} ${l + 16} ${b - 10}Z`}
          strokeWidth={2}
        />
      );
    case 'rearShelf':
      return <path d={`M${l + 40} ${t + 30}H${r - 40}L${r} ${b - 20}H${l}Z`} strokeWidth={2} />;
    default:
      return <rect x={l} y={t} width={r - l} height={b - t} rx={14} strokeWidth={2} />;
  }
}
