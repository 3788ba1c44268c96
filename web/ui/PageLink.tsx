'use client';

import Link from 'next/link';
import { useEffect, useState, type ComponentProps } from 'react';
import { needsServer } from '../protocol/along';
import { OUT_OF_REACH } from './FromServer';
import { useOnline } from './useOnline';

/** Whether a page is out of reach: there is no signal, and it is not on this device. */
function useMissing(address: string | undefined): boolean {
  const online = useOnline();
  const [kept, setKept] = useState(true);
  const alone = address !== undefined && needsServer(address);
  useEffect(() => {
    if (online || address === undefined || alone || /^(#|\/device)/.test(address)) return;
    let here = true;
    void import('../device/along/here')
      .then(({ isHere }) => isHere(address))
      .catch(() => false)
      .then((is) => here && setKept(is));
    return () => {
      here = false;
    };
  }, [online, address, alone]);
  return !online && (alone || !kept);
}

/**
 * A link to another page of the application. Nothing of that page is asked for before it is opened: pages are made for
 * whoever asks, from what is stored then, so there is nothing to have ready, and each link would cost a weak connection
 * and the server two requests. Without signal it says so where the page is not on this device.
 */
export function PageLink(props: Omit<ComponentProps<typeof Link>, 'prefetch'>) {
  const away = useMissing(typeof props.href === 'string' ? props.href : undefined);
  return <Link prefetch={false} {...props} {...(away && OUT_OF_REACH)} />;
}
