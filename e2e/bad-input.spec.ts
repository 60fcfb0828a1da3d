import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp } from '../scripts/start-app.mjs';
import { targets } from '../src/core/target/line-up';
import { alert, cell, expect, intoMarkup, pasteForm, sweep, test } from './app';

test.describe('bad input gets one plain sentence, and nothing is lost', () => {
  test('markup that is empty, endless or without fields', async ({ page }) => {
    await page.goto('/form');
    await intoMarkup(page);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Delete');
    await expect(page.getByRole('region', { name: 'Fields' })).toContainText('No fields yet.');
    await page.getByRole('button', { name: 'Sweep', exact: true }).click();
    await expect(alert(page)).toContainText(
      'The form has no fields yet. Add an input, a select or a textarea',
    );
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: /^Station code/ })).toBeVisible();

    await page.getByRole('button', { name: 'Files' }).click();
    const large = `<form>${'<p>tide</p>'.repeat(190_000)}<input name=last></form>`;
    await page
      .getByLabel('File to open')
      .setInputFiles({ name: 'large.html', mimeType: 'text/html', buffer: Buffer.from(large) });
    await expect(page.getByRole('list', { name: 'Notes on the markup' })).toContainText(
      'longer than 1,000,000 characters',
    );
    await page.getByRole('button', { name: 'Sweep', exact: true }).click();
    await expect(alert(page)).toContainText('The markup is longer than 1,000,000 characters.');
  });

  test('a file that is not a run, and one of a newer version', async ({ page }) => {
    await page.goto('/survey');
    const open = (text: string) =>
      page
        .getByLabel('File to open')
        .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await open('{"hello": 1}');
    await expect(page.getByText('This is not a run file of Ukko.')).toBeVisible();
    await open('{"format": "ukko-run", "version": 7}');
    await expect(
      page.getByText(
        'The run file has version 7; this Ukko reads up to version 5. Open it with a newer Ukko.',
      ),
    ).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Nothing was asked yet' })).toBeVisible();
  });

  test('a script with a mistake says where, and what was there stays', async ({ page }) => {
    await page.goto('/typing');
    await page.getByRole('textbox', { name: 'Script', exact: true }).fill('type "1"\npress 2');
    await expect(alert(page)).toContainText(
      'Line 2, column 1: “press” is not a statement. Write one of type, soft, key,',
    );
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Script', exact: true })).toHaveValue('type "1"\npress 2');
  });

  test('a hostile form runs nothing, here or in the probe', async ({ page }) => {
    await page.goto('/form');
    await page.getByRole('button', { name: /^Station code/ }).waitFor();
    await page.evaluate(() => {
      const text =
        '<form><script>top.hurt=1</script><img src=x onerror="top.hurt=1"><input name=a autofocus onfocus="top.hurt=1" required></form>';
      const data = new DataTransfer();
      data.setData('text/plain', text);
      document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    });
    await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(1);
    await sweep(page);
    expect(await page.evaluate(() => 'hurt' in window)).toBe(false);
    await page.getByRole('link', { name: 'Survey', exact: true }).click();
    await expect(cell(page, 'a', 'This browser').getByRole('img')).toBeVisible();
  });
});

function childrenOf(process: number | undefined): number[] {
  const list = execFileSync('ps', ['-eo', 'pid=,ppid='], { encoding: 'utf8' }).trim().split('\n');
  const pairs = list.map((line) => line.trim().split(/\s+/).map(Number));
  return pairs.flatMap(([id, parent]) => (id && parent === process ? [id] : []));
}

/** One of its helpers may have ended by itself since the list was made. */
function killIfThere(id: number): void {
  try {
    process.kill(id, 'SIGKILL');
  } catch (error) {
    if (!(error instanceof Error && 'code' in error && error.code === 'ESRCH')) throw error;
  }
}

test('an engine that is killed is started again, and costs no answer', async ({ page, app }) => {
  test.setTimeout(180_000);
  // Many fields and nothing that opens: long enough to be killed in, and soon asked again.
  await pasteForm(page, Array.from({ length: 30 }, (_, index) => `<input name=a${index}>`).join(' '));
  await expect(page.getByRole('region', { name: 'Fields' }).getByRole('listitem')).toHaveCount(30);
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.getByRole('button', { name: 'Sweep now' }).click();
  await expect(page.getByRole('status', { name: 'Progress of the sweep' })).toContainText(
    /Chromium[1-9]\d* of/,
  );
  for (const keeper of childrenOf(app.child.pid)) for (const id of childrenOf(keeper)) killIfThere(id);
  await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor({ timeout: 150_000 });
  await expect(page.getByText(/went away|did not answer|did not start/)).toHaveCount(0);
  for (const target of ['Chromium', 'Firefox', 'WebKit'])
    await expect(cell(page, 'a0', target).getByRole('img')).toBeVisible();
});

test('a cancelled sweep stops at once and keeps what came', async ({ page }) => {
  await page.goto('/survey');
  await page.getByRole('button', { name: 'Sweep now' }).click();
  const answered = cell(page, 'Observer', 'Android-like phone').getByRole('img');
  await expect(answered).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('button', { name: 'Sweep', exact: true })).toBeVisible();
  await expect(page.getByText('cut short')).toBeVisible();
  await expect(answered).toBeVisible();

  // Escape is heard, too, while the frame of this browser has the focus.
  await page.getByRole('button', { name: 'Sweep', exact: true }).click();
  await expect(page.getByRole('status', { name: 'Progress of the sweep' })).toContainText(
    /This browser[1-9]\d* of/,
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Sweep', exact: true })).toBeVisible();
});

test('without an engine the model and this browser still answer, and Ukko says how to get one', async ({
  page,
}) => {
  const bare = await startApp(undefined, {
    UKKO_CHROMIUM: '/nowhere/chromium',
    UKKO_FIREFOX: '/nowhere/firefox',
    UKKO_WEBKIT: '/nowhere/webkit',
  });
  try {
    await page.goto(`${bare.address}/survey`);
    await expect(page.getByRole('banner')).toContainText('Chromium is not installed');
    await sweep(page);
    for (const name of ['chromium', 'firefox-esr', 'webkit2gtk-driver'])
      await expect(page.getByRole('status')).toContainText(`Install it with “apt-get install ${name}`);
    await expect(cell(page, 'Observer', 'This browser').getByRole('img')).toBeVisible();
    await expect(cell(page, 'Observer', 'Chromium')).toContainText('Chromium is not on this machine.');
  } finally {
    await bare.stop();
  }
});

test('the server answers this machine only, and its pages and its probe are under a strict policy', async ({
  request,
  app,
}) => {
  const host = new URL(app.address).host;
  const status = async (path: string, headers: Record<string, string>, method = 'GET') =>
    (
      await request.fetch(`${app.address}${path}`, {
        method,
        headers,
        data: method === 'POST' ? {} : undefined,
      })
    ).status();
  expect(await status('/api/engines', {})).toBe(200);
  expect(await status('/api/engines', { host: 'elsewhere.example' })).toBe(403);
  expect(await status('/form', { host: 'elsewhere.example' })).toBe(403);
  expect(await status('/api/sweep', { origin: 'http://elsewhere.example' }, 'POST')).toBe(403);
  expect(await status('/api/engines', { 'sec-fetch-site': 'cross-site' })).toBe(403);
  expect(await status('/api/sweep', { origin: `http://${host}` }, 'POST')).toBe(400);
  const page = (await request.get(`${app.address}/form`)).headers()['content-security-policy'] ?? '';
  expect(page).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(page).not.toContain('unsafe-eval');
  const probe = (await request.get(`${app.address}/probe`)).headers()['content-security-policy'] ?? '';
  expect(probe).toMatch(/^sandbox allow-scripts allow-forms; default-src 'none'; script-src 'nonce-[^']+'/);
  expect(probe).toContain("form-action 'none'");
});

for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
  test(`a server that ends by ${signal} leaves no browser and no profile behind`, async ({ request }) => {
    const temporary = mkdtempSync(join(tmpdir(), 'ukko-e2e-'));
    const app = await startApp(undefined, { TMPDIR: temporary });
    const left = () =>
      execFileSync('ps', ['-eo', 'stat=,args='], { encoding: 'utf8' })
        .split('\n')
        .filter((line) => line.includes(temporary) && !line.startsWith('Z'));
    const markup = '<input name=a>'.repeat(300);
    const answer = request
      .post(`${app.address}/api/sweep`, {
        data: {
          markup,
          questions: ['look'],
          scripts: {},
          fields: null,
          targets: targets.filter(({ id }) => id === 'chromium'),
        },
      })
      .catch(() => null);
    await expect.poll(() => left().length, { timeout: 20_000 }).toBeGreaterThan(3);
    app.child.kill(signal);
    await app.exited;
    await answer;
    await expect.poll(() => [...left(), ...readdirSync(temporary)], { timeout: 10_000 }).toEqual([]);
    rmSync(temporary, { recursive: true });
  });
}
