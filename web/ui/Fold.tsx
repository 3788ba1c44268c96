'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * What is folded away until it is asked for. It stands open where something is noted in it; from then on it is as it
 * was last pressed, before the page was ready too, and does not fold under whoever clears the last value.
 */
export function Fold(props: {
  summary: ReactNode;
  /** Whether something is noted in it. */
  noted?: boolean;
  className?: string;
  summaryClass?: string;
  /** Or how to draw it, for what is costly while it is folded. */
  children: ReactNode | ((open: boolean) => ReactNode);
}) {
  const { noted = false, children } = props;
  const element = useRef<HTMLDetailsElement>(null);
  const [open, setOpen] = useState(noted);
  const [was, setWas] = useState(noted);
  if (noted !== was) {
    setWas(noted);
    if (noted) setOpen(true);
  }
  useEffect(() => setOpen(element.current!.open), []);
  return (
    <details
      ref={element}
      className={props.className}
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary
        className={props.summaryClass ?? 'min-h-[44px] flex items-center cursor-pointer font-semibold'}
      >
        {props.summary}
      </summary>
      {typeof children === 'function' ? children(open) : children}
    </details>
  );
}
