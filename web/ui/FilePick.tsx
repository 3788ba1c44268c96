'use client';

import { useRef } from 'react';
import { OUT_OF_REACH } from './FromServer';
import { useOnline } from './useOnline';

/** A button that asks for a file. */
export function FilePick(props: {
  /** What the file is, for those who do not see. */
  about: string;
  label: string;
  accept: string;
  disabled?: boolean;
  className?: string;
  /** The server reads the file: without signal the button says so. */
  server?: boolean;
  onFile: (file: File) => void;
}) {
  const away = !useOnline() && props.server;
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        className="sr-only"
        aria-label={props.about}
        tabIndex={-1}
        accept={props.accept}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) props.onFile(file);
          event.target.value = '';
        }}
      />
      <button
        type="button"
        className={props.className ?? 'quiet'}
        disabled={props.disabled}
        onClick={() => input.current?.click()}
        {...(away && OUT_OF_REACH)}
      >
        {props.label}
      </button>
    </>
  );
}
