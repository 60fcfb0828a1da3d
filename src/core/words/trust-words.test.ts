import { describe, expect, it } from 'vitest';
import agreement from '../model/agreement.json';
import { trustText } from './trust-words';

describe('how far to trust the model', () => {
  it('is told by kind where there were questions about it, with the engine and its version', () => {
    expect(trustText({ deviations: 'chromium' }, 'number')).toContain(`validity of number fields`);
    expect(trustText({ deviations: 'firefox' }, 'meter')).toContain(
      `${agreement.firefox.validityInAll.asked.toLocaleString('en-GB')} questions about the validity of fields`,
    );
    expect(trustText({ deviations: 'webkit' }, 'submission')).toMatch(
      /^The model agrees with WebKit 2[\d.]+ on \d+\.\d\d % of [\d,]+ submitted forms/,
    );
  });
  it('was measured high enough to be shown', () => {
    for (const { validityInAll, submission } of Object.values(agreement)) {
      expect(validityInAll.agreed / validityInAll.asked).toBeGreaterThan(0.995);
      expect(submission.agreed / submission.asked).toBeGreaterThan(0.99);
    }
  });
});
