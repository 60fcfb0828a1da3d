import { type ProbeApi, probeGlobal } from '../api/probe-api';
import { probedPage } from './probed-page';

declare global {
  interface Window {
    [probeGlobal]: ProbeApi;
  }
}

window[probeGlobal] = probedPage;
