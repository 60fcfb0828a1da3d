import { expect, pasteForm, test } from './app';

test('a keyboard that lacks what the rule needs is called out, and the cheapest setting mends it', async ({
  page,
}) => {
  await pasteForm(
    page,
    '<form><label>Berth <input name="berth" inputmode="numeric" pattern="[0-9]{1,2}/[0-9]{2}"></label></form>',
  );
  await page.getByRole('button', { name: /^Berth text/ }).click();
  await page.getByRole('link', { name: 'Keyboards', exact: true }).click();
  const phone = page.getByRole('article', { name: 'iOS-like phone', exact: true });
  await expect(page.getByRole('status')).toContainText(
    'keyboards cannot type a value that people need here: 1/11',
  );
  await expect(phone).toContainText('1/11 is accepted and cannot be typed');
  await expect(phone.getByRole('group', { name: /digits/ })).toBeVisible();
  await page.getByRole('button', { name: 'Set no inputmode' }).click();
  await expect(phone).not.toContainText('cannot be typed');
  await expect(phone.getByRole('group', { name: /: letters$/ })).toBeVisible();
  // What was changed is the form itself, and can be undone.
  await page.keyboard.press('Control+z');
  await expect(phone).toContainText('1/11 is accepted and cannot be typed');
});

test('keys are live: text, guards, verdict, capitals and the action key answer as the target does', async ({
  page,
}) => {
  await page.goto('/keyboards?field=serial');
  const card = page.getByRole('article', { name: 'Android-like phone' });
  const field = card.getByRole('textbox');
  const tap = (name: string) => card.getByRole('button', { name, exact: true }).click();
  await expect(card.getByRole('group', { name: /: letters$/ })).toBeVisible();
  for (const key of ['T', 'G']) await tap(key);
  await tap('to the layer numbers');
  for (const key of ['4', '7', '7', '1', '9']) await tap(key);
  await tap('to the layer letters');
  for (const key of ['Q', 'X']) await tap(key);
  await expect(field).toHaveText('TG4-7719-QX');
  await expect(card).toContainText('accepted');
  await tap('Erase');
  await expect(field).toHaveText('TG4-7719-Q');
  await expect(card).toContainText('unfinished');
  // The same with the keys in front of the person.
  await field.press('x');
  await expect(field).toHaveText('TG4-7719-QX');
  await card.getByRole('button', { name: 'Action key: next' }).click();
  await expect(card).toContainText('The key moves the focus to Find an entry.');
});

test('a text that the markup puts in stands there before the first tap, and a native field moves its label up', async ({
  page,
}) => {
  await page.goto('/keyboards?form=hurried-tide-log');
  const android = page.getByRole('article', { name: 'Android-like phone' });
  const native = page.getByRole('article', { name: 'Native phone field' });
  await expect(android.getByRole('textbox')).toHaveText('SKR-__');
  await expect(android).toContainText('prefilled, nothing typed yet');
  await expect(native.getByRole('textbox')).toHaveText(/.+SKR-__$/);
  await android.getByRole('button', { name: 'Erase' }).click();
  await expect(android.getByRole('textbox')).toHaveText('SKR-_');
});

test('the keyboard has the letters and the decimal sign of the page’s language, and says what of it is not known', async ({
  page,
}) => {
  await pasteForm(
    page,
    '<html lang="el"><form><label>Επώνυμο <input name="name"></label><label>Τιμή <input name="price" inputmode="decimal"></label></form></html>',
  );
  await page.getByRole('button', { name: /^Επώνυμο text/ }).click();
  await page.getByRole('link', { name: 'Keyboards', exact: true }).click();
  const phone = page.getByRole('article', { name: 'iOS-like phone', exact: true });
  await phone.getByRole('button', { name: 'Σ', exact: true }).click();
  await expect(phone.getByRole('textbox')).toHaveText('Σ');
  await expect(page.getByText('Greek letters come from Unicode CLDR')).toBeVisible();
  await page.getByRole('combobox', { name: 'language of the person' }).click();
  await page.getByTitle('English (US)').click();
  await expect(phone.getByRole('button', { name: 'q', exact: true })).toBeVisible();
  await page.goto('/keyboards?field=price');
  await expect(phone.getByRole('button', { name: ',', exact: true })).toBeVisible();
  await expect(phone.getByRole('button', { name: '.', exact: true })).toHaveCount(0);
});

test('a word that is proposed can be chosen, and a space comes in behind it', async ({ page }) => {
  await page.goto('/keyboards?field=bird');
  const card = page.getByRole('article', { name: 'iOS-like phone', exact: true });
  await card.getByRole('button', { name: 'H', exact: true }).click();
  const proposed = card.getByRole('group', { name: 'Words that iOS-like phone proposes' });
  await proposed.getByRole('button', { name: 'Herring' }).click();
  await expect(card.getByRole('textbox')).toHaveText('Herring·');
  await expect(card).toContainText('proposes words');
  // There, autocomplete="off" keeps them away.
  await expect(page.getByRole('article', { name: 'Android-like phone' })).not.toContainText('proposes');
});

test('all settings of a target, and what each sample costs in taps', async ({ page }) => {
  await page.goto('/keyboards?field=level&keyboards=all+settings&target=webkit-phone');
  const table = page.getByRole('table', { name: 'All settings of iOS-like phone' });
  await expect(table.getByRole('row', { name: /^number/ })).toContainText('letters, from the numbers now');
  await page.getByRole('button', { name: 'Native iOS-like field' }).click();
  const native = page.getByRole('table', { name: 'All settings of Native iOS-like field' });
  await expect(native.getByRole('row', { name: /^signed number/ })).toContainText('now');
  // A keyboard that lacks what the rule needs is marked, whether or not it is the one that comes up.
  await expect(native.getByRole('row', { name: /^digits-only secret/ })).toContainText('digits lacks -');
  await expect(native.getByRole('row', { name: /^plain/ })).not.toContainText('lacks');
  await page.goto('/keyboards?field=serial&keyboards=taps');
  const taps = page.getByRole('table', { name: 'Taps by sample and target' });
  await expect(taps.getByRole('row', { name: /TG4-7719-QX/ }).first()).toContainText('for layers');
  await expect(taps.getByRole('row', { name: /№/ })).toContainText('cannot be typed');
});

test('whoever saw another keyboard come up says so, and everything follows that, until it is taken back', async ({
  page,
}) => {
  await page.goto('/keyboards?field=serial');
  const card = page.getByRole('article', { name: 'Android-like phone' });
  await card.getByRole('button', { name: 'letters, remembered' }).click();
  await page.getByRole('menuitem', { name: 'digits', exact: true }).click();
  await expect(card.getByRole('button', { name: 'digits, corrected' })).toBeVisible();
  await expect(card.getByRole('button', { name: 'a', exact: true })).toHaveCount(0);
  // Letters are lacking now, and it stays so when Ukko is opened again.
  await expect(card).toContainText('Lacks');
  await page.reload();
  await card.getByRole('button', { name: 'digits, corrected' }).click();
  await page.getByRole('menuitem', { name: 'Take the correction back' }).click();
  await expect(card.getByRole('button', { name: 'letters, remembered' })).toBeVisible();

  // Every other datum is there too, with where it is known from.
  await card.getByRole('button', { name: 'letters, remembered' }).click();
  await page.getByRole('menuitem', { name: 'Keys, action key and habits…' }).click();
  const habits = page.getByRole('dialog', { name: 'What Android-like phone does' });
  await expect(card).not.toContainText('proposes words');
  await habits.getByRole('switch', { name: 'none where autocomplete is off' }).click();
  await habits.getByRole('textbox', { name: '“next” reads' }).fill('onwards');
  await habits.getByRole('combobox', { name: 'Characters that it has not' }).fill('q');
  await page.keyboard.press('Enter');
  await expect(habits.getByText('corrected')).toHaveCount(4);
  await page.keyboard.press('Escape');
  await habits.getByRole('button', { name: 'Close' }).click();
  await expect(card).toContainText('proposes words');
  await expect(card).toContainText('Action key “onwards”');
  await expect(card.getByRole('button', { name: 'q', exact: true })).toHaveCount(0);

  // The keys above a keyboard go to the fields around it.
  const ios = page.getByRole('article', { name: 'iOS-like phone' });
  await ios.getByRole('button', { name: 'done' }).click();
  await expect(ios).toContainText('The key closes the keyboard.');
  await ios.getByRole('button', { name: 'previous' }).click();
  await expect(page.getByRole('textbox', { name: /^Remarks, typed with/ }).first()).toBeVisible();
});

test('a real keyboard is asked on a phone-sized display, and asking can be cancelled', async ({ page }) => {
  await page.goto('/keyboards?field=level');
  const card = page.getByRole('article', { name: 'Firefox on Linux' });
  await card.getByRole('button', { name: 'Ask', exact: true }).click();
  await card.getByRole('button', { name: 'Cancel' }).click();
  await expect(card.getByRole('status')).toHaveCount(0);
  // All of the form, in its order, as long as the person likes.
  await card.getByRole('button', { name: 'Ask for all fields' }).click();
  await expect(card.getByRole('status')).toContainText(/^[2-9] of 2\d asked, tapping/, { timeout: 60_000 });
  await card.getByRole('button', { name: 'Cancel' }).click();
  await card.getByRole('button', { name: 'Ask', exact: true }).click();
  const picture = card.getByRole('img', { name: 'Water level, metres with the keyboard that came up' });
  await expect(picture).toBeVisible({ timeout: 60_000 });
  // It is kept with the other answers.
  await page.reload();
  await expect(picture).toBeVisible();
  await expect(card).toContainText('number/us');
  // The layout that came up is held against the rule, and every key that was tapped says what the page made of it.
  await expect(card).toContainText(/Lacks\s*\.: 0\.1 is accepted and cannot be typed/);
  await expect(card).toContainText(/key 1\s*keydown.*: "1"/);
  await expect(card).toContainText(/960 to \d+ px/);
  // The survey shows it beside what the model says of the phones.
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.getByLabel('Lens').getByText('keyboard', { exact: true }).click();
  const station = page.getByRole('row').filter({ hasText: 'Station code' });
  await expect(station.getByRole('gridcell').filter({ hasText: 'page 960 to' })).toContainText('us');
  const level = page.getByRole('row').filter({ hasText: 'Water level, metres' });
  await expect(level.getByRole('gridcell').filter({ hasText: 'number/us' })).toContainText(
    /page 960 to \d+ px/,
  );
  await expect(level.getByRole('gridcell').filter({ hasText: 'remembered' }).first()).toContainText(
    'numbers',
  );
});
