/** What lies flat around an opening, to scale: a bracket, a ring, a gasket, the base of a pod. */
import type { BracketRecord, PartRecord, SpacerRecord } from '@low-quarry/core/catalogue';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { Ellipse, extentOf, HEIGHT_PX, Holes, sizeOf } from './shapes';

type Outline = SpacerRecord['inner'];
export type PlateDrawn = {
  readonly outside: Outline;
  readonly inside: Outline;
  readonly label: string;
  readonly caption: string;
  /** With its holes and its notch. */
  readonly bracket: BracketRecord | null;
};

/** @returns null for what is no plate, or of which nobody wrote down both outlines */
export function plateOf(part: PartRecord): PlateDrawn | null {
  const plain = { bracket: null, caption: 'From the cabin: outside, and inside (dashed)' };
  switch (part.kind) {
    case 'bracket':
      return {
        ...{ outside: part.plate, inside: part.throat, bracket: part, label: 'The bracket from the cabin' },
        caption: 'From the cabin: plate, throat (dashed), holes to the vehicle, and to the speaker (blue)',
      };
    case 'spacer':
      return { ...plain, outside: part.outer, inside: part.inner, label: 'The ring from the cabin' };
    case 'foam':
      return part.outer && part.inner
        ? { ...plain, outside: part.outer, inside: part.inner, label: 'The gasket from the cabin' }
        : null;
    case 'pod':
      return {
        ...{ outside: part.base, inside: part.hole, bracket: null, label: 'The pod from the cabin' },
        caption: 'Its base on the panel, and the hole for the speaker (dashed) as if it looked straight out',
      };
    default:
      return null;
  }
}

export function PlateDrawing({ outside, inside, label, caption, bracket }: PlateDrawn) {
  return (
    <Drawing extent={extentOf(outside)} maxHeightPx={HEIGHT_PX} label={label} caption={caption}>
      <Plate outside={outside} inside={inside} bracket={bracket} />
    </Drawing>
  );
}

type PlateProps = Pick<PlateDrawn, 'outside' | 'inside' | 'bracket'>;

function Plate({ outside, inside, bracket }: PlateProps) {
  const { px } = usePen();
  return (
    <g className="fill-none stroke-ink">
      <Ellipse outline={outside} width={1.6 * px} />
      {bracket && <Holes pattern={bracket.vehicleBolts} />}
      <g transform={bracket ? `translate(${bracket.offsetXMm} ${-bracket.offsetYMm})` : undefined}>
        <Ellipse outline={inside} width={1.2 * px} dashes={`${6 * px} ${4 * px}`} />
        {bracket && <Holes pattern={bracket.speakerBolts} className="stroke-action" />}
        {bracket && bracket.notchDeg !== null && (
          <g transform={`rotate(${-bracket.notchDeg})`}>
            <path
              d={`M${sizeOf(inside)[0] / 2} 0h${8 * px + 4}m-${4 * px} -${4 * px}l${4 * px} ${4 * px}l-${4 * px} ${4 * px}`}
              className="stroke-muted"
              strokeWidth={1.4 * px}
            />
          </g>
        )}
      </g>
    </g>
  );
}
