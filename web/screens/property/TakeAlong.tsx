'use client';

import { useEffect, useRef, useState } from 'react';
import { Dialog } from 'radix-ui';
import { DAYS_ALONG } from '../../protocol/along';
import { readAhead } from '../../device/along/ahead';
import { alongOf, forgetAlong, lastDay, type Along } from '../../device/along/kept';
import { clockWords, roomWords } from '../../device/along/ready';
import { takeAlong, tellHeld } from '../../device/along/take';
import { personOfCookie } from '../../device/person';
import { useAlive } from '../../ui/controls/Entry';
import { megabytes } from '../../device/megabytes';
import { ServerButton } from '../../ui/FromServer';

const when = (at: number): string =>
  new Date(at).toLocaleString(undefined, {
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  });
const day = (at: number): string =>
  new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'long' });

/** How long the page is at rest before the program of a tree's page is read ahead, ms. */
const REST_MS = 2_500;

type Work = { share: number; stop: AbortController };

/** Reads the program of a tree's page ahead, once the page of a property that is here is at rest. */
function useReadAhead(here: Along | undefined): void {
  useEffect(() => {
    if (!here) return;
    const stop = new AbortController();
    const timer = setTimeout(() => void readAhead(here, stop.signal).catch(() => undefined), REST_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [here]);
}

/** Takes a property along to places without signal, says how much that is and how old, and takes it off again. */
export function TakeAlong({ property, name, trees }: { property: string; name: string; trees: number }) {
  const [here, setHere] = useState<Along | undefined>(undefined);
  const [work, setWork] = useState<Work | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [warnings, setWarnings] = useState<{ clock?: string; room?: string }>({});
  const running = useRef<AbortController | undefined>(undefined);
  const alive = useAlive();
  useEffect(() => {
    const person = personOfCookie();
    if (person) void alongOf(person).then((all) => setHere(all.find((a) => a.property === property)));
    return () => running.current?.abort();
  }, [property]);
  useReadAhead(here);
  const take = async () => {
    const person = personOfCookie();
    if (!person) return setProblem('Sign in again first: this device does not know who takes it along.');
    const stop = new AbortController();
    running.current = stop;
    setProblem(undefined);
    setWork({ share: 0, stop });
    const taken = await takeAlong(property, person, stop.signal, (share) => setWork({ share, stop }));
    setWork(undefined);
    if ('problem' in taken) setProblem(taken.problem);
    else {
      setHere(taken.along);
      setWarnings({ clock: clockWords(taken.ahead) });
    }
  };
  const look = () =>
    void navigator.storage
      ?.estimate?.()
      .then((room) => setWarnings((was) => ({ ...was, room: roomWords(room) })))
      .catch(() => undefined);
  return (
    <Dialog.Root onOpenChange={(open) => open && look()}>
      <Dialog.Trigger className="link min-h-[44px]" disabled={!alive}>
        {here ? 'Taken along' : 'Take along'}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/40 z-40" />
        <Dialog.Content className="fixed z-50 left-1/2 top-1/4 -translate-x-1/2 w-[28rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink p-5">
          <Dialog.Title className="font-bold text-lg">Take {name} along</Dialog.Title>
          <Dialog.Description className="my-2">
            {trees === 1 ? 'Its tree' : `Its ${trees} trees`} with visits, digs, orders, water and small
            pictures, to be opened and filled in without signal. What you enter is sent when there is some. It
            stays on this device for {DAYS_ALONG} days, and goes when you sign out.
          </Dialog.Description>
          <HowItStands work={work} problem={problem} here={here} />
          <Warnings warnings={warnings} />
          <div className="flex flex-wrap gap-2 mt-3">
            {work ? (
              <button type="button" className="quiet min-w-[9rem]" onClick={() => work.stop.abort()}>
                Stop
              </button>
            ) : (
              <ServerButton type="button" className="act min-w-[9rem]" onClick={() => void take()}>
                {here ? 'Refresh' : 'Take along'}
              </ServerButton>
            )}
            {here && !work && (
              <button
                type="button"
                className="quiet"
                onClick={() => {
                  void tellHeld(property, false);
                  void forgetAlong(here.person, property).then(() => setHere(undefined));
                }}
              >
                Remove from this device
              </button>
            )}
            <Dialog.Close className="quiet">Close</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function HowItStands({
  work,
  problem,
  here,
}: {
  work: Work | undefined;
  problem: string | undefined;
  here: Along | undefined;
}) {
  return (
    <p className="min-h-[3.2rem]" role="status">
      {work ? (
        <progress className="w-full h-3 accent-todo" max={1} value={work.share} aria-label="Taking it along">
          {Math.round(100 * work.share)}%
        </progress>
      ) : problem ? (
        <span className="text-harm">{problem}</span>
      ) : here ? (
        `On this device: ${megabytes(here.bytes)}, as of ${when(here.taken)}; here until ${day(lastDay(here))}.`
      ) : (
        'Not on this device yet.'
      )}
    </p>
  );
}

function Warnings({ warnings }: { warnings: { clock?: string; room?: string } }) {
  return (
    <>
      {[warnings.clock, warnings.room].map(
        (words) =>
          words && (
            <p key={words} role="alert" className="told my-2">
              {words}
            </p>
          ),
      )}
    </>
  );
}
