import type { Answer } from '../../observation/outcome';

/**
 * What assistive technology is told of a field's first control, by the engine's accessibility interface, while the page is as it is at
 * first. Null where the interface, or the observer, does not tell it.
 */
export interface AccessibilityFacts {
  /** By WAI-ARIA's name where it has one (“textbox”), else in the interface's own word; null where it has none. */
  readonly role: string | null;
  /** Empty where it has none (Accessible Name and Description Computation). */
  readonly name: string;
  readonly description: string | null;
  readonly value: string | null;
  readonly required: boolean | null;
  readonly invalid: boolean | null;
}

export type AccessibilityObservation = Answer<'accessibility', AccessibilityFacts>;
