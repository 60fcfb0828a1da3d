import { describe, expect, it } from 'vitest';
import { isScripted, ownPageSchema, pageAsRead, pageKey } from './own-page';

const page = { address: 'http://localhost:5173/', form: 1, steps: '' };
const frame = { sort: 'frame', label: 'Card' } as const;

describe('a page as it was read last', () => {
  it('keeps where it is, and nothing of what was read of it before', () => {
    const before = pageAsRead({ ...page, held: true }, { unread: [frame], hasScripts: true });
    expect(before).toEqual({ ...page, held: true, unread: [frame], hasScripts: true });
    expect(pageAsRead(before, { unread: [], hasScripts: false })).toEqual({
      ...page,
      held: true,
      hasScripts: false,
    });
  });
  it('is read from a file of before, and as it is now', () => {
    for (const one of [page, { ...page, hasScripts: false, unread: [frame] }])
      expect(ownPageSchema.validateSync(one)).toMatchObject(one);
    expect(ownPageSchema.isValidSync({ ...page, hasScripts: 'no' })).toBe(false);
  });
  it('is another for an engine where something else is done there, and no other for a space', () => {
    expect(pageKey({ ...page, steps: ' ' })).toBe(pageKey(page));
    expect(new Set([page, { ...page, held: true }, { ...page, steps: 'go "/a"' }].map(pageKey)).size).toBe(3);
  });
});

describe('scripts', () => {
  it('may act on a page of which nobody looked for some, and on no markup alone', () => {
    expect([page, { ...page, hasScripts: true }, { ...page, hasScripts: false }].map(isScripted)).toEqual([
      true,
      true,
      false,
    ]);
    expect([undefined, null].map(isScripted)).toEqual([false, false]);
  });
});
