'use client';

import { useCallback, useEffect, useRef } from 'react';
import {
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartDataset,
  type ChartOptions,
  type Plugin,
} from 'chart.js';
import { HORIZON, THRESHOLDS, type ScenarioForecast } from '@undrel/core/growth';
import { axisText, axisTicks, inkOf } from '../chartLook';
import { useChart } from '../useChart';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, Filler, Tooltip);

const faint = (colour: string) => `color-mix(in srgb, ${colour} 22%, transparent)`;

/** Each scenario as its middle line, and the band about it. */
function linesOf(scenarios: readonly ScenarioForecast[]): ChartDataset<'line'>[] {
  const colours = [inkOf('harm'), inkOf('todo'), inkOf('ink')];
  return scenarios.flatMap((scenario, i) => {
    const colour = colours[i % colours.length]!;
    const common = { pointRadius: 0, borderColor: colour, stepped: false as const };
    return [
      {
        ...common,
        label: `${scenario.name}, 90%`,
        data: scenario.p90.map((v) => 100 * v),
        borderWidth: 0,
        backgroundColor: faint(colour),
        fill: '+1',
      },
      {
        ...common,
        label: `${scenario.name}, 10%`,
        data: scenario.p10.map((v) => 100 * v),
        borderWidth: 0,
      },
      {
        ...common,
        label: scenario.name,
        data: scenario.p50.map((v) => 100 * v),
        borderWidth: 2.5,
        borderDash: i === 0 ? [] : i === 1 ? [8, 4] : [2, 3],
      },
    ];
  });
}

/** The chosen year across all of the chart. */
const yearLine = (year: { current: number }): Plugin<'line'> => ({
  id: 'year',
  afterDraw: ({ ctx, chartArea, scales }) => {
    const x = scales.x!.getPixelForValue(year.current);
    ctx.save();
    ctx.strokeStyle = inkOf('ink');
    ctx.lineWidth = 1.5;
    ctx.beginPath();
    ctx.moveTo(x, chartArea.top);
    ctx.lineTo(x, chartArea.bottom);
    ctx.stroke();
    ctx.restore();
  },
});

/** Years along the foot, shares up the side with a line at each share whose year is told. */
const axesOf = (text: string): ChartOptions<'line'>['scales'] => ({
  x: {
    ticks: { maxTicksLimit: 7, maxRotation: 0, ...axisText(text) },
    grid: { display: false },
    border: { color: text },
  },
  y: {
    min: 0,
    max: 100,
    title: { display: true, text: 'bark compressed, %', ...axisText(text) },
    ticks: { stepSize: 25, ...axisTicks(text) },
    grid: {
      color: (c) => (THRESHOLDS.includes((c.tick.value / 100) as never) ? inkOf('hair') : 'transparent'),
    },
    border: { color: text },
  },
});

/** Share of the bark compressed, year by year, with its band; the chosen year is a line across all of it. */
export function ForecastChart({
  scenarios,
  from,
  year,
  onYear,
}: {
  scenarios: readonly ScenarioForecast[];
  from: number;
  year: number;
  onYear: (year: number) => void;
}) {
  const chosen = useRef(year);
  const { canvas, redraw } = useChart(
    useCallback(
      () => ({
        type: 'line',
        data: {
          labels: Array.from({ length: HORIZON + 1 }, (_, i) => String(from + i)),
          datasets: linesOf(scenarios),
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          responsive: true,
          interaction: { mode: 'index', intersect: false },
          onClick: (_, found) => found[0] && onYear(found[0].index),
          scales: axesOf(inkOf('ink')),
          plugins: {
            tooltip: {
              filter: (item) => item.datasetIndex % 3 === 2,
              callbacks: { label: (item) => `${item.dataset.label}: ${Math.round(item.parsed.y ?? 0)}%` },
            },
          },
        },
        plugins: [yearLine(chosen)],
      }),
      [scenarios, from, onYear],
    ),
  );
  useEffect(() => {
    chosen.current = year;
    redraw();
  }, [year, redraw]);
  return (
    <div className="h-full">
      <canvas ref={canvas} role="img" aria-label={inWords(scenarios, from)} />
    </div>
  );
}

function inWords(scenarios: readonly ScenarioForecast[], from: number): string {
  return scenarios
    .map(
      (s) =>
        `${s.name}: ${Math.round(100 * s.p50[0]!)}% of the bark compressed in ${from}, ${Math.round(100 * s.p50[10]!)}% in ${from + 10}, ${Math.round(100 * s.p50[HORIZON]!)}% in ${from + HORIZON}`,
    )
    .join('; ');
}
