/** A signature on the screen, by finger, pen or mouse; what is kept are its strokes, so that it prints as sharp as it was drawn. */
import type { Signature } from '@low-quarry/core/model';
import { useEffect, useRef, useState } from 'react';
import SignaturePad from 'signature_pad';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';

/** Strokes are kept in thousandths of the field's width; the field is three times as wide as it is high. */
const WIDTH = 1000;
const HEIGHT = 333;

type SignatureFieldProps = {
  readonly customer: string;
  readonly isBusy: boolean;
  readonly error: string | null;
  readonly onSign: (signature: Signature) => void;
};

export function SignatureField({ customer, isBusy, error, onSign }: SignatureFieldProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const [by, setBy] = useState(customer);
  const [isDrawn, setDrawn] = useState(false);
  useEffect(() => {
    const field = canvas.current;
    if (!field) return;
    const made = new SignaturePad(field, { penColor: getComputedStyle(field).color });
    pad.current = made;
    const look = () => setDrawn(!made.isEmpty());
    made.addEventListener('endStroke', look);
    let before = field.offsetWidth;
    // As many points as the field has on this screen; what was drawn before is drawn again, as wide as the field is now.
    const fit = new ResizeObserver(() => {
      const grown = before > 0 ? field.offsetWidth / before : 1;
      before = field.offsetWidth;
      const drawn = made.toData().map((stroke) => ({
        ...stroke,
        points: stroke.points.map((point) => ({ ...point, x: point.x * grown, y: point.y * grown })),
      }));
      const scale = window.devicePixelRatio || 1;
      field.width = field.offsetWidth * scale;
      field.height = field.offsetHeight * scale;
      field.getContext('2d')?.scale(scale, scale);
      made.fromData(drawn);
    });
    fit.observe(field);
    return () => {
      fit.disconnect();
      made.off();
    };
  }, []);
  return (
    <div className="flex flex-col gap-3">
      <TextField label="Who signs" value={by} maxLength={80} onType={setBy} autoComplete="off" />
      <div>
        <p id="signature-label" className="font-semibold">
          Signature
        </p>
        <canvas
          ref={canvas}
          role="img"
          aria-labelledby="signature-label"
          className="aspect-[3/1] w-full max-w-[600px] touch-none border border-muted bg-paper text-ink"
        />
        <p className={error ? 'font-semibold text-hits' : 'text-[13px] leading-4 text-muted'}>
          {error ?? 'With a finger, a pen or the mouse. What is signed for stays as it is from then on.'}
        </p>
      </div>
      <div className="flex flex-wrap gap-3">
        <Button
          disabled={!isDrawn}
          onClick={() => {
            pad.current?.clear();
            setDrawn(false);
          }}
        >
          Clear the field
        </Button>
        <Button
          kind="main"
          disabled={isBusy || !isDrawn || by.trim() === ''}
          onClick={() => {
            if (!pad.current || !canvas.current) return;
            onSign({ by, at: new Date().toISOString(), strokes: strokesOf(pad.current, canvas.current.offsetWidth) });
          }}
        >
          Sign and save
        </Button>
      </div>
    </div>
  );
}

function strokesOf(pad: SignaturePad, width: number): Signature['strokes'] {
  const at = (length: number) => Math.min(WIDTH, Math.max(0, Math.round((length / width) * WIDTH)));
  return pad.toData().map(({ points }) => points.map(({ x, y }): [number, number] => [at(x), at(y)]));
}

/** As it was drawn. */
export function SignatureDrawing({ signature: { by, strokes } }: { readonly signature: Signature }) {
  return (
    <svg
      role="img"
      aria-label={`Signature of ${by}`}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-[300px] border-b border-ink"
    >
      <path
        d={strokes.map(strokePath).join(' ')}
        fill="none"
        stroke="currentColor"
        strokeWidth={6}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** A stroke of one point is a dot. */
function strokePath(stroke: Signature['strokes'][number]): string {
  const points = stroke.length === 1 ? [...stroke, ...stroke] : stroke;
  return `M${points.map((point) => point.join(',')).join(' L')}`;
}
