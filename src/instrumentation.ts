/** Runs once when the server starts: a stop of the server ends its sweeps and their browsers first. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { stopAll } = await import('./server/run-registry');
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.once(signal, () => void stopAll());
}
