/** A server that has not said in this time that it is there is taken for away. */
const PATIENCE_MS = 5000;

/** Whether the server answers just now: a page that cannot be loaded anew is left as it is. */
export async function isServerThere(): Promise<boolean> {
  if (!navigator.onLine) return false;
  try {
    const signal = AbortSignal.timeout(PATIENCE_MS);
    return (await fetch('/api/health', { cache: 'no-store', signal })).ok;
  } catch {
    return false;
  }
}
