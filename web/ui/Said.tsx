import type { ReactNode } from 'react';

/**
 * What came of a form. Its place is there before anything is said, and does not grow: a message never moves what can be
 * pressed. Longer words scroll in it.
 */
export function Said({
  problem,
  told,
  lines = 2,
  className = '',
  id,
}: {
  problem?: ReactNode;
  told?: ReactNode;
  lines?: 1 | 2 | 3;
  className?: string;
  id?: string;
}) {
  const height = { 1: 'h-[1.6rem]', 2: 'h-[3.1rem]', 3: 'h-[4.6rem]' }[lines];
  return (
    <div className={`${height} overflow-y-auto ${className}`}>
      {problem ? (
        <div id={id} role="alert" className="wrong">
          {problem}
        </div>
      ) : (
        <div role="status">{told}</div>
      )}
    </div>
  );
}
