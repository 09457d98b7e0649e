/**
 * A channel as a circuit, read from left to right: its source, both conductors, the plug or the joints and what else stands before each speaker, and
 * the speakers, by symbols of IEC 60617. What nobody looked at is dashed. Each part is pressed for where it is looked at or decided.
 */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { ChannelLoad } from '@low-quarry/core/sound';
import type { ChannelSheet, JointLine } from '@low-quarry/core/stations';
import { Link } from 'react-router';
import { loadLines, loadWords, sourceLines } from './channelsView';
import { channelWay, vehicleAddress, type WayPart } from './channelWay';

const SOURCE = { width: 220, lineHeight: 17 } as const;
/** Where the conductors leave for the speakers, the upper and the lower of a pair. */
const BUS = { upper: 246, lower: 234 } as const;
const PAIR = 10;
const FIRST_X = 254;
/** Of the parts before a speaker: wide enough for a thumb. */
const STEP = 48;
const WIDTH = 720;
const TEXT = { lineHeight: 17, aboveMiddle: 14 } as const;
const LEAST_ROW = 64;
/** How far a symbol's body reaches to either side of its middle; what has none lies on the line. */
const BODY: Readonly<Partial<Record<WayPart['kind'], number>>> = {
  crossover: 10,
  filter: 10,
  unknownPlug: 10,
  capacitor: 3,
  notLooked: 3,
};
/** What both conductors go through. */
const IN_BOTH: ReadonlySet<WayPart['kind']> = new Set(['plug', 'unknownPlug', 'joint']);

type ChannelDrawingProps = {
  readonly sheet: ChannelSheet;
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly joints: readonly JointLine[];
};

export function ChannelDrawing({ sheet, job, openings, joints }: ChannelDrawingProps) {
  const { loads, joined, name } = sheet.channel;
  const [fedBy, ...rest] = sourceLines(sheet);
  const ways = loads.map((load) => channelWay(job, sheet, load, openings, joints));
  const most = Math.max(0, ...ways.map((way) => way.length - 1));
  const coneX = FIRST_X + most * STEP + 12;
  const lines = Math.max(1, ...loads.map((load) => loadLines(load).length));
  const row = Math.max(LEAST_ROW, (lines + 1) * TEXT.lineHeight + 12);
  const sourceHeight = 33 + rest.length * SOURCE.lineHeight;
  const height = Math.max(sourceHeight, loads.length * row) + 8;
  const rows = loads.map((_, at) => 4 + row / 2 + at * row);
  const [first = sourceHeight / 2, last = first] = [rows[0], rows.at(-1)];
  return (
    <div className="relative hidden w-full max-w-[720px] sm:block">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full"
        role="img"
        aria-label={`Channel ${name}: ${loads.map((load) => `${load.label}, ${loadWords(load)}`).join('; ') || 'nothing hangs on it'}`}
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
            way={ways[at] as readonly WayPart[]}
            coneX={coneX}
            y={rows[at] as number}
            isForked={joined === 'parallel' && loads.length > 1}
            next={joined === 'series' && at < loads.length - 1 ? (rows[at + 1] as number) : null}
            isFirst={at === 0}
            isLast={at === loads.length - 1}
            isSeries={joined === 'series'}
          />
        ))}
      </svg>
      <Press
        part={{ kind: 'driver', words: `What feeds channel ${name}`, to: { address: vehicleAddress(job) } }}
        box={{ x: 1, y: 4, width: SOURCE.width, height: sourceHeight }}
        whole={{ width: WIDTH, height }}
      />
      {ways.flatMap((way, at) =>
        way.map((part, place) => (
          <Press
            key={part.words}
            part={part}
            box={{
              ...(part.kind === 'driver'
                ? { x: coneX - 4, width: WIDTH - coneX + 4 }
                : { x: FIRST_X + place * STEP, width: STEP }),
              ...{ y: (rows[at] as number) - row / 2 + 2, height: row - 4 },
            }}
            whole={{ width: WIDTH, height }}
          />
        )),
      )}
    </div>
  );
}

type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
type PressProps = {
  readonly part: WayPart;
  readonly box: Box;
  readonly whole: { readonly width: number; readonly height: number };
};

const PRESS = 'absolute block rounded-sm hover:bg-action/10 focus-visible:outline-2 focus-visible:outline-action';

/** Laid over what is drawn, so that the drawing stays a picture for who cannot see it, and its parts are links all the same. */
function Press({ part: { words, to }, box, whole }: PressProps) {
  const percent = (length: number, of: number) => `${(100 * length) / of}%`;
  const style = {
    left: percent(box.x, whole.width),
    top: percent(box.y, whole.height),
    width: percent(box.width, whole.width),
    height: percent(box.height, whole.height),
  };
  if ('address' in to) return <Link to={to.address} className={PRESS} style={style} aria-label={words} title={words} />;
  return (
    <button
      type="button"
      className={PRESS}
      style={style}
      aria-label={words}
      title={words}
      onClick={() => {
        const shown = document.getElementById(to.part);
        shown?.scrollIntoView({ block: 'start' });
        shown?.focus({ preventScroll: true });
      }}
    />
  );
}

type LoadProps = {
  readonly load: ChannelLoad;
  /** The speaker is its last. */
  readonly way: readonly WayPart[];
  readonly coneX: number;
  readonly y: number;
  readonly isForked: boolean;
  readonly next: number | null;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly isSeries: boolean;
};

function Load({ load, way, coneX, y, isForked, next, isFirst, isLast, isSeries }: LoadProps) {
  const isUnknown = load.kind === null || load.before.kind === 'notLooked' || load.crossover?.filter === null;
  const [upper, lower] = [y - PAIR, y + PAIR];
  const parts = way.slice(0, -1).map(({ kind }, at) => ({ kind, x: FIRST_X + (at + 0.5) * STEP }));
  const back = isSeries && !isLast ? FIRST_X : BUS.lower;
  const inBoth = parts.filter(({ kind }) => IN_BOTH.has(kind));
  const texts = [load.label, ...loadLines(load)];
  const firstText = y - ((texts.length - 1) * TEXT.lineHeight) / 2 + 5;
  return (
    <g>
      <g className="stroke-ink" strokeWidth="1.5" fill="none" strokeDasharray={isUnknown ? '5 4' : undefined}>
        <path d={conductor(parts, isSeries && !isFirst ? FIRST_X : BUS.upper, coneX, upper)} />
        <path d={conductor(inBoth, back, coneX, lower)} />
        {next !== null && <path d={`M${FIRST_X} ${lower}V${next - PAIR}`} />}
        <rect x={coneX} y={y - 12} width="10" height="24" className="fill-paper" />
        <path
          d={`M${coneX + 10} ${y - 12}L${coneX + 26} ${y - 24}V${y + 24}L${coneX + 10} ${y + 12}`}
          className="fill-paper"
        />
      </g>
      {parts.map(({ kind, x }) => (
        <Symbols key={x} kind={kind} x={x} y={y} />
      ))}
      {isForked && (
        <g className="fill-ink">
          <circle cx={BUS.upper} cy={upper} r="3" />
          <circle cx={BUS.lower} cy={lower} r="3" />
        </g>
      )}
      {texts.map((line, at) => (
        <text
          key={line}
          x={coneX + 40}
          y={firstText + at * TEXT.lineHeight}
          className={at === 0 ? 'fill-ink font-semibold' : 'fill-muted'}
          fontSize={at === 0 ? 14 : 13}
        >
          {line}
        </text>
      ))}
    </g>
  );
}

/** A line that leaves room for what has a body. */
function conductor(
  parts: readonly { readonly kind: WayPart['kind']; readonly x: number }[],
  from: number,
  to: number,
  y: number,
): string {
  const gaps = parts.flatMap(({ kind, x }) => {
    const half = BODY[kind];
    return half === undefined ? [] : [[x - half, x + half] as const];
  });
  const starts = [from, ...gaps.map(([, end]) => end)];
  return starts.map((start, at) => `M${start} ${y}H${gaps[at]?.[0] ?? to}`).join('');
}

/** Two plates for a capacitor, a box for a filter, two arrow heads for a plug and its socket, a dot for a joint. */
function Symbols({ kind, x, y }: { readonly kind: WayPart['kind']; readonly x: number; readonly y: number }) {
  const [upper, lower] = [y - PAIR, y + PAIR];
  switch (kind) {
    case 'crossover':
      return (
        <g className="stroke-ink" strokeWidth="1.5" fill="none">
          <rect x={x - 10} y={upper - 7} width="20" height={2 * PAIR + 14} className="fill-paper" />
          <path d={`M${x - 10} ${lower + 7}L${x + 10} ${upper - 7}`} />
        </g>
      );
    case 'filter':
      return (
        <rect x={x - 10} y={upper - 7} width="20" height="14" className="stroke-ink" strokeWidth="1.5" fill="none" />
      );
    case 'capacitor':
    case 'notLooked':
      return (
        <path
          d={`M${x - 3} ${upper - 8}v16M${x + 3} ${upper - 8}v16`}
          className="stroke-ink"
          strokeWidth="1.5"
          strokeDasharray={kind === 'notLooked' ? '5 4' : undefined}
        />
      );
    case 'plug':
      return (
        <path
          d={[upper, lower].map((at) => `M${x - 7} ${at - 5}l5 5l-5 5M${x + 1} ${at - 5}l5 5l-5 5`).join('')}
          className="stroke-ink"
          strokeWidth="1.5"
          fill="none"
        />
      );
    case 'unknownPlug':
      return (
        <g>
          <rect
            x={x - 10}
            y={upper - 7}
            width="20"
            height={2 * PAIR + 14}
            className="fill-paper stroke-measure"
            strokeWidth="1.5"
            strokeDasharray="5 4"
          />
          <text x={x} y={y + 5} textAnchor="middle" className="fill-measure font-semibold" fontSize="14">
            ?
          </text>
        </g>
      );
    case 'joint':
      return (
        <g className="fill-ink">
          <circle cx={x} cy={upper} r="4" />
          <circle cx={x} cy={lower} r="4" />
        </g>
      );
    case 'driver':
      return null;
  }
}
