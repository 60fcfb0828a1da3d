/** Runs once when the server starts: a stop of the server ends its sweeps and their browsers first. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { stopWithServer } = await import('./server/stop-with-server');
  stopWithServer();
}
