'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

/**
 * What came of something larger, a file brought in for example: it floats at the foot of the page until it is closed, and
 * moves nothing.
 */
export function Notice({
  bad = false,
  label,
  closes = 'Close',
  onClose,
  children,
}: {
  bad?: boolean;
  label: string;
  /** What the button says that ends it. */
  closes?: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const [here, setHere] = useState(false);
  useEffect(() => setHere(true), []);
  if (!here) return null;
  return createPortal(
    <section
      role="alert"
      aria-label={label}
      className={`fixed z-40 inset-x-2 bottom-[76px] sm:left-auto sm:right-4 sm:w-[30rem] max-h-[50dvh] overflow-y-auto bg-sheet border-2 p-3 flex items-start gap-3 ${bad ? 'border-harm' : 'border-todo'}`}
    >
      <div className="flex-1 min-w-0">{children}</div>
      <button type="button" className="quiet shrink-0" onClick={onClose}>
        {closes}
      </button>
    </section>,
    document.body,
  );
}

/** What came of a file that was read, line by line; nothing where there is nothing to say. */
export function FileNotice({ lines, onClose }: { lines: readonly string[]; onClose: () => void }) {
  if (lines.length === 0) return null;
  return (
    <Notice label="What came of the file" onClose={onClose}>
      <ul>
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </Notice>
  );
}
