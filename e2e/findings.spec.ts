import { expect, openRun, test } from './app';

test('findings of the hurried form: the worst first, with evidence and a decision that stays', async ({
  page,
}) => {
  await page.goto('/findings?form=hurried-tide-log');
  const worst = page.getByRole('region', { name: 'A valid value cannot be entered' });
  const label = worst.getByRole('article').filter({ hasText: 'Station' }).first();
  await expect(label).toBeVisible();
  await expect(page.getByRole('region').first()).toHaveAccessibleName('A valid value cannot be entered');
  // What keyboards lack is reckoned in a worker and comes a moment later.
  await expect(
    worst.getByRole('article').filter({ hasText: 'the keyboard that comes up lacks' }).first(),
  ).toBeVisible();
  const all = await page.getByRole('article').count();
  expect(all).toBeGreaterThan(30);

  // A decision takes it off the list of what is open, and stays when Ukko is opened again.
  const says = (await label.getAttribute('aria-label')) ?? '';
  await page.getByRole('combobox', { name: `Decision on: ${says}` }).click();
  await page.getByTitle('accept', { exact: true }).click();
  await expect(page.getByRole('article')).toHaveCount(all - 1);
  await page.reload();
  await page.getByText(/^accepted 1$/).click();
  const decided = page.getByRole('article', { name: says });
  await decided.getByRole('textbox', { name: 'Why it is accepted' }).fill('the old sheet goes in spring');
  await decided.getByRole('textbox', { name: 'Why it is accepted' }).blur();
  await page.reload();
  await page.getByText(/^accepted 1$/).click();
  await expect(page.getByRole('textbox', { name: 'Why it is accepted' })).toHaveValue(
    'the old sheet goes in spring',
  );

  // The evidence is one click away.
  await decided.getByRole('link', { name: 'See it in the markup' }).click();
  await expect(page).toHaveURL(/\/form\?.*field=station/);
});

test('what differs between targets is one finding for each cause, with what each says', async ({
  page,
  runFile,
}) => {
  await openRun(page, runFile);
  await page.getByRole('link', { name: 'Findings' }).click();
  const month = page.getByRole('article', { name: /^Survey month is another kind of field in / });
  await expect(month).toContainText('Firefox');
  await month.getByText('what differs').click();
  await expect(month.getByRole('listitem').filter({ hasText: 'Firefox' })).toContainText('text');
  await month.getByRole('link', { name: 'See it in the survey' }).click();
  await expect(page).toHaveURL(/\/survey\?.*field=month.*closeup=on|\/survey\?.*closeup=on.*field=month/);
});
