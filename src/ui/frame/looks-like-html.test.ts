import { describe, expect, it } from 'vitest';
import { browserName } from '@/probe/capture';
import { looksLikeHtml } from './looks-like-html';

describe('what is taken for HTML', () => {
  it.each(['<form>', 'x <INPUT name=a>', '<!doctype html>', '<textarea>', '<html><body>'])(
    '%s is',
    (text) => {
      expect(looksLikeHtml(text)).toBe(true);
    },
  );
  it.each(['', 'a < b', '<tide>', '{"format":"ukko-run"}', 'formal < input'])('“%s” is not', (text) => {
    expect(looksLikeHtml(text)).toBe(false);
  });
});

describe('the name of this browser', () => {
  const webkit = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/605.1.15 (KHTML, like Gecko)';
  it.each([
    [`${webkit} Chrome/156.0.0.0 Safari/537.36`, 'Chrome 156.0.0.0'],
    [`${webkit} HeadlessChrome/156.0.0.0 Safari/537.36`, 'Chrome 156.0.0.0'],
    ['Mozilla/5.0 (X11; Linux x86_64; rv:153.0) Gecko/20100101 Firefox/153.0', 'Firefox 153.0'],
    [`${webkit} Version/18.6 Safari/605.1.15`, 'Safari 18.6'],
    ['something else', 'this browser'],
  ])('%s', (agent, name) => {
    expect(browserName(agent)).toBe(name);
  });
});
