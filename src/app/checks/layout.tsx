import type { ReactNode } from 'react';

/** Quick checks bring their own styles; no other page loads them. */
export default function ChecksLayout({ children }: { children: ReactNode }) {
  return children;
}
