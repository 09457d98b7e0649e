/** The face: the opening seen from the cabin, with the part's holes over the vehicle's at the best rotation. */
import { boltJoints } from '@low-quarry/core/fit/checks/boltsCheck';
import type { Candidate, FitOpening } from '@low-quarry/core/fit/shapes';
import { type HoleMm, patternHoles } from '@low-quarry/core/geometry/BoltPattern';
import { extents, type Outline } from '@low-quarry/core/geometry/Outline';
import type { Dimension } from '@low-quarry/core/uncertainty/Dimension';
import type { ReactNode } from 'react';
import { Drawing, usePen } from './Drawing';
import { Label } from './SectionDrawing';

type FaceDrawingProps = {
  readonly opening: FitOpening;
  readonly candidate: Candidate | null;
  readonly maxHeightPx: number;
  readonly lit: boolean;
  readonly label: string;
  readonly children?: ReactNode;
};

type Turned = { readonly hole: HoleMm; readonly angleRad: number };

export function FaceDrawing({ opening, candidate, maxHeightPx, lit, label, children }: FaceDrawingProps) {
  const joints = opening.bolts && candidate ? boltJoints(opening.bolts, candidate) : [];
  const [first, second] = joints;
  const screws = opening.bolts ? patternHoles(opening.bolts) : [];
  const firstAngle = first?.joint.rotation.angleRad ?? 0;
  const missed = first?.joint.rotation.misalignmentsMm.map((each) => each > (first.joint.toleranceMm ?? 0)) ?? [];
  const reach = Math.max(
    ...screws.map(({ xMm, yMm }) => Math.hypot(xMm, yMm) + 8),
    halfLength(opening.hole) + 12,
    candidate ? halfLength(candidate.bracket?.plate ?? candidate.speaker.flange) + 8 : 0,
    candidate ? halfLength(candidate.speaker.flange) + 8 : 0,
  );
  return (
    <Drawing
      extent={{ left: -reach, right: reach, top: -reach, bottom: reach }}
      maxHeightPx={maxHeightPx}
      label={label}
      caption="Face, seen from the cabin"
    >
      <Centre reach={reach} />
      {candidate?.bracket && (
        <Oval outline={candidate.bracket.plate} width={1} className="stroke-muted" fill="fill-paper" />
      )}
      {candidate && <Oval outline={candidate.speaker.flange} width={1} className="stroke-muted" />}
      <Oval outline={opening.hole} width={2.2} className="stroke-ink" />
      {candidate && <Oval outline={candidate.speaker.basket} width={1.2} className="stroke-ink" dashed />}
      {candidate && (
        <Oval
          outline={{ kind: 'circle', diameter: candidate.speaker.magnetDiameter }}
          width={1}
          className="stroke-muted"
          dashed
        />
      )}
      {first?.joint.holes.map((hole) => (
        <PartHole
          key={`${hole.xMm},${hole.yMm}`}
          at={{ hole, angleRad: firstAngle }}
          diameter={partHoleDiameter(candidate)}
          lit={lit}
        />
      ))}
      {second?.joint.holes.map((hole) => (
        <PartHole
          key={`s${hole.xMm},${hole.yMm}`}
          at={{ hole, angleRad: firstAngle + second.joint.rotation.angleRad }}
          diameter={candidate?.speaker.bolts.holeDiameterMm ?? 4}
          lit={lit}
          muted
        />
      ))}
      {screws.map((screw, index) => (
        <Screw
          key={`${screw.xMm},${screw.yMm}`}
          screw={screw}
          diameter={opening.bolts?.holeDiameterMm ?? 4}
          missed={missed[index] ?? false}
        />
      ))}
      {candidate && (
        <Label x={0} y={(-halfWidth(candidate.speaker.basket) * 3) / 4} anchor="middle">
          basket
        </Label>
      )}
      {children}
    </Drawing>
  );
}

function partHoleDiameter(candidate: Candidate | null): number {
  return (candidate?.bracket?.vehicleBolts ?? candidate?.speaker.bolts)?.holeDiameterMm ?? 4;
}

function Centre({ reach }: { readonly reach: number }) {
  const { px } = usePen();
  const dashes = `${12 * px} ${3 * px} ${2 * px} ${3 * px}`;
  return (
    <path
      d={`M${-reach} 0H${reach}M0 ${-reach}V${reach}`}
      className="stroke-hairline"
      strokeWidth={px}
      strokeDasharray={dashes}
    />
  );
}

function Oval({
  outline,
  width,
  className,
  dashed = false,
  fill = 'fill-none',
}: {
  readonly outline: Outline<Dimension | null>;
  readonly width: number;
  readonly className: string;
  readonly dashed?: boolean;
  readonly fill?: string;
}) {
  const { px } = usePen();
  const { length, width: across } = extents(outline);
  if (!length || !across) return null;
  return (
    <ellipse
      rx={length.valueMm / 2}
      ry={across.valueMm / 2}
      className={`${className} ${fill}`}
      strokeWidth={width * px}
      strokeDasharray={dashed ? `${6 * px} ${4 * px}` : undefined}
    />
  );
}

/** The screen's y runs downwards, the pattern's upwards. */
function PartHole({
  at: { hole, angleRad },
  diameter,
  lit,
  muted = false,
}: {
  readonly at: Turned;
  readonly diameter: number;
  readonly lit: boolean;
  readonly muted?: boolean;
}) {
  const { px } = usePen();
  const turn = (x: number, y: number) => ({
    x: x * Math.cos(angleRad) - y * Math.sin(angleRad),
    y: -(x * Math.sin(angleRad) + y * Math.cos(angleRad)),
  });
  const a = turn(hole.xMm - hole.slotXMm, hole.yMm - hole.slotYMm);
  const b = turn(hole.xMm + hole.slotXMm, hole.yMm + hole.slotYMm);
  const colour = muted ? 'stroke-muted' : 'stroke-ink';
  return (
    <g strokeLinecap="round" fill="none">
      <line
        x1={a.x}
        y1={a.y}
        x2={b.x + 0.001}
        y2={b.y}
        className={colour}
        strokeWidth={diameter + (lit ? 2.4 : 1.4) * px}
      />
      <line x1={a.x} y1={a.y} x2={b.x + 0.001} y2={b.y} className="stroke-paper" strokeWidth={diameter} />
    </g>
  );
}

function Screw({
  screw: { xMm, yMm },
  diameter,
  missed,
}: {
  readonly screw: HoleMm;
  readonly diameter: number;
  readonly missed: boolean;
}) {
  const { px } = usePen();
  const half = diameter / 2;
  const arm = half + 4 * px;
  return (
    <g transform={`translate(${xMm} ${-yMm})`} className={missed ? 'text-hits' : 'text-ink'} stroke="currentColor">
      <circle r={half} fill={missed ? 'none' : 'currentColor'} strokeWidth={1.6 * px} />
      <path
        d={
          missed ? `M${-arm} ${-arm}L${arm} ${arm}M${arm} ${-arm}L${-arm} ${arm}` : `M${-arm} 0H${arm}M0 ${-arm}V${arm}`
        }
        strokeWidth={(missed ? 2.4 : 1) * px}
      />
    </g>
  );
}

function halfLength(outline: Outline<Dimension | null>): number {
  return (extents(outline).length?.valueMm ?? 100) / 2;
}

function halfWidth(outline: Outline): number {
  return extents(outline).width.valueMm / 2;
}
