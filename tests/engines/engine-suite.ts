import { setTimeout as wait } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { typingTasks } from '@/core/document/form-document';
import type { TypingTasks } from '@/core/guard/typing-task';
import { fieldId } from '@/core/html/field';
import { pictureId } from '@/core/observation/picture';
import { askingOf, planOf } from '@/core/questions/asking';
import type { LookObservation } from '@/core/questions/look/facts';
import type { Observation } from '@/core/questions/observation';
import type { TypingObservation } from '@/core/questions/typing/facts';
import { graphemes } from '@/core/script/graphemes';
import { readScript } from '@/core/script/script-text';
import type { EngineTarget } from '@/core/target/target';
import { changeBetweenPictures } from '@/engines/picture/crop';
import { enginesAvailable } from '../fixtures/engines';
import {
  ask,
  askingWarm,
  type Heard,
  kill,
  browsers as ownBrowsers,
  ownTargets,
  profiles,
} from './asking-engines';

const here = await enginesAvailable();
const full = askingOf(demoForm.markup, ['look', 'message', 'typing'], typingTasks(demoForm));

/** Long enough to be interrupted, and short enough to be asked again from its beginning. */
const interrupted = askingOf(
  `<form><label>Day <input type=date name=day required></label><label>Code <input name=code pattern="[A-Z]{2}"></label>
<label>Level <input type=number name=level></label><label>Island <select name=island><option>Hesten</select></label></form>`,
  ['look', 'message', 'typing'],
  Object.fromEntries(
    ['day', 'code', 'level'].map((name) => [
      name,
      { script: [...'12'].map((key) => ({ kind: 'key', key })), guards: [] },
    ]),
  ) as TypingTasks,
);

/** One of each thing that can open, and a bubble with a title in it. */
const openable = `<form style="font:15px Liberation Sans;margin:20px">
<p><input type=date name=date required min=2026-01-01 max=2026-12-31>
<p><input type=number name=level value=3 max=8>
<p><input type=range name=sea min=0 max=9 value=3>
<p><input type=color name=colour value="#2f6f73">
<p><select name=island><option>Hesten<option>Lomholm</select>
<p><input name=bird list=birds><datalist id=birds><option>eider<option>gannet</datalist>
<p><input name=serial pattern="[A-Z]{3}" title="Three capitals">
<p><meter name=tide min=0 max=9 low=3 high=6 optimum=8 value=4></meter><textarea name=notes cols=8></textarea>
<p><input type=checkbox name=publish><input type=password name=pin pattern="[0-9]{4}"><input type=search name=find>
</form>`;

/** Members of a form, of elements, and of nodes, that fields of these names hide. */
const hiding = [
  ...[
    'elements',
    'noValidate',
    'requestSubmit',
    'action',
    'getAttribute',
    'setAttribute',
    'addEventListener',
  ],
  ...[
    'parentElement',
    'childNodes',
    'matches',
    'contains',
    'getRootNode',
    'getBoundingClientRect',
    'shadowRoot',
  ],
];

/** As many forms are drawn: room around the text, a word that moves away, and a hint that comes with the focus. */
const styled = `<style>
label{display:block;position:relative;margin:40px}
input{padding:14px 18px;border:3px solid gray;width:320px;box-sizing:border-box}
input:hover{border-color:black}
label:focus-within span{position:absolute;top:-24px;left:0}
small{visibility:hidden} label:focus-within small{visibility:visible}
</style><form><label><input type=number name=level min=0><span>Level</span></label>
<label><input type=date name=date><span>Day</span><small>of the reading</small></label>
<label><input type=datetime-local name=back><span>Way back</span><small>at noon</small></label></form>`;

/** Controls that styles put out of sight in the ways that are usual, and labels that stand for them. */
const outOfSight = `<style>
label{display:block;width:120px;height:40px;background:#dde;margin:20px}
.clear{position:absolute;opacity:0;width:1px;height:1px} .clear:focus + b{outline:3px solid orange}
.away{position:absolute;left:-9999px} .none{display:none}
.bare{outline:0;appearance:none} p:focus-within{border-left:4px solid blue} p{padding-left:30px;border-left:4px solid white}
</style><form><label><input type=checkbox name=terms class=clear><b>Terms</b></label>
<label>Photos<input type=file name=photos class=away></label>
<label>Gone<input type=checkbox name=gone class=none></label>
<p><select name=far class=bare aria-label=Far><option>Tern</select></p></form>`;

type FactsOf<Q extends Observation['question']> = Extract<
  Observation,
  { question: Q }
>['outcome'] extends infer O
  ? O extends { facts: infer F }
    ? F
    : never
  : never;

/**
 * What holds of every engine, whatever its protocol.
 * @param left folders of browsers that the engine's own driver started
 */
export function engineSuite(target: EngineTarget, left: () => readonly string[] = () => []): void {
  const isEndpoint = !ownTargets.includes(target);
  const browsers = () => ownBrowsers(left());
  // A driver of somebody else's may answer before the last process of its browser has gone.
  const nothingRuns = () => expect.poll(browsers, { timeout: isEndpoint ? 5000 : 0 }).toEqual([]);
  // A driver that runs for the whole file has a folder of its own.
  const before = profiles();
  let answeredInFull: Promise<Heard> | null = null;
  const inFull = () => {
    answeredInFull ??= ask(target, full);
    return answeredInFull;
  };
  describe.skipIf(!here)(`${target.name}, asked`, () => {
    it('answers everything that was planned, with pictures, and leaves nothing behind', async () => {
      const { messages, observations, pictures } = await inFull();
      expect(messages[0]).toEqual({ type: 'started', target: target.id, total: planOf(full).length });
      expect(messages.at(-1)).toEqual({ type: 'finished', target: target.id });
      expect(observations).toHaveLength(planOf(full).length);
      expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
      expect(
        observations.every((o) => o.provenance.mark === 'measured' && /^\d+\.\d/.test(o.provenance.version)),
      ).toBe(true);
      for (const { id, data } of pictures.values())
        expect(pictureId(new Uint8Array(Buffer.from(data, 'base64')))).toBe(id);

      const level = observations.filter(
        (o): o is LookObservation => o.question === 'look' && o.field === 'level',
      );
      const shown = level.map((o) => (o.outcome.status === 'answered' ? o.outcome.facts.picture : null));
      expect(new Set(shown).size).toBe(5);
      expect(shown.every((id) => id && pictures.has(id))).toBe(true);
      await nothingRuns();
      expect(profiles()).toEqual(before);
    });

    it('tells what assistive technology is told', async () => {
      const asking = askingOf(
        '<form><label for=boat>Boat</label><input id=boat name=boat required aria-describedby=h><small id=h>As painted</small><p hidden><input name=gone></p><button>Send it</button></form>',
        ['accessibility'],
      );
      const { observations } = await ask(target, asking);
      const told = observations.map(({ outcome }) =>
        outcome.status === 'answered' ? outcome.facts : outcome,
      );
      const here = isEndpoint
        ? { description: null, required: null }
        : { description: 'As painted', required: true };
      expect(told).toMatchObject([
        { role: 'textbox', name: 'Boat', ...here },
        { status: 'inapplicable', reason: { code: 'not exposed' } },
        { role: 'button', name: 'Send it' },
      ]);
      await nothingRuns();
    });

    it('opens what can be opened, shows bubbles, and tells the parts from what they do', async () => {
      const asking = askingOf(openable, ['opening', 'bubble', 'parts']);
      const { observations, pictures } = await ask(target, asking);
      expect(observations).toHaveLength(planOf(asking).length);
      expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
      const facts = <Q extends Observation['question']>(question: Q, field: string) => {
        const found = observations.find((o) => o.question === question && o.field === field);
        return (found?.outcome.status === 'answered' ? found.outcome.facts : null) as FactsOf<Q> | null;
      };
      const parts = (field: string) => facts('parts', field)?.parts.map(({ part }) => part);
      expect(parts('sea')).toContain('slider');
      expect(parts('colour')).toContain('swatch');
      expect(parts('publish')).toContain('check mark');
      expect(parts('tide')).toContain('bar');
      expect(parts('level')).toContain('spin button');
      expect(parts('serial')).toEqual(['text box']);
      // Its text overflows, and what scrolls it may come and go.
      expect(parts('notes')).toEqual(['text box']);
      expect(['level', 'sea', 'pin'].map((field) => facts('parts', field)?.shows)).toEqual([
        'text',
        'picture',
        'nothing',
      ]);
      expect(facts('parts', 'date')?.order).toEqual(['month', 'day', 'year']);
      if (isEndpoint) {
        expect(
          observations.filter((o) => o.question === 'opening').map((o) => o.outcome.status),
        ).not.toContain('answered');
        return;
      }
      for (const field of ['date', 'colour', 'island', 'bird']) {
        const opened = facts('opening', field);
        expect(opened?.opened, field).toMatch(/click/);
        expect(opened?.picture && pictures.has(opened.picture)).toBe(true);
        expect(opened?.popUp?.height).toBeGreaterThan(15);
      }
      expect(parts('island')).toContain('list');
      for (const field of ['date', 'serial']) expect(facts('bubble', field)?.shown, field).toBe(true);
      expect(facts('bubble', 'serial')?.showsTitle).toBe(true);
      await nothingRuns();
      expect(profiles()).toEqual(before);
    });

    const inTwoSweeps = async () => {
      const picturesIn = ({ observations, pictures }: Heard) =>
        observations.flatMap((o) => {
          const id =
            o.question === 'look' && o.outcome.status === 'answered' ? o.outcome.facts.picture : null;
          return id && o.question === 'look' && o.state !== 'indeterminate'
            ? [{ name: `${o.field} ${o.state}`, picture: pictures.get(id) }]
            : [];
        });
      const first = picturesIn(await inFull());
      const second = picturesIn(await ask(target, askingOf(demoForm.markup, ['look'])));
      expect(second.map(({ name }) => name)).toEqual(first.map(({ name }) => name));
      const others = first.filter(({ picture }, index) => {
        const other = second[index]?.picture;
        if (!picture || !other || picture.id === other.id) return false;
        const change = changeBetweenPictures(picture, other);
        // WebKit rounds a single dot of a slider in about one of 400 pictures.
        return change !== null && change.width * change.height > 1;
      });
      expect(others.map(({ name }) => name)).toEqual([]);
    };
    // The endpoint in the next room is this machine's Chromium once more.
    if (!isEndpoint) it('draws the same form in two sweeps as the same pictures', inTwoSweeps);

    it('that is killed in the middle is started again and asked the rest', async () => {
      let killed = false;
      const { observations, messages } = await ask(target, interrupted, undefined, (message) => {
        if (killed || message.type !== 'observation') return;
        killed = true;
        for (const id of browsers()) kill(id);
      });
      expect(observations).toHaveLength(planOf(interrupted).length);
      expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
      expect(messages.at(-1)?.type).toBe('finished');
      await nothingRuns();
    });

    it('that is killed again and again loses only what was not answered yet; the next sweep works', async () => {
      const { observations, messages } = await ask(target, interrupted, undefined, (message) => {
        if (message.type === 'observation') for (const id of browsers()) kill(id);
      });
      const failed = observations.filter((o) => o.outcome.status === 'failed');
      expect(observations).toHaveLength(planOf(interrupted).length);
      expect(failed.length).toBeGreaterThan(0);
      expect(failed.length).toBeLessThan(observations.length);
      expect(messages.at(-1)).toMatchObject({
        type: 'failed',
        failure: { code: 'asked twice' },
      });
      await nothingRuns();
      const again = await ask(target, askingOf('<input name=a>', ['message']));
      expect(again.messages.at(-1)?.type).toBe('finished');
    });

    it.each([0, 150, 500])(
      'that is cancelled %i ms after it was asked to start does not go on starting',
      async (after) => {
        const abort = new AbortController();
        setTimeout(() => abort.abort(), after);
        const { observations } = await ask(target, full, abort.signal);
        expect(observations.length).toBeLessThan(planOf(full).length);
        // What was about to start has started then, and is to be ended; nobody waits for it.
        await wait(1000);
        await expect.poll(browsers, { timeout: 10_000 }).toEqual([]);
      },
    );

    it('that is cancelled ends quietly and leaves nothing behind', async () => {
      const abort = new AbortController();
      const { messages } = await ask(target, full, abort.signal, (message) => {
        if (message.type === 'observation') abort.abort();
      });
      expect(messages.some((m) => m.type === 'failed' || m.type === 'finished')).toBe(false);
      await nothingRuns();
    });
  });

  describe.skipIf(!here)(`${target.name}, kept from one question to the next`, () => {
    const ask = askingWarm();

    it('finds its own buttons within a wide padding, and takes nothing for opened that styles bring out', async () => {
      const { observations } = await ask(target, askingOf(styled, ['opening', 'parts']));
      const level = observations.find((o) => o.question === 'parts' && o.field === 'level')?.outcome;
      expect(level).toMatchObject({
        facts: { parts: expect.arrayContaining([{ part: 'spin button', how: expect.anything() }]) },
      });
      if (isEndpoint) return;
      for (const field of ['date', 'back']) {
        const opened = observations.find((o) => o.question === 'opening' && o.field === field)?.outcome;
        // A calendar; what is brought out beside the field is lower.
        expect(opened, field).toMatchObject({
          facts: { popUp: { height: expect.toSatisfy((height) => height > 150) } },
        });
      }
    });

    it('shows the label that stands for a control out of sight, and says where the focus is not seen', async () => {
      const { observations } = await ask(target, askingOf(outOfSight, ['look']));
      const look = (field: string, state: string) =>
        observations.find(
          (o): o is LookObservation => o.question === 'look' && o.field === field && o.state === state,
        )?.outcome;
      // As large as what a person presses.
      for (const field of ['terms', 'photos', 'gone'])
        expect(look(field, 'closed'), field).toMatchObject({
          status: 'answered',
          facts: { drawnBy: 'label', size: { width: 120, height: 40 } },
        });
      expect(look('gone', 'focused')).toEqual({ status: 'inapplicable', reason: { code: 'no focus' } });
      const unseen = (field: string) => {
        const outcome = look(field, 'focused');
        return outcome?.status === 'answered' && outcome.facts.focusUnseen === true;
      };
      expect(['terms', 'photos', 'far'].map(unseen)).toEqual([false, true, false]);
    });

    it('draws a text box, and types into it, where a kind is withheld', async () => {
      const withheld: EngineTarget = {
        ...target,
        withheld: { kinds: ['date'], attributes: ['required'], source: 'a test' },
      };
      const script = [...'14.3.'].map((key) => ({ kind: 'key', key }) as const);
      const asking = askingOf(
        '<form><input type=date name=a required value=2026-03-14></form>',
        ['look', 'message', 'typing'],
        {
          [fieldId('a')]: { script, guards: [] },
        },
      );
      const { observations } = await ask(withheld, asking);
      const [closed] = observations.filter(
        (o): o is LookObservation => o.question === 'look' && o.state === 'closed',
      );
      expect(closed?.outcome).toMatchObject({
        status: 'answered',
        facts: { typeReflected: 'text', sent: ['a=2026-03-14'] },
      });
      const typed = observations.find((o): o is TypingObservation => o.question === 'typing');
      expect(typed?.outcome.status === 'answered' && typed.outcome.facts.steps.at(-1)?.value).toContain(
        '14.3.',
      );
    });

    it('tries the plans for a kind that it does not know, types into them, and says what is sent', async () => {
      const withheld: EngineTarget = {
        ...target,
        withheld: { kinds: ['date'], attributes: [], source: 'a test' },
      };
      const markup = '<form><label>On <input type=date name=on></label><input name=other value=x></form>';
      const sentBy = async (one: EngineTarget) => {
        const { observations } = await ask(one, askingOf(markup, ['fallback']));
        expect(observations).toHaveLength(1);
        const [answer] = observations;
        if (answer?.question !== 'fallback' || answer.outcome.status !== 'answered')
          throw new Error('no plans');
        expect(answer.outcome.facts.plans.every(({ picture }) => picture !== null)).toBe(true);
        return answer.outcome.facts.plans.map(({ plan, native, loaded, sent }) => [
          plan,
          native,
          loaded,
          sent,
        ]);
      };
      expect(await sentBy(withheld)).toEqual([
        ['leave it', false, false, ['on=14.3.2026']],
        ['hint and pattern', false, false, ['on=2026-03-14']],
        ['selects', false, true, ['on-day=14', 'on-month=03', 'on-year=2026']],
        ['scripted picker', false, true, ['on=2026-03-14']],
      ]);
      const known = await sentBy(target);
      expect(known.map(([plan, native, loaded]) => [plan, native, loaded])).toEqual([
        ['leave it', true, false],
        ['hint and pattern', true, false],
        ['selects', true, true],
        ['scripted picker', true, false],
      ]);
    });

    it('says what the styles of the form put beside a field, and which states are in effect', async () => {
      const markup = `<style>input:user-invalid + span::after { content: "mend \\"me\\"" }</style>
      <form><input name=a required placeholder=here><span></span></form>`;
      const { observations } = await ask(target, askingOf(markup, ['look']));
      const look = (state: string) => {
        const found = observations.find(
          (o): o is LookObservation => o.question === 'look' && o.state === state,
        );
        return found?.outcome.status === 'answered' ? found.outcome.facts : null;
      };
      expect(look('closed')?.marks).toEqual([]);
      expect(look('invalid')?.marks).toEqual([{ by: 'span::after', text: 'mend "me"' }]);
      expect(look('invalid')?.pseudoClasses).toEqual(
        expect.arrayContaining([':invalid', ':user-invalid', ':required']),
      );
      expect(look('closed')?.pseudoClasses).toContain(':placeholder-shown');
      expect([look('closed')?.textShown, look('filled')?.textShown]).toEqual(['here', look('filled')?.value]);
      expect(look('filled')?.pseudoClasses).not.toContain(':placeholder-shown');
      expect(look('disabled')?.pseudoClasses).toContain(':disabled');
      expect(look('closed')?.contrast?.text).toBeGreaterThan(10);
      // Not every engine tells the colour of a placeholder; one that is told is paler than the text.
      const { text, placeholder } = look('closed')?.contrast ?? {};
      if (placeholder) expect(placeholder).toBeLessThan(text ?? 0);
    });

    it('draws the same control twice as the same picture', async () => {
      const twins = '<form style="margin:20px"><p><input type=date name=a><p><input type=date name=b></form>';
      const { observations } = await ask(target, askingOf(twins, ['look']));
      const picture = (field: string, state: string) => {
        const found = observations.find(
          (o) => o.question === 'look' && o.field === field && o.state === state,
        );
        return found?.question === 'look' && found.outcome.status === 'answered'
          ? found.outcome.facts.picture
          : null;
      };
      for (const state of ['closed', 'focused', 'filled']) {
        expect(picture('a', state)).toMatch(/^[0-9a-f]{64}$/);
        expect(picture('a', state)).toBe(picture('b', state));
      }
    });

    it('presses a grapheme of several code points, and types emoji', async () => {
      const script = graphemes('a👍🏽é').map((one) => ({ kind: 'key', key: one }) as const);
      const asking = askingOf('<input name=a>', ['typing'], { [fieldId('a')]: { script, guards: [] } });
      const [observation] = (await ask(target, asking)).observations as TypingObservation[];
      expect(observation?.outcome.status === 'answered' && observation.outcome.facts.steps.at(-1)?.text).toBe(
        'a👍🏽é',
      );
    });

    it('runs nothing of a hostile form and still answers about its fields', async () => {
      const markup =
        '<script>document.body.remove()</script><form action="javascript:x" onsubmit="x"><input name=requestSubmit required><input name=reset><input name=submit></form>';
      const { observations } = await ask(target, askingOf(markup, ['look', 'message']));
      expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
    });

    it('answers about fields that are called like members of their form as about any other', async () => {
      const told = async (prefix: string) => {
        const names = hiding.map((name) => prefix + name);
        const inputs = names.map((name) => `<label>${name.slice(-9)} <input name=${name} required></label>`);
        const markup = `<form action=/sent>${inputs.join('')}<button>Send</button></form>`;
        const typed = fieldId(`${prefix}elements`);
        const reading = readScript('type "a"\nsubmit');
        const script = reading.status === 'read' ? reading.script : [];
        const scripts: TypingTasks = { [typed]: { script, guards: [] } };
        expect(script).toHaveLength(2);
        const { observations } = await ask(target, askingOf(markup, ['submission', 'typing'], scripts));
        expect(observations.filter((o) => o.outcome.status !== 'answered')).toEqual([]);
        return observations.map((o) => [o.question, JSON.stringify(o.outcome).replaceAll(prefix, '')]).sort();
      };
      expect(await told('')).toEqual(await told('zz-'));
    });

    it('answers about every field beside one that is larger than any picture', async () => {
      const style = `height:30000px;width:25000px;font-family:${'serif,'.repeat(300)}serif`;
      const { observations } = await ask(
        target,
        askingOf(`<form><p><input name=a><p><textarea name=t style="${style}"></textarea></form>`, [
          'look',
          'message',
        ]),
      );
      expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
      const looks = observations.flatMap((o) =>
        o.question === 'look' && o.state === 'closed' && o.outcome.status === 'answered'
          ? [[o.field, o.outcome.facts.picture !== null]]
          : [],
      );
      expect(looks).toEqual([
        ['a', true],
        ['t', false],
      ]);
    });
  });
}
