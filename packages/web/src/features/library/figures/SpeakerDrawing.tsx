/** A speaker from the front and from the side, to scale, as far as its figures are known. */
import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { Ellipse, extentOf, HEIGHT_PX, Holes, MARGIN_MM, sizeOf } from './shapes';

export function SpeakerDrawing(shown: SpeakerRecord) {
  const { flange, basket } = shown;
  if (!flange && !basket)
    return <p className="text-muted">It is drawn as soon as its cutout or its flange is known.</p>;
  const [acrossMm] = sizeOf(flange ?? basket);
  const frontMm = shown.frontHeightMm ?? 0;
  const depthMm = belowMm(shown);
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Drawing
        extent={extentOf(flange ?? basket)}
        maxHeightPx={HEIGHT_PX}
        label="The speaker from the front"
        caption="From the front: flange, cutout (dashed) and screw holes"
      >
        <Face {...shown} />
      </Drawing>
      <Drawing
        extent={{
          left: -frontMm - MARGIN_MM,
          right: depthMm + (shown.flangeThicknessMm ?? 0) + MARGIN_MM,
          top: -acrossMm / 2 - MARGIN_MM,
          bottom: acrossMm / 2 + MARGIN_MM,
        }}
        maxHeightPx={HEIGHT_PX}
        label="The speaker from the side"
        caption={sideCaption(shown)}
      >
        <Side {...shown} />
      </Drawing>
    </div>
  );
}

function sideCaption({ mountingDepthMm, profile, depthDatum }: SpeakerRecord): string {
  if (mountingDepthMm === null) return 'From the side: how deep it is nobody wrote down';
  const body = profile.length > 0 ? 'its sections' : 'a body that narrows evenly, as no sections are known';
  const datum = depthDatum === 'notStated' ? '; where its depth counts from is not stated' : '';
  return `From the side, the cabin to the left: what stands in front (dashed), flange, ${body}, end of the magnet${datum}`;
}

/** How deep it reaches below the underside of its flange; where that is not stated, as if it counted from there. */
export function belowMm({ mountingDepthMm, depthDatum, flangeThicknessMm }: SpeakerRecord): number {
  return Math.max(0, (mountingDepthMm ?? 0) - (depthDatum === 'top' ? (flangeThicknessMm ?? 0) : 0));
}

function Face({ flange, basket, bolts }: SpeakerRecord) {
  const { px } = usePen();
  return (
    <g className="fill-none stroke-ink">
      {flange && <Ellipse outline={flange} width={1.6 * px} />}
      {basket && <Ellipse outline={basket} width={1.2 * px} dashes={`${6 * px} ${4 * px}`} />}
      {bolts && <Holes pattern={bolts} />}
    </g>
  );
}

export type SpeakerSide = {
  /** Across the flange. */
  readonly acrossMm: number;
  readonly cutoutMm: number;
  /** The underside of the flange, from its top. */
  readonly undersideMm: number;
  /** Of what is behind the flange; null where its depth or its cutout is not known. */
  readonly body: string | null;
};

/** From the side: the top of the flange is at 0, what is behind it to the right. */
export function sideOf(shown: SpeakerRecord): SpeakerSide {
  const { flange, basket, flangeThicknessMm, magnetDiameterMm, profile } = shown;
  const [acrossMm] = sizeOf(flange ?? basket);
  const [cutoutMm] = sizeOf(basket);
  const undersideMm = flangeThicknessMm ?? 0;
  const end = undersideMm + belowMm(shown);
  const body =
    profile.length > 0
      ? profile.map(({ depthMm, lengthMm }) => [undersideMm + depthMm, lengthMm] as const)
      : [[undersideMm, cutoutMm] as const, [end, magnetDiameterMm ?? cutoutMm] as const];
  const upper = body.map(([x, wide]) => `${x} ${-wide / 2}`);
  const lower = body.toReversed().map(([x, wide]) => `${x} ${wide / 2}`);
  const isKnown = end > undersideMm && cutoutMm > 0;
  return { acrossMm, cutoutMm, undersideMm, body: isKnown ? `M${[...upper, ...lower].join('L')}Z` : null };
}

function Side(shown: SpeakerRecord) {
  const { px } = usePen();
  const { frontHeightMm } = shown;
  const { acrossMm, cutoutMm, undersideMm, body } = sideOf(shown);
  return (
    <g className="fill-none stroke-ink" strokeWidth={1.4 * px}>
      <rect x={0} y={-acrossMm / 2} width={undersideMm} height={acrossMm} />
      {body && <path d={body} />}
      {frontHeightMm !== null && frontHeightMm > 0 && (
        <rect
          x={-frontHeightMm}
          y={-cutoutMm / 4}
          width={frontHeightMm}
          height={cutoutMm / 2}
          strokeDasharray={`${4 * px} ${3 * px}`}
        />
      )}
    </g>
  );
}
