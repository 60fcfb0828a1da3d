import type { Sides } from '../../observation/sides';
import { ariaRoles } from '../../standard/aria-roles';
import type { AccessibilityFacts } from './facts';

export type AccessibilityDifference =
  | Sides<'role' | 'accessible name' | 'description', string>
  | { readonly what: 'required' | 'invalid'; readonly here: boolean };

/** Values are left to how it looks: each interface writes them in its own way. */
export function accessibilityDifferences(
  reference: AccessibilityFacts,
  other: AccessibilityFacts,
): AccessibilityDifference[] {
  const found: AccessibilityDifference[] = [];
  const [here, there] = [other, reference];
  // For what WAI-ARIA has no role, each platform has a word of its own.
  const areRoles = [here.role, there.role].every((role) => role !== null && ariaRoles.has(role));
  if (areRoles && here.role !== null && there.role !== null && here.role !== there.role)
    found.push({ what: 'role', here: here.role, there: there.role });
  if (tidy(here.name) !== tidy(there.name))
    found.push({ what: 'accessible name', here: tidy(here.name), there: tidy(there.name) });
  if (
    here.description !== null &&
    there.description !== null &&
    tidy(here.description) !== tidy(there.description)
  )
    found.push({ what: 'description', here: tidy(here.description), there: tidy(there.description) });
  for (const what of ['required', 'invalid'] as const) {
    const [is, was] = [here[what], there[what]];
    if (is !== null && was !== null && is !== was) found.push({ what, here: is });
  }
  return found;
}

/** Whether spaces stand between words once or more often, nobody hears. */
function tidy(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}
