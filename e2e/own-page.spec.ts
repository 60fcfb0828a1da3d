import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
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
      .getByRole('button', {
        name: /Gauge serial: the caret jumps to the end while the person types in the middle/,
      })
      .click();
    const where = page.getByRole('list', { name: 'Where it is so' });
    await expect(where.getByRole('listitem').filter({ hasText: 'Firefox' })).toContainText(
      'and the caret moves from',
    );
    // Engines speak for themselves; of the page's scripts the model says nothing.
    await page.getByRole('link', { name: 'Typing', exact: true }).click();
    const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
    await expect(ladder.getByRole('columnheader').filter({ hasText: 'Chromium' })).toContainText('measured');
    await expect(ladder.getByRole('columnheader').filter({ hasText: 'phone' }).first()).toContainText(
      'The model knows neither',
    );
    await expect(ladder).not.toContainText('as modelled');
    await page.getByRole('link', { name: 'Findings', exact: true }).click();
    await page.getByRole('button', { name: 'Overview', exact: true }).click();
    const covered = page.getByRole('region', { name: 'Covered and not covered' });
    await expect(covered.getByRole('listitem').filter({ hasText: 'Observer' })).toContainText(
      'filled by keys',
    );
    // Nothing of all that arrived; what a person sends does.
    expect(example.log).toEqual([]);
    await page.getByRole('link', { name: 'Submission' }).click();
    await page.getByText('filled in', { exact: true }).click();
    await expect(page.getByText(/^Filled by keys: /)).toBeVisible();
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

test('a page that came in a file is opened once a person has seen what is done there', async ({ page }) => {
  const heard: string[] = [];
  const stranger = createServer((request, response) => {
    heard.push(`stranger ${request.url}`);
    response.end();
  });
  await new Promise<void>((done) => stranger.listen(0, '127.0.0.2', done));
  const own = createServer((request, response) => {
    heard.push(`own ${request.url}`);
    response
      .setHeader('content-type', 'text/html')
      .end(
        `<!doctype html><title>Own</title><img src="http://127.0.0.2:${portOf(stranger)}/seen"><button onclick="fetch('/done', { method: 'POST' }); document.forms[0].hidden = false">New</button><form hidden><label>Buoy <input name=buoy></label></form>`,
      );
  });
  await new Promise<void>((done) => own.listen(0, '127.0.0.1', done));
  try {
    const address = `http://127.0.0.1:${portOf(own)}/log`;
    const form = {
      format: 'ukko-form',
      version: 1,
      id: 'sent',
      name: 'Sent by a colleague',
      markup: '<form><label>Buoy <input name=buoy></label></form>',
      typing: {},
      page: { address, form: 0, steps: 'click "New"' },
    };
    await page.goto('/form');
    await page.getByRole('button', { name: /^Station code/ }).waitFor();
    await page.getByLabel('File to open').setInputFiles({
      name: 'sent.form.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(form)),
    });
    await page.getByText(`Read from ${address}.`).waitFor();
    const dialog = page.getByRole('dialog', { name: 'Open the page that this file names?' });
    for (const name of ['Sweep', 'Read again']) {
      await page.getByRole('button', { name, exact: true }).click();
      await expect(dialog).toContainText(address);
      await expect(dialog.getByRole('listitem')).toHaveText(['click "New"']);
      await expectAccessible(page);
      await dialog.getByRole('button', { name: 'Cancel' }).click();
      await expect(dialog).toBeHidden();
    }
    expect(heard).toEqual([]);

    await page.getByRole('button', { name: 'Read again' }).click();
    await dialog.getByRole('button', { name: 'Open it' }).click();
    await expect(page.getByText('The form was read again.')).toBeVisible({ timeout: 60_000 });
    expect(heard).toContain('own /log');
    // What it would have asked of somebody else, it was not let.
    expect(heard.filter((one) => one.startsWith('stranger'))).toEqual([]);
    await page.getByRole('button', { name: 'Read again' }).click();
    await expect(page.getByText('The form is as it was.')).toBeVisible({ timeout: 60_000 });
    await expect(dialog).toBeHidden();
  } finally {
    own.closeAllConnections();
    own.close();
    stranger.close();
  }
});

function portOf(server: ReturnType<typeof createServer>): number {
  return (server.address() as AddressInfo).port;
}
