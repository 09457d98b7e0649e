/** A crossover from left to right: the channel that feeds it, its box with where it lies, and each output with its filter and its end. */
import { boxWords, filterWords } from '@low-quarry/core/catalogue';
import {
  type Crossover,
  type CrossoverOutput,
  liesWords,
  OUTPUT_LABELS,
  OUTPUT_LEAD_LABELS,
} from '@low-quarry/core/model';

const WIDTH = 720;
const ROW = 64;
const CHANNEL = { width: 150, height: 52 } as const;
const BOX = { x: 200, width: 190 } as const;
const END_X = 420;
/** As many letters of the box's text as a line of it holds. */
const LETTERS = 27;

export function CrossoverDrawing({ crossover, label }: { readonly crossover: Crossover; readonly label: string }) {
  const { name, channel, outputs, box } = crossover;
  const lines = [...wrapped(liesWords(crossover)), box === null ? 'size not known' : boxWords(box)];
  const height = Math.max(outputs.length * ROW, 34 + lines.length * 16, CHANNEL.height) + 10;
  const middle = height / 2;
  const first = middle - ((outputs.length - 1) * ROW) / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="hidden w-full max-w-[720px] sm:block"
      role="img"
      aria-label={`Crossover ${name}: ${label}`}
    >
      <rect
        x="1"
        y={middle - CHANNEL.height / 2}
        width={CHANNEL.width}
        height={CHANNEL.height}
        className="fill-paper stroke-ink"
        strokeWidth="1.5"
        strokeDasharray={channel === '' ? '6 4' : undefined}
      />
      <text x="12" y={middle - 4} className="fill-muted" fontSize="13">
        Channel
      </text>
      <text x="12" y={middle + 14} className="fill-ink font-semibold" fontSize="14">
        {channel === '' ? 'not decided' : shortened(channel, 19)}
      </text>
      <path
        d={`M${CHANNEL.width} ${middle}H${BOX.x}`}
        className="stroke-ink"
        strokeWidth="1.5"
        strokeDasharray={channel === '' ? '5 4' : undefined}
      />
      <rect
        x={BOX.x}
        y="4"
        width={BOX.width}
        height={height - 8}
        className="fill-paper stroke-ink"
        strokeWidth="1.5"
        strokeDasharray={crossover.at === null ? '6 4' : undefined}
      />
      <text x={BOX.x + 10} y="24" className="fill-ink font-semibold" fontSize="14">
        {shortened(name, 24)}
      </text>
      {lines.map((line, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line of the text is its place in it.
        <text key={at} x={BOX.x + 10} y={42 + at * 16} className="fill-muted" fontSize="13">
          {line}
        </text>
      ))}
      {outputs.map((output, at) => (
        <Output key={output.to} output={output} y={first + at * ROW} />
      ))}
    </svg>
  );
}

function Output({ output: { to, ends, filter, lead }, y }: { readonly output: CrossoverOutput; readonly y: number }) {
  const isOpen = ends === null || (ends.kind === 'place' && lead === null);
  const x = BOX.x + BOX.width;
  return (
    <g>
      <path
        d={`M${x} ${y}H${END_X}`}
        className="stroke-ink"
        strokeWidth="1.5"
        strokeDasharray={isOpen ? '5 4' : undefined}
      />
      {ends?.kind === 'place' ? (
        <path d={`M${END_X} ${y - 8}h7l12 -9v34l-12 -9h-7z`} className="fill-paper stroke-ink" strokeWidth="1.5" />
      ) : (
        <circle
          cx={END_X + 6}
          cy={y}
          r="6"
          className="fill-paper stroke-ink"
          strokeWidth="1.5"
          strokeDasharray={ends === null ? '4 3' : undefined}
        />
      )}
      <text x={END_X + 32} y={y - 12} className="fill-ink font-semibold" fontSize="14">
        {endWords(ends)}
      </text>
      <text x={END_X + 32} y={y + 5} className="fill-muted" fontSize="13">
        {OUTPUT_LABELS[to]}: {filter === null ? 'filter not written down' : filterWords(filter)}
      </text>
      {ends?.kind === 'place' && (
        <text x={END_X + 32} y={y + 21} className="fill-muted" fontSize="13">
          {lead === null ? 'Lead not decided' : OUTPUT_LEAD_LABELS[lead]}
        </text>
      )}
    </g>
  );
}

function endWords(ends: CrossoverOutput['ends']): string {
  if (ends === null) return 'Ends nowhere yet';
  if (ends.kind === 'place') return shortened(ends.place, 34);
  return ends.isInsulated ? 'Left over, insulated' : 'Left over, not insulated';
}

function wrapped(words: string): readonly string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= LETTERS) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** All of it is beside the drawing. */
function shortened(words: string, most: number): string {
  return words.length <= most ? words : `${words.slice(0, most - 1)}…`;
}
