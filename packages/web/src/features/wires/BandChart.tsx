/** Something over frequency: what is likely as a line, and the band in which 95 in 100 lie. It follows a hand: the chart stays, its lines change. */
import { Chart, Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement } from 'chart.js';
import { useEffect, useRef } from 'react';
import { chartAxis, chartColour } from '../../ui/chartStyle';

Chart.register(Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement);

export type BandChartProps = {
  readonly frequenciesHz: Float64Array;
  readonly likely: Float64Array;
  /** Null while it is worked out. */
  readonly band: { readonly lower: Float64Array; readonly upper: Float64Array } | null;
  /** Across the whole; null where there is none. */
  readonly limit: number | null;
  /** With its unit. */
  readonly title: string;
  readonly least: number;
  /** What is always in sight, however little there is. */
  readonly most?: number;
  readonly label: string;
};

const TICKS_HZ: ReadonlySet<number> = new Set([20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000]);

/** On a telephone they would touch. */
const FEW_TICKS_HZ: ReadonlySet<number> = new Set([20, 100, 500, 2000, 10_000]);
const NARROW_PX = 480;

const hertz = (hz: number) => (hz >= 1000 ? `${hz / 1000}k` : String(hz));

export function BandChart({ frequenciesHz, likely, band, limit, title, least, most, label }: BandChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart<'line', { x: number; y: number }[]> | null>(null);
  const [from = 20, to = 20_000] = [frequenciesHz[0], frequenciesHz.at(-1)];
  useEffect(() => {
    if (!canvas.current) return;
    const [across, up] = [chartAxis('Frequency, Hz'), chartAxis(title)];
    const made = new Chart<'line', { x: number; y: number }[]>(canvas.current, {
      type: 'line',
      data: { datasets: [] },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            ...across,
            type: 'logarithmic',
            min: from,
            max: to,
            ticks: {
              ...across.ticks,
              autoSkip: false,
              maxRotation: 0,
              callback(value) {
                const named = this.chart.width < NARROW_PX ? FEW_TICKS_HZ : TICKS_HZ;
                return named.has(Number(value)) ? hertz(Number(value)) : '';
              },
            },
          },
          y: {
            ...up,
            min: least,
            ...(most === undefined ? {} : { suggestedMax: most }),
            ticks: { ...up.ticks, callback: (value) => String(value).replace('-', '−') },
          },
        },
      },
    });
    chart.current = made;
    return () => {
      made.destroy();
      chart.current = null;
    };
  }, [from, to, title, least, most]);
  // After the chart was made anew too.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is drawn into whatever chart there is.
  useEffect(() => {
    if (!chart.current) return;
    const line = (values: Float64Array, more: object) => ({
      data: Array.from(values, (y, at) => ({ x: frequenciesHz[at] as number, y })),
      pointRadius: 0,
      borderWidth: 0,
      ...more,
    });
    const action = chartColour('action');
    chart.current.data.datasets = [
      line(band?.lower ?? likely, {}),
      line(band?.upper ?? likely, { fill: '-1', backgroundColor: `color-mix(in srgb, ${action} 22%, transparent)` }),
      line(likely, { borderColor: action, borderWidth: 2 }),
      ...(limit === null
        ? []
        : [
            {
              data: [from, to].map((x) => ({ x, y: limit })),
              borderColor: chartColour('hits'),
              borderDash: [6, 4],
              borderWidth: 2,
              pointRadius: 0,
            },
          ]),
    ];
    chart.current.update('none');
  }, [frequenciesHz, likely, band, limit, from, to, title, least, most]);
  return (
    <div className="h-[260px] max-w-[760px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
