import { PageLink } from '@/ui/PageLink';
import { TopBar } from '../shell/TopBar';

/** The head of a part of the practice book. */
export const PracticeBar = ({ part }: { part: string }) => (
  <TopBar>
    <nav aria-label="Where" className="flex items-baseline gap-x-2">
      <PageLink href="/practice" className="plain">
        Practice
      </PageLink>
      <span aria-hidden="true">›</span>
      <strong>{part}</strong>
    </nav>
  </TopBar>
);
