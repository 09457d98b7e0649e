/** The face of a connector with its positions, counted row by row from the upper left. To no scale: how large it is nobody writes down. */

/** Of one position, in pixels. */
const STEP = 40;
const PIN = 14;
const KEY = 12;

type ConnectorDrawingProps = {
  readonly gender: 'plug' | 'socket';
  readonly positions: number;
  readonly rows: number;
  readonly isKeyed: boolean;
};

export function ConnectorDrawing({ gender, positions, rows, isKeyed }: ConnectorDrawingProps) {
  const columns = Math.ceil(positions / rows);
  const [wide, high] = [columns * STEP, rows * STEP];
  return (
    <figure className="m-0 flex flex-col gap-1">
      <svg
        role="img"
        aria-label={`The face of the ${gender} with ${positions} positions`}
        viewBox={`-2 ${-KEY - 2} ${wide + 4} ${high + KEY + 4}`}
        width={wide + 4}
        className="mx-auto block max-w-full stroke-ink"
        strokeWidth={1.5}
      >
        <rect width={wide} height={high} className="fill-none" />
        {isKeyed && <rect x={(wide - PIN) / 2} y={-KEY} width={PIN} height={KEY} className="fill-none" />}
        {Array.from({ length: positions }, (_, at) => {
          const [x, y] = [((at % columns) + 0.5) * STEP, (Math.floor(at / columns) + 0.5) * STEP];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a position is its number.
            <g key={at}>
              <rect
                {...{ x: x - PIN / 2, y: y - PIN + 1, width: PIN, height: PIN }}
                className={gender === 'plug' ? 'fill-ink' : 'fill-none'}
              />
              <text x={x} y={y + 16} textAnchor="middle" fontSize={13} className="fill-ink" strokeWidth={0}>
                {at + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-[13px] leading-4 text-muted">
        Its face, to no scale, {gender === 'plug' ? 'pins filled' : 'openings empty'},{' '}
        {isKeyed ? 'the key above' : 'no key: it goes in both ways'}. Counted by rows; its maker’s sheet may count
        otherwise.
      </figcaption>
    </figure>
  );
}
