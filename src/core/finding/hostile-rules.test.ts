import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { hostilePatterns } from '../../../tests/fixtures/hostile-patterns';
import { escapedText } from '../html/edit-markup';
import { readForm } from '../html/read-form';
import { answerLine } from '../model/answer-line';
import { predict } from '../model/predict';
import { askingOf } from '../questions/asking';
import { quickReplay } from '../replay/quick-replay';
import { strokeVerdicts } from '../replay/stroke-verdicts';
import { twoStageCheck } from '../replay/two-stage';
import { habitsByRoute } from '../rules/usual-habits';
import { targetId } from '../target/target';
import { formFindingsAtOnce } from './collect-findings';

const setup = { language: 'en-US' as const, corrections: [] };
const plain = '<label>Name <input name=b pattern="[a-z]{2}" title="two letters"></label>';
const fieldWith = (pattern: string) =>
  `<label>Code <input name=a pattern="${escapedText(pattern).replaceAll('"', '&quot;')}"></label>`;

function resultOf<Result>(work: Generator<unknown, Result>): Result {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Each of them is worked out or given up, and costs the field beside it nothing. */
describe.each(hostilePatterns)('a form with the pattern %.40s', (pattern) => {
  const markup = fieldWith(pattern) + plain;

  it('has findings, and all those of its other field', () => {
    const found = formFindingsAtOnce({ markup, typing: {} }, setup, askRestriction);
    const alone = formFindingsAtOnce({ markup: plain, typing: {} }, setup, askRestriction);
    const ofOther = found.filter(({ field }) => field?.id === 'b').map(({ id }) => id);
    expect(ofOther).toEqual(expect.arrayContaining(alone.filter(({ field }) => field).map(({ id }) => id)));
  });

  it('is answered by the model, question by question', () => {
    const asking = askingOf(markup, ['look', 'message', 'submission']);
    const answers = predict(targetId('chromium'), asking, '2026-11-29T08:00:00Z');
    const other = answers.filter(({ field }) => field === 'b');
    expect(other.every(({ outcome }) => outcome.status !== 'failed')).toBe(true);
    for (const { outcome } of answers)
      if (outcome.status === 'failed')
        expect(outcome.failure).toEqual({ code: 'not worked out', why: expect.any(String) });
    expect(
      answerLine(
        JSON.stringify({
          ask: 'validity',
          target: 'firefox',
          html: markup.replace('name=a', 'id=t'),
          setValue: `${'a'.repeat(32)}!`,
        }),
        new Date(),
      ),
    ).toEqual(
      expect.toSatisfy(
        (answer: object) =>
          'valid' in answer || ('fault' in answer && JSON.stringify(answer.fault).includes('not worked out')),
      ),
    );
  });

  it('never says of what was not worked out that it is refused, or that nothing is sent', () => {
    const [field] = readForm('<input name=a>').fields;
    if (!field) throw new Error('none');
    const guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'on submission',
      source: pattern,
      match: 'whole',
    } as const;
    const habits = habitsByRoute('hardware keys');
    const text = `${'a'.repeat(40)}!`;
    const { verdict } = quickReplay(field, [guard], habits)(text);
    const check = resultOf(twoStageCheck(field, [guard], [text], habits));
    const { sent } = strokeVerdicts(field, [guard], habits, {
      steps: [{ text, value: text, caret: { start: 0, end: 0 }, refused: null, guard: null, events: [] }],
    });
    expect(sent.is === 'not worked out').toBe(verdict === 'not worked out');
    expect(check.letStand).toEqual(verdict === 'not worked out' || verdict === 'accepted' ? [] : [text]);
  });

  it('replays as a guard, or says that it was not worked out', () => {
    const [field] = readForm('<input name=a>').fields;
    if (!field) throw new Error('none');
    for (const stage of ['before insert', 'on submission'] as const) {
      const guard = { kind: 'pattern', id: 'p', on: true, stage, source: pattern, match: 'whole' } as const;
      const { verdict } = quickReplay(field, [guard], habitsByRoute('hardware keys'))(`${'a'.repeat(40)}!`);
      expect(['accepted', 'unfinished', 'refused', 'not worked out']).toContain(verdict);
    }
  });
});
