import type { Page } from '@playwright/test';
import { alert, expect, openRun, test } from './app';

/** Lets this origin keep so many bytes; null: as many as the browser has. */
async function allowBytes(page: Page, quotaSize: number | null): Promise<void> {
  const protocol = await page.context().newCDPSession(page);
  const { origin } = new URL(page.url());
  await protocol.send(
    'Storage.overrideQuotaForOrigin',
    quotaSize === null ? { origin } : { origin, quotaSize },
  );
}

/** Leaves a row in the storage that no view could read. */
function spoil(page: Page): Promise<void> {
  return page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('ukko');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const work = opening.result.transaction('forms', 'readwrite');
          work.objectStore('forms').put({ id: 'x', name: 'Spoiled tide log', markup: null, changedAt: 'z' });
          work.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
  );
}

test('a spoiled row is set aside and named, can be saved, and everything else is there', async ({ page }) => {
  await page.goto('/form');
  await page.getByRole('button', { name: /^Station code/ }).waitFor();
  await spoil(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Station code/ })).toBeVisible();
  const notice = page.getByRole('alert').filter({ hasText: 'Damaged in this browser’s storage' });
  await expect(notice).toContainText('form “Spoiled tide log”. Everything else is kept.');
  const saving = page.waitForEvent('download');
  await notice.getByRole('button', { name: 'Save as a file' }).click();
  expect((await saving).suggestedFilename()).toBe('ukko-set-aside.json');
  await notice.getByRole('button', { name: 'Delete' }).click();
  await expect(notice).toBeHidden();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Station code/ })).toBeVisible();
  await expect(notice).toBeHidden();
});

test('an edit that finds no room is told, stays, and is saved as soon as there is some', async ({ page }) => {
  // A browser lets some megabytes in past its limit; here its storage says at once what it says beyond them.
  await page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (...row) {
      if (localStorage.getItem('full')) throw new DOMException('No room.', 'QuotaExceededError');
      return put.apply(this, row);
    };
  });
  await page.goto('/form?form=hurried-tide-log');
  await page.getByRole('button', { name: /^Log PIN/ }).click();
  await page.evaluate(() => localStorage.setItem('full', '1'));
  await page.getByLabel('maxlength', { exact: true }).fill('7');
  await expect(alert(page)).toContainText('Your edit is here and not saved: this browser has no room left.');
  // Not even a reload loses it.
  await page.reload();
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await expect(markup).toContainText('maxlength="7"');
  await page.evaluate(() => localStorage.removeItem('full'));
  await expect(alert(page)).toBeHidden({ timeout: 15_000 });
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(markup).toContainText('maxlength="7"');
});

test('a sweep that finds no room ends, says so, and what was there stays', async ({ page }) => {
  await openRun(page);
  const pictures = page.getByRole('grid', { name: 'Survey' }).getByRole('img');
  await expect(pictures.first()).toBeVisible();
  await allowBytes(page, 1);
  // Nothing was edited: else what is there would be kept.
  await page.keyboard.press('Control+Shift+Enter');
  await expect(page.getByText('This browser has no room left for answers and pictures.')).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByRole('button', { name: 'Sweep', exact: true })).toBeVisible();
  await allowBytes(page, null);
  await page.reload();
  await expect(pictures.first()).toBeVisible();
});

test('a tab whose storage another one renews comes back with its last edit, and says why', async ({
  page,
  context,
}) => {
  await page.goto('/form?form=hurried-tide-log');
  await page.getByRole('button', { name: /^Log PIN/ }).click();
  const other = await context.newPage();
  await other.goto('/icon.svg');
  await page.getByLabel('maxlength', { exact: true }).fill('8');
  await other.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('ukko', 1000);
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          opening.result.close();
          resolve();
        };
      }),
  );
  await expect(page.getByText('Another tab has a newer Ukko, so this one was loaded again.')).toBeVisible({
    timeout: 15_000,
  });
  await expect(page.getByRole('textbox', { name: 'Markup of the form' })).toContainText('maxlength="8"');
});

test('a tab whose form another tab writes over says so, and Undo brings back what was there', async ({
  page,
  context,
}) => {
  await page.goto('/form?form=hurried-tide-log');
  const other = await context.newPage();
  await other.goto('/form?form=hurried-tide-log');
  const markup = (tab: Page) => tab.getByRole('textbox', { name: 'Markup of the form' });
  for (const [tab, limit] of [
    [page, '6'],
    [other, '7'],
  ] as const) {
    await tab.bringToFront();
    await tab.getByRole('button', { name: /^Log PIN/ }).click();
    await tab.getByLabel('maxlength', { exact: true }).fill(limit);
    await expect(markup(tab)).toContainText(`maxlength="${limit}"`);
  }
  await page.bringToFront();
  await expect(page.getByText('Another tab changed this form as well.')).toBeVisible();
  await expect(markup(page)).toContainText('maxlength="7"');
  await page.getByRole('button', { name: 'Undo' }).click();
  for (const tab of [page, other]) await expect(markup(tab)).toContainText('maxlength="6"');
});
