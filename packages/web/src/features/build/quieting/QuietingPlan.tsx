/** The sheets of a material as they lie on each surface, to scale, what is cut out of them, and how many that takes. */
import { QUIETED_SPOTS, type Quieted, type QuietedSheets, quietedSheets } from '@low-quarry/core/model';
import { printLength } from '@low-quarry/core/units';
import { useMemo } from 'react';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { PanelDrawing } from '../../../drawing/PanelDrawing';
import { useSettings } from '../../../ui/settings';

export function QuietingPlan({ quieted }: { readonly quieted: readonly Quieted[] }) {
  const { unit } = useSettings();
  const groups = useMemo(() => quietedSheets(quieted), [quieted]);
  return groups.map(({ material, thicknessMm, sheet, surfaces, packed: { sheets, atLeast } }) => (
    <section
      key={`${material} ${thicknessMm} ${sheet.lengthMm} ${sheet.widthMm}`}
      aria-label={`Sheets of ${material}`}
      className="flex flex-col gap-2"
    >
      <h3 className="font-semibold">
        {sheets} {sheets === 1 ? 'sheet' : 'sheets'} of {material}
        {thicknessMm === null ? '' : `, ${printLength(thicknessMm, unit)}`}
      </h3>
      <p>
        Each {printLength(sheet.lengthMm, unit)} × {printLength(sheet.widthMm, unit)}, cut with a knife from edge to
        edge.{' '}
        {sheets === atLeast ? 'No way needs fewer.' : `No way is known with fewer; none needs less than ${atLeast}.`}
      </p>
      <div className="grid gap-4 md:grid-cols-2">
        {surfaces.map((surface) => (
          <Surface key={surface.name} {...surface} of={quieted.find(({ name }) => name === surface.name) as Quieted} />
        ))}
      </div>
    </section>
  ));
}

const EDGE_MM = 14;

function Surface({ name, pieces, of }: QuietedSheets['surfaces'][number] & { readonly of: Quieted }) {
  const [longMm, wideMm] = [of.lengthMm ?? 0, of.widthMm ?? 0];
  const standing = of.spots.map(({ what }) => QUIETED_SPOTS[what].label.toLowerCase()).join(', ');
  return (
    <div className="flex flex-col gap-2">
      <h4 className="font-semibold">{name}</h4>
      {of.marked.length > 0 && (
        <PanelDrawing kind={of.kind} spot={of.spot} marks={[]} areas={[{ words: name, corners: of.marked }]} />
      )}
      <Drawing
        extent={{ left: -EDGE_MM, right: longMm + EDGE_MM, top: -wideMm - EDGE_MM, bottom: EDGE_MM }}
        maxHeightPx={300}
        label={`${name}: ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}${standing === '' ? '' : `; on it: ${standing}`}`}
        caption="Seen from the cabin; hatched: not laid"
      >
        <Laid pieces={pieces} of={of} />
      </Drawing>
    </div>
  );
}

function Laid({
  pieces,
  of: { lengthMm, widthMm, spots },
}: Pick<QuietedSheets['surfaces'][number], 'pieces'> & { readonly of: Quieted }) {
  const { px, hatch } = usePen();
  return (
    <g>
      <rect
        {...{ x: 0, y: -(widthMm ?? 0), width: lengthMm ?? 0, height: widthMm ?? 0 }}
        className="fill-none stroke-ink"
        strokeWidth={2 * px}
      />
      {pieces.map((piece, at) => (
        <g key={`${piece.xMm} ${piece.yMm}`}>
          <rect
            {...{ x: piece.xMm, y: -piece.yMm - piece.widthMm, width: piece.lengthMm, height: piece.widthMm }}
            className="fill-paper stroke-ink"
            strokeWidth={px}
          />
          <text
            x={piece.xMm + piece.lengthMm / 2}
            y={-piece.yMm - piece.widthMm / 2 + 4 * px}
            fontSize={13 * px}
            textAnchor="middle"
            className="fill-ink"
          >
            {at + 1}
          </text>
        </g>
      ))}
      {spots.map(({ what, xMm, yMm, lengthMm: long, widthMm: wide }) => (
        <g key={`${what} ${xMm} ${yMm}`}>
          <rect
            {...{ x: xMm, y: -yMm - wide, width: long, height: wide }}
            fill={QUIETED_SPOTS[what].isOpen ? undefined : hatch('clearance')}
            className={QUIETED_SPOTS[what].isOpen ? 'fill-ground stroke-action' : 'stroke-muted'}
            strokeWidth={2 * px}
          />
          <text
            x={xMm + long + 3 * px}
            y={-yMm - wide / 2 + 4 * px}
            fontSize={12 * px}
            className="fill-ink"
            fontWeight={700}
          >
            {QUIETED_SPOTS[what].label}
          </text>
        </g>
      ))}
    </g>
  );
}
