import { createElement, Fragment } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { VisibleText, visible } from './visible-text';

const drawn = (text: string) =>
  renderToStaticMarkup(createElement(Fragment, null, visible(text))).replace(
    /<span[^>]*>(.*?)<\/span>/g,
    '[$1]',
  );

describe('text under test', () => {
  it.each([
    ['TG4-7719', 'TG4-7719'],
    ['', ''],
    ['a b', 'a[·]b'],
    [' \t\n', '[·][→][↵]'],
    ['1\u00a0000\u202f0', '1[⍽]000[⍽]0'],
    ['a\u200db', 'a[U+200D]b'],
    ['\ud83d', '[U+D83D]'],
    ['😀 é', '😀[·]é'],
  ])('shows %j as %s', (text, expected) => {
    expect(drawn(text)).toBe(expected);
  });

  it('says how long it is where it is cut, and when there is none', () => {
    const long = renderToStaticMarkup(createElement(VisibleText, { text: 'q'.repeat(1000) }));
    expect(long).toContain('q'.repeat(300));
    expect(long).toContain('… 1,000 code units');
    expect(renderToStaticMarkup(createElement(VisibleText, { text: '' }))).toContain('empty');
  });
});
