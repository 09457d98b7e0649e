/** Something over frequency: what is likely as lines, and the bands in which 95 in 100 lie. It follows a hand: the chart stays, its lines change. */
import {
  Chart,
  type ChartDataset,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { chartAxis, chartColour } from '../../ui/chartStyle';

Chart.register(Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement);

export type BandCurve = {
  /** What stands on the line; null where there is but one. */
  readonly name: string | null;
  readonly likely: Float64Array;
  /** Null while it is worked out, or where it is told by a line alone. */
  readonly band: { readonly lower: Float64Array; readonly upper: Float64Array } | null;
  /** As it was. */
  readonly isBefore?: boolean;
};

export type BandChartProps = {
  readonly frequenciesHz: Float64Array;
  readonly curves: readonly BandCurve[];
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

type Point = { x: number; y: number };

export function BandChart({ frequenciesHz, curves, limit, title, least, most, label }: BandChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart<'line', Point[]> | null>(null);
  const [from = 20, to = 20_000] = [frequenciesHz[0], frequenciesHz.at(-1)];
  useEffect(() => {
    if (!canvas.current) return;
    const [across, up] = [chartAxis('Frequency, Hz'), chartAxis(title)];
    const made = new Chart<'line', Point[]>(canvas.current, {
      type: 'line',
      plugins: [NAMES],
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
    chart.current.data.datasets = [
      ...curves.flatMap((curve, at) => datasetsOf(curve, at, frequenciesHz)),
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
  }, [frequenciesHz, curves, limit, from, to, title, least, most]);
  return (
    <div className="h-[260px] max-w-[760px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}

/** Its band, and over it its line. */
function datasetsOf(
  { name, likely, band, isBefore = false }: BandCurve,
  at: number,
  frequenciesHz: Float64Array,
): readonly ChartDataset<'line', Point[]>[] {
  const colour = chartColour(at === 0 ? 'action' : 'ink');
  const line = (values: Float64Array, more: object) => ({
    data: Array.from(values, (y, each) => ({ x: frequenciesHz[each] as number, y })),
    pointRadius: 0,
    borderWidth: 0,
    ...more,
  });
  const area = { fill: '-1', backgroundColor: `color-mix(in srgb, ${colour} ${at === 0 ? 22 : 12}%, transparent)` };
  return [
    line(band?.lower ?? likely, {}),
    line(band?.upper ?? likely, area),
    line(likely, { borderColor: colour, borderWidth: 2, borderDash: isBefore ? [6, 4] : [], label: name ?? '' }),
  ];
}

/** Each line's name stands on it, the next one's further along and below: two that lie together can still be told. */
const NAMES = {
  id: 'names',
  afterDatasetsDraw(chart: Chart) {
    const { ctx, chartArea } = chart;
    const named = chart.data.datasets.map((each, at) => ({ each, at })).filter(({ each }) => each.label);
    ctx.save();
    ctx.font = `600 13px ${getComputedStyle(document.body).fontFamily}`;
    for (const [which, { each, at }] of named.entries()) {
      const points = chart.getDatasetMeta(at).data;
      const x = chartArea.left + chartArea.width * ((which + 1) / (named.length + 1));
      const point = points.find((candidate) => candidate.x >= x);
      if (!point) continue;
      const y = point.y + (which % 2 === 0 ? -8 : 18);
      ctx.fillStyle = String(each.borderColor);
      ctx.fillText(each.label ?? '', x, Math.min(Math.max(y, chartArea.top + 12), chartArea.bottom - 4));
    }
    ctx.restore();
  },
};
