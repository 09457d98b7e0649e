/** A plug looked into, its latch up: each position with its number, the letter of its pair, and which is positive. */
import { type PlugFace, pairLetter, pinMark, rowLengths } from '@low-quarry/core/model';
import type { ReactNode } from 'react';

type PlugFaceDrawingProps = {
  readonly face: PlugFace;
  readonly positivePin: number | null;
  /** What stands at a position; what is drawn of it by itself, where it cannot be pressed. */
  readonly pinAt?: (pin: number, drawn: ReactNode) => ReactNode;
};

export function PlugFaceDrawing({ face, positivePin, pinAt = (_, drawn) => drawn }: PlugFaceDrawingProps) {
  let last = 0;
  const rows = rowLengths(face).map((length) => Array.from({ length }, () => ++last));
  return (
    <div className="flex max-w-full flex-col items-center self-start overflow-x-auto pt-1">
      <span className="h-2 w-10 border-2 border-b-0 border-ink" />
      <div className="flex flex-col gap-1 border-2 border-ink bg-paper p-1">
        {rows.map((pins) => (
          <div key={pins[0]} className="flex justify-center gap-1">
            {pins.map((pin) => (
              <span key={pin} className="block">
                {pinAt(pin, <Pin face={face} pin={pin} isPositive={pin === positivePin} />)}
              </span>
            ))}
          </div>
        ))}
      </div>
    </div>
  );
}

const SHAPES = {
  pair: 'border-2 border-ink bg-ground font-bold',
  empty: 'border border-hairline text-muted',
  notLooked: 'border-2 border-dashed border-measure font-bold text-measure',
} as const;

type PinProps = { readonly face: PlugFace; readonly pin: number; readonly isPositive: boolean };

function Pin({ face, pin, isPositive }: PinProps) {
  const { kind, at } = pinMark(face, pin);
  const mark = { pair: `${pairLetter(at)}${isPositive ? '+' : ''}`, empty: '–', notLooked: '?' }[kind];
  return (
    <span className={`flex size-12 flex-col items-center justify-center leading-tight ${SHAPES[kind]}`}>
      <span className="text-[12px] font-normal text-ink">{pin}</span>
      <span>{mark}</span>
    </span>
  );
}
