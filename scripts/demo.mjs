/** npm run demo: installs what is missing, builds, starts the app on 127.0.0.1 and prints its address. */
import { build, buildIsCurrent, ensurePackages, ensureSystemPackages } from './prepare.mjs';
import { freePort, isFree, startApp } from './start-app.mjs';

const usual = 4310;

try {
  ensureSystemPackages();
  ensurePackages();
  if (!buildIsCurrent()) {
    console.log('Building; that takes a minute…');
    if (!build(true)) throw new Error('The build failed; what it said stands above.');
  }
  const app = await startApp((await isFree(usual)) ? usual : await freePort());
  console.log(`\nUkko is at ${app.address}\nStop it with Ctrl+C.`);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, () => void app.stop());
  await app.exited;
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
