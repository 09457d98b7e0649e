/** What is cut for the shown candidate, on paper at 1:1. */

import type { PaperName, PrinterScale } from '@low-quarry/core/cutFiles';
import type { FitRules, Mount } from '@low-quarry/core/fit';
import { type OpeningRecord, placeLabel, SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import { CHECK_SQUARE_MM, type Cut, type CutPiece, cutPieces, templateSvg } from '@low-quarry/core/template';
import { explainLengthFailure, type LengthUnit, parseLength, printLength } from '@low-quarry/core/units';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { downloadFile } from '../../device/downloadFile';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { cutFault, cutFiles } from './cutFiles';

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
  const pieces = cutPieces(cut, mount, rules);
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
  readonly paper: PaperName;
};

function Piece({ piece: { what, template, isSound }, record, unit, speakerName, askedMm, paper }: PieceProps) {
  const [fault, setFault] = useState<string | null>(null);
  const [sheets, setSheets] = useState(0);
  const label = placeLabel(record);
  const name = `${what} of ${printLength(template.thicknessMm, unit)}`;
  if (!isSound)
    return (
      <p className="text-measure">
        The {name} has no template: its screws leave {printLength(template.leastWallMm, unit)} beside its hole, and the
        shop asks {printLength(askedMm, unit)}. Cut a plate, or take a bracket.
      </p>
    );
  const words = {
    title: `${what === 'plate' ? 'Plate' : 'Ring'} for ${label}: ${speakerName}`,
    side: record.side === 'centre' ? 'Seen from the cabin' : `${record.side.toUpperCase()}, seen from the cabin`,
  };
  const hand = (end: string, content: BlobPart, type: string) =>
    downloadFile(`${what}-${label.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.${end}`, content, type);
  const make = async (write: (files: Awaited<ReturnType<typeof cutFiles>>) => Promise<void> | void) => {
    setFault(null);
    try {
      await write(await cutFiles());
    } catch (error) {
      setFault(cutFault(error));
    }
  };
  const toPdf = (scale?: PrinterScale) =>
    make(async ({ pdfFile }) => {
      const made = await pdfFile(template, words, { paper, ...(scale ? { scale } : {}) });
      setSheets(made.sheets);
      hand('pdf', made.bytes as Uint8Array<ArrayBuffer>, 'application/pdf');
    });
  const toSvg = () => {
    const svg = templateSvg(template, words);
    setFault(svg === null ? 'It is larger than A3: the PDF goes on several sheets.' : null);
    if (svg) hand('svg', svg, 'image/svg+xml');
  };
  return (
    <section aria-label={`The ${name}`} className="flex flex-col gap-2">
      <h3 className="font-semibold">{name.charAt(0).toUpperCase() + name.slice(1)}</h3>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void toPdf()}>Template at 1:1, PDF on {paper}</Button>
        <Button onClick={toSvg}>SVG</Button>
        <Button onClick={() => void make(({ dxfFile }) => hand('dxf', dxfFile(template, words), 'image/vnd.dxf'))}>
          DXF
        </Button>
        <Button onClick={() => void make(({ stlFile }) => hand('stl', stlFile(template), 'model/stl'))}>STL</Button>
      </div>
      <p className="text-[13px] text-muted">
        {printLength(2 * template.outside.halfLengthMm, unit)} outside; least wall{' '}
        {printLength(template.leastWallMm, unit)}. Printed at 100 %, its square is measured before anything is cut.
        {sheets > 1 && ` It goes on ${sheets} sheets.`}
      </p>
      <ScaledPrinter onScale={(scale) => void toPdf(scale)} />
      {fault && <p className="text-measure">{fault}</p>}
    </section>
  );
}

/** The square tells that the printer scales: what it measures is made up for. */
function ScaledPrinter({ onScale }: { readonly onScale: (scale: PrinterScale) => void }) {
  const [across, setAcross] = useState('');
  const [up, setUp] = useState('');
  /** Null before anything was made of them; empty where it stands at the fields. */
  const [error, setError] = useState<string | null>(null);
  const lengths = [parseLength(across, 'mm'), parseLength(up, 'mm')] as const;
  const errorOf = (length: (typeof lengths)[number]) =>
    error !== null && !length.ok ? explainLengthFailure(length.failure) : null;
  const make = async () => {
    const [wide, high] = lengths;
    setError('');
    if (!wide.ok || !high.ok) return;
    try {
      const { printerScale } = await cutFiles();
      onScale(printerScale(wide.value.valueMm, high.value.valueMm));
      setError(null);
    } catch (thrown) {
      setError(thrown instanceof RangeError ? thrown.message : cutFault(thrown));
    }
  };
  return (
    <details>
      <summary className="inline-flex min-h-12 cursor-pointer items-center text-action underline">
        The square is not {CHECK_SQUARE_MM} mm
      </summary>
      <div className="grid max-w-xl grid-cols-2 gap-3">
        <TextField
          label="Measured across, mm"
          inputMode="decimal"
          value={across}
          error={errorOf(lengths[0])}
          onType={setAcross}
        />
        <TextField label="Measured up, mm" inputMode="decimal" value={up} error={errorOf(lengths[1])} onType={setUp} />
      </div>
      {error && <p className="font-semibold text-hits">{error}</p>}
      <Button onClick={() => void make()}>PDF that makes up for it</Button>
    </details>
  );
}
