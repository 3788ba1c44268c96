'use client';

import { useEffect, useState, type ReactNode } from 'react';

/** Something large that is worked out by the device that shows it, and not by the server before that. */
export function OnDevice({ when, children }: { when: boolean; children: ReactNode }) {
  const [here, setHere] = useState(!when);
  useEffect(() => setHere(true), []);
  return here ? (
    children
  ) : (
    <main className="p-6">
      <p role="status">This dig holds a great many roots; your device is working it out…</p>
    </main>
  );
}
