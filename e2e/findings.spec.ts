import { readFileSync, writeFileSync } from 'node:fs';
import { cell, expect, openRun, pasteForm, runFile, test } from './app';

test('findings of the hurried form: the worst first, with evidence and a decision that stays', async ({
  page,
}) => {
  await page.goto('/findings?form=hurried-tide-log');
  const worst = page.getByRole('region', { name: 'A valid value cannot be entered' });
  const first = worst.getByRole('button').first();
  await expect(first).toBeVisible();
  const list = page.getByRole('region', { name: 'Findings, the worst first' });
  await expect(list.getByRole('region').first()).toHaveAccessibleName('A valid value cannot be entered');
  const listed = list.getByRole('button');
  const all = await listed.count();
  expect(all).toBeGreaterThan(30);
  // The worst of them is open, and where they all are is one click away.
  const detail = page.getByRole('complementary', { name: 'Finding' });
  await expect(detail.getByRole('heading').first()).toHaveText((await first.textContent())?.trim() ?? '');
  await page.getByRole('button', { name: 'Overview' }).click();
  await expect(page.getByRole('img', { name: /^By field\. .*station/ })).toBeVisible();

  // A decision takes it off the list of what is open, and stays when Ukko is opened again.
  const says = (await first.textContent())?.trim() ?? '';
  await first.click();
  await detail.getByText('accept', { exact: true }).click();
  await expect(listed).toHaveCount(all - 1);
  await detail.getByRole('textbox', { name: 'Why it is accepted' }).fill('the old sheet goes in spring');
  await expect(detail.getByText('kept', { exact: true })).toBeVisible();
  await page.reload();
  // The address knows which finding was open.
  await expect(detail.getByRole('textbox', { name: 'Why it is accepted' })).toHaveValue(
    'the old sheet goes in spring',
  );
  await page.getByText(/^accepted 1$/).click();
  await expect(listed).toHaveCount(1);
  await expect(listed).toContainText(says);

  // The evidence is one click away.
  await detail.getByRole('link', { name: 'See it in the markup' }).click();
  await expect(page).toHaveURL(/\/form\?.*field=date/);
});

test('a remedy shows what it would do, is asked of the targets, and done', async ({ page }) => {
  await page.goto('/findings?form=hurried-tide-log');
  await page.getByRole('button', { name: /there is no input type “datetime”/ }).click();
  const detail = page.getByRole('complementary', { name: 'Finding' });
  await expect(detail.getByRole('list', { name: 'Lines that change' })).toContainText(
    'type="datetime-local"',
  );
  await expect(detail.getByText('With it, 1 finding is resolved and none is added.')).toBeVisible();

  await detail.getByRole('button', { name: 'Ask the targets, before and after' }).click();
  await expect(detail.getByRole('button', { name: 'Cancel' })).toBeVisible();
  const chromium = detail
    .getByRole('list', { name: 'Before and after' })
    .getByRole('listitem')
    .filter({ hasText: 'Chromium' });
  await expect(chromium).toContainText(
    'The changed form treats it as “datetime-local”, the form as it is as “text”.',
    {
      timeout: 300_000,
    },
  );
  await expect(chromium.getByRole('img', { name: 'Reading moment in Chromium' })).toHaveCount(2);

  const open = page.getByRole('region', { name: 'Findings, the worst first' }).getByRole('button');
  const before = await open.count();
  await detail.getByRole('button', { name: 'Apply it' }).click();
  await expect(page.getByRole('button', { name: /there is no input type “datetime”/ })).toHaveCount(0);
  await expect(open).toHaveCount(before - 1);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /there is no input type “datetime”/ })).toBeVisible();
});

test('what differs between targets is one finding for each cause, with pictures and what each says', async ({
  page,
}) => {
  await openRun(page);
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page
    .getByRole('button', { name: /Firefox shows a text box for type="month" and type="week" \(2 fields\)/ })
    .click();
  const detail = page.getByRole('complementary', { name: 'Finding' });
  await expect(detail.getByRole('img', { name: 'Survey month in Firefox' })).toBeVisible();
  await expect(
    detail.getByRole('list', { name: 'Where it is so' }).getByRole('listitem').filter({ hasText: 'Firefox' }),
  ).toContainText('Survey week: Firefox treats it as “text”, Chromium as “week”.');
  await detail.getByRole('link', { name: 'See it in the survey' }).click();
  await expect(page.getByRole('complementary', { name: 'Close-up' })).toContainText('Survey month');

  // What a browser does by itself is one finding, whichever fields show it.
  await page.goBack();
  await page
    .getByRole('button', {
      name: /^(.*)Validation messages are worded differently in Firefox and WebKit \(\d+ fields\)/,
    })
    .click();
  await expect(detail.getByRole('list', { name: 'Where it is so' })).toContainText(
    'Observer: WebKit says “Fill out this field”, Chromium says “Please fill out this field.”',
  );
  await detail.getByRole('link', { name: 'See the words in the survey' }).click();
  await expect(cell(page, 'Observer', 'WebKit')).toContainText('Fill out this field');
  await expect(page.getByRole('rowheader').filter({ hasText: 'Remarks' })).toHaveCount(0);
});

test('a baseline says what is new and gone since, and a report takes it along', async ({ page }) => {
  await openRun(page);
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page.getByRole('combobox', { name: 'Baseline' }).click();
  await page.getByTitle(/^baseline /).click();
  const notes = page.getByRole('main').getByRole('status').filter({ hasText: 'Since the baseline' });
  await expect(notes).toContainText('Since the baseline: 0 new, 0 changed, 0 gone; 0 answers differ.');

  // A mistake is made in the form.
  await page.getByRole('link', { name: 'Form', exact: true }).click();
  await page.getByRole('button', { name: /^Water level, metres/ }).click();
  await page.getByLabel('min', { exact: true }).fill('9');
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await expect(notes).toContainText(/Since the baseline: [1-9]/);
  await page.getByText(/^new \d+$/).click();
  await page.getByRole('button', { name: /Water level, metres: min is above max/ }).click();
  await expect(page.getByRole('complementary', { name: 'Finding' })).toContainText(
    'since the baseline: the form has changed.',
  );

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Report' }).click();
  await page.getByRole('menuitem', { name: /^HTML/ }).click();
  const file = await waiting;
  expect(file.suggestedFilename()).toBe('skerry-tide-log-findings.html');
  const text = readFileSync(await file.path(), 'utf8');
  expect(text).toContain('Water level, metres: min is above max');
  expect(text).toMatch(/[1-9]\d* new, /);
});

test('answers that differ from the baseline are listed with their cause, and lead to the survey', async ({
  page,
}, info) => {
  await openRun(page);
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page.getByRole('combobox', { name: 'Baseline' }).click();
  await page.getByTitle(/^baseline /).click();

  // The next sweep finds Firefox in another version, with other words.
  const run = JSON.parse(readFileSync(runFile, 'utf8'));
  const isIt = (one: { question: string; target: string; field: string }) =>
    one.question === 'message' && one.target === 'firefox' && one.field === 'observer';
  const later = {
    ...run,
    id: 'later',
    startedAt: new Date(Date.parse(run.startedAt) + 60_000).toISOString(),
    observations: run.observations.map((one: { target: string; provenance: object }) => {
      if (one.target !== 'firefox') return one;
      const next = { ...one, provenance: { ...one.provenance, version: '999.0' } };
      if (!isIt(one as never)) return next;
      const { outcome } = one as unknown as { outcome: { facts: object } };
      return { ...next, outcome: { ...outcome, facts: { ...outcome.facts, message: 'Say who you are.' } } };
    }),
  };
  const file = info.outputPath('later.run.json');
  writeFileSync(file, JSON.stringify(later));
  await page.getByLabel('File to open').setInputFiles(file);
  await page.getByRole('grid', { name: 'Survey' }).waitFor();
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page.getByText(/^all \d+$/).click();
  const others = page.getByRole('region', { name: 'Answers that differ from the baseline' });
  await expect(others.getByRole('listitem')).toHaveCount(1);
  await expect(others).toContainText('an engine has another version');
  await others.getByRole('link', { name: 'Observer in Firefox' }).click();
  await expect(page).toHaveURL(/\/survey\?.*against=/);
  await expect(page.getByRole('complementary', { name: 'Close-up' })).toContainText('Observer');
});

test('what a maxlength cuts off is shown stroke by stroke, and what was typed before comes back', async ({
  page,
}) => {
  await pasteForm(
    page,
    '<form><label>Card number <input name="card" maxlength="16"></label><button>Send</button></form>',
  );
  await page.getByRole('button', { name: /^Card number text/ }).waitFor();
  await page.getByRole('link', { name: 'Findings', exact: true }).click();
  await page.getByRole('button', { name: /Card number: maxlength="16" cuts 2 of 3/ }).click();
  await page.getByRole('link', { name: 'See the strokes' }).click();
  const script = page.getByRole('textbox', { name: 'Script', exact: true });
  await expect(script).toHaveValue('paste "4000 0012 3456 7899"');
  const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
  await expect(ladder.getByRole('row').nth(1).getByRole('cell').first()).toContainText('4000·0012·3456·7');
  await page.keyboard.press('Control+z');
  await expect(script).toHaveValue('type "4000001234567899"');
});
