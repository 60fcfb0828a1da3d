import { expect, test } from './app';

test('a rule is loosened: what that lets in, which samples change sides, and back', async ({ page }) => {
  await page.goto('/typing?field=station&typing=rule');
  const changed = page.getByRole('region', { name: 'What changed' });
  const source = page.getByRole('textbox', { name: 'Source of the rule' });
  await expect(source).toHaveValue('[A-Z]{3}-[0-9]{2}');
  await expect(page.getByText('A to Z 3 times, then “-”, then 0 to 9 2 times.')).toBeVisible();

  // A text lights its way through the rule, and says what is missing of it.
  const stones = page.getByRole('group', { name: 'The rule, part by part' });
  const tried = page.getByRole('textbox', { name: 'Try a text' });
  await tried.fill('SKR-0');
  await expect(stones.getByRole('button', { name: /^A to Z, 3 times, took 3 characters/ })).toBeVisible();
  await expect(
    stones.getByRole('button', { name: /^0 to 9, 2 times, took one character of the text, can come next/ }),
  ).toBeVisible();
  const samples = page.getByRole('region', { name: 'Samples under the rule' });
  await expect(samples.getByRole('status')).toHaveText(/SKR-01\s*unfinished/);
  await page.getByRole('button', { name: 'Should be accepted' }).click();
  await expect(samples.getByRole('button', { name: /SKR-0.*unfinished, expected accepted/ })).toBeVisible();
  await tried.fill('skr-04');
  await page.getByRole('button', { name: 'Should not', exact: true }).click();

  // The change stands first: let in, shut out, and who changed sides.
  await source.fill('[A-Z]{3}-[0-9]{1,2}');
  await expect(changed.getByRole('status')).toHaveText('It accepts all that it accepted before, and more.');
  await expect(changed).toContainText('→ accepted now SKR-0');
  await changed
    .getByRole('button', { name: /^[A-Z]{3}-\d$/ })
    .first()
    .click();
  await expect(samples.getByRole('button', { name: /→ accepted$/ })).toHaveCount(2);
  await source.fill('[0-9]+');
  await expect(changed.getByRole('status')).toHaveText('It accepts nothing of what it accepted before.');
  await page.getByRole('button', { name: 'Restore the saved rule' }).click();
  await expect(source).toHaveValue('[A-Z]{3}-[0-9]{2}');
  await expect(changed.getByRole('status')).toContainText('Nothing changed yet');

  // A part points to its place in the source, and the place to the part.
  await stones.getByRole('button', { name: /^0 to 9/ }).click();
  await expect(source).toBeFocused();
  const selected = await source.evaluate((input: HTMLInputElement) =>
    input.value.slice(input.selectionStart ?? 0, input.selectionEnd ?? 0),
  );
  expect(selected).toBe('[0-9]');
  await expect(stones.getByRole('button', { name: /^0 to 9/ })).toHaveAttribute('aria-pressed', 'true');
});

test('a rule is warned of with a text that shows it, mended, and gets the live rule that fits', async ({
  page,
}) => {
  await page.goto('/typing?field=station&typing=rule');
  const source = page.getByRole('textbox', { name: 'Source of the rule' });
  const advice = page.getByRole('region', { name: 'What to look at' });
  await source.fill('[A-z]{3}-[0-9]{2}');
  await expect(advice).toContainText('aa_-11 is accepted by it.');
  await advice.getByRole('button', { name: 'Mend' }).click();
  await expect(source).toHaveValue('[A-Za-z]{3}-[0-9]{2}');
  await expect(advice).not.toContainText('is accepted by it');

  await advice.getByRole('button', { name: 'Add the live rule that fits' }).click();
  await expect(advice).toContainText(
    'While typing, the guards accept the beginnings of valid values and nothing else.',
  );
  // A live rule that is too strict is named with the value that it blocks.
  await source.fill('[A-Za-z]{3}[\\-.][0-9]{2}');
  await expect(advice).toContainText('is valid and cannot be typed in order');

  await advice.getByRole('combobox', { name: 'What people enter here' }).click();
  await page.getByTitle('a date', { exact: true }).click();
  await expect(advice.getByRole('button', { name: '03/14/2026' })).toBeVisible();
  await source.fill('\\d{2}/\\d{2}/\\d{4}');
  await advice.getByRole('button', { name: '02/30/2026' }).click();
  await expect(page.getByRole('region', { name: 'Samples under the rule' })).toContainText(
    'expected refused',
  );

  // What does not compile is ignored, and everything is let in.
  await source.fill('[A-Z]{3}[-');
  const changed = page.getByRole('region', { name: 'What changed' });
  await expect(changed.getByRole('status')).toHaveText(
    'It does not compile and is ignored. It accepts all that it accepted before, and more.',
  );
});

test('a pattern that a matcher takes very long over is shown, and timed in the engines', async ({ page }) => {
  await page.goto('/typing?field=observer&typing=rule');
  await page.getByRole('textbox', { name: 'Source of the rule' }).fill('(?:[A-Z]+)+-[0-9]{2}');
  const advice = page.getByRole('region', { name: 'What to look at' });
  await expect(advice).toContainText(
    'A matcher that tries every way takes ever more steps on texts like AAAAAAAA',
  );
  await advice.getByRole('button', { name: 'Time it in the engines' }).click();
  await expect(advice).toContainText('Chromium: doubles again and again', { timeout: 60_000 });
  await expect(advice).toContainText('Firefox: doubles again and again', { timeout: 60_000 });
  await expect(advice.getByRole('button', { name: 'Time it again in the engines' })).toBeVisible({
    timeout: 60_000,
  });
});
