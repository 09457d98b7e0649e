/** A bracket or a ring from the cabin, to scale. */
import type { BracketRecord, SpacerRecord } from '@low-quarry/core/catalogue';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { Ellipse, extentOf, HEIGHT_PX, Holes, sizeOf } from './shapes';

type Outline = SpacerRecord['inner'];

export function PlateDrawing(part: BracketRecord | SpacerRecord) {
  const [outside, inside] = part.kind === 'bracket' ? [part.plate, part.throat] : [part.outer, part.inner];
  const caption =
    part.kind === 'bracket'
      ? 'From the cabin: plate, throat (dashed), holes to the vehicle, and to the speaker (blue)'
      : 'From the cabin: outside, and inside (dashed)';
  return (
    <Drawing
      extent={extentOf(outside)}
      maxHeightPx={HEIGHT_PX}
      label={part.kind === 'bracket' ? 'The bracket from the cabin' : 'The ring from the cabin'}
      caption={caption}
    >
      <Plate outside={outside} inside={inside} bracket={part.kind === 'bracket' ? part : null} />
    </Drawing>
  );
}

type PlateProps = { readonly outside: Outline; readonly inside: Outline; readonly bracket: BracketRecord | null };

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
