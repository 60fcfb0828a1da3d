import { describe, expect, it } from 'vitest';
import { tidyWords } from './label-words';
import { readForm } from './read-form';

const labels = (markup: string) => readForm(markup).fields.map(({ label }) => label);
const radio = (value: string) => `<label><input type=radio name=tide value=${value}> ${value}</label>`;
const tides = radio('rising') + radio('slack');

describe('a field is called by', () => {
  it.each([
    ['the label around it', '<label>Station <input name=a></label>', ['Station']],
    [
      'the words behind it, where none stand before',
      '<label><input type=checkbox name=a> Publish</label>',
      ['Publish'],
    ],
    ['the words before it alone', '<label>Level <input name=a> in metres</label>', ['Level']],
    [
      'words without what marks them',
      '<label>Depth\n : <input name=a></label><label>Name * <input name=b></label>',
      ['Depth', 'Name'],
    ],
    ['what a picture says', '<label><img alt=Depth> now <input name=a></label>', ['Depth now']],
    ['what a picture behind it says', '<label><input name=a><img alt=Depth><img></label>', ['Depth']],
    [
      'words in elements, not those in other fields',
      '<label><b>Sea</b> <select name=a><option>calm</select> state <input name=b></label>',
      ['Sea', 'b'],
    ],
    ['the label that names it', '<label for=x>Station</label><input id=x>', ['Station']],
    [
      'the first label that names it',
      '<label for=x>One</label><label for=x>Two</label><input id=x>',
      ['One'],
    ],
    [
      'the label that names it before the one around it',
      '<label for=x>One</label><label>Two <input id=x></label>',
      ['One'],
    ],
    [
      'the label around it where the one that names it is empty',
      '<label for=x></label><label>Two <input id=x></label>',
      ['Two'],
    ],
    ['no label around it that names another', '<label for=y>Two <input name=a></label>', ['a']],
    ['no label around it that is another’s', '<label>Two <input name=a><input name=b></label>', ['Two', 'b']],
    [
      'a label around a hidden one: it is the next one’s',
      '<label>Two <input type=hidden name=a><input name=b></label>',
      ['a', 'Two'],
    ],
    ['its aria-label', '<input aria-label=Level name=a>', ['Level']],
    ['the words in a button', '<button name=go> Send :</button>', ['Send']],
    ['the value of a button', '<input type=submit value=Send name=go>', ['Send']],
    ['what the picture of a button says', '<input type=image alt=Send name=go>', ['Send']],
    ['no value of a text', '<input value=Send name=a>', ['a']],
    ['its name', '<input name=level>', ['level']],
    ['its element', '<textarea></textarea>', ['textarea']],
  ])('%s', (_, markup, expected) => {
    expect(labels(markup)).toEqual(expected);
  });

  it.each([
    ['the legend of its group', `<fieldset><legend>Tide:</legend>${tides}</fieldset>`, ['Tide']],
    ['the name of its group', `<div role=radiogroup aria-label=Tide>${tides}</div>`, ['Tide']],
    ['the name of a plain group', `<div role=group aria-label=Tide>${tides}</div>`, ['Tide']],
    [
      'what the group says labels it',
      `<b id=x>Tide</b><i id=y>now</i><div role=group aria-labelledby="x z y" aria-label=No>${tides}</div>`,
      ['Tide now'],
    ],
    ['no other element with a label', `<div aria-label=Tide>${tides}</div>`, ['tide']],
    [
      'no legend over other fields as well',
      `<fieldset><legend>Log</legend>${tides}<input name=a><input name=b></fieldset>`,
      ['tide', 'a', 'b'],
    ],
    [
      'a legend over one field more',
      `<fieldset><legend>Log</legend>${tides}<input name=a></fieldset>`,
      ['Log', 'a'],
    ],
    [
      'the innermost group',
      `<fieldset><legend>Log</legend><fieldset><legend>Tide</legend>${tides}</fieldset></fieldset>`,
      ['Tide'],
    ],
    ['the words before it', `<p>Tide ${tides}</p>`, ['Tide']],
    ['the words before it, further out', `<div><b>Tide</b> now <p>${tides}</p></div>`, ['Tide now']],
    ['no words before another field', `<p>Tide <input name=a> ${tides}</p>`, ['a', 'tide']],
    ['a choice alone by its own label', radio('slack'), ['slack']],
  ])('of choices: %s', (_, markup, expected) => {
    expect(labels(`<form>${markup}</form>`)).toEqual(expected);
  });

  it('words in one line, without a colon or a star behind them', () => {
    expect([' a\n\tb ', 'a:', 'a *', 'a: b', '*a', 'a**', ''].map(tidyWords)).toEqual([
      'a b',
      'a',
      'a',
      'a: b',
      '*a',
      'a*',
      '',
    ]);
  });
});
