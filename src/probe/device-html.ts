import { escapedText } from '@/core/html/edit-markup';
import { probeBundle } from './bundle';
import { type DeviceData, deviceIds } from './device-data';

/** Nothing is loaded and nothing leaves but answers to where the page came from; a page from a file has nowhere to send to. */
export function devicePolicy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'nonce-${nonce}'`,
    "style-src 'unsafe-inline'",
    'img-src data: blob:',
    'font-src data:',
    "connect-src 'self'",
    "frame-src 'self'",
    "form-action 'none'",
    "base-uri 'none'",
  ].join('; ');
}

/** The page that a real device opens: it answers by itself, then lets a person type. It needs nothing beside itself. */
export async function deviceHtml(given: Omit<DeviceData, 'frame'>): Promise<string> {
  const [page, frame] = await Promise.all([probeBundle('device-page'), probeBundle('device-frame')]);
  const data: DeviceData = { ...given, frame: frame.code };
  const json = JSON.stringify(data).replaceAll('<', '\\u003c');
  const escaped = escapedText(given.form);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="content-security-policy" content="${devicePolicy(given.nonce)}">
<title>${escaped} · Ukko on this device</title>
<style>
body { margin: 0; background: #f4f1ea; color: #33373c; font: 16px/1.5 sans-serif }
header { padding: 12px 16px; border-bottom: 1px solid #d8d2c4 }
h1 { margin: 0; font-size: 18px }
p { margin: 4px 0 8px }
button { min-height: 44px; padding: 0 14px; border: 1px solid #8d8674; border-radius: 4px; background: #fffef9; color: inherit; font: inherit }
</style>
</head>
<body>
<header>
<h1>${escaped}</h1>
<p id="${deviceIds.state}" role="status">Starting…</p>
<button type="button" id="${deviceIds.save}">Save the answers as a file</button>
</header>
<main id="${deviceIds.form}"></main>
<script type="application/json" id="${deviceIds.data}">${json}</script>
<script nonce="${given.nonce}">${page.code}</script>
</body>
</html>
`;
}
