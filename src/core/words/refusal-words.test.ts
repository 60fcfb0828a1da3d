import { describe, expect, it } from 'vitest';
import type { Refusal } from '../reading/refusal';
import { fileFaultText } from './file-fault-words';
import { refusalText } from './refusal-words';

describe('why something is not done', () => {
  it.each<[Refusal, string[]]>([
    [{ code: 'sweeps full', most: 2 }, ['2 sweeps', 'Wait for one']],
    [{ code: 'devices full', most: 4 }, ['4 devices', 'Stop listening']],
    [
      { code: 'page not confirmed', address: 'http://localhost:3000/' },
      ['http://localhost:3000/', 'Confirm'],
    ],
    [{ code: 'device sent too much at once', most: 8 }, ['8 MB at once', 'keeps everything before it']],
    [{ code: 'device sent too much', most: 64 }, ['64 MB in all', 'new link']],
    [{ code: 'sender shut out', wrong: 20, sender: '10.0.0.7' }, ['20 wrong codes', '10.0.0.7']],
    [
      { code: 'listening ended', wrong: 200, senders: 12 },
      ['200 wrong codes', '12 addresses', 'Listen again'],
    ],
  ])('%o says with its values what to do', (refusal, parts) => {
    for (const part of parts) expect(refusalText(refusal)).toContain(part);
  });

  it('names the part of a workspace that cannot be read, and why', () => {
    const file = 'workspace';
    expect(fileFaultText({ file, code: 'part damaged', name: 'runs/1.json' })).toBe(
      'The part runs/1.json of the workspace file is damaged. Export the workspace again.',
    );
    expect(
      fileFaultText({
        file,
        code: 'part unread',
        name: 'runs/2.json',
        fault: { file: 'run', code: 'no version' },
      }),
    ).toBe(
      'In runs/2.json of the workspace file: The run file does not state its version. Export the run again.',
    );
  });
});
