import type { FieldCoverage, Gap } from '../compare/coverage';
import type { FormDocument } from '../document/form-document';
import type { UnreadPart, UnreadSort } from '../document/unread-part';
import { readForm } from '../html/read-form';
import type { Question } from '../questions/observation';
import { leftText, routeText } from './entry-words';
import { languageTagName } from './language-words';
import { counted, listed } from './listed';
import { unansweredText } from './reason-words';

export const questionNames: Readonly<Record<Question, string>> = {
  look: 'look',
  message: 'message',
  accessibility: 'accessibility',
  opening: 'what opens',
  bubble: 'bubble',
  parts: 'parts',
  submission: 'submission',
  fallback: 'fallback plans',
  typing: 'typing',
  keyboard: 'keyboard',
  restriction: 'restriction rule',
};

/** `3 targets measured, 2 modelled; filled by keys`: who answered for a field, and how it was filled. */
export function askedText({ targets, routes }: FieldCoverage): string {
  if (targets.length === 0) return 'No target answered.';
  const counts = targets.map(({ mark, count }, index) =>
    index === 0 ? `${counted(count, 'target')} ${mark}` : `${count} ${mark}`,
  );
  const filled = routes.length === 0 ? '' : `; filled ${listed(routes.map(routeText))}`;
  return `${counts.join(', ')}${filled}`;
}

const unreadNames: Readonly<Record<UnreadSort, string>> = {
  editable: 'editable content',
  widget: 'a widget without a control of HTML',
  frame: 'a frame with a page of its own',
  element: 'a custom element that shows no control',
};

/** What is taken for granted where a page says no language. */
function languageText(language: string | undefined): string {
  const noLang = 'No lang is stated, on the page or on all of its fields';
  return language === undefined
    ? `${noLang}: people are taken to write English. Say theirs in the Form view, or with --language.`
    : `${noLang}: people are taken to write ${languageTagName(language)}, as was said of them.`;
}

/** What is not covered of a form as a whole, or taken for granted. */
export function formGapTexts({
  markup,
  page,
  language,
}: Pick<FormDocument, 'markup' | 'page' | 'language'>): string[] {
  const { isLanguageStated } = readForm(markup);
  return [...(isLanguageStated ? [] : [languageText(language)]), ...(page?.unread ?? []).map(unreadText)];
}

/** A part of a page that is not covered at all, and what it is. */
function unreadText({ sort, label }: UnreadPart): string {
  return `${label || 'Without a name'}: ${unreadNames[sort]}, which is not asked.`;
}

/** What could not be asked of a field, where, and why. */
export function gapText(gap: Gap): string {
  switch (gap.what) {
    case 'never asked':
      return 'It was not asked.';
    case 'not filled':
      return `Not filled in ${listed(gap.targets)}: ${leftText(gap.why)}`;
    case 'fields inside':
      return `What it opens in ${listed(gap.targets)} has ${listed(gap.names.map((name) => (name === '' ? 'a field without a name' : `“${name}”`)))} in it, not asked.`;
    case 'unanswered': {
      const questions = listed(gap.questions.map((one) => questionNames[one]));
      return `No answer about ${questions} in ${listed(gap.targets)}: ${unansweredText(gap.why)}`;
    }
  }
}
