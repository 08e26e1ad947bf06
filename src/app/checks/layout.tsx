import type { ReactNode } from 'react';
import '@/ui/check.css';

/** Quick checks bring their own styles; no other page loads them. */
export default function ChecksLayout({ children }: { children: ReactNode }) {
  return children;
}
