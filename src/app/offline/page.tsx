import type { Metadata } from 'next';
import { HeldList } from '@/ui/offline';

export const metadata: Metadata = { title: 'Without the server' };

/** Stands where a page was asked for that this screen does not hold, while the server is away. */
export default function OfflinePage() {
  return (
    <>
      <h1>Without the server</h1>
      <p>
        The server does not answer, and this screen does not hold the page that was asked for. What
        was typed waits on this screen and goes out by itself once the server is back.
      </p>
      <h2>What this screen holds</h2>
      <HeldList />
    </>
  );
}
