import { PageLink } from '@/ui/PageLink';
import { PrintButton } from '@/ui/PrintButton';
import { TopBar } from './TopBar';

/** The bar of a page of a tree: back to the tree, which page it is, and print. */
export function TreePageBar({ href, label, page }: { href: string; label: string; page: string }) {
  return (
    <TopBar right={<PrintButton />}>
      <nav aria-label="Where" className="flex items-baseline gap-2">
        <PageLink className="plain" href={href}>
          {label}
        </PageLink>
        <span aria-hidden="true" className="hidden sm:inline">
          ›
        </span>
        <strong className="hidden sm:inline">{page}</strong>
      </nav>
    </TopBar>
  );
}
