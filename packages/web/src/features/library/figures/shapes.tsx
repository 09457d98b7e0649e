/** Outlines and screw holes of parts, as they are drawn. */
import { patternHolesOf, type SpeakerRecord } from '@low-quarry/core/catalogue';
import { type Extent, usePen } from '../../../drawing/Drawing';

export const MARGIN_MM = 8;
export const HEIGHT_PX = 260;

type OutlineRecord = NonNullable<SpeakerRecord['basket']>;

/** Across and high, mm; nothing of none. */
export function sizeOf(outline: OutlineRecord | null): readonly [number, number] {
  if (!outline) return [0, 0];
  return outline.kind === 'circle' ? [outline.diameterMm, outline.diameterMm] : [outline.lengthMm, outline.widthMm];
}

/** What a drawing of it from the front takes, mm. */
export function extentOf(outline: OutlineRecord | null): Extent {
  const [acrossMm, highMm] = sizeOf(outline);
  const [x, y] = [acrossMm / 2 + MARGIN_MM, highMm / 2 + MARGIN_MM];
  return { left: -x, right: x, top: -y, bottom: y };
}

type EllipseProps = { readonly outline: OutlineRecord; readonly width: number; readonly dashes?: string };

export function Ellipse({ outline, width, dashes }: EllipseProps) {
  const [length, high] = sizeOf(outline);
  return <ellipse rx={length / 2} ry={high / 2} strokeWidth={width} strokeDasharray={dashes} />;
}

type HolesProps = {
  readonly pattern: Parameters<typeof patternHolesOf>[0];
  readonly className?: string;
};

export function Holes({ pattern, className = '' }: HolesProps) {
  const { px } = usePen();
  return patternHolesOf(pattern).map(({ xMm, yMm, slotXMm, slotYMm }) => (
    <g key={`${xMm} ${yMm}`} className={className}>
      {(slotXMm !== 0 || slotYMm !== 0) && (
        <line
          x1={xMm - slotXMm}
          x2={xMm + slotXMm}
          y1={-yMm + slotYMm}
          y2={-yMm - slotYMm}
          className="stroke-muted"
          strokeWidth={pattern.holeDiameterMm}
          strokeLinecap="round"
        />
      )}
      <circle cx={xMm} cy={-yMm} r={pattern.holeDiameterMm / 2} strokeWidth={1.2 * px} />
    </g>
  ));
}
