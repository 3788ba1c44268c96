import { PageLink } from '@/ui/PageLink';
import { PrintButton } from '@/ui/PrintButton';
import { TopBar } from './TopBar';

/** Words that stand on a phone's bar beside the name of a tree, letters. */
const SHORT = 10;

/** The bar of a page of a tree: back to the tree, which page it is, and print where it is set for paper. On a phone the heading says what has no room here. */
export function TreePageBar({
  href,
  label,
  page,
  print = false,
}: {
  href: string;
  label: string;
  page: string;
  print?: boolean;
}) {
  const onDesk = print || page.length > SHORT ? 'hidden sm:inline' : '';
  return (
    <TopBar right={print ? <PrintButton /> : undefined}>
      <nav aria-label="Where" className="flex items-baseline gap-2">
        <PageLink className="plain" href={href}>
          {label}
        </PageLink>
        <span aria-hidden="true" className={onDesk}>
          ›
        </span>
        <strong className={onDesk}>{page}</strong>
      </nav>
    </TopBar>
  );
}
