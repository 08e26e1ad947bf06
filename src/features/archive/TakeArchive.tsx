'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import { ask } from '@/ui/ask';
import { useBusy } from '@/ui/useBusy';

const ARCHIVE = '/api/v1/archive';

/** Takes everything out as an archive, once it is known that whoever is here may. */
export function TakeArchive() {
  const [refused, setRefused] = useState<string | null>(null);
  const { busy, during } = useBusy();
  const take = (): void =>
    during(async () => {
      const may = await ask(`${ARCHIVE}?may=1`);
      setRefused(may.ok ? null : may.message);
      if (may.ok) window.location.assign(new URL(ARCHIVE, window.location.href));
    });
  return (
    <>
      <Button type="button" variant="primary" disabled={busy} onClick={take}>
        Everything as an archive
      </Button>
      {refused && (
        <p className="zh-error" role="alert">
          {refused}
        </p>
      )}
    </>
  );
}
