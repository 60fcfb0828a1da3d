import { expect, it } from 'vitest';
import { withoutScripts } from './without-scripts';

it.each([
  ['<p>1</p><noscript><input name=a></noscript><p>2</p>', '<p>1</p><input name=a><p>2</p>'],
  ['<noscript >a</noscript><b>c</b><NOSCRIPT>d</NOSCRIPT>', 'a<b>c</b>d'],
  ['<noscript><input>', '<input>'],
  ['<script>no()</script>', '<script>no()</script>'],
])('%s is %s where scripting is off', (markup, read) => {
  expect(withoutScripts(markup)).toBe(read);
});
