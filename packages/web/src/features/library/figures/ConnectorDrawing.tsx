/** The face of a connector with its positions, counted row by row from the upper left: no real size, which nobody writes down. */
import { Drawing, usePen } from '../../../drawing/Drawing';
import { HEIGHT_PX } from './shapes';

/** Of one position, in the drawing's own measure. */
const STEP = 12;
const PIN = 5;

type ConnectorDrawingProps = {
  readonly gender: 'plug' | 'socket';
  readonly positions: number;
  readonly rows: number;
  readonly isKeyed: boolean;
};

export function ConnectorDrawing({ gender, positions, rows, isKeyed }: ConnectorDrawingProps) {
  const columns = Math.ceil(positions / rows);
  const keyed = isKeyed ? 'the key above' : 'no key: it goes in both ways';
  return (
    <Drawing
      extent={{ left: -STEP, right: (columns + 1) * STEP, top: -STEP, bottom: (rows + 1) * STEP }}
      maxHeightPx={HEIGHT_PX / 2}
      label={`The face of the ${gender} with ${positions} positions`}
      caption={`Its face with positions 1 to ${positions}, not to scale; ${keyed}. As the maker counts them his sheet says.`}
    >
      <Face columns={columns} positions={positions} rows={rows} isKeyed={isKeyed} gender={gender} />
    </Drawing>
  );
}

function Face({ columns, positions, rows, isKeyed, gender }: ConnectorDrawingProps & { readonly columns: number }) {
  const { px } = usePen();
  return (
    <g strokeWidth={1.4 * px} className="stroke-ink">
      <rect width={columns * STEP} height={rows * STEP} className="fill-none" />
      {isKeyed && <rect x={(columns * STEP) / 2 - PIN / 2} y={-PIN} width={PIN} height={PIN} className="fill-none" />}
      {Array.from({ length: positions }, (_, at) => {
        const [x, y] = [((at % columns) + 0.5) * STEP, (Math.floor(at / columns) + 0.5) * STEP];
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a position is its number.
          <g key={at}>
            <rect
              {...{ x: x - PIN / 2, y: y - PIN / 2 - 1.5, width: PIN, height: PIN }}
              className={gender === 'plug' ? 'fill-ink' : 'fill-none'}
            />
            <text x={x} y={y + STEP / 2 - 1} textAnchor="middle" fontSize={3.4} className="fill-ink" strokeWidth={0}>
              {at + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
