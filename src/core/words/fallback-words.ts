import type { FallbackPlan } from '../fallback/fallback-plan';
import type { FallbackFault } from '../finding/fallback-faults';

/** What a plan is for targets that do not know the kind of a field. */
export function planText({ name, attributes }: FallbackPlan): string {
  switch (name) {
    case 'leave it':
      return 'A plain text box; people write the format they are used to.';
    case 'hint and pattern':
      return `A text box that shows ${attributes.placeholder} and accepts only that format.`;
    case 'selects':
      return 'One select for each part in every target; each submits its own entry.';
    case 'scripted picker':
      return 'Shows day, month, year and submits the standard format; loads only where the kind is unknown.';
  }
}

/** What is wrong with a plan in one target. */
export function fallbackFaultText(fault: FallbackFault): string {
  switch (fault.code) {
    case 'over native':
      return 'It replaces the target’s own picker.';
    case 'other entries':
      return `The server gets ${fault.entries} entries with other names, and no ${fault.name}.`;
    case 'other format':
      return `The server gets a format that the kind ${fault.kind} never submits.`;
  }
}
