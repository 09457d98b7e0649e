/** The files of one piece that is cut: on paper at 1:1, for a router, for a printer that prints in layers. */
import type { PaperName, PrinterScale } from '@low-quarry/core/cutFiles';
import { CHECK_SQUARE_MM, type Template, type TemplateWords, templateSvg } from '@low-quarry/core/template';
import { explainLengthFailure, type LengthUnit, parseLength, printLength } from '@low-quarry/core/units';
import { useState } from 'react';
import { downloadFile } from '../../device/downloadFile';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { cutFault, cutFiles } from './cutFiles';

type PieceFilesProps = {
  readonly template: Template;
  readonly words: TemplateWords;
  /** What it is and of what: its files are called so. */
  readonly called: string;
  readonly unit: LengthUnit;
  readonly paper: PaperName;
};

export function PieceFiles({ template, words, called, unit, paper }: PieceFilesProps) {
  const [fault, setFault] = useState<string | null>(null);
  const [sheets, setSheets] = useState(0);
  const hand = (end: string, content: BlobPart, type: string) => downloadFile(fileName(called, end), content, type);
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
  const { outside, leastWallMm, pilotMm } = template;
  const [longMm, wideMm] = [2 * outside.halfLengthMm, 2 * outside.halfWidthMm];
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void toPdf()}>Template at 1:1, PDF on {paper}</Button>
        <Button onClick={toSvg}>SVG</Button>
        <Button onClick={() => void make(({ dxfFile }) => hand('dxf', dxfFile(template, words), 'image/vnd.dxf'))}>
          DXF
        </Button>
        <Button onClick={() => void make(({ stlFile }) => hand('stl', stlFile(template), 'model/stl'))}>STL</Button>
      </div>
      <p className="text-[13px] text-muted">
        {longMm === wideMm ? printLength(longMm, unit) : `${printLength(longMm, unit)} × ${printLength(wideMm, unit)}`}{' '}
        outside; least wall {printLength(leastWallMm, unit)}; pilots at most {printLength(pilotMm, unit)} deep. Printed
        at 100 %, its square is measured before anything is cut.
        {sheets > 1 && ` It goes on ${sheets} sheets.`}
      </p>
      <ScaledPrinter onScale={(scale) => void toPdf(scale)} />
      {fault && <p className="text-measure">{fault}</p>}
    </>
  );
}

export function fileName(called: string, end: string): string {
  return `${called.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.${end}`;
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
