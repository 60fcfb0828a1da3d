import type { Locator, Page } from '@playwright/test';
import { cell, expect, expectAccessible, openRun, test } from './app';

/** Each view, and what stands on it when it is all there. */
const views: readonly (readonly [string, (page: Page) => Locator])[] = [
  ['/form?field=level', (page) => page.getByRole('textbox', { name: 'Markup of the form' })],
  [
    '/survey?field=email&target=chromium&closeup=on',
    (page) => page.getByRole('complementary').getByRole('img', { name: /bubble/ }),
  ],
  ['/survey?lens=message', (page) => cell(page, 'E-mail', 'Chromium').getByRole('img', { name: /bubble/ })],
  ['/survey?lens=keyboard', (page) => cell(page, 'Phone', 'Android-like phone').getByText('telephone')],
  ['/survey?state=open&sort=on', (page) => page.getByRole('gridcell').getByRole('img').first()],
  ['/typing?stroke=5', (page) => page.getByRole('region', { name: 'Events of the stroke' })],
  ['/typing?field=serial&typing=ways+in', (page) => page.getByRole('table', { name: 'Guards by ways in' })],
  ['/typing?field=serial&typing=samples', (page) => page.getByRole('table', { name: 'Samples' })],
  [
    '/typing?field=station&typing=rule',
    (page) => page.getByRole('group', { name: 'The rule, part by part' }),
  ],
  [
    '/keyboards?field=phone',
    (page) => page.getByRole('group', { name: 'Keyboard of Android-like phone: telephone' }),
  ],
  [
    '/keyboards?field=level&keyboards=all+settings&target=webkit-phone',
    (page) => page.getByRole('table', { name: 'All settings of iOS-like phone' }),
  ],
  [
    '/keyboards?field=level&keyboards=all+settings&target=native-ios-field',
    (page) => page.getByRole('cell', { name: 'digits lacks -' }).first(),
  ],
  [
    '/keyboards?field=serial&keyboards=taps',
    (page) => page.getByRole('table', { name: 'Taps by sample and target' }),
  ],
  ['/submission', (page) => page.getByRole('table', { name: 'Ways to send' })],
  ['/findings', (page) => page.getByRole('complementary', { name: 'Finding' })],
  ['/findings?form=hurried-tide-log', (page) => page.getByRole('region', { name: 'Remedy' })],
  ['/findings?overview=on', (page) => page.getByRole('img', { name: /^By target\./ })],
  [
    '/submission?state=filled&target=firefox',
    (page) => page.getByRole('table', { name: 'Entries as received' }),
  ],
];

const half = views.length / 2;
for (const [which, some] of [
  ['first', views.slice(0, half)],
  ['second', views.slice(half)],
] as const)
  test(`no view of the ${which} half keeps anyone out, in light or dark`, async ({ page }) => {
    await openRun(page);
    for (const [view, whole] of some) {
      await page.goto(view);
      await whole(page).waitFor();
      await expect(page.locator('.ant-spin')).toHaveCount(0);
      await expectAccessible(page);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    }
  });

test('no dialog keeps anyone out, in light or dark', async ({ page }) => {
  await openRun(page);
  await page.goto('/survey?field=month&target=firefox&closeup=on');
  await page.getByRole('button', { name: 'Line-up: 5 targets' }).click();
  await page.getByRole('button', { name: 'New target…' }).click();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Line-up: 5 targets' }).click();
  await page.getByRole('button', { name: 'A real device…' }).click();
  await page.getByRole('switch', { name: 'Listen on the local network' }).click();
  await page.getByRole('img', { name: /^QR code of/ }).waitFor();
  await expectAccessible(page);
  await page.getByRole('switch', { name: 'Listen on the local network' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Fallback plans' }).click();
  await page.getByRole('button', { name: 'Try the plans' }).waitFor();
  await expectAccessible(page);
  await page.goto('/findings?form=hurried-tide-log');
  await page.getByRole('button', { name: /there is no input type/ }).click();
  await page.getByText(/With it, /).waitFor();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Help: order/ }).click();
  await page.getByText(/^A decision stays/).waitFor();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: 'Open a page of yours…' }).click();
  await page.getByRole('dialog', { name: 'Open a page of yours' }).waitFor();
  await expectAccessible(page);
});

test('the survey and the ladder go by keyboard alone', async ({ page }) => {
  await page.goto('/survey');
  await page.getByRole('heading', { name: 'Nothing was asked yet' }).waitFor();
  await page.keyboard.press('Control+Enter');
  await page.getByRole('button', { name: 'Cancel' }).waitFor();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor();
  await page.locator('[role=gridcell][tabindex="0"]').focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(page).toHaveURL(/field=observer&target=firefox/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Close-up' })).toContainText('Observer');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+3');
  await expect(page.getByRole('heading', { name: 'Typing' })).toBeVisible();
  const files = page.getByRole('button', { name: 'Files' });
  await files.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Export form' })).toBeVisible();
  await expect(files).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menuitem', { name: 'Export form' })).toBeHidden();
  await expect(files).toBeFocused();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog')).toContainText('Sweep the line-up');
});
