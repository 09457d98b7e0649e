/**
 * A channel as a circuit, read from left to right: its source, both conductors, what stands before each speaker, and the speakers, by symbols of
 * IEC 60617. What nobody looked at is dashed.
 */
import type { ChannelLoad } from '@low-quarry/core/sound';
import type { ChannelSheet } from '@low-quarry/core/stations';
import { loadLines, loadWords, sourceLines } from './channelsView';

const ROW = 72;
const SOURCE = { width: 220, lineHeight: 17 } as const;
/** Where the conductors leave for the speakers, the upper and the lower of a pair. */
const BUS = { upper: 262, lower: 246 } as const;
const PAIR = 10;
const BEFORE_X = 300;
const CONE_X = 352;
const WIDTH = 720;
/** Of the symbols between a conductor and its speaker. */
const SYMBOL_STEP = 26;
const BOX = 20;
const PLATES = { from: 7, to: 13 } as const;

export function ChannelDrawing({ sheet }: { readonly sheet: ChannelSheet }) {
  const { loads, joined } = sheet.channel;
  const [fedBy, ...rest] = sourceLines(sheet);
  const sourceHeight = 33 + rest.length * SOURCE.lineHeight;
  const height = Math.max(sourceHeight, loads.length * ROW) + 8;
  const rows = loads.map((_, at) => 4 + ROW / 2 + at * ROW);
  const [first = sourceHeight / 2, last = first] = [rows[0], rows.at(-1)];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="hidden w-full max-w-[720px] sm:block"
      role="img"
      aria-label={`Channel ${sheet.record.name}: ${loads.map((load) => `${load.label}, ${loadWords(load)}`).join('; ') || 'nothing hangs on it'}`}
    >
      <rect
        x="1"
        y="4"
        width={SOURCE.width}
        height={sourceHeight}
        className="fill-paper stroke-ink"
        strokeWidth="1.5"
        strokeDasharray={sheet.record.fedBy === null ? '6 4' : undefined}
      />
      <text x="12" y="24" className="fill-ink font-semibold" fontSize="14">
        {fedBy}
      </text>
      {rest.map((line, at) => (
        <text key={line} x="12" y={43 + at * SOURCE.lineHeight} className="fill-muted" fontSize="13">
          {line}
        </text>
      ))}
      <g className="stroke-ink" strokeWidth="1.5" fill="none">
        {loads.length > 0 && (
          <>
            <path d={`M${SOURCE.width} ${first - PAIR}H${BUS.upper}`} />
            <path d={`M${SOURCE.width} ${first + PAIR}H${BUS.lower}`} />
            {joined === 'parallel' && last > first && (
              <>
                <path d={`M${BUS.upper} ${first - PAIR}V${last - PAIR}`} />
                <path d={`M${BUS.lower} ${first + PAIR}V${last + PAIR}`} />
              </>
            )}
            {joined === 'series' && last > first && <path d={`M${BUS.lower} ${first + PAIR}V${last + PAIR}`} />}
          </>
        )}
      </g>
      {loads.map((load, at) => (
        <Load
          key={load.label}
          load={load}
          y={rows[at] as number}
          joint={joined === 'parallel' && loads.length > 1}
          next={joined === 'series' && at < loads.length - 1 ? (rows[at + 1] as number) : null}
          isFirst={at === 0}
          isLast={at === loads.length - 1}
          isSeries={joined === 'series'}
        />
      ))}
    </svg>
  );
}

type LoadProps = {
  readonly load: ChannelLoad;
  readonly y: number;
  readonly joint: boolean;
  readonly next: number | null;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly isSeries: boolean;
};

function Load({ load, y, joint, next, isFirst, isLast, isSeries }: LoadProps) {
  const isUnknown = load.kind === null || load.before.kind === 'notLooked' || load.crossover?.filter === null;
  const [upper, lower] = [y - PAIR, y + PAIR];
  const from = isSeries && !isFirst ? BEFORE_X - 14 : BUS.upper;
  const back = isSeries && !isLast ? BEFORE_X - 14 : BUS.lower;
  return (
    <g>
      <g className="stroke-ink" strokeWidth="1.5" fill="none" strokeDasharray={isUnknown ? '5 4' : undefined}>
        <Before load={load} from={from} y={upper} />
        <path d={`M${back} ${lower}H${CONE_X}`} />
        {next !== null && <path d={`M${BEFORE_X - 14} ${lower}V${next - PAIR}`} />}
        <rect x={CONE_X} y={y - 12} width="10" height="24" className="fill-paper" />
        <path
          d={`M${CONE_X + 10} ${y - 12}L${CONE_X + 26} ${y - 24}V${y + 24}L${CONE_X + 10} ${y + 12}`}
          className="fill-paper"
        />
      </g>
      {joint && (
        <g className="fill-ink">
          <circle cx={BUS.upper} cy={upper} r="3" />
          <circle cx={BUS.lower} cy={lower} r="3" />
        </g>
      )}
      <text x={CONE_X + 40} y={y - 10} className="fill-ink font-semibold" fontSize="14">
        {load.label}
      </text>
      {loadLines(load).map((line, at) => (
        <text key={line} x={CONE_X + 40} y={y + 8 + at * 17} className="fill-muted" fontSize="13">
          {line}
        </text>
      ))}
    </g>
  );
}

/** Two plates for a capacitor, a box for a filter, a line where there is nothing; a crossover comes first, then what this job puts into the line. */
function Before({
  load: { before, line, crossover },
  from,
  y,
}: {
  readonly load: ChannelLoad;
  readonly from: number;
  readonly y: number;
}) {
  const symbols = [
    crossover === null ? null : 'filter',
    line === null ? null : 'filter',
    before.kind === 'nothing' ? null : before.kind,
  ].filter((kind) => kind !== null);
  const ends = symbols.map((kind, at) => {
    const x = BEFORE_X + at * SYMBOL_STEP;
    return kind === 'filter' ? ([x, x + BOX] as const) : ([x + PLATES.from, x + PLATES.to] as const);
  });
  const starts = [from, ...ends.map(([, end]) => end)];
  return (
    <>
      <path d={starts.map((start, at) => `M${start} ${y}H${ends[at]?.[0] ?? CONE_X}`).join('')} />
      {symbols.map((kind, at) => {
        const [left, right] = ends[at] as readonly [number, number];
        return kind === 'filter' ? (
          <rect key={left} x={left} y={y - 7} width={BOX} height="14" />
        ) : (
          <path key={left} d={`M${left} ${y - 8}v16M${right} ${y - 8}v16`} />
        );
      })}
    </>
  );
}
