import type { ComponentProps } from 'react';

/** A radio button or a tick of the browser's own, as a button: the whole of it takes the press, and the keys it knows. */
export const Pressed = ({ shown, className, ...input }: ComponentProps<'input'> & { shown: string }) => (
  <label
    className={`relative flex items-center justify-center min-h-[44px] border border-muted bg-sheet has-checked:bg-ink has-checked:text-sheet has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-todo has-focus-visible:z-10 ${className}`}
  >
    <input
      {...input}
      className="absolute inset-0 w-full h-full m-0 opacity-0 cursor-pointer disabled:cursor-default"
    />
    {shown}
  </label>
);
