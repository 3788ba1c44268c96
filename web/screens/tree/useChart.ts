import { Chart, type ChartConfiguration } from 'chart.js';
import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { atRest } from '../../device/idle';
import { whenNear } from '../../ui/nearView';
import { painted } from '../../ui/painted';
import { usePreferences } from '../shell/preferences';

interface Drawn {
  canvas: RefObject<HTMLCanvasElement | null>;
  /** Draws it again where something changed that its figures do not hold. */
  redraw: () => void;
}

/**
 * A chart on a canvas. To make the first one takes a slow phone half a second, so it waits until it is near what is seen, or to be
 * printed, and no hand is at the page; from then on the chart follows as soon as what changed it stands on the screen.
 *
 * @param figuresOf what is drawn; another function where that is something else
 */
export function useChart<D>(figuresOf: () => ChartConfiguration<'line', D>): Drawn {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart<'line', D> | undefined>(undefined);
  const newest = useRef(figuresOf);
  const { theme } = usePreferences();
  useEffect(() => {
    newest.current = figuresOf;
    let past = false;
    void painted().then(() => {
      if (past || !chart.current) return;
      const { data, options } = figuresOf();
      Object.assign(chart.current, { data, options });
      chart.current.update('none');
    });
    return () => {
      past = true;
    };
    // Anew for another theme too: its colours come from the style sheet.
  }, [figuresOf, theme]);
  useEffect(() => {
    let gone = false;
    const make = () => {
      if (!gone) chart.current ??= new Chart(canvas.current!, newest.current());
    };
    const unwatch = whenNear(canvas.current!, () => void atRest().then(make));
    window.addEventListener('beforeprint', make);
    return () => {
      gone = true;
      unwatch();
      window.removeEventListener('beforeprint', make);
      chart.current?.destroy();
      chart.current = undefined;
    };
  }, []);
  const redraw = useCallback(() => chart.current?.draw(), []);
  return { canvas, redraw };
}
