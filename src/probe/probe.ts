import { pageUnderTest } from './page-under-test';
import { type ProbeApi, probeGlobal } from './probe-api';

declare global {
  interface Window {
    [probeGlobal]: ProbeApi;
  }
}

window[probeGlobal] = pageUnderTest;
