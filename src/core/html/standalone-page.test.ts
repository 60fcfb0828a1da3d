import { describe, expect, it } from 'vitest';
import { standalonePage } from './standalone-page';

describe('a form as a page of its own', () => {
  it('has its policy first in the head, then what the markup had there', () => {
    expect(standalonePage('Log', '<title>Tide</title><style>b{}</style><form><input name=a></form>')).toBe(
      [
        '<!DOCTYPE html><html><head><meta charset="utf-8">',
        "<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'none'\">",
        '<title>Tide</title><style>b{}</style></head><body><form><input name="a"></form></body></html>',
      ].join(''),
    );
  });

  it('has one charset, a title, no noscript and no comment around it', () => {
    const page = standalonePage(
      'A & <b>',
      '<!-- before --><html lang=fi><head><meta charset=latin1><meta name=author content=x></head><body><noscript><img src=x></noscript><input></body></html><!-- after -->',
    );
    expect(page.match(/charset/g)).toHaveLength(1);
    expect(page).toContain('<title>A &amp; &lt;b&gt;</title>');
    expect(page).toContain('<meta name="author" content="x">');
    expect(page).not.toMatch(/noscript|before|after/);
    expect(page).toContain('<html lang="fi">');
  });

  it('is drawn in the mode in which the markup was', () => {
    expect(standalonePage('x', '<!DOCTYPE html><input>')).toMatch(/^<!DOCTYPE html><html>/);
    const transitional = '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN" "x">';
    expect(standalonePage('x', `${transitional}<html><body><input></body></html>`)).toMatch(
      /^<!DOCTYPE html PUBLIC "-\/\/W3C\/\/DTD XHTML 1\.0 Transitional\/\/EN" "http/,
    );
    expect(standalonePage('x', '<!DOCTYPE quirk><html><body><input></body></html>')).toMatch(/^<html>/);
  });

  it('runs nothing and leads nowhere', () => {
    const page = standalonePage(
      'x',
      '<form onsubmit="hurt()" action=javascript:hurt()><script>hurt()</script><iframe src=x></iframe><input></form>',
    );
    expect(page).not.toMatch(/hurt\(\)|src="?x/);
  });
});
