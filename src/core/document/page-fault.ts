/** Why an address may not be opened. */
export type AddressFault =
  | { readonly code: 'no address' | 'no http' }
  /** It is on another machine, and the configuration does not list it. */
  | { readonly code: 'not listed'; readonly origin: string };

/** Why a line of the steps before a form cannot be done. */
export type StepFault =
  | { readonly code: 'no step'; readonly line: string }
  | { readonly code: 'leaves the server'; readonly path: string }
  | { readonly code: 'too many steps'; readonly most: number };

/** Why a page of one's own cannot be asked: its address, its steps, or what its server gives out. */
export type PageFault =
  | AddressFault
  /** `line` counts from 1. */
  | { readonly code: 'step'; readonly line: number; readonly fault: StepFault }
  | { readonly code: 'empty answer'; readonly address: string; readonly status: number }
  | { readonly code: 'leads on'; readonly address: string; readonly to: string; readonly fault: AddressFault }
  | { readonly code: 'endless answer'; readonly address: string; readonly says: string }
  | { readonly code: 'late answer'; readonly address: string; readonly within: number }
  | { readonly code: 'nothing answers'; readonly address: string };
