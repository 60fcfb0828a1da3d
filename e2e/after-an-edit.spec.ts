import { cell, expect, pasteForm, sweep, test } from './app';

test('a sweep after an edit asks what the edit reaches, and keeps the rest until it is asked anew', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await pasteForm(
    page,
    '<!doctype html><html lang=en><form><p><label>Boat <input name=boat></label><p><label>Berth <input name=berth maxlength=9></label><p><button name=go>Moor</button></form>',
  );
  await expect(page.getByRole('button', { name: /^Berth/ })).toBeVisible();
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.waitForURL('**/survey*');
  await sweep(page);
  const kept = page.getByRole('status').filter({ hasText: 'answers are new' });
  await expect(kept).toHaveCount(0);

  // Nothing was edited: nothing is asked.
  await page.getByRole('button', { name: 'Sweep', exact: true }).click();
  await expect(kept).toContainText(/^0 of \d+ answers are new; the others still hold\./);
  await expect(cell(page, 'Boat', 'Firefox').getByRole('img')).toBeVisible();

  await page.getByRole('link', { name: 'Form', exact: true }).click();
  await page.getByRole('button', { name: /^Berth/ }).click();
  await page.getByLabel('maxlength', { exact: true }).fill('4');
  await expect(page.getByRole('button', { name: /^Berth.*maxlength 4/ })).toBeVisible();
  await sweep(page);
  const told = (await kept.textContent()) ?? '';
  const [, fresh, all] = /([\d,]+) of ([\d,]+) answers are new/.exec(told)?.map((one) => Number(one)) ?? [];
  // Of engines one field of two and the button that sends; of models and this browser all of them.
  expect(fresh).toBeGreaterThan(0);
  expect(fresh).toBeLessThan((all ?? 0) * 0.8);

  await page.getByRole('button', { name: 'Sweep everything anew' }).click();
  await page.getByRole('button', { name: 'Cancel' }).waitFor();
  await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor({ timeout: 120_000 });
  await expect(kept).toHaveCount(0);
});

test('a sweep ends at the limit that a person sets, says how far it came, and is gone on with', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.clock.install();
  const fields = Array.from(
    { length: 12 },
    (_, at) => `<p><label>Berth ${at} <input name=b${at} required></label>`,
  );
  await pasteForm(
    page,
    `<!doctype html><html lang=en><form>${fields.join('')}<p><button name=go>Moor</button></form>`,
  );
  await expect(page.getByRole('button', { name: /^Berth 11/ })).toBeVisible();
  await page.getByRole('button', { name: /^Line-up/ }).click();
  await page.getByRole('spinbutton', { name: 'A sweep ends after' }).fill('20');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.waitForURL('**/survey*');
  await page.getByRole('button', { name: 'Sweep', exact: true }).click();
  await expect(cell(page, 'Berth 0', 'Firefox').getByRole('img')).toBeVisible({ timeout: 120_000 });
  await page.clock.fastForward('20:05');
  const ended = page.getByText(/The sweep ended at [\d,]+ of [\d,]+ answers, at its limit of 20 minutes\./);
  await expect(ended).toBeVisible();
  const [, done, total] = /at ([\d,]+) of ([\d,]+)/.exec((await ended.textContent()) ?? '') ?? [];
  expect(Number(done)).toBeLessThan(Number(total));

  await sweep(page);
  await expect(ended).toBeHidden();
  await expect(page.getByRole('status').filter({ hasText: 'answers are new' })).toBeVisible();
});
