import { strokeOfKey } from '@/core/model/answer-typing';
import type { TypingAnswer, TypingQuestion } from '@/core/model/typing-question';
import { validityFlags } from '@/core/standard/validity-flags';
import type { EnginePage } from '@/engines/api/engine';
import { pressChord } from '@/probe/questions/field-in-page';

const types = ['focus', 'blur', 'keydown', 'keypress', 'keyup', 'beforeinput', 'input', 'change', 'invalid'];

/** In the page: the markup of one question between two fields, with a recorder on the control t and its group. */
const begin = (html: string) => `(() => {
  document.body.innerHTML = '<input id=before>' + ${JSON.stringify(html)} + '<input id=after>';
  const t = document.getElementById('t');
  const log = window.typed = [];
  const checkable = t.type === 'checkbox' || t.type === 'radio';
  const valueOf = (e) => checkable ? 'checked:' + e.checked : e.value;
  const group = t.type === 'radio' ? [...document.querySelectorAll('input[name=r]')] : [t];
  for (const one of group) for (const type of ${JSON.stringify(types)}) one.addEventListener(type, (e) => {
    const event = [type, e.key ?? null, e.inputType || null, e.data ?? null, valueOf(one)];
    if (one !== t) event.push(one.id);
    log.push(event);
  });
  document.addEventListener('submit', (e) => {
    e.preventDefault();
    log.push(['submit', null, null, null, valueOf(t), e.submitter ? e.submitter.id : null]);
  }, { capture: true, signal: (window.stopTyped?.abort(), window.stopTyped = new AbortController()).signal });
  return true;
})()`;

const focusByScript = `document.getElementById('t').focus(), true`;
const focusBefore = `document.getElementById('before').focus(), window.typed.length = 0, true`;
const hasFocus = `document.activeElement.id === 't' || (document.activeElement.name === 'r' && document.getElementById('t').type === 'radio')`;

const end = `(() => {
  const t = document.getElementById('t');
  const flags = ${JSON.stringify(validityFlags)}.filter((flag) => t.validity[flag]);
  const chosen = document.querySelector('input[name=r]:checked');
  return {
    value: t.value, badInput: t.validity.badInput, valid: t.validity.valid, flags, events: window.typed,
    ...(t.type === 'checkbox' && { checked: t.checked }),
    ...(t.type === 'radio' && { checked: chosen ? chosen.id : null }),
  };
})()`;

/** Puts one question to an engine, with trusted keys. */
export async function askTypingOf(
  page: EnginePage,
  question: TypingQuestion,
): Promise<Omit<TypingAnswer, 'refused'>> {
  await page.evaluate(begin(question.html));
  if (question.focus === 'tab') {
    await page.evaluate(focusBefore);
    await page.press('Tab');
  } else await page.evaluate(focusByScript);
  for (const key of question.keys) await pressKey(page, key);
  for (let tab = 0; tab < 12 && (await page.evaluate(hasFocus)); tab++) await page.press('Tab');
  const answer = (await page.evaluate(end)) as Omit<TypingAnswer, 'refused'>;
  // A key that no control took may have opened something of the browser's own, which would have all keys after it.
  if (!(await page.evaluate('document.hasFocus()'))) {
    await page.press('Escape');
    await page.click?.(2, 2);
  }
  return answer;
}

async function pressKey(page: EnginePage, text: string): Promise<void> {
  const stroke = strokeOfKey(text);
  if (stroke?.kind !== 'key') throw new Error(`${text} is not pressed and released.`);
  await pressChord(page, stroke.modifiers ?? [], stroke.key);
}
