/** What a channel's amplifier sees over frequency, with the band in which 95 in 100 of such channels lie, and the least that it stands. */
import type { ImpedanceBand } from '@low-quarry/core/sound';
import { Chart, Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement } from 'chart.js';
import { useEffect, useRef } from 'react';
import { chartAxis, chartColour } from '../../ui/chartStyle';

Chart.register(Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement);

type ImpedanceChartProps = {
  readonly band: ImpedanceBand;
  /** Null where nobody says. */
  readonly limitOhm: number | null;
  readonly label: string;
};

const TICKS_HZ: ReadonlySet<number> = new Set([20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000]);

export function ImpedanceChart({ band, limitOhm, label }: ImpedanceChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!canvas.current) return;
    const line = (values: Float64Array, more: object) => ({
      data: Array.from(values, (ohm, at) => ({ x: band.frequenciesHz[at] as number, y: ohm })),
      pointRadius: 0,
      borderWidth: 0,
      ...more,
    });
    const action = chartColour('action');
    const across = chartAxis('Frequency, Hz');
    const [from = 20, to = 20_000] = [band.frequenciesHz[0], band.frequenciesHz.at(-1)];
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          line(band.lowerOhm, {}),
          line(band.upperOhm, { fill: '-1', backgroundColor: `color-mix(in srgb, ${action} 22%, transparent)` }),
          line(band.likelyOhm, { borderColor: action, borderWidth: 2 }),
          ...(limitOhm === null
            ? []
            : [
                {
                  data: [from, to].map((x) => ({ x, y: limitOhm })),
                  borderColor: chartColour('hits'),
                  borderDash: [6, 4],
                  borderWidth: 2,
                  pointRadius: 0,
                },
              ]),
        ],
      },
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
              callback: (value) => (TICKS_HZ.has(Number(value)) ? String(value) : ''),
            },
          },
          y: { ...chartAxis('Impedance, Ω'), min: 0 },
        },
      },
    });
    return () => chart.destroy();
  }, [band, limitOhm]);
  return (
    <div className="h-[260px] max-w-[760px]">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
