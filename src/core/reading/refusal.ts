import type { QuestionFault, SweepFault } from './request-fault';

/** Why Ukko's server, the page on a device, or the storage of this browser does not do what is asked of it. Sizes are in MB. */
export type Refusal =
  | { readonly code: 'other host' }
  | { readonly code: 'other site' }
  | { readonly code: 'body too large' }
  | { readonly code: 'body no JSON' }
  | ({ readonly code: 'question misfit' } & QuestionFault)
  | { readonly code: 'no sweep'; readonly fault: SweepFault }
  | { readonly code: 'field unknown' }
  | { readonly code: 'page not read' }
  | { readonly code: 'page cut short' }
  | { readonly code: 'sweeps full'; readonly most: number }
  | { readonly code: 'devices full'; readonly most: number }
  | { readonly code: 'server gone' }
  | { readonly code: 'no room' }
  | { readonly code: 'page not confirmed'; readonly address: string }
  | { readonly code: 'device at other host' }
  | { readonly code: 'device guesses' }
  | { readonly code: 'device code unknown' }
  | { readonly code: 'device link used' }
  | { readonly code: 'device not visiting' }
  | { readonly code: 'device opened again' }
  | { readonly code: 'device sent too much at once'; readonly most: number }
  | { readonly code: 'device sent too much'; readonly most: number }
  | { readonly code: 'sender shut out'; readonly wrong: number; readonly sender: string }
  | { readonly code: 'listening ended'; readonly wrong: number; readonly senders: number }
  | { readonly code: 'device file' };
