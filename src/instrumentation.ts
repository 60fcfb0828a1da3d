/** Runs once when the server starts: every request is checked first, and a stop of the server ends its sweeps and their browsers first. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { guardServer } = await import('./server/guard-server');
  guardServer();
  const { stopWithServer } = await import('./server/stop-with-server');
  stopWithServer();
}
