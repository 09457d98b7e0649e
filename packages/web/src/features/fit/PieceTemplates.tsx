/** What is cut for the shown candidate, on paper at 1:1. */

import type { PaperName } from '@low-quarry/core/cutFiles';
import type { FitRules, Mount } from '@low-quarry/core/fit';
import { HOUSING_LABELS } from '@low-quarry/core/housing';
import { type OpeningRecord, placeLabel, SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import { type Cut, type CutPiece, cutPieces, PIECE_LABELS } from '@low-quarry/core/template';
import { type LengthUnit, printLength } from '@low-quarry/core/units';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { downloadFile } from '../../device/downloadFile';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { cutFault, cutFiles } from './cutFiles';
import { fileName, PieceFiles } from './PieceFiles';

type PieceTemplatesProps = {
  readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name'>;
  readonly cut: Cut;
  readonly mount: Mount;
  readonly rules: FitRules;
  readonly unit: LengthUnit;
};

/** Nothing where nothing is cut. */
export function PieceTemplates({ record, cut, mount, rules, unit }: PieceTemplatesProps) {
  const paper = useQuery(shopSettingsQuery).data?.paper ?? SETTINGS_DEFAULTS.paper;
  const pieces = cutPieces(cut, mount, rules, unit);
  if (pieces.length === 0) return null;
  return (
    <section aria-label="To cut" className="flex flex-col gap-2 border-t border-ink pt-2">
      <h2 className="font-semibold">To cut, for this side</h2>
      {pieces.map((piece, at) => (
        <Piece
          // biome-ignore lint/suspicious/noArrayIndexKey: two rings of one sheet differ by where they lie alone.
          key={at}
          {...{ piece, record, unit, paper }}
          speakerName={cut.candidate.speaker.name}
        />
      ))}
      <WholeHousing cut={cut} pieces={pieces} record={record} />
    </section>
  );
}

/** All of what is built, in one piece, for a printer that prints in layers. */
function WholeHousing({
  cut: { opening },
  pieces,
  record,
}: Pick<PieceTemplatesProps, 'cut' | 'record'> & { readonly pieces: readonly CutPiece[] }) {
  const [fault, setFault] = useState<string | null>(null);
  const face = pieces.find(({ what }) => what === 'face');
  if (!opening.made || !face) return null;
  const { housing } = opening.made;
  const take = async () => {
    setFault(null);
    try {
      const { housingStl } = await cutFiles();
      downloadFile(
        fileName(`${housing.as}-${placeLabel(record)}`, 'stl'),
        housingStl(housing, face.template),
        'model/stl',
      );
    } catch (error) {
      setFault(cutFault(error));
    }
  };
  return (
    <section aria-label="Whole, to print" className="flex flex-col gap-2">
      <h3 className="font-semibold">The whole {HOUSING_LABELS[housing.as].toLowerCase()}, to print</h3>
      <Button className="self-start" onClick={() => void take()}>
        All of it as STL
      </Button>
      <p className="text-[13px] text-muted">
        Base, wall and face in one, hollow, for this side; its base on the printer’s bed.
      </p>
      <FormError>{fault}</FormError>
    </section>
  );
}

type PieceProps = {
  readonly piece: CutPiece;
  readonly record: PieceTemplatesProps['record'];
  readonly unit: LengthUnit;
  readonly speakerName: string;
  readonly paper: PaperName;
};

function Piece({ piece: { what, template, fault }, record, unit, speakerName, paper }: PieceProps) {
  const label = placeLabel(record);
  const name = `${what} of ${printLength(template.thicknessMm, unit)}`;
  if (fault !== null)
    return (
      <p className="text-measure">
        The {name} has no template. {fault}
      </p>
    );
  return (
    <section aria-label={`The ${name}`} className="flex flex-col gap-2">
      <h3 className="font-semibold">{name.charAt(0).toUpperCase() + name.slice(1)}</h3>
      <PieceFiles
        template={template}
        words={{
          title: `${PIECE_LABELS[what]} for ${label}: ${speakerName}`,
          side: record.side === 'centre' ? 'Seen from the cabin' : `${record.side.toUpperCase()}, seen from the cabin`,
        }}
        called={`${what}-${label}`}
        unit={unit}
        paper={paper}
      />
    </section>
  );
}
