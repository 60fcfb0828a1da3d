/** What is told of a piece of markup. Parser error codes are the standard's (HTML Standard, "Parse errors"). */
export type NoteFact =
  | { readonly code: 'script' | 'base address' | 'linked resource' | 'meta instruction' }
  | { readonly code: 'event handler' | 'script address' | 'resource'; readonly attribute: string }
  | { readonly code: 'unknown attribute'; readonly attribute: string }
  | { readonly code: 'template' }
  | { readonly code: 'custom element'; readonly element: string }
  /** It is read up to here. */
  | { readonly code: 'too deep' | 'too many elements'; readonly most: number }
  | { readonly code: 'parse error'; readonly error: string };

export type NoteKind = 'not run' | 'not loaded' | 'not understood' | 'not drawn' | 'fault';

export const noteKinds: Readonly<Record<NoteFact['code'], NoteKind>> = {
  script: 'not run',
  'event handler': 'not run',
  'script address': 'not run',
  'base address': 'not loaded',
  'linked resource': 'not loaded',
  'meta instruction': 'not loaded',
  resource: 'not loaded',
  'unknown attribute': 'not understood',
  'custom element': 'not understood',
  template: 'not drawn',
  'too deep': 'fault',
  'too many elements': 'fault',
  'parse error': 'fault',
};
