/** Grips on glass, grille, hole and beams: dragging one asks "what if it stood there". */
import type { FitOpening } from '@low-quarry/core/fit';
import { OPENING_DIMENSIONS } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { printLength } from '@low-quarry/core/units';
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
  const { frontGap, hole } = opening;
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
          along="depth"
          factor={1}
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
          along="depth"
          factor={-1}
          onChange={(gap) => onChange({ ...whatIf, frontGap: gap })}
        />
      )}
      {hole.kind === 'circle' && hole.diameter && (
        <DragGrip
          x={0}
          y={-hole.diameter.valueMm / 2}
          label="What if the hole diameter were"
          valueMm={hole.diameter.valueMm}
          valueText={text(hole.diameter.valueMm, whatIf.holeDiameter !== null)}
          leastMm={OPENING_DIMENSIONS.holeDiameter.leastMm}
          mostMm={OPENING_DIMENSIONS.holeDiameter.mostMm}
          along="height"
          // Upwards is wider, and both edges move.
          factor={-2}
          onChange={(holeDiameter) => onChange({ ...whatIf, holeDiameter })}
        />
      )}
      {section.obstacles.map(({ id, label, outline }) => {
        const depthTo = opening.obstacles.find((each) => each.id === id)?.depth;
        const [first, ...others] = outline;
        if (!depthTo || !first) return null;
        const near = others.reduce((least, each) => (each.x < least.x ? each : least), first);
        return (
          <DragGrip
            key={id}
            x={near.x}
            y={near.y}
            label={`What if the depth to the ${label} were`}
            valueMm={depthTo.valueMm}
            valueText={text(depthTo.valueMm, whatIf.obstacles[id] !== undefined)}
            leastMm={0}
            mostMm={OPENING_DIMENSIONS.depthBehind.mostMm}
            along="depth"
            factor={1}
            onChange={(mm) => onChange({ ...whatIf, obstacles: { ...whatIf.obstacles, [id]: mm } })}
          />
        );
      })}
    </>
  );
}

/** "depth behind 60 mm instead of 57.8 mm" */
export function whatIfWords(measured: FitOpening, whatIf: WhatIf, unit: LengthUnit): string {
  const { depths, hole, frontGap, obstacles } = measured;
  const moved: readonly (readonly [string, number | null, number | undefined])[] = [
    ['depth behind', whatIf.depthBehind, depths.find(({ key }) => key === 'depthBehind')?.depth.valueMm],
    ['front gap', whatIf.frontGap, frontGap?.valueMm],
    ['hole diameter', whatIf.holeDiameter, hole.kind === 'circle' ? hole.diameter?.valueMm : undefined],
    ...obstacles.map(
      ({ id, label, depth }) => [`depth to the ${label}`, whatIf.obstacles[id] ?? null, depth.valueMm] as const,
    ),
  ];
  return moved
    .flatMap(([label, now, was]) => {
      if (now === null) return [];
      return [`${label} ${printLength(now, unit)}${was === undefined ? '' : ` instead of ${printLength(was, unit)}`}`];
    })
    .join(', ');
}
