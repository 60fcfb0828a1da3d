import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './app';

/** Types on a device's page, once that has answered by itself, as its person would. */
async function typeOnDevice(device: Page, text: string): Promise<void> {
  await expect(device.getByRole('status')).toHaveText(
    'Now tap the fields below and type into them as you would.',
    {
      timeout: 60_000,
    },
  );
  const phone = device.frameLocator('iframe[title="Page under test"]').getByLabel('Phone');
  await phone.click();
  await device.keyboard.type(text);
  await expect(device.getByRole('status')).toHaveText(/^Phone: \d+ strokes kept\.$/);
}

test('a real device is let in by a code that works once, and what is typed on it joins the line-up', async ({
  page,
  browser,
}) => {
  await page.goto('/keyboards?field=phone');
  await page.getByRole('button', { name: /^Line-up/ }).click();
  await page.getByRole('button', { name: 'A real device…' }).click();
  await page.getByLabel('Its name in the line-up').fill('Ada’s phone');
  await page.getByRole('switch', { name: 'Listen on the local network' }).click();
  const address = (await page.locator('code').textContent()) ?? '';
  await expect(page.getByRole('img', { name: `QR code of ${address}` })).toBeVisible();
  await expect(page.getByText('Nobody has opened it yet.')).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 700 }, hasTouch: true });
  const device = await phone.newPage();
  await device.goto(address);
  await typeOnDevice(device, '+44 7');
  await expect(page.getByText(/\d+ answers, the last about Phone\./)).toBeVisible();

  // The code is used up; whoever comes later is told so, and the person too.
  const other = await browser.newContext();
  const late = await other.newPage();
  await late.goto(address);
  await expect(late.getByText('This link was opened already, and works once.')).toBeVisible();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Somebody opened the link again.');
  await other.close();

  await page.getByRole('button', { name: 'Close' }).click();
  const card = page.getByRole('article', { name: 'Ada’s phone' });
  await expect(card).toContainText('stays 700 px high');
  await expect(card).toContainText('keydown +');
  await expect(card).toContainText(/Captured: Chrome [\d.]+, trusted events/);

  // In the Typing view the strokes of that hand become the script, and stand beside what the others make of them.
  await page.getByRole('link', { name: 'Typing' }).click();
  await page.getByRole('button', { name: 'Take its strokes' }).click();
  await expect(page.getByRole('textbox', { name: 'Script', exact: true })).toHaveValue(/type "\+44 7"/);
  const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
  await expect(ladder.getByRole('row').filter({ hasText: '+44' }).first()).toBeVisible();

  // Gone is gone, and said; what came is kept.
  await phone.close();
  await page.getByRole('button', { name: /^Listening for Ada’s phone, \d+ answers$/ }).click();
  await expect(page.getByText(/^Ada’s phone has been silent for some seconds/)).toBeVisible({
    timeout: 30_000,
  });
  await page.getByRole('switch', { name: 'Listen on the local network' }).click();
  await expect(page.getByText(/^Listening for/)).toHaveCount(0);
  await expect(async () => {
    await expect(fetch(address)).rejects.toThrow();
  }).toPass();
});

test('the page is carried over as a file, and its answers are carried back', async ({ page, browser }) => {
  await page.goto('/keyboards?field=phone');
  await page.getByRole('button', { name: /^Line-up/ }).click();
  await page.getByRole('button', { name: 'A real device…' }).click();
  await page.getByLabel('Its name in the line-up').fill('Far tablet');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the page…' }).click();
  const html = test.info().outputPath('device-page.html');
  await (await saved).saveAs(html);

  // Opened from disk, with nothing around it.
  const tablet = await browser.newContext({ acceptDownloads: true });
  const device = await tablet.newPage();
  await device.goto(`file://${html}`);
  await typeOnDevice(device, '07');
  const answers = device.waitForEvent('download');
  await device.getByRole('button', { name: 'Save the answers as a file' }).click();
  const file = await (await answers).path();
  const content = await readFile(file, 'utf8');
  await tablet.close();

  const give = (text: string) =>
    page.locator('.ant-drawer input[type=file]').setInputFiles({
      name: 'device-answers.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  await give(content.slice(0, content.length / 2));
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    'the file is cut off or was changed',
  );
  await give(content);
  await expect(page.getByText(/^\d+ answers of Far tablet joined the line-up\.$/)).toBeVisible();
  // The same device again: its answers take the place of those before, and it stands in the line-up once.
  await give(content);
  await expect(page.getByRole('button', { name: 'Line-up: 6 targets', includeHidden: true })).toHaveCount(1);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('article', { name: 'Far tablet' })).toContainText('keydown 0');
});
