import { describe, expect, it } from 'vitest';
import { type AskedTyping, typingQuestions } from '../../../../scripts/calibrate/typing-questions';
import { answerTyping } from '../answer-typing';
import type { TypingAnswer } from '../typing-question';

const engines = ['chromium', 'firefox', 'webkit'] as const;
const seed = Date.now();
const asked = typingQuestions(1500, seed).flatMap((question) =>
  engines.map((engine) => ({ engine, question, answer: answered(question, engine) })),
);

function answered(question: AskedTyping, engine: (typeof engines)[number]): TypingAnswer {
  const answer = answerTyping(question, engine, new Date());
  if (!answer || 'unknownKey' in answer)
    throw new Error(`${JSON.stringify(question)}: ${JSON.stringify(answer)}`);
  return answer;
}

const about = (...kinds: string[]) => asked.filter(({ question }) => kinds.includes(question.about));
const attribute = ({ html }: AskedTyping, name: string) =>
  new RegExp(`id="t"[^>]* ${name}="([^"]*)"`).exec(html)?.[1];

/** What holds of each of many answers; a failure names the question and the seed. */
function holds(answers: typeof asked, what: (one: (typeof asked)[number]) => boolean): void {
  expect(answers.length).toBeGreaterThan(0);
  const against = answers.filter((one) => !what(one));
  expect(
    against.slice(0, 2).map(({ engine, question, answer }) => ({ seed, engine, question, answer })),
  ).toEqual([]);
}

describe('whatever is typed into whatever control', () => {
  it('is told in order: the focus first, nothing of its own after it has gone', () => {
    // In a group of radio buttons the focus goes on and comes back.
    const single = asked.filter(({ question }) => question.about !== 'radio');
    holds(single, ({ answer }) => {
      const own = answer.events.filter(
        (event) => event.length === 5 && event[0] !== 'submit' && event[0] !== 'invalid',
      );
      const blur = own.findIndex(([type]) => type === 'blur');
      return (
        own.length === 0 ||
        (own[0]?.[0] === 'focus' &&
          (blur === -1 || own.slice(blur + 1).every(([type]) => type === 'change' || type === 'keyup')))
      );
    });
  });

  it('changes the value with an input event and with no other', () => {
    // Numbers aside: Blink steps by way of another one, which beforeinput sees already.
    holds(
      about('text', 'textarea', 'email', 'date', 'time', 'datetime-local', 'week', 'range'),
      ({ answer }) => {
        let value = answer.events[0]?.[4];
        return answer.events.every(([type, , , , then]) => {
          const isKept = then === value || type === 'input';
          value = then;
          return isKept;
        });
      },
    );
  });

  it('ends with the value that the last event saw', () => {
    holds(about('text', 'textarea', 'number', 'email', 'date', 'time', 'range'), ({ answer }) => {
      const last = answer.events.at(-1);
      return last === undefined || last[4] === answer.value;
    });
  });

  it('says of refused strokes where they stand, each once', () => {
    holds(asked, ({ question, answer }) =>
      answer.refused.every(
        (at, index) => at < question.keys.length && at > (answer.refused[index - 1] ?? -1),
      ),
    );
  });

  it('leaves what is read-only as it is', () => {
    holds(
      asked.filter(({ question }) => /id="t"[^>]* readonly/.test(question.html)),
      ({ question, answer }) => answer.value === (attribute(question, 'value') ?? 'ab'),
    );
  });

  it('never gets longer than a limit, unless it was', () => {
    holds(
      asked.filter(({ question }) => attribute(question, 'maxlength') !== undefined),
      ({ question, answer }) =>
        answer.value.length <=
        Math.max(Number(attribute(question, 'maxlength')), (attribute(question, 'value') ?? '').length),
    );
  });
});

describe('a date or time', () => {
  const shapes: Readonly<Record<string, RegExp>> = {
    date: /^\d{4,6}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/,
    time: /^([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/,
    'datetime-local': /^\d{4,6}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/,
    week: /^\d{4,6}-W(0[1-9]|[1-4]\d|5[0-3])$/,
  };
  it.each(Object.entries(shapes))('of the kind %s has a value that is one, or none', (kind, shape) => {
    // Firefox has no week: what stands there is any text.
    const known = about(kind).filter(({ engine }) => kind !== 'week' || engine === 'chromium');
    holds(known, ({ answer }) => answer.value === '' || shape.test(answer.value));
    holds(known, ({ answer }) => !answer.badInput || answer.value === '');
  });
});

describe('a slider', () => {
  it('stays between its limits and on its steps', () => {
    holds(about('range'), ({ question, answer }) => {
      const number = (name: string, otherwise: number) => Number(attribute(question, name) ?? otherwise);
      const [min, max, value] = [number('min', 0), number('max', 100), Number(answer.value)];
      const steps = (value - min) / number('step', 1);
      return (
        value >= min &&
        value <= max &&
        (attribute(question, 'step') === 'any' || Math.abs(steps - Math.round(steps)) < 1e-9)
      );
    });
  });
});

describe('a list', () => {
  it('has one of its values', () => {
    holds(about('select'), ({ answer }) => ['', 'apple', 'banana', 'blue', 'cherry'].includes(answer.value));
  });
});

describe('a check mark', () => {
  it('turns with Space, once for each', () => {
    const plain = typingQuestions(400, seed + 1)
      .filter(({ about: kind }) => kind === 'checkbox')
      .map((question) => ({
        ...question,
        keys: question.keys.filter((key) => key === 'Space' || /^Arrow/.test(key)),
      }));
    const all = plain.flatMap((question) =>
      engines.map((engine) => ({ engine, question, answer: answered(question, engine) })),
    );
    holds(all, ({ question, answer }) => {
      const turns = question.keys.filter((key) => key === 'Space').length;
      return (answer.checked === (turns % 2 === 1)) !== / checked/.test(question.html);
    });
  });
});

describe('a text field', () => {
  it('holds what a list of characters would hold', () => {
    const keys = [
      'a',
      'b',
      'é',
      '1',
      'Space',
      'Backspace',
      'Home',
      'End',
      'ArrowLeft',
      'ArrowRight',
      'Delete',
    ];
    let state = seed % 2147483647;
    const next = (below: number) => {
      state = (state * 48271) % 2147483647;
      return state % below;
    };
    for (let round = 0; round < 400; round++) {
      const typed = Array.from({ length: 1 + next(12) }, () => keys[next(keys.length)] as string);
      const question: AskedTyping = {
        about: 'text',
        html: '<form><input id="t"></form>',
        focus: 'script',
        keys: typed,
      };
      const expected = byHand(typed);
      expect(
        engines.map((engine) => answered(question, engine).value),
        `${typed.join(' ')} (seed ${seed})`,
      ).toEqual([expected, expected, expected]);
    }
  });
});

/** What a person at a typewriter with an eraser would be left with. */
function byHand(keys: readonly string[]): string {
  const text: string[] = [];
  let caret = 0;
  for (const key of keys)
    switch (key) {
      case 'Backspace':
        if (caret > 0) text.splice(--caret, 1);
        break;
      case 'Delete':
        text.splice(caret, 1);
        break;
      case 'Home':
        caret = 0;
        break;
      case 'End':
        caret = text.length;
        break;
      case 'ArrowLeft':
        caret = Math.max(0, caret - 1);
        break;
      case 'ArrowRight':
        caret = Math.min(text.length, caret + 1);
        break;
      default:
        text.splice(caret++, 0, key === 'Space' ? ' ' : key);
    }
  return text.join('');
}
