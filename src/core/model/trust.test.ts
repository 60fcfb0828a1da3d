import { describe, expect, it } from 'vitest';
import agreement from './agreement.json';
import { trustText } from './trust';

describe('how far to trust the model', () => {
  it('is told by kind where there were questions about it, with the engine and its version', () => {
    expect(trustText({ deviations: 'chromium' }, 'number')).toContain(`validity of number fields`);
    expect(trustText({ deviations: 'firefox' }, 'meter')).toContain(
      `${agreement.firefox.validityInAll.asked.toLocaleString('en-GB')} questions about the validity of fields`,
    );
    expect(trustText({ deviations: 'webkit' }, 'submission')).toMatch(
      /forms, the model sends \d+\.\d\d % byte for byte as WebKit 2/,
    );
  });
  it('was measured high enough to be shown', () => {
    for (const { validityInAll, submission } of Object.values(agreement)) {
      expect(validityInAll.agreed / validityInAll.asked).toBeGreaterThan(0.995);
      expect(submission.agreed / submission.asked).toBeGreaterThan(0.99);
    }
  });
});
