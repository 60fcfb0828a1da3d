import { readFile } from 'node:fs/promises';
import { alert, expect, test } from './app';

test('what a person types becomes the script, replayed everywhere at once, guards and all', async ({
  page,
}) => {
  await page.goto('/typing?field=serial');
  const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
  await page.getByLabel('Type here, and it becomes the script').click();
  await page.keyboard.type('ab!1');
  await page.keyboard.press('Backspace');
  const script = page.getByRole('textbox', { name: 'Script', exact: true });
  // However slowly the keys came.
  await expect
    .poll(async () => (await script.inputValue()).replace(/"\n?pause \d+ms\ntype "|pause \d+ms\n/g, ''))
    .toBe('type "ab!1"\nkey Backspace');
  await expect(page.getByLabel('Type here, and it becomes the script')).toHaveValue('AB');
  await script.fill('type "ab!1"\nkey Backspace');
  await expect(ladder.getByRole('row')).toHaveCount(7);
  const phone = ladder.getByRole('row').nth(4).getByRole('cell').last();
  await expect(phone).toContainText('AB1');
  await page.getByRole('combobox', { name: 'Echo of' }).click();
  await page.getByText('keydown', { exact: true }).last().click();
  await expect(ladder.getByRole('row').nth(2).getByRole('cell').first()).toContainText('keydown: A');
  await page.getByRole('switch', { name: /upper case/ }).click();
  await expect(phone).toContainText('ab1');
  // Judged after every stroke, and told what is sent in the end.
  await expect(phone.getByRole('img', { name: /^refused: patternMismatch/ })).toBeVisible();
  await expect(ladder.getByRole('row', { name: /Then sent/ })).toContainText('nothing: patternMismatch');
  // Kept with the form.
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Script', exact: true })).toHaveValue(
    'type "ab!1"\nkey Backspace',
  );
});

test('a long script is all there, also where nobody has answered yet', async ({ page }) => {
  await page.goto('/typing?field=serial');
  await page.getByRole('button', { name: 'Line-up: 5 targets' }).click();
  for (const name of ['Chromium', 'Firefox', 'WebKit', 'Android-like phone'])
    await page.getByRole('button', { name: `Take ${name} out` }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('textbox', { name: 'Script', exact: true }).fill('type "12345678901234567890"');
  const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
  await expect(ladder.getByRole('columnheader', { name: 'This browser' })).toContainText('not asked yet');
  // And the head, and what is sent.
  await expect(ladder.getByRole('row')).toHaveCount(22);
});

test('a filter on keys is shown to be bypassed, and which script shows it', async ({ page }) => {
  await page.goto('/typing?field=observer');
  await page.getByRole('button', { name: 'Add a guard' }).click();
  await page.getByRole('menuitem', { name: 'Only these keys' }).click();
  await page.getByText('ways in', { exact: true }).click();
  const row = page.getByRole('table', { name: 'Guards by ways in' }).getByRole('row').nth(1);
  await expect(row.getByRole('cell')).toHaveText([/held/, ...Array.from({ length: 7 }, () => /bypassed/)]);
  await row
    .getByRole('button', { name: /bypassed/ })
    .nth(1)
    .click();
  await expect(page.getByRole('textbox', { name: 'Script', exact: true })).toHaveValue(/^paste "x"\nleave$/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as TypeScript' }).click();
  const file = await (await download).path();
  expect(await readFile(file, 'utf8')).toContain('export function guardField(');
});

test('samples: surprises stand out, and a changed rule shows which ones changed sides', async ({ page }) => {
  await page.goto('/typing?field=serial&typing=samples');
  const table = page.getByRole('table', { name: 'Samples' });
  const slip = table.getByRole('row').filter({ hasText: 'TG-47719-QX' });
  await expect(slip.getByRole('cell').nth(2)).toContainText('accepted !');
  // What is expected is chosen by keyboard, and the row says at once whether that is still a surprise.
  await slip.getByRole('button', { name: 'Expected of TG-47719-QX: refused' }).focus();
  const expected = slip.getByRole('combobox', { name: 'Expected of TG-47719-QX' });
  await expect(expected).toBeFocused();
  await expected.selectOption('accepted');
  await expect(slip.getByRole('cell').nth(2)).toHaveText('✓ accepted');
  await page.keyboard.press('Tab');
  await expect(slip.getByRole('button', { name: 'Remove TG-47719-QX' })).toBeFocused();
  await slip.getByRole('cell').nth(1).hover();
  await expected.selectOption('refused');
  await expect(slip.getByRole('cell').nth(2)).toHaveText('✓ accepted !');
  await expect(page.getByText(/All 2 texts that submission accepts can be typed/)).toBeVisible();
  await page.getByRole('textbox', { name: 'New samples' }).fill('HST-1,perhaps');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(alert(page)).toContainText('Line 1: “perhaps” is not a verdict');
  await page.getByRole('textbox', { name: 'New samples' }).fill('HST-1,unfinished\nHST-1é,unfinished');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(table.getByRole('row')).toHaveCount(12);
  await expect(
    table.getByRole('row').filter({ hasText: 'tg47719qx' }).getByRole('cell').nth(2),
  ).toContainText('accepted');
  await page.getByRole('switch', { name: /upper case/ }).click();
  const changed = table.getByRole('row').filter({ hasText: 'tg47719qx' }).getByRole('cell').nth(2);
  await expect(changed).toContainText('refused ! was accepted');
  await page.getByRole('combobox', { name: 'Samples shown' }).click();
  await page.getByText(/^changed sides, 1$/).click();
  await expect(table.getByRole('row')).toHaveCount(2);
});

test('samples: a long table is read beside the page, in pages, and stays as it was where something is wrong', async ({
  page,
}) => {
  await page.goto('/typing?field=serial&typing=samples');
  const table = page.getByRole('table', { name: 'Samples' });
  await expect(table.getByRole('row')).toHaveCount(10);
  const file = (rows: readonly string[]) => ({
    name: 'plates.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`text,expected\n${rows.join('\n')}`),
  });
  const rows = Array.from({ length: 100_000 }, (_, index) => `HST-${index},unfinished`);
  const open = page.locator('input[type=file][accept*=csv]');
  await open.setInputFiles(file([...rows, 'HST-x,perhaps']));
  await expect(alert(page)).toContainText('Line 100002: “perhaps” is not a verdict', { timeout: 30_000 });
  await expect(table.getByRole('row')).toHaveCount(10);
  await open.setInputFiles(file(rows));
  await expect(table).toHaveAttribute('aria-rowcount', '100010', { timeout: 30_000 });
  await expect(alert(page)).toHaveCount(0);
  // Nobody has to wait for what is replayed to look around and to change it.
  await expect(page.getByRole('progressbar', { name: 'Samples replayed' })).toBeVisible();
  await page.getByRole('listitem', { name: '2', exact: true }).click();
  const last = table.getByRole('row').filter({ hasText: 'HST-99999' });
  await last.getByRole('button', { name: 'Expected of HST-99999: unfinished' }).focus();
  await last.getByRole('combobox', { name: 'Expected of HST-99999' }).selectOption('refused');
  await page.getByRole('button', { name: 'Remove HST-99998', exact: true }).click();
  await expect(table).toHaveAttribute('aria-rowcount', '100009');
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('progressbar', { name: 'Samples replayed' })).toHaveCount(0);
  await page.reload();
  await page.getByRole('listitem', { name: '2', exact: true }).click({ timeout: 30_000 });
  await expect(last.getByRole('button', { name: 'Expected of HST-99999: refused' })).toBeVisible();
});

test('a pattern over which engines never end is worked out, one that takes too many steps is said, and the page goes on', async ({
  page,
}) => {
  await page.goto('/typing?field=observer');
  await page.getByRole('textbox', { name: 'Script', exact: true }).fill(`paste "${'a'.repeat(40)}!"`);
  await page.getByRole('button', { name: 'Add a guard' }).click();
  await page.getByRole('menuitem', { name: 'Pattern' }).click();
  await page.getByRole('textbox', { name: 'Pattern' }).fill('(');
  await expect(alert(page)).toContainText('This pattern does not compile, so the guard does nothing');
  await page.getByRole('textbox', { name: 'Pattern' }).fill('(a+)+b');
  await page.getByRole('combobox', { name: 'Stage' }).click();
  await page.getByTitle('before the text is inserted').click();
  const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
  // Kept out: the field that has to be filled in is as empty as before.
  await expect(ladder.getByRole('img', { name: 'unfinished: valueMissing' })).toHaveCount(4);
  await expect(alert(page)).toHaveCount(0);
  // Every way in which four groups can share the text is another one.
  await page.getByRole('textbox', { name: 'Pattern' }).fill('(a*)(a*)(a*)(a*)\\1\\2\\3\\4b');
  await expect(alert(page)).toContainText('Not worked out: it takes too many steps over this text.');
  // Typed key by key, a strict rule keeps all of it out; at submission it meets the whole text.
  await page.getByRole('combobox', { name: 'Stage' }).click();
  await page.getByTitle('on submission').last().click();
  await page.getByText('samples', { exact: true }).click();
  await page.getByRole('textbox', { name: 'New samples' }).fill(`ok\n${'a'.repeat(40)}!`);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const hard = page
    .getByRole('table', { name: 'Samples' })
    .getByRole('row')
    .filter({ hasText: 'a'.repeat(40) });
  await expect(hard).toContainText('? not worked out');
  await page.getByText('strokes', { exact: true }).click();
  await page.getByRole('switch').click();
  await expect(ladder).toContainText('aaaa');
  await page
    .getByRole('textbox', { name: 'Script', exact: true })
    .fill(`paste "${'x'.repeat(90_000)}"\ntype "!"`);
  await expect(ladder.getByRole('row')).toHaveCount(4);
});
