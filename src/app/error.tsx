'use client';

import { Button } from 'react-bootstrap';

/** Shown when a page could not be made; what was typed and saved is still on file. */
export default function PageError({ reset }: { error: Error; reset: () => void }) {
  return (
    <div className="zh-card" role="alert">
      <h1>This page could not be shown</h1>
      <p>
        The server did not answer as it should. Readings that were marked as saved are on file. Try
        again; if it stays, start the server again and read what it prints.
      </p>
      <Button type="button" variant="primary" onClick={reset}>
        Try again
      </Button>
    </div>
  );
}
