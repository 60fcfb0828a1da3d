import type { FallbackPlan } from '@/core/fallback/fallback-plan';
import { inDocument } from '../api/box';
import type { PlanApplied, ProbeApi, ProbeField } from '../api/probe-api';
import { attachDatePicker } from './date-picker';
import { domMembers } from './dom-members';
import { entriesOf, withoutEntries } from './entry-list';
import { fieldsOfDocument } from './page-fields';

/** Around the plan's controls, to find them again and to take their picture. */
let place: HTMLElement | null = null;
let formBefore: readonly string[] = [];
let form: HTMLFormElement | null = null;

function applyPlan(field: ProbeField, plan: FallbackPlan, withScripts: boolean): PlanApplied {
  const [ordinal] = field.ordinals;
  const input = fieldsOfDocument()[ordinal ?? -1] as HTMLInputElement | undefined;
  if (!input) throw new Error('The field is not in the page.');
  const native = input.type === field.kind;
  form = input.form;
  place = domMembers(document).createElement('span');
  place.style.display = 'inline-block';
  input.replaceWith(place);
  formBefore = form ? entriesOf(form) : [];
  if (plan.replacement !== null) {
    place.innerHTML = plan.replacement;
    return { native, loaded: true };
  }
  place.append(input);
  for (const [name, value] of Object.entries(plan.attributes)) input.setAttribute(name, value);
  return { native, loaded: plan.scripted && withScripts && attachDatePicker(input) };
}

function focusPlan(index: number): boolean {
  const control = place?.querySelectorAll<HTMLElement>('input:not([type=hidden]),select')[index];
  control?.focus();
  return control !== undefined && domMembers(document).activeElement === control;
}

function describePlan(): ReturnType<ProbeApi['describePlan']> {
  return {
    box: place && inDocument(place.getBoundingClientRect()),
    sent: form ? withoutEntries(entriesOf(form), formBefore) : [],
  };
}

/** The part of the probe that tries fallback plans. */
export const plannedPage: Pick<ProbeApi, 'applyPlan' | 'focusPlan' | 'describePlan'> = {
  applyPlan,
  focusPlan,
  describePlan,
};
