'use client';

/** A page that could not be made: what was typed is kept on this device, and one press tries again. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="p-6 max-w-xl">
      <h1>This page could not be made</h1>
      <p className="my-3">
        The server or its database did not answer. Measurements you entered are kept on this device and are
        sent when it answers again.
      </p>
      <button type="button" className="act" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
