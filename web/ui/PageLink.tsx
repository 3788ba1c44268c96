'use client';

import Link from 'next/link';
import type { ComponentProps } from 'react';
import { needsServer } from '../protocol/along';
import { useOnline } from './useOnline';

/**
 * A link to another page of the application. Nothing of that page is asked for before it is opened: pages are made for
 * whoever asks, from what is stored then, so there is nothing to have ready, and each link would cost a weak connection
 * and the server two requests. Without signal it says so where the page is had from the server alone.
 */
export function PageLink(props: Omit<ComponentProps<typeof Link>, 'prefetch'>) {
  const away = !useOnline() && typeof props.href === 'string' && needsServer(props.href);
  return (
    <Link
      prefetch={false}
      {...props}
      {...(away && { 'data-away': true, title: 'Needs signal', 'aria-description': 'Needs signal' })}
    />
  );
}
