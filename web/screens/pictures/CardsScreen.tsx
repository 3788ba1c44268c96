'use client';

import { CARDS } from '@undrel/core/photogrammetry';
import { formatLength, formatValue, longUnit } from '@undrel/core/units';
import { usePreferences } from '../shell/preferences';
import { TopBar } from '../shell/TopBar';

const PAPERS = [
  { paper: 'A4', label: 'A4, PDF' },
  { paper: 'letter', label: 'Letter, PDF' },
] as const;

/** Cards to be printed, and how they are laid. */
export function CardsScreen() {
  const { units: system } = usePreferences();
  const metric = system === 'metric';
  const long = (m: number) => formatValue(m, 'short length', system);
  const far = (m: number) => formatLength(m, longUnit(system), 0.1);
  return (
    <div className="min-h-dvh flex flex-col">
      <TopBar>
        <strong>Marker cards</strong>
      </TopBar>
      <main className="px-4 lg:px-8 py-4 w-full max-w-[46rem] mx-auto">
        <h1>Marker cards: a picture that measures</h1>
        <p className="mt-2">
          Four cards round an open root collar let you trace roots on a photograph at true scale, in place of
          the tape. The second page is a sheet for leaves: their colour is measured on it.
        </p>
        <p className="flex flex-wrap gap-3 my-4">
          {(metric ? PAPERS : [...PAPERS].reverse()).map(({ paper, label }, i) => (
            <a key={paper} className={i === 0 ? 'act' : 'quiet'} href={`/api/cards?paper=${paper}`}>
              {label}
            </a>
          ))}
        </p>
        <h2>Print</h2>
        <ol className="list-decimal ml-5 space-y-1">
          <li>Print at 100%, not “fit to page”, on stiff matt paper. Gloss mirrors the sky.</li>
          <li>
            Measure a black square: it is {long(CARDS.side)} from side to side. Where the printer made it
            another size, say so at the picture.
          </li>
          <li>Cut the cards apart and keep the white rim. Card stock or a clipboard keeps them flat.</li>
        </ol>
        <h2 className="mt-4">Round the collar</h2>
        <ol className="list-decimal ml-5 space-y-1">
          <li>
            Lay the four cards on the floor of the pit round the stem, about at one level, none on a root.
          </li>
          <li>Turn card 1 so that its arrow points north, or note the bearing it points to.</li>
          <li>
            Measure how deep the cards lie below grade, and the depth of the top of each root, with a rod.
          </li>
          <li>
            Take the picture from {far(1.5)} to {far(2)} away, looking down: the whole collar, all cards, not
            zoomed and not cropped. Take one from each side from which roots are to be traced.
          </li>
        </ol>
        <h2 className="mt-4">Leaves</h2>
        <ol className="list-decimal ml-5 space-y-1">
          <li>
            Five full-grown leaves or more from the sunny side of the crown, flat on the white of the sheet.
          </li>
          <li>Even shade, no flash, from straight above. The same day, leaves of the reference tree.</li>
        </ol>
      </main>
    </div>
  );
}
