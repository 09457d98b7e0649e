/** What is built, to scale: as one looks at the panel, with what must stay free; and cut along the way it is turned. */
import {
  FREE_KINDS,
  type FreeKind,
  type FreeThere,
  faceFrame,
  fromFace,
  type Housing,
  type Shell,
  STAYS_FREE,
  shellOf,
} from '@low-quarry/core/housing';
import { degToRad, printLength } from '@low-quarry/core/units';
import { DimensionLine } from '../../../drawing/DimensionLine';
import { Drawing, type Extent, usePen } from '../../../drawing/Drawing';
import { useSettings } from '../../../ui/settings';
import type { OpeningFacts } from '../openingDraft';

type HousingDrawingProps = { readonly housing: Housing; readonly at: Pick<OpeningFacts, 'place' | 'side'> };

/** Where one looks across the car, so that its front is at one side. */
const ALONG_THE_CAR: ReadonlySet<OpeningFacts['place']> = new Set([
  ...(['frontDoorLow', 'frontDoorHigh', 'rearDoor', 'rearDoorHigh', 'sailPanel', 'kickPanel', 'sidePanel'] as const),
]);
const EDGE_MM = 12;
/** What must stay free is drawn as far beside it, mm. */
const BESIDE_MM = 80;

export function HousingDrawing({ housing, at }: HousingDrawingProps) {
  const shell = shellOf(housing);
  if (!shell.ok) return null;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <FromCabin housing={housing} at={at} shell={shell.value} />
      <CutAlong housing={housing} shell={shell.value} />
    </div>
  );
}

type PartProps = { readonly housing: Housing; readonly shell: Shell };

function path(places: readonly (readonly [number, number])[]): string {
  return `M${places.map(([x, y]) => `${x} ${-y}`).join('L')}Z`;
}

function FromCabin({ housing, shell, at: { place, side } }: PartProps & Pick<HousingDrawingProps, 'at'>) {
  const { base } = housing;
  const contour = base.kind === 'contour' ? base.corners.map(({ xMm, yMm }) => [xMm, yMm] as const) : [];
  const there = FREE_KINDS.flatMap((kind) => {
    const said = housing.free[kind];
    return said?.kind === 'there' ? [{ ...said, what: kind }] : [];
  });
  const face = shell.face.map(([x, y]) => [x, y] as const);
  const xs = [...shell.base, ...face, ...contour].map(([x]) => x);
  const ys = [...shell.base, ...face, ...contour].map(([, y]) => y);
  const own: Extent = {
    left: Math.min(...xs) - EDGE_MM,
    right: Math.max(...xs) + EDGE_MM,
    top: -Math.max(...ys) - EDGE_MM,
    bottom: -Math.min(...ys) + EDGE_MM,
  };
  // What lies farther off is drawn as far as it matters.
  const kept = there.map((each) => ({ what: each.what, shown: within(boxOf(each), own, BESIDE_MM) }));
  const extent: Extent = {
    left: Math.min(own.left, ...kept.map(({ shown }) => shown.left)),
    right: Math.max(own.right, ...kept.map(({ shown }) => shown.right)),
    top: Math.min(own.top, ...kept.map(({ shown }) => shown.top)),
    bottom: Math.max(own.bottom, ...kept.map(({ shown }) => shown.bottom)),
  };
  const front =
    side === 'centre' || !ALONG_THE_CAR.has(place)
      ? ''
      : side === 'left'
        ? '; the car’s front to the right'
        : '; the car’s front to the left';
  const names = there.map(({ what }) => STAYS_FREE[what].label.toLowerCase());
  return (
    <Drawing
      extent={extent}
      maxHeightPx={320}
      label={`Its base and its face on the panel${names.length > 0 ? `, beside: ${names.join('; ')}` : ''}`}
      caption={`Seen from the cabin${front}`}
    >
      <Plan housing={housing} shell={shell} contour={contour} />
      {kept.map((each) => (
        <Kept key={each.what} {...each} />
      ))}
    </Drawing>
  );
}

function Plan({ housing, shell, contour }: PartProps & { readonly contour: readonly (readonly [number, number])[] }) {
  const { px } = usePen();
  const frame = faceFrame(housing);
  const hole = Array.from({ length: 72 }, (_, at) => {
    const turn = (2 * Math.PI * at) / 72;
    const [x, y] = fromFace(frame, [(housing.holeMm / 2) * Math.cos(turn), (housing.holeMm / 2) * Math.sin(turn), 0]);
    return [x, y] as const;
  });
  const aim = degToRad(housing.aimDeg);
  const [x, y] = [housing.xMm, -housing.yMm];
  const reach = housing.faceMm / 4;
  const tip = { x: x + reach * Math.cos(aim), y: y - reach * Math.sin(aim) };
  return (
    <g className="fill-none stroke-ink">
      {contour.length > 0 && (
        <path d={path(contour)} className="stroke-muted" strokeWidth={px} strokeDasharray={`${4 * px}`} />
      )}
      <path d={path(shell.base)} strokeWidth={2 * px} className="fill-paper" />
      <path d={path(shell.face.map(([fx, fy]) => [fx, fy] as const))} strokeWidth={1.5 * px} />
      <path d={path(hole)} strokeWidth={1.5 * px} />
      <path d={`M${x - 5 * px} ${y}H${x + 5 * px}M${x} ${y - 5 * px}V${y + 5 * px}`} strokeWidth={px} />
      {housing.angleDeg > 0 && (
        <>
          <path d={`M${x} ${y}L${tip.x} ${tip.y}`} strokeWidth={1.5 * px} className="stroke-action" />
          <circle cx={tip.x} cy={tip.y} r={3 * px} className="fill-action stroke-none" />
          <text x={tip.x + 5 * px} y={tip.y} fontSize={12 * px} className="fill-action stroke-none">
            looks here
          </text>
        </>
      )}
    </g>
  );
}

function boxOf({ xMm, yMm, widthMm, heightMm }: FreeThere): Extent {
  return {
    ...{ left: xMm - widthMm / 2, right: xMm + widthMm / 2 },
    ...{ top: -yMm - heightMm / 2, bottom: -yMm + heightMm / 2 },
  };
}

/** As much of a box as lies within another and so far beside it; a strip at its edge of what lies farther off. */
function within(box: Extent, about: Extent, moreMm: number): Extent {
  const cut = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
  const across = (value: number) => cut(value, about.left - moreMm, about.right + moreMm);
  const up = (value: number) => cut(value, about.top - moreMm, about.bottom + moreMm);
  return { left: across(box.left), right: across(box.right), top: up(box.top), bottom: up(box.bottom) };
}

function Kept({ what, shown }: { readonly what: FreeKind; readonly shown: Extent }) {
  const { px, hatch } = usePen();
  const [word = ''] = STAYS_FREE[what].label.split(/[ ,]/);
  const { left, right, top, bottom } = shown;
  return (
    <g>
      <rect
        {...{ x: left, y: top, width: Math.max(px, right - left), height: Math.max(px, bottom - top) }}
        fill={hatch('clearance')}
        className="stroke-muted"
        strokeWidth={px}
      />
      <text
        x={(left + right) / 2}
        y={(top + bottom) / 2}
        fontSize={12 * px}
        textAnchor="middle"
        className="fill-ink"
        fontWeight={700}
      >
        {word}
      </text>
    </g>
  );
}

/** Along the way it is turned: to the right what it is turned towards, up the cabin. */
function CutAlong({ housing, shell }: PartProps) {
  const aim = degToRad(housing.aimDeg);
  const along = ([x, y]: readonly [number, number, ...number[]]) =>
    (x - housing.xMm) * Math.cos(aim) + (y - housing.yMm) * Math.sin(aim);
  const at = (share: number) =>
    Math.round(
      (((aim / (2 * Math.PI)) * shell.base.length + share * shell.base.length) % shell.base.length) + shell.base.length,
    ) % shell.base.length;
  const [to, from] = [at(0), at(0.5)];
  const low = [shell.base[from], shell.base[to]] as [Shell['base'][0], Shell['base'][0]];
  const extent: Extent = {
    left: Math.min(along(low[0]), -housing.faceMm / 2) - EDGE_MM,
    right: Math.max(along(low[1]), housing.faceMm / 2) + EDGE_MM + 70,
    top: -housing.heightMm - (housing.faceMm / 2) * Math.sin(degToRad(housing.angleDeg)) - EDGE_MM,
    bottom: EDGE_MM,
  };
  return (
    <Drawing
      extent={extent}
      maxHeightPx={320}
      label={`Cut along the way it is turned: ${housing.heightMm} mm high, turned by ${housing.angleDeg}°`}
      caption="Cut along the way it is turned"
    >
      <Cut housing={housing} low={low.map(along) as [number, number]} />
    </Drawing>
  );
}

function Cut({ housing, low }: { readonly housing: Housing; readonly low: readonly [number, number] }) {
  const { px, hatch } = usePen();
  const { unit } = useSettings();
  const { faceMm, holeMm, boardMm, wallMm, rimMm, heightMm } = housing;
  const lean = degToRad(housing.angleDeg);
  // A place of the face's own cut: so far along it, so far behind it.
  const place = (alongMm: number, behindMm: number) => ({
    x: alongMm * Math.cos(lean) - behindMm * Math.sin(lean),
    y: -heightMm + alongMm * Math.sin(lean) + behindMm * Math.cos(lean),
  });
  const line = (...places: readonly { readonly x: number; readonly y: number }[]) =>
    `M${places.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
  const board = (side: -1 | 1) =>
    line(
      place((side * holeMm) / 2, 0),
      place((side * faceMm) / 2, 0),
      place((side * faceMm) / 2, boardMm),
      place((side * holeMm) / 2, boardMm),
    );
  const wall = (side: -1 | 1, footMm: number) =>
    line({ x: footMm, y: 0 }, place((side * faceMm) / 2, 0), place(side * (faceMm / 2 - wallMm), boardMm), {
      x: footMm - side * rimMm,
      y: 0,
    });
  const right = Math.max(low[1], faceMm / 2) + 16;
  return (
    <g>
      <path
        d={`M${low[0] - EDGE_MM} 0H${low[1] + EDGE_MM}`}
        className="stroke-ink"
        strokeWidth={2 * px}
        strokeDasharray={housing.back === 'open' ? `${6 * px}` : undefined}
      />
      {([-1, 1] as const).map((side) => (
        <g key={side} className="stroke-ink" strokeWidth={1.5 * px}>
          <path d={wall(side, side < 0 ? low[0] : low[1])} fill={hatch('spacer')} />
          <path d={board(side)} fill={hatch('metal')} />
        </g>
      ))}
      <DimensionLine
        from={{ x: right, y: -heightMm }}
        to={{ x: right, y: 0 }}
        text={printLength(heightMm, unit)}
        colour="text-ink"
      />
    </g>
  );
}
