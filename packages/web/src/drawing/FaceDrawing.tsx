/** The face: the opening seen from the cabin, with the part's holes over the vehicle's at the best rotation. */
import type { Candidate, FitBracket, FitOpening, Mount } from '@low-quarry/core/fit';
import {
  CENTRED,
  extents,
  type HoleMm,
  halfExtentsMm,
  type OutlineMm,
  outlineMm,
  outlineRadiusMm,
  type PartOutline,
  patternHoles,
} from '@low-quarry/core/geometry';
import { radToDeg } from '@low-quarry/core/units';
import type { ReactNode } from 'react';
import type { CutPlane } from './cutPlane';
import { Drawing, usePen } from './Drawing';
import { Label } from './SectionDrawing';

type FaceDrawingProps = {
  readonly opening: FitOpening;
  readonly candidate: Candidate | null;
  readonly mount: Mount | null;
  /** Another candidate, laid over it. */
  readonly over?: { readonly candidate: Candidate; readonly mount: Mount } | null;
  /** Where the section is cut; null where there is none. */
  readonly plane: CutPlane | null;
  readonly maxHeightPx: number;
  readonly lit: boolean;
  readonly label: string;
  readonly children?: ReactNode;
};

type Turned = { readonly hole: HoleMm; readonly angleRad: number };

const EDGE_POINTS = 180;
/** Used to draw what nobody has measured. */
const UNKNOWN_HALF_MM = 50;

export function FaceDrawing({
  opening,
  candidate,
  mount,
  over = null,
  plane,
  maxHeightPx,
  lit,
  label,
  children,
}: FaceDrawingProps) {
  const joints = mount?.joints ?? [];
  const turns = mount?.placement.turns ?? [];
  const [first, ...others] = joints;
  const screws = opening.bolts ? patternHoles(opening.bolts) : [];
  const firstAngle = turns[0]?.turn.angleRad ?? 0;
  const missed = turns[0]?.turn.misalignmentsMm.map((each) => each > (first?.playMm ?? 0)) ?? [];
  const hole = outlineMm(opening.hole);
  const half = hole ? halfExtentsMm(hole) : { x: UNKNOWN_HALF_MM, y: UNKNOWN_HALF_MM };
  const plate = lowestBracket(candidate)?.plate;
  const pose = mount?.pose ?? CENTRED;
  const reach = Math.max(
    ...screws.map(({ xMm, yMm }) => Math.hypot(xMm, yMm) + 8),
    Math.max(half.x, half.y) + 12,
    plate ? halfLength(plate) + 8 : 0,
    ...opening.proud.map(({ xMm, yMm, diameterMm }) => Math.hypot(xMm, yMm) + diameterMm),
    candidate ? halfLength(candidate.speaker.flange) + 8 + Math.hypot(pose.xMm, pose.yMm) : 0,
  );
  const turned = { xMm: pose.xMm, yMm: pose.yMm, angleRad: pose.angleRad };
  return (
    <Drawing
      extent={{ left: -reach, right: reach, top: -reach, bottom: reach }}
      maxHeightPx={maxHeightPx}
      label={label}
      caption="Face, seen from the cabin"
    >
      <Centre reach={reach} />
      {plate && <Oval outline={plate} width={1} className="stroke-muted" fill="fill-paper" />}
      {candidate && <Oval at={turned} outline={candidate.speaker.flange} width={1} className="stroke-muted" />}
      <HoleEdge hole={hole} turnRad={opening.holeRad} />
      <Bore bore={opening.bore} />
      <Proud proud={opening.proud} />
      <ObstacleShadows opening={opening} reach={reach} />
      {candidate && <Oval at={turned} outline={candidate.speaker.basket} width={1.2} className="stroke-ink" dashed />}
      {candidate && (
        <Oval
          at={turned}
          outline={{ kind: 'circle', diameter: candidate.speaker.magnetDiameter }}
          width={1}
          className="stroke-muted"
          dashed
        />
      )}
      {candidate && <Terminals candidate={candidate} mount={mount} />}
      {over && <Over over={over} />}
      {first?.holes.map((each) => (
        <PartHole
          key={`${each.xMm},${each.yMm}`}
          at={{ hole: each, angleRad: firstAngle }}
          diameter={partHoleDiameter(candidate)}
          lit={lit}
        />
      ))}
      {others.at(-1)?.holes.map((each) => (
        <PartHole
          key={`s${each.xMm},${each.yMm}`}
          at={{ hole: each, angleRad: pose.angleRad }}
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
      {mount?.placement.notchesRad.map((each) => (
        <Notch key={each} angleRad={each} at={reach - 14} />
      ))}
      {opening.lowerEdge && opening.behind === 'glass' && (
        <GlassEdge heightMm={opening.lowerEdge.valueMm} reach={reach} />
      )}
      {plane && <CutMarks plane={plane} reach={reach} />}
      {candidate && (
        <Label x={pose.xMm} y={-pose.yMm - (halfWidth(candidate.speaker.basket) * 3) / 4} anchor="middle">
          basket
        </Label>
      )}
      {children}
    </Drawing>
  );
}

/** The bracket that is screwed to the metal; null where the speaker is. */
function lowestBracket(candidate: Candidate | null): FitBracket | null {
  return candidate?.layers.find((layer) => layer.kind === 'bracket') ?? null;
}

function partHoleDiameter(candidate: Candidate | null): number {
  return (lowestBracket(candidate)?.vehicleBolts ?? candidate?.speaker.bolts)?.holeDiameterMm ?? 4;
}

function HoleEdge({ hole, turnRad }: { readonly hole: OutlineMm | null; readonly turnRad: number }) {
  const { px } = usePen();
  if (!hole) return null;
  const points = Array.from({ length: EDGE_POINTS }, (_, index) => {
    const angle = (2 * Math.PI * index) / EDGE_POINTS;
    const radius = outlineRadiusMm(hole, angle - turnRad);
    return `${radius * Math.cos(angle)} ${-radius * Math.sin(angle)}`;
  });
  return <path d={`M${points.join('L')}Z`} className="fill-none stroke-ink" strokeWidth={2.2 * px} />;
}

/** The wall of a seat or a housing behind the hole. */
function Bore({ bore }: Pick<FitOpening, 'bore'>) {
  const { px } = usePen();
  if (!bore) return null;
  return (
    <circle r={bore.inside.valueMm / 2} className="fill-none stroke-ink" strokeWidth={px} strokeDasharray={`${2 * px}`}>
      <title>bore behind the hole</title>
    </circle>
  );
}

/** What stands proud around the hole: full, with a cross, as what it is seen from above. */
function Proud({ proud }: Pick<FitOpening, 'proud'>) {
  const { px } = usePen();
  return proud.map(({ id, label, xMm, yMm, diameterMm }) => {
    const r = diameterMm / 2;
    return (
      <g key={id} transform={`translate(${xMm} ${-yMm})`} className="stroke-ink" strokeWidth={px}>
        <title>{label}</title>
        <circle r={r} className="fill-hairline" />
        <path d={`M${-r} 0H${r}M0 ${-r}V${r}`} />
        <Label x={0} y={r + 9 * px} anchor="middle">
          {label}
        </Label>
      </g>
    );
  });
}

/** Where beams and rails run behind the opening: hidden edges are dashed. */
function ObstacleShadows({ opening: { obstacles }, reach }: { readonly opening: FitOpening; readonly reach: number }) {
  const { px } = usePen();
  return (
    <g className="fill-none stroke-muted" strokeWidth={px} strokeDasharray={`${5 * px} ${4 * px}`}>
      {obstacles.map(({ id, label, xMm, yMm, angleRad, shape }) => {
        const [length, width] =
          shape.kind === 'rod' ? [1.7 * reach, shape.diameterMm] : [shape.lengthMm, shape.widthMm];
        return (
          <g key={id} transform={`translate(${xMm} ${-yMm}) rotate(${-radToDeg(angleRad)})`}>
            <title>{label}</title>
            <rect x={-length / 2} y={-width / 2} width={length} height={width} />
          </g>
        );
      })}
    </g>
  );
}

function Terminals({ candidate, mount }: { readonly candidate: Candidate; readonly mount: Mount | null }) {
  const { px } = usePen();
  const pose = mount?.pose ?? CENTRED;
  return (
    <g className="fill-none stroke-ink" strokeWidth={1.2 * px}>
      {candidate.speaker.boxes.map(({ label, angleRad, innerMm, outerMm, widthMm }) => (
        <g
          key={`${label}${angleRad}`}
          transform={`translate(${pose.xMm} ${-pose.yMm}) rotate(${-radToDeg(pose.angleRad + angleRad)})`}
        >
          <title>{label}</title>
          <rect x={innerMm} y={-widthMm / 2} width={outerMm - innerMm} height={widthMm} />
        </g>
      ))}
    </g>
  );
}

function Over({
  over: { candidate, mount },
}: {
  readonly over: { readonly candidate: Candidate; readonly mount: Mount };
}) {
  return (
    <>
      {[candidate.speaker.flange, candidate.speaker.basket].map((outline, at) => (
        <Oval
          key={at === 0 ? 'flange' : 'basket'}
          at={mount.pose}
          outline={outline}
          width={1.8}
          className="stroke-action"
          dashed
        />
      ))}
    </>
  );
}

function Notch({ angleRad, at }: { readonly angleRad: number; readonly at: number }) {
  const { px } = usePen();
  return (
    <g transform={`rotate(${-radToDeg(angleRad)})`} className="stroke-ink" strokeWidth={1.6 * px}>
      <title>Wire notch</title>
      <path d={`M${at} ${-4}L${at - 9} 0L${at} 4`} className="fill-ground" />
    </g>
  );
}

function GlassEdge({ heightMm, reach }: { readonly heightMm: number; readonly reach: number }) {
  const { px } = usePen();
  return (
    <g>
      <line
        x1={-reach}
        x2={reach}
        y1={-heightMm}
        y2={-heightMm}
        className="stroke-muted"
        strokeWidth={1.4 * px}
        strokeDasharray={`${14 * px} ${3 * px} ${2 * px} ${3 * px} ${2 * px} ${3 * px}`}
      />
      <Label x={-reach} y={-heightMm - 4 * px} anchor="start">
        glass, down
      </Label>
    </g>
  );
}

/** The ends of the section's cut, as on a workshop drawing. */
function CutMarks({ plane: { angleRad }, reach }: { readonly plane: CutPlane; readonly reach: number }) {
  const { px } = usePen();
  return (
    <g className="stroke-action" strokeWidth={2.4 * px}>
      {[1, -1].map((side) => {
        const x = side * Math.cos(angleRad);
        const y = -side * Math.sin(angleRad);
        return <line key={side} x1={x * (reach - 10 * px)} y1={y * (reach - 10 * px)} x2={x * reach} y2={y * reach} />;
      })}
    </g>
  );
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
  at = { xMm: 0, yMm: 0, angleRad: 0 },
  width,
  className,
  dashed = false,
  fill = 'fill-none',
}: {
  readonly outline: PartOutline;
  readonly at?: { readonly xMm: number; readonly yMm: number; readonly angleRad: number };
  readonly width: number;
  readonly className: string;
  readonly dashed?: boolean;
  readonly fill?: string;
}) {
  const { px } = usePen();
  const { length, width: across } = extents(outline);
  return (
    <ellipse
      rx={length.valueMm / 2}
      ry={across.valueMm / 2}
      transform={`translate(${at.xMm} ${-at.yMm}) rotate(${-radToDeg(at.angleRad)})`}
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

function halfLength(outline: PartOutline): number {
  return extents(outline).length.valueMm / 2;
}

function halfWidth(outline: PartOutline): number {
  return extents(outline).width.valueMm / 2;
}
