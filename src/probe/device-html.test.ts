import { parse } from 'parse5';
import { describe, expect, it } from 'vitest';
import { deviceIds } from './device-data';
import { deviceHtml, devicePolicy } from './device-html';

const odd = { form: '</title><script>alert(1)</script>', markup: '</script><!-- <script> --><input name=a>' };

describe('the page for a device', () => {
  it('holds the form as data, whatever stands in it, and two scripts of its own', async () => {
    const html = await deviceHtml({ ...odd, nonce: 'n', answers: null });
    const scripts: { type: string; text: string; nonce: string | undefined }[] = [];
    const walk = (node: {
      nodeName: string;
      childNodes?: unknown[];
      attrs?: { name: string; value: string }[];
    }) => {
      const attribute = (name: string) => node.attrs?.find((one) => one.name === name)?.value;
      if (node.nodeName === 'script')
        scripts.push({
          type: attribute('type') ?? '',
          nonce: attribute('nonce'),
          text: (node.childNodes as { value: string }[]).map(({ value }) => value).join(''),
        });
      for (const child of node.childNodes ?? []) walk(child as Parameters<typeof walk>[0]);
    };
    walk(parse(html) as Parameters<typeof walk>[0]);
    expect(scripts.map(({ type, nonce }) => [type, nonce])).toEqual([
      ['application/json', undefined],
      ['', 'n'],
    ]);
    expect(JSON.parse(scripts[0]?.text ?? '')).toMatchObject({ ...odd, answers: null });
    for (const id of Object.values(deviceIds)) expect(html).toContain(`id="${id}"`);
  });

  it('may load nothing, send no form, and reach only where it came from', () => {
    const policy = devicePolicy('n');
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("form-action 'none'");
    expect(policy).toContain("connect-src 'self'");
    expect(policy).not.toMatch(/https?:|\*/);
  });
});
