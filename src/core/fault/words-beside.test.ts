import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { pageUnderCheck } from './page-under-check';

/** Of the field called a. */
function hint(markup: string): string | undefined {
  const { fields } = readForm(markup);
  const field = fields.find(({ name }) => name === 'a');
  return field && pageUnderCheck(markup, fields).hintOf(field);
}

describe('words beside a field', () => {
  it.each([
    [
      '<form><div><label for=a>Code</label> <em>(6 letters)</em><br><input id=a name=a></div></form>',
      '(6 letters)',
    ],
    ['<form><p><label for=a>When</label><input id=a name=a><span>YYYY-MM-DD</span></p></form>', 'YYYY-MM-DD'],
    ['<form><div><label>Code <input name=a></label><p>As on the\n badge</p></div></form>', 'As on the badge'],
    ['<form><div><div><input name=a></div><div>Only letters</div></div></form>', 'Only letters'],
    ['<form><table><tr><td>Code<td><input name=a><td>7 letters</table></form>', '7 letters'],
    ['<form><div><input type=hidden name=t value=1><input name=a> 7 letters</div></form>', '7 letters'],
    ['<form><p><label for=a>カナ</label>全角カタカナで <input id=a name=a></p></form>', '全角カタカナで'],
    // One after the other: what is written behind a field is its own.
    [
      '<form><label for=a>Code</label><input id=a name=a><small>7 letters</small><input name=b></form>',
      '7 letters',
    ],
    ['<form><label>Code <input name=a></label> <small>7 letters</small> <input name=b></form>', '7 letters'],
    ['<form><input name=b><label for=a>Code</label><i>7 letters</i><input id=a name=a></form>', '7 letters'],
  ])('%s: %s', (markup, words) => {
    expect(hint(markup)).toBe(words);
  });

  it.each([
    // The label and what it says, another field and what belongs to it.
    '<form><div><label for=a>Number of seats</label><input id=a name=a></div></form>',
    '<form><label>Number of seats <input name=a></label></form>',
    '<form><div><label for=a>Code</label><input id=a name=a> 7 letters <input name=b></div></form>',
    '<form><input name=b><small>7 letters</small><label for=a>Code</label><input id=a name=a></form>',
    '<form><input name=a><label for=b>Code</label><i>7 letters</i><input id=b name=b></form>',
    '<form><input name=a><div>7 letters</div><input name=b></form>',
    '<form><label for=a>Code</label><input name=b><small>7 letters</small><input id=a name=a></form>',
    '<form><small>7 letters</small><input name=a></form>',
    '<form><p>Number of seats <input name=a></p></form>',
    // Words about something else.
    '<form><p><input name=a> kg</p></form>',
    '<form><p><input name=a> (optional)</p></form>',
    '<form><p><input name=a> 必須</p></form>',
    '<form><div><h2>Step 1 of 3</h2><input name=a></div></form>',
    '<p>Step 1 of 3</p><form><input name=a></form>',
    '<fieldset><p>Step 1 of 3</p><input name=a></fieldset>',
    // What is not seen before something is wrong.
    '<form><div><input name=a><div class="invalid-feedback">Enter 7 letters</div></div></form>',
    '<form><div><input name=a><p role=alert>Enter 7 letters</p></div></form>',
    '<form><div><input name=a><p hidden>Enter 7 letters</p></div></form>',
    '<form><div><input name=a list=l><datalist id=l><option>7 letters</datalist></div></form>',
  ])('are none in %s', (markup) => {
    expect(hint(markup)).toBe('');
  });
});
