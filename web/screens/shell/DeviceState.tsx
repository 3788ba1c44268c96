'use client';

import { CloudOff, CloudUpload } from 'lucide-react';
import { outboxTold, type Outbox } from '../../device/outboxNow';
import { useTold } from '../../device/told';
import { useKeptSince } from '../../device/along/keptPage';
import { PageLink } from '../../ui/PageLink';
import { useOnline } from '../../ui/useOnline';

export const useOutbox = () => useTold(outboxTold);

/** How many entries, looks and pictures wait. */
export const waitingIn = ({ trees, looks, pictures }: Outbox): number =>
  looks + pictures + trees.reduce((sum, t) => sum + t.changes.length, 0);

/** Whether there is signal and what waits, in a place that is always kept free: nothing moves when it shows. */
export function DeviceState() {
  const waiting = waitingIn(useOutbox());
  const online = useOnline();
  const since = useKeptSince();
  const away = !online || since !== undefined;
  const said = [
    away && (since === undefined ? 'No signal' : `Kept on this device, ${new Date(since).toLocaleString()}`),
    waiting > 0 && `${waiting} waiting to be sent`,
  ].filter(Boolean);
  return (
    <span className="w-[44px] h-[44px] shrink-0 -mx-2 inline-flex">
      {said.length > 0 && (
        <PageLink
          href="/device"
          className="plain relative w-full h-full inline-flex items-center justify-center"
          aria-label={`${said.join('; ')}. This device`}
          title={said.join('; ')}
        >
          {away ? <CloudOff aria-hidden="true" size={22} /> : <CloudUpload aria-hidden="true" size={22} />}
          {waiting > 0 && (
            <span className="num absolute bottom-0.5 right-0 text-[11px] leading-none bg-ink text-sheet px-1 py-0.5">
              {waiting > 99 ? '99+' : waiting}
            </span>
          )}
        </PageLink>
      )}
    </span>
  );
}
