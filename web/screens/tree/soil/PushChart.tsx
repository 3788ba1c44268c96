'use client';

import { useEffect, useRef } from 'react';
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { LIMITING, type ProfileRow } from '@undrel/core/soil';
import { METRES_PER, shortUnit, type UnitSystem } from '@undrel/core/units';
import { usePreferences } from '../../shell/preferences';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip);

const FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";
const ink = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** Cone index by depth, depth downward: the middle of all pushes with its band, and the one that is being made. */
export function PushChart({
  rows,
  running,
  system,
}: {
  rows: readonly ProfileRow[];
  running: readonly { depth: number; pressure: number }[];
  system: UnitSystem;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme } = usePreferences();
  useEffect(() => {
    const unit = shortUnit(system);
    const deep = (metres: number) => metres / METRES_PER[unit];
    const load = (pascals: number) => (system === 'us' ? pascals / 6894.757 : pascals / 1e6);
    const [text, todo, harm] = [ink('ink'), ink('todo'), ink('harm')];
    const line = (label: string, data: { x: number; y: number }[], more: object) => ({
      label,
      data,
      pointRadius: 0,
      borderColor: todo,
      borderWidth: 0,
      ...more,
    });
    const of = (value: (r: ProfileRow) => number) =>
      rows.map((r) => ({ x: load(value(r)), y: deep(r.depth) }));
    const deepest = Math.max(0.4, ...rows.map((r) => r.depth), ...running.map((r) => r.depth));
    const made = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          line(
            'high',
            of((r) => r.high),
            {
              fill: '+1',
              backgroundColor: `color-mix(in srgb, ${todo} 20%, transparent)`,
            },
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
          line(
            'roots stop',
            [
              { x: load(LIMITING), y: 0 },
              { x: load(LIMITING), y: deep(deepest) },
            ],
            { borderWidth: 1.5, borderColor: harm, borderDash: [2, 3] },
          ),
        ],
      },
      options: {
        animation: false,
        parsing: false,
        indexAxis: 'y',
        maintainAspectRatio: false,
        scales: {
          x: {
            type: 'linear',
            position: 'top',
            min: 0,
            suggestedMax: load(4e6),
            title: {
              display: true,
              text: `cone index, ${system === 'us' ? 'psi' : 'MPa'}`,
              color: text,
              font: { family: FONT, size: 13 },
            },
            ticks: { color: text, font: { family: FONT, size: 13 } },
            grid: { color: ink('hair') },
          },
          y: {
            type: 'linear',
            reverse: true,
            min: 0,
            max: deep(deepest),
            title: { display: true, text: `depth, ${unit}`, color: text, font: { family: FONT, size: 13 } },
            ticks: { color: text, font: { family: FONT, size: 13 } },
            grid: { color: ink('hair') },
          },
        },
        plugins: { tooltip: { enabled: false } },
      },
    });
    return () => made.destroy();
    // Made anew for another theme: its colours come from the style sheet.
  }, [rows, running, system, theme]);
  return (
    <div className="h-full">
      <canvas ref={canvas} role="img" aria-label={inWords(rows)} />
    </div>
  );
}

const inWords = (rows: readonly ProfileRow[]): string =>
  `Cone index by depth. ${rows
    .filter((_, i) => i % 4 === 3)
    .map((r) => `${Math.round(100 * r.depth)} cm: ${(r.median / 1e6).toFixed(1)} MPa`)
    .join(', ')}. Roots stop at 2 MPa.`;
