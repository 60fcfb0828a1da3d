import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTargets } from './asking-engines';

const here = await enginesAvailable();

describe.skipIf(!here).each(ownTargets)('$name in German', (target) => {
  it('shows a number with a comma and sends it with a point', async () => {
    const german = { ...target, variant: { ...target.variant, language: 'de-DE' as const } };
    const { observations } = await ask(
      german,
      askingOf('<form lang=de><input type=number name=level step=any value=1.5></form>', ['look']),
    );
    const closed = observations.find((o) => o.question === 'look' && o.state === 'closed');
    expect(closed?.outcome).toMatchObject({
      status: 'answered',
      facts: { value: '1.5', textShown: '1,5', sent: ['level=1.5'] },
    });
  });
});
