import { pageUnderTest } from './page-under-test';

/**
 * The form as a page that opens from disk: nothing in it runs or loads, and nothing leaves it. What is sent would go
 * nowhere, so that it can be tried without harm.
 */
export function standalonePage(name: string, markup: string): string {
  const page = pageUnderTest(markup);
  const policy =
    "<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'none'\">";
  const head = `<meta charset="utf-8">${policy}${/<title[\s>]/i.test(page) ? '' : `<title>${escaped(name)}</title>`}`;
  // The policy must come before anything that it is for.
  const start = /<head[^>]*>/i.exec(page) ?? /<html[^>]*>/i.exec(page) ?? /<!doctype[^>]*>/i.exec(page);
  const at = start ? start.index + start[0].length : 0;
  return page.slice(0, at) + head + page.slice(at);
}

function escaped(text: string): string {
  return text.replace(/[&<>]/g, (one) => `&#${one.charCodeAt(0)};`);
}
