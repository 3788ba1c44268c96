'use client';

/** Prints the page as it stands. */
export const PrintButton = ({ className = 'min-h-[44px]' }: { className?: string }) => (
  <button type="button" className={className} onClick={() => window.print()}>
    Print
  </button>
);
