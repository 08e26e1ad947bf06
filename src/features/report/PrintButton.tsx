'use client';

import { Printer } from 'lucide-react';

/** Prints the page; not the main thing everywhere. */
export function PrintButton({ isMain = true }: { readonly isMain?: boolean }) {
  return (
    <button
      type="button"
      className={`btn ${isMain ? 'btn-primary' : 'btn-outline-secondary'} zh-no-print`}
      onClick={() => window.print()}
    >
      <Printer size={20} aria-hidden="true" /> Print
    </button>
  );
}
