import { expect, intoMarkup, pasteForm, test } from './app';

test('a field tells what it makes of a value in each engine, offers what it can have, and says what it ignores', async ({
  page,
}) => {
  await page.goto('/form?form=hurried-tide-log&field=pin');
  const attempt = page.getByRole('region', { name: 'Try a value' });
  await attempt.getByRole('textbox').fill('12e');
  const target = (name: string) => attempt.getByRole('listitem').filter({ hasText: name });
  await expect(target('Firefox')).toContainText('refused: valueMissing, badInput');
  await expect(target('Firefox')).toContainText('Please enter a number.');
  await expect(target('WebKit')).toContainText('Enter a number');
  await expect(attempt.getByRole('img', { name: 'modelled' })).toHaveCount(4);
  await attempt.getByRole('textbox').fill('12');
  await expect(target('Chromium')).toContainText('accepted ↑ 13 ↓ 11');

  const fields = page.getByRole('region', { name: 'Fields' });
  await expect(
    fields.getByText('A field of kind number ignores it. Limit the value with max.'),
  ).toBeVisible();
  await fields.getByRole('button', { name: 'Remove maxlength' }).click();
  await fields.getByRole('combobox', { name: 'Add an attribute' }).click();
  await page.keyboard.type('max');
  await page.keyboard.press('Enter');
  await expect(fields.getByRole('combobox', { name: 'max', exact: true })).toHaveValue('10');
  await expect(page.getByRole('textbox', { name: 'Markup of the form' })).toContainText(
    '<input type="number" name="pin" required max="10">',
  );
  await attempt.getByRole('textbox').fill('12');
  await expect(target('Firefox')).toContainText('Please select a value that is no more than 10.');

  await fields.getByRole('combobox', { name: 'name', exact: true }).press('End');
  await page.keyboard.type('-code');
  await expect(page.getByRole('textbox', { name: 'Markup of the form' })).toContainText('name="pin-code"');
  await expect(fields.getByRole('combobox', { name: 'name', exact: true })).toBeFocused();
});

test('the form itself is edited like its fields, and undone', async ({ page }) => {
  await page.goto('/form?form=hurried-tide-log');
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await page.getByRole('button', { name: /The form itself/ }).click();
  await page.getByRole('combobox', { name: 'Add an attribute to the form' }).click();
  await page.keyboard.type('enctype');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Only what is posted has an encoding of its own.')).toBeVisible();
  await expect(markup).toContainText('enctype="application/x-www-form-urlencoded"');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(markup).not.toContainText('enctype');
});

test('the markup is read at once, and edited as soon as somebody turns to it', async ({ page }) => {
  await page.goto('/form?form=hurried-tide-log&field=phone');
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await expect(markup).toHaveAttribute('aria-readonly', 'true');
  await expect(markup.locator('mark').first()).toBeInViewport();
  await expect(markup.getByText('▲').first()).toBeVisible();
  // By the keyboard, and the caret is where the field is.
  await markup.focus();
  await expect(markup).toHaveAttribute('contenteditable', 'true');
  await expect(markup).toBeFocused();
  await page.keyboard.type('<!-- kelp -->');
  await expect(markup).toContainText('<!-- kelp --><input type="tel"');
  await page.keyboard.press('Control+z');
  await expect(markup).not.toContainText('kelp');
  // With the pointer, once it is there.
  await page.reload();
  await intoMarkup(page);
});

test('a long form is read beside the page: what is written in its markup and beside it arrives, letter by letter', async ({
  page,
}) => {
  const field = (index: number) =>
    `<p>Tides and buoys, and what else there is to be said of them.<p><label>Buoy ${index} <input name=buoy${index} maxlength=9></label>\n`;
  await pasteForm(page, `<form>${Array.from({ length: 150 }, (_, index) => field(index)).join('')}</form>`);
  await expect(page.getByRole('button', { name: /^Buoy 0 / })).toBeVisible();
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await markup.click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('<h1>Buoys</h1>');
  // Only what is in sight is drawn, and the list still is as long as the form.
  await page.getByRole('button', { name: /^Buoy 3 / }).click();
  const limit = page.getByLabel('maxlength', { exact: true });
  await limit.fill('');
  await limit.pressSequentially('12345');
  await expect(markup).toContainText('name=buoy3 maxlength="12345"');
  await expect(markup).toContainText('<h1>Buoys</h1>');
  await page.getByLabel('name', { exact: true }).press('End');
  await page.keyboard.type('-north');
  await expect(markup).toContainText('name="buoy3-north" maxlength="12345"');
  await expect(limit).toBeVisible();
  // The address follows once the new name has been read.
  await expect(page).toHaveURL(/field=buoy3-north/);
  await page.reload();
  await expect(page.getByLabel('name', { exact: true })).toHaveValue('buoy3-north');
  await expect(page.getByLabel('Name of the form')).toHaveValue('Buoys');
});

test('a form that states no language is asked for people of the one that is chosen', async ({ page }) => {
  await pasteForm(
    page,
    '<form><label>Full name <input name=n autocomplete=name pattern="[A-Za-z ]+" title="Letters"></label><button>Go</button></form>',
  );
  const fields = page.getByRole('region', { name: 'Fields' });
  await expect(fields.getByText('is stated. People write')).toBeVisible();
  await fields.getByRole('combobox', { name: 'is stated. People write' }).click();
  await page.keyboard.type('japanese');
  await page.keyboard.press('Enter');
  await expect(fields.getByTitle('Japanese (ja)')).toBeVisible();
  await page.getByRole('link', { name: 'Findings' }).click();
  await expect(page.getByText('“潮見 渚”').first()).toBeVisible();
  await page.getByRole('link', { name: 'Keyboards' }).click();
  await expect(page.getByText('An input method turns these keys into Japanese text.')).toBeVisible();
  await page.getByRole('link', { name: 'Form' }).click();
  await intoMarkup(page);
  await page.keyboard.press('ControlOrMeta+Home');
  await page.keyboard.type('<body lang="de">');
  await expect(fields.getByText('is stated. People write')).toBeHidden();
});
