/**
 * A drawing to scale: everything inside is in millimetres of the real thing, the scale is the largest standard one that
 * fits, and it is written under the drawing. Text keeps its size on the screen whatever the scale.
 */
import { createContext, type ReactNode, useContext, useEffect, useId, useMemo, useRef, useState } from 'react';
import { chooseScale, PX_PER_MM } from './chooseScale';

export type Extent = { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };

type Pen = {
  /** Millimetres of the drawing that one pixel of the screen stands for. */
  readonly px: number;
  readonly hatch: (name: HatchName) => string;
};
export type HatchName = 'metal' | 'spacer' | 'bracket' | 'clearance';

const PenContext = createContext<Pen | null>(null);

export function usePen(): Pen {
  const pen = useContext(PenContext);
  if (!pen) throw new Error('usePen: expected to be inside Drawing');
  return pen;
}

type DrawingProps = {
  readonly extent: Extent;
  readonly maxHeightPx: number;
  readonly label: string;
  readonly caption: string;
  /** Whether something inside can be focused: then it is a group, and no picture. */
  readonly hasControls?: boolean;
  readonly children: ReactNode;
};

export function Drawing({ extent, maxHeightPx, label, caption, hasControls = false, children }: DrawingProps) {
  const box = useRef<HTMLDivElement>(null);
  const id = useId();
  const [widthPx, setWidthPx] = useState(520);
  useEffect(() => {
    if (!box.current) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidthPx(Math.floor(entry.contentRect.width)));
    observer.observe(box.current);
    return () => observer.disconnect();
  }, []);

  const widthMm = extent.right - extent.left;
  const heightMm = extent.bottom - extent.top;
  const scale = chooseScale(widthMm, heightMm, widthPx, maxHeightPx);
  const px = 1 / (scale.ratio * PX_PER_MM);
  const pen = useMemo(() => ({ px, hatch: (name: HatchName) => `url(#${id}-${name})` }), [px, id]);
  return (
    <figure className="m-0">
      <div ref={box} className="w-full">
        <svg
          role={hasControls ? 'group' : 'img'}
          aria-label={label}
          width={widthMm / px}
          height={heightMm / px}
          viewBox={`${extent.left} ${extent.top} ${widthMm} ${heightMm}`}
          className="mx-auto block max-w-full overflow-visible"
        >
          <Hatches id={id} px={px} />
          <PenContext value={pen}>{children}</PenContext>
        </svg>
      </div>
      <figcaption className="text-[13px] leading-4 text-muted">
        {caption}, {scale.label}
      </figcaption>
    </figure>
  );
}

/** Cut material is hatched at 45°, neighbours the other way or closer (ISO 128-3). */
function Hatches({ id, px }: { readonly id: string; readonly px: number }) {
  const lines: readonly (readonly [HatchName, number, number, string])[] = [
    ['metal', 3, 45, 'stroke-ink'],
    ['bracket', 5, -45, 'stroke-ink'],
    ['spacer', 5, 45, 'stroke-muted'],
    ['clearance', 4, 90, 'stroke-muted'],
  ];
  return (
    <defs>
      {lines.map(([name, gap, angle, stroke]) => (
        <pattern
          key={name}
          id={`${id}-${name}`}
          width={gap * px}
          height={gap * px}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${angle})`}
        >
          <line x1="0" x2="0" y1="0" y2={gap * px} className={stroke} strokeWidth={px} />
        </pattern>
      ))}
    </defs>
  );
}
