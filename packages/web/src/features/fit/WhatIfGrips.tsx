/** Grips on glass and grille: dragging one asks "what if it stood there". */
import type { FitOpening } from '@low-quarry/core/fit/shapes';
import { OPENING_DIMENSIONS } from '@low-quarry/core/model/openingDimensions';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { printLength } from '@low-quarry/core/units/printLength';
import { DragGrip } from '../../drawing/DragGrip';
import type { Section } from '../../drawing/sectionGeometry';
import type { WhatIf } from './whatIf';

type WhatIfGripsProps = {
  readonly opening: FitOpening;
  readonly section: Section;
  readonly whatIf: WhatIf;
  readonly unit: LengthUnit;
  readonly onChange: (whatIf: WhatIf) => void;
};

/** How far down between the axis and the drawing's edge. */
const GRIP_AT = 0.82;

export function WhatIfGrips({ opening, section, whatIf, unit, onChange }: WhatIfGripsProps) {
  const depth = opening.behind === 'nothing' ? null : opening.depths.find(({ key }) => key === 'depthBehind')?.depth;
  const { frontGap } = opening;
  // Low in the drawing, where no margin's number stands; on glass that ends higher, at its end.
  const low = section.extent.bottom * GRIP_AT;
  const place = section.sheet.find(({ y }) => y <= low) ?? section.sheet[0];
  const text = (mm: number, moved: boolean) => `${printLength(mm, unit)}${moved ? ', what if' : ', as measured'}`;
  return (
    <>
      {depth && place && (
        <DragGrip
          x={place.x}
          y={place.y}
          label="What if the depth behind were"
          valueMm={depth.valueMm}
          valueText={text(depth.valueMm, whatIf.depthBehind !== null)}
          leastMm={OPENING_DIMENSIONS.depthBehind.leastMm}
          mostMm={OPENING_DIMENSIONS.depthBehind.mostMm}
          sense={1}
          onChange={(depthBehind) => onChange({ ...whatIf, depthBehind })}
        />
      )}
      {frontGap && (
        <DragGrip
          x={-frontGap.valueMm}
          y={low}
          label="What if the front gap were"
          valueMm={frontGap.valueMm}
          valueText={text(frontGap.valueMm, whatIf.frontGap !== null)}
          leastMm={OPENING_DIMENSIONS.frontGap.leastMm}
          mostMm={OPENING_DIMENSIONS.frontGap.mostMm}
          sense={-1}
          onChange={(gap) => onChange({ ...whatIf, frontGap: gap })}
        />
      )}
    </>
  );
}

/** "depth behind 60 mm instead of 57.8 mm" */
export function whatIfWords(measured: FitOpening, { depthBehind, frontGap }: WhatIf, unit: LengthUnit): string {
  const depth = measured.depths.find(({ key }) => key === 'depthBehind')?.depth.valueMm;
  const words = (label: string, now: number, was: number | undefined) =>
    `${label} ${printLength(now, unit)}${was === undefined ? '' : ` instead of ${printLength(was, unit)}`}`;
  return [
    ...(depthBehind === null ? [] : [words('depth behind', depthBehind, depth)]),
    ...(frontGap === null ? [] : [words('front gap', frontGap, measured.frontGap?.valueMm)]),
  ].join(', ');
}
