/** Opens the database before the first request, so that a folder in use is refused at once. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { boot } = await import('./instrumentation-node');
    await boot();
  }
}
