'use client';

import { useCallback } from 'react';
import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartDataset,
  type ChartOptions,
} from 'chart.js';
import { LIMITING, type ProfileRow } from '@undrel/core/soil';
import {
  formatPressure,
  formatValue,
  METRES_PER,
  PASCALS_PER_PSI,
  ROOTS_STOP,
  shortUnit,
  type UnitSystem,
} from '@undrel/core/units';
import { axisText, axisTicks, inkOf } from '../chartLook';
import { useChart } from '../useChart';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip);

type Running = readonly { depth: number; pressure: number }[];

/** Depth and pressure as the chart counts them. */
const measures = (system: UnitSystem) => ({
  deep: (metres: number) => metres / METRES_PER[shortUnit(system)],
  load: (pascals: number) => (system === 'us' ? pascals / PASCALS_PER_PSI : pascals / 1e6),
});

const deepestOf = (rows: readonly ProfileRow[], running: Running): number =>
  Math.max(0.4, ...rows.map((r) => r.depth), ...running.map((r) => r.depth));

/** The pushes with their band, the one that is being made, and where roots stop. */
function linesOf(
  rows: readonly ProfileRow[],
  running: Running,
  system: UnitSystem,
): ChartDataset<'line', { x: number; y: number }[]>[] {
  const { deep, load } = measures(system);
  const [text, todo, harm] = [inkOf('ink'), inkOf('todo'), inkOf('harm')];
  const line = (label: string, data: { x: number; y: number }[], more: object) => ({
    label,
    data,
    pointRadius: 0,
    borderColor: todo,
    borderWidth: 0,
    ...more,
  });
  const of = (value: (r: ProfileRow) => number) => rows.map((r) => ({ x: load(value(r)), y: deep(r.depth) }));
  const band = { fill: '+1', backgroundColor: `color-mix(in srgb, ${todo} 20%, transparent)` };
  const limit = [0, deepestOf(rows, running)].map((depth) => ({ x: load(LIMITING), y: deep(depth) }));
  return [
    line(
      'high',
      of((r) => r.high),
      band,
    ),
    line(
      'low',
      of((r) => r.low),
      {},
    ),
    line(
      'middle of the pushes',
      of((r) => r.median),
      { borderWidth: 2.5 },
    ),
    line(
      'this push',
      running.map((r) => ({ x: load(r.pressure), y: deep(r.depth) })),
      { borderWidth: 2, borderColor: text, borderDash: [5, 3] },
    ),
    line('roots stop', limit, { borderWidth: 1.5, borderColor: harm, borderDash: [2, 3] }),
  ];
}

/** Load along the top, depth downward. */
function axesOf(deepest: number, system: UnitSystem): ChartOptions<'line'>['scales'] {
  const { deep, load } = measures(system);
  const text = inkOf('ink');
  const grid = { color: inkOf('hair') };
  return {
    x: {
      type: 'linear',
      position: 'top',
      min: 0,
      suggestedMax: load(4e6),
      title: { display: true, text: `cone index, ${system === 'us' ? 'psi' : 'MPa'}`, ...axisText(text) },
      ticks: axisTicks(text),
      grid,
    },
    y: {
      type: 'linear',
      reverse: true,
      min: 0,
      // A whole centimetre or inch, whatever the last reading came to.
      max: Math.ceil(deep(deepest) - 1e-9),
      title: { display: true, text: `depth, ${shortUnit(system)}`, ...axisText(text) },
      ticks: axisTicks(text),
      grid,
    },
  };
}

/** Cone index by depth, depth downward: the middle of all pushes with its band, and the one that is being made. */
export function PushChart({
  rows,
  running,
  system,
}: {
  rows: readonly ProfileRow[];
  running: Running;
  system: UnitSystem;
}) {
  const { canvas } = useChart(
    useCallback(
      () => ({
        type: 'line',
        data: { datasets: linesOf(rows, running, system) },
        options: {
          animation: false,
          parsing: false,
          indexAxis: 'y',
          maintainAspectRatio: false,
          scales: axesOf(deepestOf(rows, running), system),
          plugins: { tooltip: { enabled: false } },
        },
      }),
      [rows, running, system],
    ),
  );
  return (
    <div className="h-full">
      <canvas ref={canvas} role="img" aria-label={inWords(rows, system)} />
    </div>
  );
}

const inWords = (rows: readonly ProfileRow[], system: UnitSystem): string =>
  `Cone index by depth. ${rows
    .filter((_, i) => i % 4 === 3)
    .map((r) => `${formatValue(r.depth, 'short length', system)}: ${formatPressure(r.median, system)}`)
    .join(', ')}. Roots stop at ${ROOTS_STOP[system]}.`;
