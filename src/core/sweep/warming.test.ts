import { describe, expect, it } from 'vitest';
import { defaultLineUp } from '../target/line-up';
import { questionFaultText } from '../words/request-fault-words';
import { readWarming } from './warming';

const targets = defaultLineUp.targets.filter(({ ask }) => ask === 'engine');

describe('what a window says of its line-up', () => {
  it('is its engines, or none', () => {
    for (const question of [
      { targets, isForOwnPage: false },
      { targets: [], isForOwnPage: true },
    ])
      expect(readWarming(question)).toEqual({ status: 'read', question });
  });

  it.each([
    [{}],
    [{ targets: [{ id: 'chromium' }] }],
    [{ targets }],
    [{ targets, isForOwnPage: true, more: 1 }],
    [null],
  ])('is refused where it is something else: %j', (data) => {
    const reading = readWarming(data);
    expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
      /^The engines cannot be made ready: .+\.$/,
    );
  });
});
