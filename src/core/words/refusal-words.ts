import type { Refusal } from '../reading/refusal';
import { questionFaultText, sweepFaultText } from './request-fault-words';

/** Why something is not done, and what to do. */
export function refusalText(refusal: Refusal): string {
  switch (refusal.code) {
    case 'other host':
      return 'Ukko answers only under 127.0.0.1 or localhost. Open the address that “npm run demo” printed.';
    case 'other site':
      return 'Ukko does not take requests from other sites.';
    case 'body too large':
      return 'The form is too large to sweep. Paste the form alone, without the rest of its page.';
    case 'body no JSON':
      return 'The request is not JSON. Reload Ukko and try again.';
    case 'question misfit':
      return questionFaultText(refusal);
    case 'no sweep':
      return sweepFaultText(refusal.fault);
    case 'field unknown':
      return 'The form has no such field. Reload Ukko and try again.';
    case 'page not read':
      return 'Ukko failed while reading the page. Try it again.';
    case 'page cut short':
      return 'The page was not read to the end. Try it again.';
    case 'sweeps full':
      return `${refusal.most} sweeps are running already. Wait for one to end, or cancel it.`;
    case 'devices full':
      return `Ukko already listens for ${refusal.most} devices. Stop listening for one of them first.`;
    case 'server gone':
      return 'The server stopped answering. Start it again with “npm run demo”, then ask again.';
    case 'no room':
      return 'This browser has no room left for answers and pictures. Choose “Thin old pictures” under Files, or export the workspace and delete old sweeps. Everything kept so far is still there.';
    case 'page not confirmed':
      return `This form came in a file and would open ${refusal.address}. Confirm that first.`;
    case 'device at other host':
      return 'This page opens only under the address that Ukko shows.';
    case 'device guesses':
      return 'Too many wrong codes came from here. Open the link on another device.';
    case 'device code unknown':
      return 'Nothing is at this address. Check the code that Ukko shows, or make a new one there.';
    case 'device link used':
      return 'This link was opened already, and works once. Make a new one in Ukko for this device.';
    case 'device not visiting':
      return 'Another page opened the link. Open a new link from Ukko.';
    case 'device opened again':
      return 'Somebody opened the link again. It works once; make a new one for another device.';
    case 'device sent too much at once':
      return `The device sent more than ${refusal.most} MB at once. Ukko left that out and keeps everything before it.`;
    case 'device sent too much':
      return `The device sent more than ${refusal.most} MB in all. Ukko keeps what came before; make a new link to go on.`;
    case 'sender shut out':
      return `${refusal.wrong} wrong codes came from ${refusal.sender}, so Ukko no longer answers that address. The code still works from others; make a new one if this was your device.`;
    case 'listening ended':
      return `${refusal.wrong} wrong codes came from ${refusal.senders} addresses, so Ukko stopped listening before one was right. Listen again for a new code.`;
    case 'device file':
      return 'This file holds the answers of a device. Open it under Line-up, “A real device…”, where you name the device.';
  }
}
