import { describe, expect, it } from 'vitest';
import { formsInPage } from './forms-in-page';
import { readForm } from './read-form';

const namesIn = (markup: string) => formsInPage(markup).map(({ name }) => name);

describe('the forms of a page', () => {
  it('are those with a control, in tree order, each with how many it owns', () => {
    const page =
      '<form id=a><input></form><form id=b><p>Nothing</p></form><form id=c><input><input></form><input>';
    expect(formsInPage(page).map(({ name, fields }) => [name, fields])).toEqual([
      ['a', 1],
      ['c', 2],
    ]);
    expect(formsInPage('<input>')).toEqual([]);
  });

  it('are called by label, heading, id or name, or else by their place', () => {
    expect(namesIn('<form aria-label=Order id=x><h2>Coffee</h2><input></form>')).toEqual(['Order']);
    expect(namesIn('<form id=x><div><h3> Coffee </h3></div><input></form>')).toEqual(['Coffee']);
    expect(namesIn('<form id=x><fieldset><legend>Paid</legend><input></fieldset></form>')).toEqual(['Paid']);
    expect(namesIn('<form id=x name=y><input></form>')).toEqual(['x']);
    expect(namesIn('<form name=y><header>No heading</header><input></form>')).toEqual(['y']);
    expect(namesIn('<form><p></p></form><form><input></form><form aria-label=""><input></form>')).toEqual([
      'Form 2',
      'Form 3',
    ]);
  });

  it('bring along what they need of the page: its styles, lists elsewhere, controls elsewhere that are theirs', () => {
    const page = [
      '<style>b{}</style><script>hurt()</script>',
      '<input name=far form=f><input name=other form=g>',
      '<form id=f><input name=near list=towns><datalist id=own></datalist></form>',
      '<form id=g><input name=third></form>',
      '<datalist id=towns><option>Oulu</datalist>',
    ].join('\n');
    expect(formsInPage(page)[0]).toEqual({
      name: 'f',
      fields: 2,
      markup: [
        '<style>b{}</style>',
        '<form id=f><input name=near list=towns><datalist id=own></datalist></form>',
        '<input name=far form=f>',
        '<datalist id=towns><option>Oulu</datalist>',
      ].join('\n'),
    });
  });

  it('keep the language that the page says around them', () => {
    const [form] = formsInPage(
      '<html lang=fi><body><form><input></form><form lang=sv><input></form></body></html>',
    );
    expect(form?.markup).toBe('<div lang="fi">\n<form><input></form>\n</div>');
    const languages = (page: string) =>
      formsInPage(page).map(({ markup }) => readForm(markup).fields[0]?.controls[0].language);
    expect(languages('<html lang=fi><form><input></form><form lang=sv><input></form>')).toEqual(['fi', 'sv']);
    expect(languages('<form><input></form>')).toEqual([null]);
    expect(languages('<html lang=fi><div lang=""><form><input></form></div>')).toEqual([null]);
  });
});
