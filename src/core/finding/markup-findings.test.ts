import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { claimCode } from './finding';
import { markupFindings } from './markup-findings';

const codes = (markup: string, hasScripts?: boolean) =>
  markupFindings(markup, readForm(markup).fields, hasScripts).map(claimCode);

describe('faults of markup', () => {
  it.each([
    ['<form><label>A <input></label><button>Go</button></form>', 'no name'],
    ['<form><label>A <input name=a></label><label>B <input name=b></label></form>', 'no way to send'],
    [
      '<form action=in><label>A <input type=password name=a></label><button>Go</button></form>',
      'secret in the address',
    ],
    ['<form><label>A <input name=a step=1></label><button>Go</button></form>', 'attribute ignored'],
  ])('%s: %s is none where scripts of a page send the form', (markup, code) => {
    expect(codes(markup)).toEqual([code]);
    expect(codes(markup, true)).toEqual([]);
  });

  it('do no harm where nobody meets them: what does nothing on a hidden field', () => {
    const harms = (markup: string) =>
      markupFindings(markup, readForm(markup).fields).map((one) => [claimCode(one), one.harm]);
    expect(harms('<form><input type=hidden name=a value=x required><button>Go</button></form>')).toEqual([
      ['attribute ignored', 'cosmetic'],
    ]);
    expect(harms('<form><label>A <input name=a step=1></label><button>Go</button></form>')).toEqual([
      ['attribute ignored', 'person misled'],
    ]);
    expect(harms('<form><label>A <input></label><button>Go</button></form>')).toEqual([
      ['no name', 'value lost'],
    ]);
  });

  it('that people meet are told on pages with scripts too', () => {
    const markup = '<form>A <input name=a><button>Go</button></form>';
    expect([codes(markup), codes(markup, true)]).toEqual([['no label'], ['no label']]);
  });
});
