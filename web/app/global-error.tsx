'use client';

import ErrorPage from './error';
import './globals.css';

/** What is shown when even the frame of a page could not be made. */
export default function GlobalError(props: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <ErrorPage {...props} />
      </body>
    </html>
  );
}
