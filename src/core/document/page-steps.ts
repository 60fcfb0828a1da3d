import type { StepFault } from './page-fault';

/** Something that is done in a page before the form is there. `what` is a CSS selector, or words that stand on or beside it. */
export type PageStep =
  | { readonly kind: 'go'; readonly path: string }
  | { readonly kind: 'click'; readonly what: string }
  | { readonly kind: 'fill'; readonly what: string; readonly text: string }
  | { readonly kind: 'wait'; readonly what: string };

export type StepsReading =
  | { readonly status: 'read'; readonly steps: readonly PageStep[] }
  | { readonly status: 'fault'; readonly line: number; readonly fault: StepFault };

/** Most steps before a form. */
export const maxSteps = 50;

/** Reads steps, one in each line; empty lines and lines that begin with `#` are left out. */
export function readSteps(text: string): StepsReading {
  const steps: PageStep[] = [];
  for (const [index, line] of text.split('\n').entries()) {
    const trimmed = line.trim();
    if (trimmed === '' || trimmed.startsWith('#')) continue;
    const step = stepOf(trimmed);
    if (!step)
      return { status: 'fault', line: index + 1, fault: { code: 'no step', line: trimmed.slice(0, 60) } };
    const fault = step.kind === 'go' ? goFault(step.path) : null;
    if (fault) return { status: 'fault', line: index + 1, fault };
    steps.push(step);
  }
  if (steps.length > maxSteps)
    return { status: 'fault', line: 1, fault: { code: 'too many steps', most: maxSteps } };
  return { status: 'read', steps };
}

/**
 * Why a page must not be gone to. A step stays with the server of its page: of an address, the path is followed and nothing else. Read by
 * the URL Standard, so that no spelling of a scheme or a host gets by.
 */
function goFault(path: string): StepFault | null {
  const [here, there] = ['http://here.invalid', 'https://there.invalid'].map((base) =>
    URL.canParse(path, base) ? new URL(path, base).origin === base : false,
  );
  return here && there ? null : { code: 'leaves the server', path: path.slice(0, 60) };
}

export function formatSteps(steps: readonly PageStep[]): string {
  return steps.map(formatStep).join('\n');
}

function formatStep(step: PageStep): string {
  switch (step.kind) {
    case 'go':
      return `go ${JSON.stringify(step.path)}`;
    case 'fill':
      return `fill ${JSON.stringify(step.what)} ${JSON.stringify(step.text)}`;
    default:
      return `${step.kind} ${JSON.stringify(step.what)}`;
  }
}

function stepOf(line: string): PageStep | null {
  const [, verb, first, second] = /^(\w+)\s+("(?:[^"\\]|\\.)*")(?:\s+("(?:[^"\\]|\\.)*"))?$/.exec(line) ?? [];
  const [what, text] = [first, second].map(unquoted);
  if (what === null || what === undefined || what === '') return null;
  if (verb === 'fill') return text === null || text === undefined ? null : { kind: 'fill', what, text };
  if (text !== null) return null;
  if (verb === 'go') return { kind: 'go', path: what };
  return verb === 'click' || verb === 'wait' ? { kind: verb, what } : null;
}

function unquoted(text: string | undefined): string | null {
  if (text === undefined) return null;
  try {
    return JSON.parse(text) as string;
  } catch {
    return null;
  }
}
