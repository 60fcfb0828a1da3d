import { expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTarget } from './asking-engines';
import { engineSuite } from './engine-suite';

process.env.UKKO_CHROMIUM_PROTOCOL = 'cdp';
const chromium = ownTarget('chromium');

engineSuite(chromium);

it.skipIf(!(await enginesAvailable()))('Chromium says over which protocol it was asked', async () => {
  const { observations } = await ask(chromium, askingOf('<input name=a>', ['message']));
  expect(observations.map(({ provenance }) => provenance)).toMatchObject([
    { mark: 'measured', protocol: 'Chrome DevTools Protocol' },
  ]);
});
