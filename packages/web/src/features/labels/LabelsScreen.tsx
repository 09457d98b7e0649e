/** Which labels go onto which sheet, and where on it? */
import { type LabelsOf, labelsFile } from '@low-quarry/core/contracts/labels';
import {
  type LabelSheet,
  labelLayout,
  labelPlaces,
  labelSheetSchema,
  PAPER_MM,
  SHEETS,
  type SheetName,
  type SymbolKind,
} from '@low-quarry/core/labels';
import { useState } from 'react';
import { z } from 'zod';
import { fillPath } from '../../api/fillPath';
import { readStored, writeStored } from '../../device/stored';
import { useAddress, withParams } from '../../ui/address';
import { DownloadLink } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Shell } from '../../ui/Shell';
import { TextField } from '../../ui/TextField';

const OWN = 'own';
const SHEET_NAMES = Object.keys(SHEETS) as SheetName[];
const SHEET_WORDS = [
  ...SHEET_NAMES.map((name) => [name, sheetWords(SHEETS[name])] as const),
  [OWN, 'Another, by a ruler'] as const,
];
const SYMBOL_WORDS = [
  ['qr', 'QR code: small, any text'],
  ['code128', 'Bars (Code 128): for short codes'],
] as const;
const PAPER_WORDS = [
  ['a4', 'A4'],
  ['letter', 'Letter'],
] as const;

/** A sheet of the shop's own as it is typed, and the sheet of last time: kept on this device, beside its printer. */
const [OWN_KEY, SHEET_KEY] = ['labels.own', 'labels.sheet'];
type SheetTyped = Readonly<Record<keyof LabelSheet, string>>;
const sheetTypedSchema = z.record(z.string(), z.string());

const OF_WORDS: Readonly<Record<LabelsOf, string>> = {
  lots: 'Labels for the shelf',
  part: 'Labels of a part',
  job: 'Labels for a job’s bags',
};

/** What is measured of a sheet, in mm, in the order of a ruler laid on it. */
const LENGTHS = [
  ['widthMm', 'A label’s width, mm'],
  ['heightMm', 'A label’s height, mm'],
  ['leftMm', 'Paper’s left edge to the first label, mm'],
  ['topMm', 'Paper’s top edge to the first label, mm'],
  ['pitchXMm', 'From a label’s left edge to the next one’s, mm'],
  ['pitchYMm', 'From a label’s top edge to the next one’s, mm'],
] as const;
const COUNTS = [
  ['columns', 'Labels side by side'],
  ['rows', 'Labels below one another'],
] as const;

function sheetWords({ paper, columns, rows, widthMm, heightMm }: LabelSheet): string {
  return `${paper === 'a4' ? 'A4' : 'Letter'}, ${columns} × ${rows}, each ${widthMm} × ${heightMm} mm`;
}

export function LabelsScreen() {
  const [search, changeAddress] = useAddress();
  const set = (changes: Readonly<Record<string, string | null>>) =>
    changeAddress((before) => withParams(before, changes));
  const of = (Object.keys(OF_WORDS) as LabelsOf[]).find((each) => each === search.get('of')) ?? 'lots';
  const symbol: SymbolKind = search.get('symbol') === 'code128' ? 'code128' : 'qr';
  const askedSheet = search.get('sheet') ?? readStored(SHEET_KEY);
  const sheetName = SHEET_NAMES.find((name) => name === askedSheet) ?? (askedSheet === OWN ? OWN : '3x7');
  const [own, setOwn] = useState<SheetTyped>(readOwnSheet);
  const typeOwn = (changes: Partial<SheetTyped>) => {
    const next = { ...own, ...changes };
    writeStored(OWN_KEY, JSON.stringify(next));
    setOwn(next);
  };
  const read = labelSheetSchema.safeParse(sheetName === OWN ? own : SHEETS[sheetName]);
  const copies = wholeIn(search.get('copies'), 500);
  const first = wholeIn(search.get('first'), 300);
  const errorOf = (key: string) => read.error?.issues.find(({ path }) => path[0] === key)?.message ?? null;
  const [id, find] = [search.get('id') ?? '', search.get('find') ?? ''];
  return (
    <Shell
      title={OF_WORDS[of]}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/labels', label: 'Labels' },
      ]}
    >
      <p className="max-w-2xl">
        {of === 'lots' && (id === '' ? lotsWords(find) : 'One lot of the shelf.')} Print the file at 100 %, not fitted
        to the page: on a plain sheet first, and hold it against the labels.
      </p>
      <div className="grid max-w-5xl gap-6 lg:grid-cols-[1fr_280px]">
        <div className="flex flex-col gap-3">
          <div className="grid gap-3 sm:grid-cols-2">
            <Choice
              label="Sheet"
              value={sheetName}
              options={SHEET_WORDS}
              onChange={(next) => {
                writeStored(SHEET_KEY, next);
                set({ sheet: next });
              }}
            />
            <Choice label="Code" value={symbol} options={SYMBOL_WORDS} onChange={(next) => set({ symbol: next })} />
            <TextField
              label="Copies of each"
              inputMode="numeric"
              autoComplete="off"
              value={search.get('copies') ?? '1'}
              error={copies === null ? 'Type a whole number from 1 to 500.' : null}
              onType={(text) => set({ copies: text })}
            />
            <TextField
              label="First label still on the sheet"
              inputMode="numeric"
              autoComplete="off"
              hint="Counted row by row."
              value={search.get('first') ?? '1'}
              error={first === null ? 'Type a whole number from 1 to 300.' : null}
              onType={(text) => set({ first: text })}
            />
          </div>
          {sheetName === OWN && (
            <fieldset className="grid gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-2">
              <legend className="mb-1 font-semibold">The sheet, by a ruler</legend>
              <Choice
                label="Paper"
                value={own.paper === 'letter' ? 'letter' : 'a4'}
                options={PAPER_WORDS}
                onChange={(paper) => typeOwn({ paper })}
              />
              {[...COUNTS, ...LENGTHS].map(([key, label]) => (
                <TextField
                  key={key}
                  label={label}
                  inputMode="decimal"
                  autoComplete="off"
                  value={own[key]}
                  error={errorOf(key)}
                  onType={(text) => typeOwn({ [key]: text.replace(',', '.') })}
                />
              ))}
            </fieldset>
          )}
          {read.data && copies !== null && first !== null && (
            <DownloadLink
              className="self-start"
              href={fillPath(labelsFile.path, { of, id, find, copies, symbol, first, ...read.data })}
            >
              The labels as PDF
            </DownloadLink>
          )}
        </div>
        {read.data && <SheetDrawing sheet={read.data} symbol={symbol} first={first ?? 1} />}
      </div>
    </Shell>
  );
}

function lotsWords(find: string): string {
  return find === '' ? 'Every lot on the shelf.' : `Every lot with “${find}” in it.`;
}

/** What a ruler said of the shop's own sheets, as this device has it; a usual sheet where nobody typed any. */
function readOwnSheet(): SheetTyped {
  const usual = textOf(SHEETS['3x7']);
  try {
    const kept = sheetTypedSchema.safeParse(JSON.parse(readStored(OWN_KEY) ?? ''));
    return kept.success ? { ...usual, ...kept.data } : usual;
  } catch {
    return usual;
  }
}

function textOf(sheet: LabelSheet): SheetTyped {
  return Object.fromEntries(Object.entries(sheet).map(([key, value]) => [key, String(value)])) as SheetTyped;
}

/** Null where it is no whole number from 1 to so many. */
function wholeIn(text: string | null, most: number): number | null {
  if (text === null) return 1;
  const value = /^\s*\d{1,4}\s*$/.test(text) ? Number(text) : 0;
  return value >= 1 && value <= most ? value : null;
}

type DrawingProps = { readonly sheet: LabelSheet; readonly symbol: SymbolKind; readonly first: number };

/** The sheet to scale: which labels are gone, and where on each the code and the words go. */
function SheetDrawing({ sheet, symbol, first }: DrawingProps) {
  const { width, height } = PAPER_MM[sheet.paper];
  const { widthMm, heightMm, columns, rows } = sheet;
  const layout = labelLayout(sheet, symbol);
  return (
    <figure className="flex flex-col gap-1">
      <svg
        viewBox={`-1 -1 ${width + 2} ${height + 2}`}
        className="w-full max-w-[280px] bg-paper"
        role="img"
        aria-label={`The sheet, ${width} × ${height} mm, with ${columns * rows} labels`}
      >
        <rect width={width} height={height} className="fill-none stroke-ink" strokeWidth={0.8} />
        {labelPlaces(sheet, columns * rows, 1).map(({ xMm, yMm }, at) => (
          <g key={`${xMm} ${yMm}`} transform={`translate(${xMm} ${yMm})`}>
            <rect
              width={widthMm}
              height={heightMm}
              rx={2}
              className={`fill-none ${at + 1 < first ? 'stroke-hairline' : 'stroke-ink'}`}
              strokeWidth={0.6}
              strokeDasharray={at + 1 < first ? '2 2' : undefined}
            />
            {at + 1 >= first && (
              <>
                <rect
                  x={layout.symbol.xMm}
                  y={layout.symbol.yMm}
                  width={layout.symbol.widthMm}
                  height={layout.symbol.heightMm}
                  className="fill-hairline"
                />
                <text
                  x={layout.words.xMm}
                  y={layout.words.yMm + 6}
                  className="fill-ink"
                  style={{ fontSize: '6px', fontWeight: 600 }}
                >
                  {at + 1}
                </text>
              </>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-[13px] leading-4 text-muted">
        {width} × {height} mm. Grey: the code. Dashed: labels that are gone.
      </figcaption>
    </figure>
  );
}
