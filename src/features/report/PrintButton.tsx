'use client';

import { Button } from 'react-bootstrap';
import { Printer } from 'lucide-react';

/** Prints the page; not the main thing everywhere. */
export function PrintButton({ isMain = true }: { readonly isMain?: boolean }) {
  return (
    <Button
      type="button"
      variant={isMain ? 'primary' : 'outline-secondary'}
      className="zh-no-print"
      onClick={() => window.print()}
    >
      <Printer size={20} aria-hidden="true" /> Print
    </Button>
  );
}
