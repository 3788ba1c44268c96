import type { ReactNode } from 'react';

/** Where the drawing of a station is: above the entry on a phone, between stations and entry on a desk. */
export const DRAWING_PANE =
  'order-1 lg:order-none h-[34dvh] shrink-0 lg:h-auto lg:row-start-1 lg:col-start-2 lg:min-h-0 border-b-2 lg:border-b-0 lg:border-x-2 border-ink';

/**
 * What is entered at a station, and what comes next. On a desk it scrolls by itself beside the drawing; on a phone with the
 * page, so that the drawing gives way to what is answered while the stations and the foot stay.
 */
export function EntryColumn({ foot, children }: { foot: ReactNode; children: ReactNode }) {
  return (
    <div className="order-3 lg:order-none flex-1 shrink-0 lg:shrink lg:min-h-0 flex flex-col bg-sheet">
      <div
        id="entry"
        className="relative flex-1 lg:overflow-y-auto px-4 lg:px-6 py-4"
        tabIndex={0}
        role="region"
        aria-label="Entry"
      >
        {children}
      </div>
      <div className="sticky bottom-0 z-10 lg:static lg:z-auto">{foot}</div>
    </div>
  );
}

/** Shows the entry from its beginning; on a phone a drawing that was scrolled away stays away. */
export function toEntry(): void {
  const entry = document.getElementById('entry');
  entry?.scrollTo(0, 0);
  const page = entry?.closest('main');
  page?.scrollTo(0, Math.min(page.scrollTop, 0.34 * window.innerHeight));
}
