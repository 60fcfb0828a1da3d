import { readFile } from 'node:fs/promises';
import { expect, openRun, test } from './app';

test('who is blocked and what is sent, by target, measured beside modelled', async ({ page }) => {
  await openRun(page);
  await page.getByRole('link', { name: 'Submission' }).click();
  const targets = page.getByRole('list', { name: 'What each target does' }).getByRole('listitem');
  await expect(targets).toHaveText([
    /Chromium reference.*stops at Station code“Please fill out this field\.”/,
    /Firefox.*stops at Station code/,
    /WebKit.*stops at Station code“Fill out this field”differs/,
    /This browser.*cannot be submitted/,
    /Android-like phone.*stops at Station code/,
  ]);
  await expect(
    page.getByRole('region', { name: 'What Chromium does' }).getByRole('list').first(),
  ).toContainText('Tide');
  const ways = page.getByRole('table', { name: 'Ways to send' });
  const way = (name: string) => ways.getByRole('row').filter({ hasText: name });
  await expect(way('A script, submit()')).toContainText('sent, though 8 fields are not valid');
  await expect(way('A script, requestSubmit()')).toContainText('stopped at Station code');
  await expect(ways.getByRole('img', { name: 'measured' })).toHaveCount(4);

  await page.getByText('filled in', { exact: true }).click();
  await targets.nth(1).getByRole('button').click();
  const detail = page.getByRole('region', { name: 'What Firefox does' });
  await expect(detail).toContainText(/Measured: Firefox/);
  const rows = detail.getByRole('table', { name: 'Entries as received' }).getByRole('row');
  await expect(rows.nth(1)).toContainText('Content-Disposition:·form-data;·name="station"');
  await expect(rows.last()).toContainText('send');
  await targets.nth(4).getByRole('button').click();
  await expect(page.getByRole('region', { name: 'What Android-like phone does' })).toContainText(
    /The model agrees with Chromium [\d.]+ on \d+\.\d\d % of/,
  );
  await page.reload();
  await expect(page.getByRole('region', { name: 'What Android-like phone does' })).toBeVisible();
});

test('faults stand at their lines with a remedy, go when mended, and the form goes out and comes back', async ({
  page,
}) => {
  await page.goto('/form?form=hurried-tide-log');
  const notes = page.getByRole('list', { name: 'Notes on the markup' });
  await expect(notes).toContainText('line 7 Island page has no name, so it is never submitted. Add a name');
  await expect(page.getByRole('button', { name: /^Island page/ })).toContainText('3 faults');
  await page.getByRole('button', { name: /^Survey month/ }).click();
  await expect(page.getByRole('button', { name: /^Island page/ })).toBeVisible();
  await page.getByRole('button', { name: /^Remarks/ }).click();
  await page.getByLabel('text', { exact: true }).fill('');
  await expect(notes).not.toContainText('Write here');

  const exported = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Files' }).click();
    await page.getByRole('menuitem', { name }).click();
    const file = await download;
    return { name: file.suggestedFilename(), path: await file.path() };
  };
  const own = await exported('Export as a page of its own');
  expect(own.name).toBe('skerry-tide-log-in-a-hurry.page.html');
  expect(await readFile(own.path, 'utf8')).toContain("form-action 'none'");
  const form = await exported('Export form');
  await page.getByLabel('File to open').setInputFiles({
    name: 'form.json',
    mimeType: 'application/json',
    buffer: await readFile(form.path),
  });
  await expect(page.getByText('Imported as a new form.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(31);
  await page.getByLabel('File to open').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from((await readFile(form.path, 'utf8')).replace(/"name": "[^"]*"/, '"name": 5')),
  });
  await expect(page.getByText(/wrong at name, line 5: a text is expected/)).toBeVisible();

  await page.getByLabel('File to open').setInputFiles({
    name: 'page.html',
    mimeType: 'text/html',
    buffer: Buffer.from(
      '<form aria-label=Search><input name=q></form><form><h2>Order</h2><label>Boat <input name=boat></label></form>',
    ),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('This page has 2 forms.');
  await dialog.getByText('Order (1 field)').click();
  await dialog.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveText([/Boat/]);
});
