import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { formFindingsAtOnce } from '@/core/finding/collect-findings';
import { claimCode, type Finding } from '@/core/finding/finding';
import { askRestriction } from '../fixtures/ask-restriction';
import { formsByLanguage } from './by-language';
import { forms } from './forms';
import { formsFromPractice } from './from-practice';
import { heldBack } from './held-back';
import { judgementOf, saidBy } from './score';

function saidOf(markup: string): Finding[] {
  const setup = { language: 'en-US', corrections: [] } as const;
  return formFindingsAtOnce({ markup, typing: {} }, setup, askRestriction);
}

/** What is found about a form without asking an engine: harm, field and code. */
function judged(name: string): string[] {
  const markup = readFileSync(new URL(`../fixtures/judged/${name}.html`, import.meta.url), 'utf8');
  return saidOf(markup).map(
    (finding) => `${finding.harm} · ${finding.field?.label ?? 'the form'} · ${claimCode(finding)}`,
  );
}

/** Forms written with care, in the languages of their pages, and all that may be said of each. */
const careful: Readonly<Record<string, readonly string[]>> = {
  'checkout-en': [
    // A text field has one line.
    'person misled · Street address · autocomplete',
    // The keypad of digits has no slash, and the rule takes nothing without it.
    'cannot enter a valid value · Expiry · keyboard lacks',
  ],
  'signup-en': [],
  'filter-en': [],
  'login-fr': [],
  'address-sv': [],
  'address-ko': [],
  'booking-es': ['person misled · Noches · limit not shown'],
  'tax-it': [],
  'register-tr': [],
  'register-el': [],
  'car-de': ['person misled · Kilometerstand · limit not shown'],
  'coffee-de': [
    'person misled · Erste Lieferung · limit not shown',
    'person misled · Menge (kg) · limit not shown',
  ],
  'order-zh': ['person misled · 数量 · limit not shown'],
  // Full-width digits, as an input method types them.
  'order-ja': ['person misled · 郵便番号 · shape refused'],
  // Digits of the language, spaces, the country code.
  'register-ar': ['person misled · رقم الجوال · shape refused'],
};

describe('the judgement of a form', () => {
  it.each(Object.entries(careful))('says of %s no more than is so', (name, expected) => {
    expect(judged(name)).toEqual(expected);
  });

  it.each(
    [...forms, ...heldBack, ...formsByLanguage, ...formsFromPractice].map(
      (judged) => [judged.name, judged] as const,
    ),
  )('says of %s what was expected, and nothing that is not arguable', (_, judged) => {
    const { wrong, missed } = judgementOf(judged, saidOf(judged.markup).map(saidBy));
    expect({ wrong, missed }).toEqual({ wrong: [], missed: [] });
  });

  it('finds what was planted in a careless one, the worst among it', () => {
    expect(judged('careless')).toEqual(
      expect.arrayContaining([
        'cannot enter a valid value · Code · minlength above maxlength',
        'cannot enter a valid value · Amount · keyboard lacks',
        'value lost · Phone · shape cut',
        'value lost · Card number · shape cut',
        'wrong value sent · size · required choice is made',
        'wrong value sent · a · radio buttons without values',
        'person misled · the form · no such value',
        'person misled · mail · unknown type',
        'person misled · Phone · no such value',
        'person misled · Name on card · misspelt attribute',
        'person misled · Date of birth · shape refused',
        'person misled · Date of birth · shape accepted',
        'person misled · Weight · unreadable number',
        'person misled · Notes · unreadable number',
        'person misled · submit · name hides a member',
        'person misled · submit · focus jumps',
        'person misled · Again · paste is refused',
      ]),
    );
  });
});
