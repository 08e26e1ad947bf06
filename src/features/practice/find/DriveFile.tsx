'use client';

import { useEffect, useMemo } from 'react';
import { FileLink } from '@/ui/Link';

/** The log of a drive, as a file to keep or to bring in. */
export function DriveFile({ file }: { readonly file: File }) {
  const href = useMemo(() => URL.createObjectURL(file), [file]);
  useEffect(() => () => URL.revokeObjectURL(href), [href]);
  return (
    <FileLink variant="outline-secondary" href={href} download={file.name}>
      The phone’s log, as a file
    </FileLink>
  );
}
