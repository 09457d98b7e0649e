/** What the shop cuts itself for this car: each piece on the sheets it comes from, to scale, and the sheets as files for a router. */
import { type Cutting as CuttingAnswer, getCutting } from '@low-quarry/core/contracts/cutting';
import { SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import { type Edge, PIECE_LABELS, templateAt } from '@low-quarry/core/template';
import { printLength } from '@low-quarry/core/units';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { downloadFile } from '../../device/downloadFile';
import { addressOf } from '../../stations/addressOf';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useSettings } from '../../ui/settings';
import { Answered } from '../../ui/states';
import { cutFault, cutFiles } from '../fit/cutFiles';
import { PieceFiles } from '../fit/PieceFiles';

function cuttingQuery(jobId: string) {
  return queryOptions({
    queryKey: ['orders', jobId, 'cutting'],
    queryFn: ({ signal }) => call(getCutting, { params: { jobId }, signal }),
  });
}

export function Cutting({ jobId }: { readonly jobId: string }) {
  const cutting = useQuery(cuttingQuery(jobId));
  return (
    <Answered query={cutting} what="what is cut">
      {(answer) => (answer.pieces.length + answer.unmeasured.length === 0 ? null : <Shown jobId={jobId} {...answer} />)}
    </Answered>
  );
}

function Shown({ jobId, sheet, pieces, unmeasured, sheets }: CuttingAnswer & { readonly jobId: string }) {
  const { unit } = useSettings();
  return (
    <section aria-label="To cut" className="flex flex-col gap-2">
      <h2 className="border-b border-ink text-[18px] font-bold">To cut</h2>
      {unmeasured.map((label) => (
        <p key={label} className="font-semibold text-measure">
          ◇ {label}: nobody measured what its piece is cut to: the screws that a ring lies under, the box that a hanger
          carries. It has no outline until somebody does.
        </p>
      ))}
      {pieces.map(({ label, what, template, fault }, at) =>
        fault === null ? null : (
          // biome-ignore lint/suspicious/noArrayIndexKey: an opening may have several, and they are numbered by their place.
          <p key={at} className="font-semibold text-measure">
            ◇ {label}: the {what} of {printLength(template.thicknessMm, unit)} lies on no sheet. {fault}
          </p>
        ),
      )}
      <ol className="list-decimal pl-6">
        {pieces.map(({ openingId, label, what, template, speakerName }, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an opening may have several, and they are numbered by their place.
          <li key={at}>
            {PIECE_LABELS[what]} of {printLength(template.thicknessMm, unit)} for{' '}
            {openingId === null ? (
              <PieceAlone label={label} template={template} />
            ) : (
              <>
                <Link className="text-action underline" to={addressOf('match', { jobId, openingId })}>
                  {label}
                </Link>
                , {what === 'face' || what === 'base' ? 'for' : 'under'} the {speakerName}. Its template is there.
              </>
            )}
          </li>
        ))}
      </ol>
      {sheets.map((group) => (
        <Group key={group.thicknessMm} {...group} sheet={sheet} allPieces={pieces} />
      ))}
    </section>
  );
}

/** What belongs to no opening has its files here. */
function PieceAlone({ label, template }: Pick<CuttingAnswer['pieces'][number], 'label' | 'template'>) {
  const { unit } = useSettings();
  const paper = useQuery(shopSettingsQuery).data?.paper ?? SETTINGS_DEFAULTS.paper;
  const title = `Hanger for the crossover ${label}`;
  return (
    <>
      the crossover {label}.
      <PieceFiles
        template={template}
        words={{ title, side: 'Either way up, for either side' }}
        called={title}
        unit={unit}
        paper={paper}
      />
    </>
  );
}

type GroupProps = CuttingAnswer['sheets'][number] & {
  readonly sheet: CuttingAnswer['sheet'];
  readonly allPieces: CuttingAnswer['pieces'];
};

function Group({ thicknessMm, sheets, atLeast, laid, leftMm, tooLarge, sheet, allPieces }: GroupProps) {
  const { unit } = useSettings();
  const [fault, setFault] = useState<string | null>(null);
  const lying = (on: number) =>
    laid
      .filter((each) => each.sheet === on)
      .map((each) => {
        const { template, label } = allPieces[each.piece] as CuttingAnswer['pieces'][number];
        return { number: each.piece + 1, label, template: templateAt(template, each) };
      });
  const take = async (on: number) => {
    setFault(null);
    try {
      const { sheetDxf } = await cutFiles();
      const content = sheetDxf(
        sheet,
        lying(on).map(({ template, label, number }) => ({ template, words: `${number} ${label}` })),
      );
      downloadFile(`sheet-${thicknessMm}-mm-${on + 1}.dxf`, content, 'image/vnd.dxf');
    } catch (error) {
      setFault(cutFault(error));
    }
  };
  const size = `${printLength(sheet.lengthMm, unit)} × ${printLength(sheet.widthMm, unit)}`;
  return (
    <section aria-label={`Sheet of ${printLength(thicknessMm, unit)}`} className="flex flex-col gap-2">
      <h3 className="font-semibold">
        {sheets} {sheets === 1 ? 'sheet' : 'sheets'} of {printLength(thicknessMm, unit)}
      </h3>
      <p>
        Each {size}, {printLength(sheet.kerfMm, unit)} for the saw between the pieces.{' '}
        {sheets === atLeast ? 'No way needs fewer.' : `No way is known with fewer; none needs less than ${atLeast}.`}
      </p>
      {tooLarge.map((piece) => (
        <p key={piece} className="font-semibold text-hits">
          ✕ Piece {piece + 1} is larger than a sheet.
        </p>
      ))}
      <FormError>{fault}</FormError>
      <div className="flex flex-wrap gap-6">
        {Array.from({ length: sheets }, (_, on) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is its place.
          <figure key={on} className="flex w-full max-w-md flex-col gap-1">
            <SheetDrawing sheet={sheet} pieces={lying(on)} />
            <figcaption className="text-[13px] text-muted">
              {sheets > 1 && `Sheet ${on + 1}. `}Left over, whole: {printLength(Math.max(0, leftMm[on] ?? 0), unit)} of
              its {printLength(sheet.lengthMm, unit)}, the right end here. Drawn to scale.
            </figcaption>
            <Button className="self-start" onClick={() => void take(on)}>
              This sheet as DXF
            </Button>
          </figure>
        ))}
      </div>
    </section>
  );
}

type Lying = { readonly number: number; readonly label: string; readonly template: ReturnType<typeof templateAt> };

/** @param widthMm of the sheet: y runs up in it */
function EdgeLine({ edge, widthMm }: { readonly edge: Edge; readonly widthMm: number }) {
  const { xMm, yMm, halfLengthMm, halfWidthMm, angleRad, corners } = edge;
  if (corners)
    return <polygon points={corners.map((at) => `${at.xMm},${widthMm - at.yMm}`).join(' ')} strokeWidth={1.5} />;
  return (
    <ellipse
      {...{ cx: xMm, cy: widthMm - yMm, rx: halfLengthMm, ry: halfWidthMm }}
      transform={`rotate(${(-angleRad * 180) / Math.PI} ${xMm} ${widthMm - yMm})`}
      strokeWidth={1.5}
    />
  );
}

/** A number is as high: in a smaller throat it stands beside it, mm. */
const NUMBER_MM = 28;

/** Seen from above; y up, as in its file. */
function SheetDrawing({
  sheet,
  pieces,
}: {
  readonly sheet: CuttingAnswer['sheet'];
  readonly pieces: readonly Lying[];
}) {
  const { lengthMm, widthMm } = sheet;
  return (
    <svg
      viewBox={`-2 -2 ${lengthMm + 4} ${widthMm + 4}`}
      className="w-full"
      role="img"
      aria-label={`On it: ${pieces.map(({ number, label }) => `${number}, ${label}`).join('; ')}`}
      fill="none"
      stroke="currentColor"
    >
      <rect x={0} y={0} width={lengthMm} height={widthMm} strokeWidth={1.5} />
      {pieces.map(({ number, template }) => (
        <g key={number}>
          <EdgeLine edge={template.outside} widthMm={widthMm} />
          <EdgeLine edge={template.throat} widthMm={widthMm} />
          {template.holes.map(({ xMm, yMm, diameterMm }) => (
            <circle key={`${xMm} ${yMm}`} cx={xMm} cy={widthMm - yMm} r={diameterMm / 2} strokeWidth={0.7} />
          ))}
          <text
            x={template.throat.xMm}
            y={widthMm - template.throat.yMm + (template.throat.halfWidthMm > NUMBER_MM ? 10 : 10 + 2 * NUMBER_MM)}
            fontSize={NUMBER_MM}
            textAnchor="middle"
            fill="currentColor"
            stroke="none"
          >
            {number}
          </text>
        </g>
      ))}
    </svg>
  );
}
