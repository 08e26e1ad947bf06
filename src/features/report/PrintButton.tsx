'use client';

import { Printer } from 'lucide-react';

/** Prints the page. */
export function PrintButton() {
  return (
    <button type="button" className="btn btn-primary zh-no-print" onClick={() => window.print()}>
      <Printer size={20} aria-hidden="true" /> Print
    </button>
  );
}
