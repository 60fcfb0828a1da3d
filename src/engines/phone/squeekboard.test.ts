import { describe, expect, it } from 'vitest';
import { squeekboard } from './squeekboard';

describe('what an on-screen keyboard says of itself', () => {
  it('is what was asked for and what was loaded, out of much else', () => {
    const log = squeekboard.log();
    expect([log.asked, log.layout]).toEqual([null, null]);
    for (const line of [
      '[3979339.037]  -> wl_display@1.get_registry(new id wl_registry@2)',
      '[1.0] zwp_input_method_v2@20.content_type(192, 8)',
      'Info: Loaded layout Resource: number/us',
    ])
      log.hear(line);
    expect(log.asked).toEqual({ purpose: 'password', hints: ['hidden_text', 'sensitive_data'] });
    expect(log.layout).toBe('number/us');
  });

  it('is forgotten as far as it was asked; the layout stays up', () => {
    const log = squeekboard.log();
    log.hear('zwp_input_method_v2@7.content_type(0, 6)');
    log.hear('Loaded layout Resource: email/us');
    log.forget();
    expect([log.asked, log.layout]).toEqual([null, 'email/us']);
  });

  it('is nothing where the purpose has no name', () => {
    const log = squeekboard.log();
    log.hear('zwp_input_method_v2@7.content_type(0, 99)');
    expect(log.asked).toBeNull();
  });
});
