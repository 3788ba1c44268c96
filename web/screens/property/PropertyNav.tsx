import type { PropertyPage } from '../../protocol/grounds';
import { ServerFile } from '../../ui/FromServer';
import { PageLink } from '../../ui/PageLink';
import { TakeAlong } from './TakeAlong';

/** What else there is of a property, in the order in which it is used. */
const PAGES = [
  { path: 'walk', label: 'Walk-round' },
  { path: 'work', label: 'Work and costs' },
  { path: 'water', label: 'Water' },
  { path: 'materials', label: 'Materials' },
  { path: 'notice', label: 'Mowing notice' },
  { path: 'schools', label: 'Schools' },
] as const;

/** The ways from a property to its other pages and files. */
export function PropertyNav({ page, api }: { page: PropertyPage; api: string }) {
  return (
    <nav aria-label="Of this property" className="flex flex-wrap gap-x-4 border-b border-hair mb-2">
      {PAGES.map(({ path, label }) => (
        <PageLink
          key={path}
          className="min-h-[44px] inline-flex items-center"
          href={`/grounds/${page.id}/${path}`}
        >
          {label}
        </PageLink>
      ))}
      {page.trees.length > 0 && (
        <ServerFile className="min-h-[44px] inline-flex items-center" href={`${api}/labels`}>
          Labels
        </ServerFile>
      )}
      <TakeAlong property={page.id} name={page.name} trees={page.trees.length} />
    </nav>
  );
}
