/**
 * A picture that is marked: what is drawn by pointer begins where it is pressed; a circle's middle, an arrow's tail. Without a pointer a
 * mark is put into the middle and moved with the arrow keys.
 */
import { MARK_LABELS, type PhotoMark } from '@low-quarry/core/model';
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { MarksDrawing } from './MarksDrawing';

type Spot = readonly [number, number];
type Tool = PhotoMark['kind'];

/** What is moved less was a press, not a mark; parts of the width. */
const LEAST = 0.015;
const STEP = 0.01;
const TOOLS = Object.keys(MARK_LABELS) as Tool[];
const IN_THE_MIDDLE: Readonly<Record<Tool, PhotoMark>> = {
  arrow: { kind: 'arrow', from: [0.35, 0.35], to: [0.5, 0.5] },
  circle: { kind: 'circle', at: [0.5, 0.5], radius: 0.1 },
};

type MarkingPictureProps = {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly marks: readonly PhotoMark[];
  readonly onChange: (marks: readonly PhotoMark[]) => void;
  /** The picture itself. */
  readonly children: ReactNode;
  /** What stands below the tools. */
  readonly after: ReactNode;
};

export function MarkingPicture({ widthPx, heightPx, marks, onChange, children, after }: MarkingPictureProps) {
  const [tool, setTool] = useState<Tool>('arrow');
  const [begun, setBegun] = useState<Spot | null>(null);
  const [drawn, setDrawn] = useState<PhotoMark | null>(null);
  const surface = useRef<SVGSVGElement>(null);
  const spotOf = ({ clientX, clientY }: PointerEvent): Spot => {
    const box = surface.current?.getBoundingClientRect();
    return box ? [within((clientX - box.left) / box.width), within((clientY - box.top) / box.height)] : [0, 0];
  };
  const end = () => {
    if (drawn) onChange([...marks, drawn]);
    setBegun(null);
    setDrawn(null);
  };
  return (
    <>
      <span
        className="relative block self-start justify-self-center"
        style={{ aspectRatio: `${widthPx} / ${heightPx}`, width: `min(100%, calc(62dvh * ${widthPx / heightPx}))` }}
      >
        {children}
        <svg
          ref={surface}
          viewBox={`0 0 ${widthPx} ${heightPx}`}
          className="absolute inset-0 h-full w-full cursor-crosshair touch-none"
          role="img"
          aria-label={
            marks.length === 0
              ? 'No marks'
              : `Marks: ${marks.map(({ kind }) => MARK_LABELS[kind].toLowerCase()).join(', ')}`
          }
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setBegun(spotOf(event));
          }}
          onPointerMove={(event) => {
            if (begun) setDrawn(markBetween(tool, begun, spotOf(event), heightPx / widthPx));
          }}
          onPointerUp={end}
          onPointerCancel={() => {
            setBegun(null);
            setDrawn(null);
          }}
        >
          <MarksDrawing marks={drawn ? [...marks, drawn] : marks} widthPx={widthPx} heightPx={heightPx} />
        </svg>
      </span>
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <Choice<Tool>
            label="Draw on the picture"
            value={tool}
            options={TOOLS.map((each) => [each, MARK_LABELS[each]] as const)}
            onChange={setTool}
          />
          <Button kind="quiet" onClick={() => onChange([...marks, IN_THE_MIDDLE[tool]])}>
            Put {tool === 'arrow' ? 'an arrow' : 'a circle'} in the middle
          </Button>
        </div>
        {marks.length > 0 && (
          <ul aria-label="Marks" className="flex flex-wrap gap-x-6">
            {marks.map((mark, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: marks have no name but their place in the list.
              <li key={at} className="flex items-center gap-2">
                <button
                  type="button"
                  aria-label={`${MARK_LABELS[mark.kind]} ${at + 1}, move it with the arrow keys`}
                  className="min-h-12 px-2"
                  onKeyDown={(event) => {
                    const step = stepOf(event);
                    if (!step) return;
                    event.preventDefault();
                    onChange(marks.map((each, other) => (other === at ? moved(each, step) : each)));
                  }}
                >
                  {MARK_LABELS[mark.kind]} {at + 1}
                </button>
                <Button kind="quiet" onClick={() => onChange(marks.filter((_, other) => other !== at))}>
                  Take off
                  <span className="sr-only">
                    {' '}
                    {MARK_LABELS[mark.kind].toLowerCase()} {at + 1}
                  </span>
                </Button>
              </li>
            ))}
          </ul>
        )}
        {after}
      </div>
    </>
  );
}

const within = (value: number) => Math.min(1, Math.max(0, value));

/** @param ratio of the picture's height to its width: distances are counted in widths. @returns null for what is too small to be meant */
function markBetween(kind: Tool, from: Spot, to: Spot, ratio: number): PhotoMark | null {
  const distance = Math.hypot(to[0] - from[0], (to[1] - from[1]) * ratio);
  if (distance < LEAST) return null;
  return kind === 'arrow'
    ? { kind, from: [...from], to: [...to] }
    : { kind, at: [...from], radius: Math.min(1, distance) };
}

function stepOf({ key }: KeyboardEvent): Spot | null {
  const steps: Readonly<Record<string, Spot>> = {
    ArrowLeft: [-STEP, 0],
    ArrowRight: [STEP, 0],
    ArrowUp: [0, -STEP],
    ArrowDown: [0, STEP],
  };
  return steps[key] ?? null;
}

function moved(mark: PhotoMark, [x, y]: Spot): PhotoMark {
  const shift = ([atX, atY]: Spot): [number, number] => [within(atX + x), within(atY + y)];
  return mark.kind === 'circle'
    ? { ...mark, at: shift(mark.at) }
    : { ...mark, from: shift(mark.from), to: shift(mark.to) };
}
