import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { EventRecord } from '@/core/observation/event-record';
import { EventTicks, eventText } from './event-ticks';

const event = (change: Partial<EventRecord>): EventRecord => ({
  type: 'input',
  key: null,
  code: null,
  inputType: null,
  data: null,
  value: '',
  trusted: true,
  prevented: false,
  ...change,
});

describe('an event in words', () => {
  it.each([
    [event({ type: 'keydown', key: 'a', value: 'x' }), 'keydown (key a): value then “x”'],
    [event({ inputType: 'insertText', data: 'a' }), 'input (insertText, data “a”): value then empty'],
    [event({ data: '' }), 'input (data “”): value then empty'],
    [
      event({ type: 'beforeinput', prevented: true, trusted: false }),
      'beforeinput: value then empty; prevented, made by a script',
    ],
  ])('%# says what it saw', (one, text) => {
    expect(eventText(one)).toBe(text);
  });

  it('is cut where it is long', () => {
    expect(eventText(event({ data: 'd'.repeat(100), value: 'v'.repeat(100) })).length).toBeLessThan(160);
  });
});

describe('ticks', () => {
  const drawn = (events: readonly EventRecord[]) =>
    renderToStaticMarkup(createElement(EventTicks, { events }));

  it('are a shape for each event, named for those who do not see them', () => {
    const markup = drawn([
      event({ type: 'keydown' }),
      event({ type: 'beforeinput', prevented: true }),
      event({ type: 'change' }),
    ]);
    expect(markup).toContain('aria-label="keydown, beforeinput, change"');
    expect(markup.match(/data-shape="\w+"/g)).toEqual([
      'data-shape="key"',
      'data-shape="before"',
      'data-shape="change"',
    ]);
    expect(markup.match(/data-prevented/g)).toHaveLength(1);
  });

  it('say so where there are none', () => {
    expect(drawn([])).toContain('aria-label="no events"');
  });
});
