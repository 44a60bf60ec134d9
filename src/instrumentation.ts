/** Called by Next once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') await (await import('./instrumentation-node')).start();
}
