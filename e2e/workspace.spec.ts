import { readFileSync, writeFileSync } from 'node:fs';
import { expect, openRun, pasteForm, runFile, test } from './app';

test('everything is taken along to another browser, and merged there', async ({ page, browser, app }) => {
  await openRun(page);
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page.getByRole('button', { name: /Firefox shows a text box for type="month"/ }).click();
  await page.getByRole('complementary', { name: 'Finding' }).getByText('later', { exact: true }).click();
  await expect(page.getByText('later 1', { exact: true })).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: 'Export workspace' }).click();
  const file = await waiting;
  expect(file.suggestedFilename()).toMatch(/^ukko-.*\.workspace\.zip$/);

  const other = await browser.newContext({ baseURL: app.address });
  const there = await other.newPage();
  await there.goto('/findings');
  await there.getByRole('heading', { name: 'Findings' }).waitFor();
  const name = file.suggestedFilename();
  const zip = { name, mimeType: 'application/zip', buffer: await readAll(await file.createReadStream()) };
  await there.getByLabel('File to open').setInputFiles(zip);
  await expect(there.getByText(/^Added 0 forms, 1 sweep, 1 decision and \d+ pictures\./)).toBeVisible();
  await expect(there.getByText('later 1', { exact: true })).toBeVisible();
  await there.getByRole('link', { name: 'Survey', exact: true }).click();
  await expect(there.getByRole('grid', { name: 'Survey' }).getByRole('img').first()).toBeVisible();

  // A second time nothing comes, and a file that is none says so.
  await there.getByLabel('File to open').setInputFiles(zip);
  await expect(there.getByText('Everything in the file is here already.')).toBeVisible();
  await there
    .getByLabel('File to open')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('PK no zip') });
  await expect(there.getByText(/^The workspace file is damaged, or no zip file\./)).toBeVisible();
  await other.close();
});

test('a large run is read beside the page, and can be cancelled', async ({ page }, testInfo) => {
  const run = JSON.parse(readFileSync(runFile, 'utf8'));
  const observations = Array.from({ length: 40 }, () => run.observations)
    .flat()
    .slice(0, 100_000);
  const large = testInfo.outputPath('large.run.json');
  writeFileSync(large, JSON.stringify({ ...run, observations }));
  await page.goto('/survey');
  const nothing = page.getByRole('heading', { name: 'Nothing was asked yet' });
  await nothing.waitFor();
  await page.getByLabel('File to open').setInputFiles(large);
  const told = page.getByText('Reading large.run.json…');
  await expect(told).toBeVisible();
  // The page answers meanwhile.
  await page.getByRole('link', { name: 'Form', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Fields' })).toBeVisible();
  await told.getByRole('button', { name: 'Cancel' }).click();
  await expect(told).toBeHidden();
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await expect(nothing).toBeVisible();

  await page.getByLabel('File to open').setInputFiles(large);
  await expect(page.getByRole('grid', { name: 'Survey' })).toBeVisible({ timeout: 60_000 });
});

test('what is written in one tab is there in the other', async ({ page, context }) => {
  await page.goto('/form?form=hurried-tide-log');
  await page.getByRole('button', { name: /^Gulls counted/ }).waitFor();
  const second = await context.newPage();
  await second.goto('/form?form=hurried-tide-log');
  await second.getByRole('button', { name: /^Log PIN/ }).click();
  await second.getByLabel('maxlength', { exact: true }).fill('5');
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await expect(markup).toContainText('maxlength="5"');
  await page.getByRole('button', { name: /^Log PIN/ }).click();
  await page.getByLabel('name', { exact: true }).fill('log-pin');
  await expect(second.getByRole('textbox', { name: 'Markup of the form' })).toContainText(
    'name="log-pin" maxlength="5"',
  );
});

test('a browser that keeps nothing is told what to do', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused', 'SecurityError');
    };
  });
  await page.goto('/form');
  await expect(page.getByRole('heading', { name: 'This browser lets Ukko keep nothing' })).toBeVisible();
});

async function readAll(stream: NodeJS.ReadableStream): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(Buffer.from(chunk));
  return Buffer.concat(chunks);
}

test('a form of one’s own is deleted, and the others stay', async ({ page }) => {
  await pasteForm(page, '<form><h2>Boats</h2><label>Hull <input name=hull></label></form>');
  const name = page.getByRole('textbox', { name: 'Name of the form' });
  await expect(name).toHaveValue('Boats');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: 'Delete this form…' }).click();
  await page
    .getByRole('dialog', { name: 'Delete Boats?' })
    .getByRole('button', { name: 'Delete the form' })
    .click();
  await expect(name).toHaveValue('Skerry Tide Log');
  await page.getByRole('combobox', { name: 'Form' }).click();
  await expect(page.getByTitle('Skerry Tide Log, in a hurry')).toBeVisible();
  await expect(page.getByTitle('Boats')).toHaveCount(0);
});
