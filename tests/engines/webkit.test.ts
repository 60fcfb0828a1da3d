import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import { ask, ownTarget } from './asking-engines';
import { engineSuite } from './engine-suite';

const webkit = ownTarget('webkit');

engineSuite(webkit);

describe('WebKit, whose pop-ups have a shape of their own', () => {
  it('shows the page around what opens, and no box that the toolkit paints under it', async () => {
    const markup = '<style>html{background:#1e90c8}</style><p>Day <input type="date" name="day" required>';
    const heard = await ask(webkit, askingOf(markup, ['opening', 'bubble']));
    expect(heard.pictures.size).toBe(2);
    for (const { outcome } of heard.observations) {
      const facts = outcome.status === 'answered' && outcome.facts;
      if (!facts || !('popUp' in facts) || !facts.popUp || !facts.picture) throw new Error('Nothing opened.');
      const picture = PNG.sync.read(Buffer.from(heard.pictures.get(facts.picture)?.data ?? '', 'base64'));
      // Beside the tip, in the corner of what opened: 2 px are added around it.
      const corner = { x: picture.width - 5, y: picture.height - 2 - facts.popUp.height + 2 };
      const at = (corner.y * picture.width + corner.x) * 4;
      // The outermost pixel of the pop-up's own soft shadow may stand here: it takes a level or two. The toolkit's grey is 40 and more away.
      const away = [0x1e, 0x90, 0xc8].map((level, channel) =>
        Math.abs((picture.data[at + channel] ?? 0) - level),
      );
      expect(Math.max(...away)).toBeLessThanOrEqual(3);
    }
  });

  it('hears Enter after a list of options was open', async () => {
    const markup =
      '<form action="/log"><input name="a"><select name="s"><option>x<option>y</select><button>Go</button></form>';
    const heard = await ask(webkit, askingOf(markup, ['opening', 'submission']));
    const sending = heard.observations.find(({ question }) => question === 'submission');
    expect(sending?.outcome).toMatchObject({
      facts: { others: { enter: { status: 'sent', url: '/log?a=&s=x' } } },
    });
  });
});
