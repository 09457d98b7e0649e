/** A box from above and from the side, to scale: whether it goes behind the panel is a matter of its height. */
import { type Box, boxWords } from '@low-quarry/core/catalogue';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { HEIGHT_PX, MARGIN_MM } from './shapes';

/** Between the two views, mm. */
const BETWEEN_MM = 16;

export function BoxDrawing({ lengthMm, widthMm, heightMm }: Box) {
  const words = boxWords({ lengthMm, widthMm, heightMm });
  return (
    <Drawing
      extent={{
        left: -MARGIN_MM,
        right: lengthMm + MARGIN_MM,
        top: -MARGIN_MM,
        bottom: widthMm + BETWEEN_MM + heightMm + MARGIN_MM,
      }}
      maxHeightPx={HEIGHT_PX}
      label={`The box from above and from the side, ${words}`}
      caption={`From above, and below it from the side: ${words}, the height last`}
    >
      <Views lengthMm={lengthMm} widthMm={widthMm} heightMm={heightMm} />
    </Drawing>
  );
}

function Views({ lengthMm, widthMm, heightMm }: Box) {
  const { px } = usePen();
  return (
    <g className="fill-none stroke-ink" strokeWidth={1.4 * px}>
      <rect width={lengthMm} height={widthMm} />
      <rect y={widthMm + BETWEEN_MM} width={lengthMm} height={heightMm} />
    </g>
  );
}
