import { startExample } from '../example/server.mjs';
import { expect, expectAccessible, test } from './app';

test('a page of one’s own: its form is found, asked with its own scripts, and what it does to typing is told', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const example = await startExample(0);
  try {
    await page.goto('/form');
    await page.getByRole('button', { name: 'Files' }).click();
    await page.getByRole('menuitem', { name: 'Open a page of yours…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Open a page of yours' });
    await dialog.getByLabel('Address on this machine').fill('http://tides.example/');
    await dialog.getByRole('button', { name: 'Find its forms' }).click();
    await expect(dialog.getByRole('alert')).toContainText('http://tides.example is not on this machine.');
    await dialog.getByLabel('Address on this machine').fill(`${example.address}sign-in`);
    await dialog.getByRole('button', { name: 'Find its forms' }).click();

    // What is pressed and filled in the picture becomes the steps.
    await dialog.getByRole('button', { name: 'fill “User”' }).click({ timeout: 60_000 });
    await dialog.getByLabel('Fill “User” with').fill('ada');
    await page.keyboard.press('Enter');
    const steps = dialog.getByLabel(/^What is done before/);
    await expect(steps).toHaveValue('fill "User" "ada"');
    await expectAccessible(page);
    await dialog.getByRole('button', { name: 'click “Sign in”' }).click({ timeout: 60_000 });
    await dialog.getByRole('button', { name: 'click “New entry”' }).click({ timeout: 60_000 });
    await expect(steps).toHaveValue('fill "User" "ada"\nclick "Sign in"\nclick "New entry"');
    await dialog.getByText('New entry (6 fields)').click({ timeout: 60_000 });
    await dialog.getByRole('button', { name: 'Test this form' }).click();

    await expect(page.getByText(`Read from ${example.address}sign-in.`)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Gauge serial/ })).toBeVisible();
    await page.getByRole('button', { name: 'Sweep', exact: true }).click();
    await page.getByRole('button', { name: 'Cancel' }).waitFor();
    await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor({ timeout: 200_000 });
    await page.getByRole('link', { name: 'Findings', exact: true }).click();
    await page
      .getByRole('button', { name: /Gauge serial: the caret jumps to the end while one types in the middle/ })
      .click();
    const where = page.getByRole('list', { name: 'Where it is so' });
    await expect(where.getByRole('listitem').filter({ hasText: 'Firefox' })).toContainText(
      'and the caret goes from',
    );
    // Nothing of all that arrived; what a person sends does.
    expect(example.log).toEqual([]);
    await page.getByRole('link', { name: 'Submission' }).click();
    await page.getByText('filled in', { exact: true }).click();
    await page
      .getByRole('list', { name: 'What each target does' })
      .getByRole('button', { name: /Chromium/ })
      .click();
    await page.getByRole('button', { name: 'Send for real…' }).click();
    await page.getByRole('button', { name: 'Send it' }).click();
    const real = page.getByRole('region', { name: 'Sent for real' });
    await expect(real.getByText('POST /log')).toBeVisible({ timeout: 60_000 });
    await expect(real).toContainText('was answered with 201');
    await expect(real.getByRole('img', { name: /^The page after/ })).toBeVisible();
    expect(example.log).toEqual(['POST /log']);
    await expectAccessible(page);

    // An edit makes it markup of its own, and is undone.
    await page.getByRole('link', { name: 'Form', exact: true }).click();
    await page.getByRole('button', { name: /^Observer/ }).click();
    await page.getByLabel('name', { exact: true }).fill('watcher');
    await expect(page.getByText(/^Read from/)).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(`Read from ${example.address}sign-in.`)).toBeVisible();
  } finally {
    await example.stop();
  }
});
