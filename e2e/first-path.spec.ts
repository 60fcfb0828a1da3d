import { readFile } from 'node:fs/promises';
import { readRunFile } from '../src/core/run/run-file';
import { cell, expect, exported, intoMarkup, openRun, pasteForm, runFile, sweep, test } from './app';

const pasted = `<form>
  <!-- kept -->
  <script>window.hurt = true</script>
  <label>Boat <input type="text" name="boat" maxlength="12" onfocus="window.hurt = true"></label>
  <label>Depth <input type="number" name="depth" min="0" flavour="salt"></label>
</form>`;

test('from a pasted form to a replay, and through a file back to the same screens', async ({ page }) => {
  test.setTimeout(240_000);
  await test.step('the demo form is there on the first visit', async () => {
    await page.goto('/');
    await expect(page).toHaveURL(/\/form\?form=skerry-tide-log/);
    await expect(page.getByRole('button', { name: /^Water level, metres/ })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(31);
  });

  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await test.step('pasted markup brings other fields, names what it does not run, and an edit of a field edits the markup', async () => {
    await intoMarkup(page);
    await page.keyboard.press('Control+a');
    await page.evaluate(async (text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      document.activeElement?.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, pasted);
    await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(2);
    // It is called by what it says, until a person gives it a name.
    const name = page.getByRole('textbox', { name: 'Name of the form' });
    await expect(name).toHaveValue('Boat, Depth');
    const notes = page.getByRole('list', { name: 'Notes on the markup' });
    await expect(notes).toContainText('line 3 Ukko keeps this script in the markup and does not run it.');
    await expect(notes).toContainText('Ukko does not know the attribute flavour and keeps it.');
    await page.getByRole('button', { name: /^Depth/ }).click();
    await page.getByLabel('min', { exact: true }).fill('-3');
    await expect(markup).toContainText('<!-- kept -->');
    await expect(markup).toContainText('name="depth" min="-3" flavour="salt"');
    expect(await page.evaluate(() => 'hurt' in window)).toBe(false);
  });

  await test.step('undo goes back through every edit', async () => {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(markup).toContainText('min="0"');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(31);
    await expect(page.getByRole('textbox', { name: 'Name of the form' })).toHaveValue('Skerry Tide Log');
  });

  await test.step('a sweep fills the survey, and a reload keeps it', async () => {
    await page.getByRole('link', { name: 'Survey', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Nothing was asked yet' })).toBeVisible();
    await page.getByRole('button', { name: 'Sweep now' }).click();
    await expect(page.getByRole('status', { name: 'Progress of the sweep' })).toContainText(/\d+ of \d+ · /);
    await page.getByRole('button', { name: 'Cancel' }).click();
    await expect(page.getByText('cut short')).toBeVisible();
    await page.getByRole('button', { name: 'Files' }).click();
    await page.getByRole('menuitem', { name: 'Delete this sweep' }).click();
    await expect(page.getByRole('heading', { name: 'Nothing was asked yet' })).toBeVisible();
    await page.getByLabel('File to open').setInputFiles(runFile);
    await expect(cell(page, 'Station code', 'Chromium').getByRole('img')).toBeVisible();
    await page.reload();
    for (const target of ['Chromium', 'Firefox', 'WebKit', 'This browser'])
      await expect(cell(page, 'Station code', target).getByRole('img')).toHaveJSProperty('complete', true);
    const picture = cell(page, 'Station code', 'Chromium').getByRole('img');
    expect(await picture.evaluate((image: HTMLImageElement) => [image.naturalWidth, image.width])).toEqual([
      185, 185,
    ]);
    await expect(
      cell(page, 'Reading date', 'Android-like phone').getByRole('img', {
        name: 'Reading date: text, list',
      }),
    ).toBeVisible();
  });

  await test.step('the close-up shows pictures, facts and where they come from', async () => {
    await cell(page, 'Reading date', 'Chromium').click();
    const panel = page.getByRole('complementary', { name: 'Close-up' });
    await expect(
      panel.getByRole('img', { name: /^Reading date, (closed|focused|filled|invalid|disabled), measured$/ }),
    ).toHaveCount(5);
    await expect(panel.getByRole('img', { name: 'Reading date, open, measured' })).toBeVisible();
    await expect(panel.getByRole('img', { name: 'Reading date, bubble, measured' })).toBeVisible();
    await expect(panel).toContainText('picker button: its picture changes when');
    await expect(panel).toContainText('drawn asmonth, day, year');
    await expect(panel).toContainText(/Measured: Chromium \d+\.[\d.]+ over WebDriver BiDi/);
    await expect(panel).toContainText('rangeOverflow');
    await expect(panel).toContainText('Value must be 12/31/2026 or earlier.');
    await panel.getByRole('button', { name: 'This browser' }).click();
    await expect(panel).toContainText(/Captured: Chrome \d+.*, script-made events/);
    await panel.getByRole('button', { name: 'Android-like phone' }).click();
    await expect(panel).toContainText('Modelled: the desktop Blink engine');
    await page.keyboard.press('Escape');
    await expect(panel).toBeHidden();
  });

  await test.step('the message lens shows each target’s own words', async () => {
    await page.getByText('message', { exact: true }).click();
    await expect(cell(page, 'E-mail', 'Chromium')).toContainText(
      "Please include an '@' in the email address.",
    );
    await expect(cell(page, 'E-mail', 'Android-like phone')).toContainText(
      "Please include an '@' in the email address.",
    );
  });

  await test.step('typing: the model answers at once, Chromium and this browser were asked, the guard refuses', async () => {
    await page.getByRole('link', { name: 'Typing' }).click();
    await page.getByRole('heading', { name: 'Typing' }).waitFor();
    await page.goto('/typing?field=level');
    const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
    const sixth = ladder.getByRole('row').nth(6);
    await expect(ladder.getByRole('columnheader')).toHaveText([
      'Stroke',
      /Chromium.*measured, as modelled/,
      /Firefox.*measured, as modelled/,
      /WebKit.*measured, as modelled/,
      /This browser.*captured/,
      /Android-like phone.*modelled/,
    ]);
    await expect(sixth.locator('del')).toHaveText(['5', '5', '5', '5', '5']);
    await expect(ladder).not.toContainText('not as modelled');
    await sixth.getByRole('button').first().click();
    const events = page.getByRole('region', { name: 'Events of the stroke' });
    await expect(events).toContainText('refused by a guard');
    await expect(events.getByRole('row').filter({ hasText: 'beforeinput' })).toContainText('prevented');
  });

  await test.step('a switched-off guard changes the model at once; the engine is asked on request', async () => {
    const ladder = page.getByRole('table', { name: 'Replay, stroke by stroke' });
    await page.getByRole('switch', { name: /at most 2 decimals/ }).click();
    await expect(ladder.getByRole('columnheader', { name: /Chromium/ }).first()).toContainText(
      'asked for another script or guard',
    );
    await expect(ladder.getByRole('row').nth(6)).toContainText('-1.255');
    await ladder.getByRole('button', { name: 'Ask' }).first().click();
    await expect(ladder.getByRole('columnheader', { name: /Chromium/ }).first()).toContainText('measured');
    await expect(ladder.getByRole('row').nth(6).getByRole('button').first()).toContainText('-1.255');
    await expect(ladder).not.toContainText('not as modelled');
    await page.getByRole('switch', { name: /at most 2 decimals/ }).click();
  });

  const shown = async () => {
    await page.goto('/survey?lens=message');
    // Until its picture is read, the cell says the picture's name.
    await cell(page, 'E-mail', 'Chromium')
      .getByRole('img', { name: /bubble/ })
      .waitFor();
    const text = await cell(page, 'E-mail', 'Chromium').textContent();
    await page.goto('/survey?state=invalid');
    const width = await cell(page, 'Reading date', 'Chromium')
      .getByRole('img')
      .evaluate((image: HTMLImageElement) => image.naturalWidth);
    return { text, width };
  };
  await test.step('exported, everything deleted, opened again: the same screens', async () => {
    const before = await shown();
    const file = await (await exported(page)).path();
    expect(readRunFile(await readFile(file, 'utf8')).status).toBe('read');
    await page.getByRole('button', { name: 'Files' }).click();
    await page.getByRole('menuitem', { name: 'Delete everything…' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Delete everything' }).click();
    await page.getByRole('region', { name: 'Fields' }).waitFor();
    await page.goto('/survey');
    await expect(page.getByRole('heading', { name: 'Nothing was asked yet' })).toBeVisible();
    await page.getByLabel('File to open').setInputFiles(file);
    await expect(page).toHaveURL(/run=/);
    expect(await shown()).toEqual(before);
    await page.goto('/typing?field=level');
    await expect(
      page.getByRole('columnheader', { name: /Chromium.*measured|asked for another/ }).first(),
    ).toBeVisible();
  });
});

test('three engines side by side differ where nobody told the program that they do', async ({ page }) => {
  await openRun(page);
  for (const field of ['Survey month', 'Survey week'])
    await expect(cell(page, field, 'Firefox')).toContainText(/differs: type.*parts/);
  await expect(cell(page, 'Survey week', 'WebKit')).toContainText(/differs: size, parts, readable/);
  await expect(cell(page, 'Reading date', 'WebKit')).toContainText('parts');
  await page.goto('/survey?state=open&differences=on');
  await expect(cell(page, 'High water', 'Firefox')).toContainText('Nothing opens on a click in the middle');
  await expect(cell(page, 'Reading date', 'WebKit')).toContainText('on a click in the middle');
  await expect(cell(page, 'Reading date', 'Chromium').getByRole('img')).toHaveJSProperty('complete', true);
  await expect(page.getByRole('rowheader').filter({ hasText: 'Observer' })).toHaveCount(0);
  await page.goto('/survey?lens=message');
  await expect(cell(page, 'Observer', 'WebKit')).toContainText('Fill out this field');
  await expect(cell(page, 'Observer', 'WebKit')).toContainText('differs: message');
  await expect(cell(page, 'Observer', 'Firefox')).toContainText('Please fill out this field.');
  await expect(cell(page, 'Observer', 'Firefox')).not.toContainText('differs');
  await expect(cell(page, 'Observer', 'Firefox').getByRole('img', { name: /bubble/ })).toBeVisible();
  await page.goto('/survey?lens=message&sort=on');
  await expect(page.getByRole('rowheader').first()).toHaveText(/Phone|Gauge serial|E-mail/);
});

test('a target of one’s own joins the line-up, falls back, and every plan for it is tried', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await pasteForm(page, '<form><label>Landing <input type=date name=landing></label></form>');
  await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: 'Line-up: 5 targets' }).click();
  for (const name of ['Firefox', 'WebKit', 'This browser', 'Android-like phone'])
    await page.getByRole('button', { name: `Take ${name} out` }).click();
  await page.getByRole('button', { name: 'New target…' }).click();
  const form = page.getByRole('form', { name: 'New target' });
  await form.getByLabel('Name').fill('Before pickers');
  await form.getByLabel('Language').click();
  await page.getByTitle('German').click();
  await form.getByLabel('Does not know the kinds').click();
  await page.getByTitle('date', { exact: true }).click();
  await form.getByRole('button', { name: 'Add to the line-up' }).click();
  await page.keyboard.press('Escape');
  await sweep(page);
  // Nothing of it is seen among the fields; it says where.
  const ended = page.getByRole('status').filter({ hasText: 'The sweep has ended' });
  await ended.getByRole('link', { name: 'survey' }).click();
  await expect(page.getByRole('columnheader')).toHaveText([/Field/, /Chromium/, /Before pickers/]);
  await expect(ended).toHaveCount(0);
  const own = page.getByRole('row').filter({ hasText: 'Landing' }).getByRole('gridcell').nth(1);
  await expect(own).toContainText('differs: type');
  await own.click();
  const panel = page.getByRole('complementary', { name: 'Close-up' });
  await expect(panel).toContainText('Before pickers treats it as “text”, Chromium as “date”.');
  await expect(panel).toContainText('date is not known to Before pickers.');
  await panel.getByRole('button', { name: 'Fallback plans' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Try the plans' }).click();
  const plan = (name: string) =>
    dialog.getByRole('row').filter({ has: page.getByRole('rowheader', { name }) });
  await expect(plan('leave it').getByRole('cell').nth(1)).toContainText(
    'sent landing=14.3.2026The server gets a format that the kind date never submits.',
    { timeout: 60_000 },
  );
  await expect(plan('scripted picker').getByRole('cell').nth(1)).toContainText('sent landing=2026-03-14');
  await expect(plan('scripted picker').getByRole('cell').nth(1)).not.toContainText('The server gets');
  await expect(plan('selects').getByRole('cell').first()).toContainText(
    'It replaces the target’s own picker.',
  );
  await expect(plan('scripted picker').getByRole('cell').first()).toContainText(
    'the kind is known here; picked',
  );
  await expect(plan('scripted picker').getByRole('img')).toHaveCount(2);
});

test('cells that differ from the reference are marked, in words too, and can be shown alone', async ({
  page,
}) => {
  await openRun(page);
  const text = await readFile(runFile, 'utf8');
  const { run } = readRunFile(text) as Extract<ReturnType<typeof readRunFile>, { status: 'read' }>;
  // What an engine without date pickers would have answered, put into the file of a real run.
  const other = {
    ...JSON.parse(text),
    id: 'another-run',
    observations: run.observations.map((o) =>
      o.question === 'look' &&
      o.field === 'date' &&
      o.target === 'this-browser' &&
      o.outcome.status === 'answered'
        ? { ...o, outcome: { ...o.outcome, facts: { ...o.outcome.facts, typeReflected: 'text' } } }
        : o,
    ),
  };
  await page.getByLabel('File to open').setInputFiles({
    name: 'other.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(other)),
  });
  await expect(cell(page, 'Reading date', 'This browser')).toContainText('differs: type');
  await page.getByRole('switch', { name: 'only differences' }).click();
  await expect(page.getByRole('rowheader').filter({ hasText: 'Reading date' })).toBeVisible();
  await expect(page.getByRole('rowheader').filter({ hasText: 'May be published' })).toHaveCount(0);
  await cell(page, 'Reading date', 'This browser').click();
  await expect(page.getByRole('complementary', { name: 'Close-up' })).toContainText(
    'This browser treats it as “text”, Chromium as “date”.',
  );
  // Compared with the run that it was made of, nothing else differs.
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'Compared with' }).click();
  await page.getByTitle(/^with \d/).click();
  await expect(page.getByRole('main')).toContainText(
    'the versions of the engines are the same in both sweeps',
  );
  await expect(page.getByRole('rowheader')).toHaveText([/Reading date/]);
  await expect(cell(page, 'Reading date', 'This browser')).toContainText('differs: type');
});
