'use client';

import { PageLink } from '@/ui/PageLink';
import { PrintButton } from '@/ui/PrintButton';
import { TopBar } from '../shell/TopBar';

/** The head of the sheets of a property: its name, which sheet it is, and what prints it. */
export const PropertyBar = ({ property, part }: { property: { id: string; name: string }; part: string }) => (
  <TopBar right={<PrintButton />}>
    <PageLink href={`/grounds/${property.id}`} className="plain">
      <strong>{property.name}</strong>
    </PageLink>{' '}
    <span className="text-sm text-muted hidden sm:inline">{part}</span>
  </TopBar>
);
