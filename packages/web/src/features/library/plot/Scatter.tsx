/** Points in a plane of two lengths, with the limits of an opening as dashed lines; a point is pressed to open its part. */
import type { PartPoint } from '@low-quarry/core/contracts/partPoints';
import { Chart, LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import { chartAxis, chartColour } from '../../../ui/chartStyle';

Chart.register(LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip);

type ScatterProps = {
  readonly points: readonly PartPoint[];
  /** Of each axis its name, and the limit on it; null for none. */
  readonly x: { readonly label: string; readonly limitMm: number | null };
  readonly y: { readonly label: string; readonly limitMm: number | null };
  /** Of what the picture is, for whoever does not see it. */
  readonly label: string;
  readonly onPress: (id: string) => void;
};

export function Scatter({ points, x, y, label, onPress }: ScatterProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const press = useRef(onPress);
  press.current = onPress;
  const [xLabel, xLimit, yLabel, yLimit] = [x.label, x.limitMm, y.label, y.limitMm];
  useEffect(() => {
    if (!canvas.current) return;
    const [xs, ys] = [points.map((point) => point.x), points.map((point) => point.y)];
    const limit = (data: { x: number; y: number }[]) => ({
      type: 'line' as const,
      data,
      borderColor: chartColour('hits'),
      borderDash: [6, 4],
      borderWidth: 2,
      pointRadius: 0,
      pointHitRadius: 0,
    });
    const chart = new Chart(canvas.current, {
      type: 'scatter',
      data: {
        datasets: [
          {
            data: points.map((point) => ({ x: point.x, y: point.y })),
            backgroundColor: chartColour('action'),
            pointRadius: points.length > 500 ? 3 : 5,
            pointHitRadius: 8,
          },
          ...(xLimit === null ? [] : [limit(spanned(ys).map((at) => ({ x: xLimit, y: at })))]),
          ...(yLimit === null ? [] : [limit(spanned(xs).map((at) => ({ x: at, y: yLimit })))]),
        ] as never,
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: { x: chartAxis(xLabel), y: chartAxis(yLabel) },
        plugins: {
          tooltip: {
            callbacks: {
              label: ({ datasetIndex, dataIndex }) => {
                const point = datasetIndex === 0 ? points[dataIndex] : undefined;
                return point ? `${point.label}: ${point.x} × ${point.y} mm` : '';
              },
            },
          },
        },
        onClick: (_, [first]) => {
          const point = first?.datasetIndex === 0 ? points[first.index] : undefined;
          if (point) press.current(point.id);
        },
      },
    });
    return () => chart.destroy();
  }, [points, xLabel, xLimit, yLabel, yLimit]);
  return (
    <div className="h-[460px] max-w-4xl">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}

/** From the least to the greatest, and a little beyond. */
function spanned(values: readonly number[]): readonly [number, number] {
  if (values.length === 0) return [0, 100];
  return [Math.min(...values) * 0.95, Math.max(...values) * 1.05];
}
