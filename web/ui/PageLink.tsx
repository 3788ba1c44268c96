import Link from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another page of the application. Nothing of that page is asked for before it is opened: pages are made for
 * whoever asks, from what is stored then, so there is nothing to have ready, and each link would cost a weak connection
 * and the server two requests.
 */
export function PageLink(props: Omit<ComponentProps<typeof Link>, 'prefetch'>) {
  return <Link prefetch={false} {...props} />;
}
