/** What is cut for the shown candidate, on paper at 1:1. */
import type { FitRules, Mount } from '@low-quarry/core/fit';
import { type OpeningRecord, placeLabel } from '@low-quarry/core/model';
import { templateSvg } from '@low-quarry/core/template';
import { type LengthUnit, printLength } from '@low-quarry/core/units';
import { useState } from 'react';
import { downloadFile } from '../../device/downloadFile';
import { Button } from '../../ui/Button';
import { type Cut, type CutPiece, cutPieces } from './cutPieces';

type PieceTemplatesProps = {
  readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name'>;
  readonly cut: Cut;
  readonly mount: Mount;
  readonly rules: FitRules;
  readonly unit: LengthUnit;
};

/** Nothing where nothing is cut. */
export function PieceTemplates({ record, cut, mount, rules, unit }: PieceTemplatesProps) {
  const pieces = cutPieces(cut, mount, rules);
  if (pieces.length === 0) return null;
  return (
    <section aria-label="To cut" className="flex flex-col gap-2 border-t border-ink pt-2">
      <h2 className="font-semibold">To cut, for this side</h2>
      {pieces.map((piece, at) => (
        <Piece
          // biome-ignore lint/suspicious/noArrayIndexKey: two rings of one sheet differ by where they lie alone.
          key={at}
          {...{ piece, record, unit }}
          speakerName={cut.candidate.speaker.name}
          askedMm={rules.clearancesMm.wall}
        />
      ))}
    </section>
  );
}

type PieceProps = {
  readonly piece: CutPiece;
  readonly record: PieceTemplatesProps['record'];
  readonly unit: LengthUnit;
  readonly speakerName: string;
  readonly askedMm: number;
};

function Piece({ piece: { what, template, isSound }, record, unit, speakerName, askedMm }: PieceProps) {
  const [isTooLarge, setIsTooLarge] = useState(false);
  const label = placeLabel(record);
  const name = `${what} of ${printLength(template.thicknessMm, unit)}`;
  if (!isSound)
    return (
      <p className="text-measure">
        The {name} has no template: its screws leave {printLength(template.leastWallMm, unit)} beside its hole, and the
        shop asks {printLength(askedMm, unit)}. Cut a plate, or take a bracket.
      </p>
    );
  const download = () => {
    const svg = templateSvg(template, {
      title: `${what === 'plate' ? 'Plate' : 'Ring'} for ${label}: ${speakerName}`,
      side: record.side === 'centre' ? 'Seen from the cabin' : `${record.side.toUpperCase()}, seen from the cabin`,
    });
    setIsTooLarge(svg === null);
    if (svg) downloadFile(`${what}-${label.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.svg`, svg, 'image/svg+xml');
  };
  return (
    <div className="flex flex-col gap-1">
      <Button className="self-start" onClick={download}>
        Template of the {name} at 1:1, SVG
      </Button>
      <p className="text-[13px] text-muted">
        {printLength(2 * template.outside.halfLengthMm, unit)} outside; least wall{' '}
        {printLength(template.leastWallMm, unit)}. Printed at 100 %, its square is measured before anything is cut.
      </p>
      {isTooLarge && <p className="text-measure">It is larger than A3: mark its holes off the car and the speaker.</p>}
    </div>
  );
}
