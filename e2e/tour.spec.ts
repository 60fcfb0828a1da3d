import { expect, expectAccessible, test } from './app';

test('the tour leads through the views on the hurried form, and help says what a view is for', async ({
  page,
}) => {
  await page.goto('/form');
  await page.getByRole('button', { name: 'Tour' }).click();
  const tour = page.getByRole('complementary', { name: 'Tour' });
  await expect(tour).toContainText('What is this form?');
  await expect(page.getByRole('combobox', { name: 'Form' }).locator('..')).toContainText('in a hurry');
  await expectAccessible(page);
  for (const title of [
    'How does each target draw it?',
    'What can be typed',
    'Which keyboard',
    'What is sent?',
    'What do we do',
  ]) {
    await tour.getByRole('button', { name: 'Next' }).click();
    await expect(tour).toContainText(title);
  }
  await expect(page).toHaveURL(/\/findings\?.*tour=5/);
  await expect(tour.getByRole('button', { name: 'Next' })).toBeDisabled();
  // A link opens it where it was.
  await page.reload();
  await expect(tour).toContainText('6 of 6');
  await tour.getByRole('button', { name: 'End the tour' }).click();
  await expect(tour).toHaveCount(0);

  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog')).toContainText('the worst for the person first');
});
