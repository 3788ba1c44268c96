'use client';

import { useMemo } from 'react';
import { eventsFollowed, fillWords, sinceWhen } from '@undrel/core/history';
import { DrawingSvg } from '../../../../drawings/DrawingSvg';
import { declineLine, stemsOf } from '../../../../drawings/declineLine';
import { useMeasured } from '../../../../ui/useMeasured';
import { useAlive } from '../../../../ui/controls/Entry';
import type { StationProps } from '../../visitEntry';
import { chanceFigure } from '@undrel/core/units';

/** When growth fell, and which event it followed. */
export function SinceWhen(props: StationProps) {
  const { tree, events, visits, visit, reference, house, system, goTo } = props;
  const since = useMemo(
    () => sinceWhen(tree, events, visits, visit, { shoots: reference?.series, weather: house.weather }),
    [tree, events, visits, visit, reference, house],
  );
  const alive = useAlive();
  const [ref, size] = useMeasured<HTMLDivElement>({ width: 430, height: 10 });
  const drawing =
    since.years.length > 0 &&
    declineLine({ since, planted: tree.plantedYear, stems: stemsOf(visits), system, width: size.width });
  const followed = eventsFollowed(since);
  return (
    <section className="mt-5">
      <h2>Since when</h2>
      <p data-testid="since-when">{since.summary}</p>
      {since.years.length < 5 && (
        <button type="button" className="link min-h-[44px]" disabled={!alive} onClick={() => goTo('crown')}>
          Read the shoots back by year
        </button>
      )}
      {drawing && (
        <div ref={ref} style={{ height: drawing.height }}>
          <DrawingSvg drawing={drawing} title={since.summary} className="block w-full h-full" />
        </div>
      )}
      {followed.map((e) => (
        <p key={`${e.event.kind}.${e.event.when}`} className="text-sm py-0.5">
          {chanceFigure(e.chance)} of the fall lies within the usual lag of “{e.event.kind}, {e.event.when}” (
          {e.from}–{e.to}; by the length of that span alone {chanceFigure(e.byLength)}). {e.why}
        </p>
      ))}
      {since.fill && (
        <p className="text-sm">
          {fillWords(since.fill)} {since.fill.why.join(' ')}
        </p>
      )}
      {since.notes.map((note) => (
        <p key={note} className="text-sm text-muted">
          {note}
          {reference && note.startsWith('Set against') && ` (${reference.label})`}
        </p>
      ))}
    </section>
  );
}
