import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { pageAsRead } from '@/core/document/own-page';
import { answerFindings } from '@/core/finding/answer-findings';
import { formFindingsAtOnce } from '@/core/finding/collect-findings';
import { claimCode } from '@/core/finding/finding';
import { fieldId } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { askingOf } from '@/core/questions/asking';
import { type Answers, answersOf, answerTo } from '@/core/run/answers';
import type { Script } from '@/core/script/stroke';
import { findTarget } from '@/core/target/line-up';
import { type EngineTarget, targetId } from '@/core/target/target';
import { pageFaultText } from '@/core/words/page-fault-words';
import { measureKeyboards } from '@/engines/measure-keyboards';
import { ownPageFault, readOwnPage } from '@/engines/own-page';
import { findPhonePrograms } from '@/engines/phone/phone-screen';
import { sendOwnPage } from '@/engines/send-own-page';
import { type Example, startExample } from '../../example/server.mjs';
import { askRestriction } from '../fixtures/ask-restriction';
import { enginesAvailable } from '../fixtures/engines';
import { startPage } from '../fixtures/served-page';
import { ask, ownTarget } from './asking-engines';

const here = await enginesAvailable();
const phone = (await findPhonePrograms()).status === 'found';
let example: Example;
beforeAll(async () => {
  example = await startExample(0);
});
afterAll(() => example.stop());

const steps = 'fill "User" "ada"\nclick "Sign in"\nclick "New entry"\nwait "#entry"';

let read: Promise<FormDocument> | null = null;

/** The form of the example, read by an engine once. */
function entryForm(): Promise<FormDocument> {
  read ??= readEntryForm();
  return read;
}

async function readEntryForm(): Promise<FormDocument> {
  const { forms } = await readOwnPage(
    { address: `${example.address}sign-in`, steps },
    new AbortController().signal,
  );
  expect(forms.map(({ title }) => title)).toEqual(['find', 'New entry']);
  const [, entry] = forms;
  return {
    id: 'own' as FormId,
    name: entry?.title ?? '',
    markup: entry?.markup ?? '',
    typing: {},
    page: { address: `${example.address}sign-in`, form: 1, steps },
  };
}

/** Its buttons say what could be taken for selectors; the first brings its form. */
const dots = `<!doctype html><title>Dots</title><button onclick="document.body.insertAdjacentHTML('beforeend', '<form name=shown><input name=a></form>')">...</button><button>#1</button><button>[x]</button><button id=there></button>`;

describe.skipIf(!here)('a page of one’s own', () => {
  it('shows its forms, with what is in open shadow roots', async () => {
    const { markup } = await entryForm();
    const { fields } = readForm(markup);
    expect(fields.map(({ id, label }) => [id, label])).toEqual([
      ['observer', 'Observer'],
      ['serial', 'Gauge serial'],
      ['station', 'Station code'],
      ['date', 'Reading date'],
      ['gulls', 'Gulls counted'],
      [expect.any(String), 'Send entry'],
    ]);
    expect(markup).toContain('<gauge-serial>');
  });

  it.each([
    ['http://tides.example/log', '', 'http://tides.example is not on this machine.'],
    ['file:///etc/hosts', '', 'has to begin with http'],
    ['log', '', 'This is no address.'],
    ['http://localhost:1/', 'jump "over"', 'Line 1 of the steps: “jump "over"” is no step.'],
    ['http://127.0.0.1:9/', '', 'Nothing answers at http://127.0.0.1:9/.'],
  ])('%s is not opened: a sentence says why', async (address, own, sentence) => {
    const fault = await ownPageFault({ address, steps: own });
    expect(fault && pageFaultText(fault)).toContain(sentence);
  });

  it('shows what can be done where its steps have led, by names that lead back there', async () => {
    const signal = new AbortController().signal;
    const address = `${example.address}sign-in`;
    const { sight } = await readOwnPage({ address, steps: '' }, signal);
    expect(sight?.doable.map(({ kind, what }) => [kind, what])).toEqual([
      ['fill', 'User'],
      ['click', 'Sign in'],
    ]);
    for (const { box } of sight?.doable ?? []) {
      expect(box.x + box.width).toBeLessThanOrEqual(sight?.picture.width ?? 0);
      expect(box.y + box.height).toBeLessThanOrEqual(sight?.picture.height ?? 0);
    }
    const further = await readOwnPage({ address, steps: 'fill "User" "ada"\nclick "Sign in"' }, signal);
    expect(further.sight?.doable.map(({ what }) => what)).toEqual(['Find an entry', 'New entry']);
    // Once a dialog is open, nothing under it can be done.
    const dialog = await readOwnPage({ address, steps }, signal);
    expect(dialog.sight?.doable.map(({ kind, what }) => [kind, what])).toEqual([
      ['fill', 'Observer'],
      ['fill', 'Gauge serial'],
      ['fill', 'Station code'],
      ['fill', 'Reading date'],
      ['fill', 'Gulls counted'],
      ['click', 'Send entry'],
    ]);
  });

  it('is led through by words that begin as a selector does', async () => {
    const signal = new AbortController().signal;
    const { address, stop } = await startPage(dots);
    try {
      const { sight } = await readOwnPage({ address, steps: '' }, signal);
      expect(sight?.doable.map(({ what }) => what)).toEqual(['...', '#1', '[x]', '#there']);
      const { forms } = await readOwnPage({ address, steps: 'click "..."' }, signal);
      expect(forms.map(({ title }) => title)).toEqual(['shown']);
    } finally {
      await stop();
    }
  });

  it('shows a form whose fields are called like its members, in a page of such names', async () => {
    const names =
      'childNodes shadowRoot matches getAttribute id contains getRootNode getClientRects textContent';
    const inputs = names.split(' ').map((name) => `<input name=${name}>`);
    const hiding = ['createElement', 'documentElement', 'activeElement', 'implementation', 'childNodes'];
    const pictures = hiding.map((name) => `<img name=${name}>`).join('');
    const { address, stop } = await startPage(
      `<form name=body></form>${pictures}<form aria-label=Members>${inputs.join('')}</form>`,
    );
    try {
      const { forms } = await readOwnPage({ address, steps: '' }, new AbortController().signal);
      expect(forms.map(({ title }) => title)).toEqual(['Members']);
      expect(readForm(forms[0]?.markup ?? '').fields.map(({ id }) => id)).toEqual(names.split(' '));
    } finally {
      await stop();
    }
  });

  it('lists what can be filled in there and not be read, by what it is and is called', async () => {
    const { address, stop } = await startPage(
      `<!doctype html><title>Parts</title><form><label>Name <input name=a></label>
        <div contenteditable aria-label=Story>Once <input name=c></div><p id=size>Size</p><div role=switch tabindex=0 aria-labelledby=size></div>
        <div role=combobox><input name=b></div><iframe title=Card></iframe><pin-field name=pin></pin-field>
        <div contenteditable=false>No</div><div contenteditable>Field <b role=switch>part</b></div></form>
        <script>customElements.define('pin-field', class extends HTMLElement { static formAssociated = true; constructor() { super(); this.attachShadow({ mode: 'closed' }).innerHTML = '<input>'; } });</script>`,
    );
    try {
      const { forms } = await readOwnPage({ address, steps: '' }, new AbortController().signal);
      expect(readForm(forms[0]?.markup ?? '').fields.map(({ id }) => id)).toEqual([
        'a',
        'c',
        'b',
        'widget-4',
      ]);
      expect(forms[0]?.unread).toEqual([
        { sort: 'editable', label: 'Story' },
        { sort: 'widget', label: 'Size' },
        { sort: 'frame', label: 'Card' },
        { sort: 'element', label: 'pin' },
      ]);
    } finally {
      await stop();
    }
  });

  it.each([
    ['<html lang=fi dir=ltr><form><input name=a></form>', 'fi', 'ltr'],
    ['<html lang=fi><body lang=sv><input name=a>', 'sv', null],
    [
      '<html lang=fi><own-form></own-form><script>document.querySelector("own-form").attachShadow({mode:"open"}).innerHTML="<form><input name=a></form>"</script>',
      'fi',
      null,
    ],
  ])('brings the language and the direction of the page along: %s', async (html, language, direction) => {
    const { address, stop } = await startPage(`<!doctype html>${html}`);
    try {
      const { forms } = await readOwnPage({ address, steps: '' }, new AbortController().signal);
      const [form] = forms;
      const [field] = readForm(form?.markup ?? '').fields;
      expect(field?.controls[0].language).toBe(language);
      expect(/^<section[^>]* dir="(\w+)"/.exec(form?.markup ?? '')?.[1] ?? null).toBe(direction);
    } finally {
      await stop();
    }
  });

  it.each([
    ['<form><input name=a onclick2=x></form><script type="application/ld+json">{}</script>', false],
    ['<form><input name=a></form><script>0</script>', true],
    ['<form action="javascript:go()"><input name=a></form>', true],
    ['<form onsubmit="return false"><input name=a></form>', true],
  ])('knows whether scripts act on it: %s', async (html, is) => {
    const { address, stop } = await startPage(`<!doctype html><title>Scripts</title>${html}`);
    try {
      const { forms } = await readOwnPage({ address, steps: '' }, new AbortController().signal);
      expect(forms.map(({ hasScripts }) => hasScripts)).toEqual([is]);
    } finally {
      await stop();
    }
  });

  it('that runs no scripts is judged as markup is: its plain button sends nothing, its strokes are made once', async () => {
    const { address, stop } = await startPage(
      '<!doctype html><html lang=en><title>Plain</title><form><label>Name <input></label><label>Code <input name=code></label><button type=button>Go</button></form>',
    );
    try {
      const signal = new AbortController().signal;
      const [found] = (await readOwnPage({ address, steps: '' }, signal)).forms;
      if (!found) throw new Error('no form');
      const page = pageAsRead({ address, form: 0, steps: '' }, found);
      const form = { markup: found.markup, typing: {}, page };
      const codes = formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction).map(
        claimCode,
      );
      expect(codes).toContain('no name');
      const script: Script = [{ kind: 'key', key: 'a' }];
      const typing = { [fieldId('code')]: { script, guards: [] } };
      const asking = askingOf(found.markup, ['typing', 'submission'], typing, null, page);
      const chromium = ownTarget('chromium');
      const answers = answersOf((await ask(chromium, asking, signal)).observations);
      const typed = answerTo(answers, 'typing', chromium.id, fieldId('code'));
      expect(typed?.outcome).toMatchObject({ status: 'answered' });
      expect(typed?.outcome).not.toHaveProperty('facts.rounds');
      expect([...answers.values()].filter(({ question }) => question === 'submission')).toEqual([]);
    } finally {
      await stop();
    }
  });

  it('brings along what names its widgets from outside, and no field with that', async () => {
    const { address, stop } = await startPage(
      `<!doctype html><title>Names</title><h2 id=title>Berth</h2><label id=word>Size</label>
        <p id=beside>Boat <input name=boat></p>
        <section id=around><form><input name=a><div role=slider tabindex=0 aria-labelledby="title word"></div>
        <div role=textbox contenteditable aria-labelledby="beside"></div><div role=spinbutton tabindex=0 aria-labelledby="around"></div></form></section>`,
    );
    try {
      const { forms } = await readOwnPage({ address, steps: '' }, new AbortController().signal);
      const { fields } = readForm(forms[0]?.markup ?? '');
      expect(fields.map(({ id, label }) => [id, label])).toEqual([
        ['a', 'a'],
        ['widget-2', 'Berth Size'],
        ['widget-3', 'textbox'],
        ['widget-4', 'spinbutton'],
      ]);
    } finally {
      await stop();
    }
  });

  it('is led through a list by the words of an option', async () => {
    const { address, stop } = await startPage(
      `<!doctype html><title>Lists</title><label>Island <select onchange="document.querySelector('p').hidden = this.value !== 'hst'"><option value=a>All<option value=hst>Hestur</select></label><p hidden>Shown</p><form name=f><input name=a></form>`,
    );
    const signal = new AbortController().signal;
    try {
      const steps = 'fill "Island" "Hestur"\nwait "Shown"';
      const { sight } = await readOwnPage({ address, steps }, signal);
      expect(sight?.doable[0]).toMatchObject({ kind: 'fill', what: 'Island' });
    } finally {
      await stop();
    }
  });

  it.skipIf(!phone)('is shown on a phone-sized display with its own scripts at work', async () => {
    const { markup, page = null } = await entryForm();
    const answers = await measureKeyboards('firefox', { markup, page }, ({ id }) =>
      ['serial', 'station', 'gulls'].includes(id),
    );
    const told = answers.map(({ observation: { field, outcome } }) => [
      field,
      ...(outcome.status === 'answered' ? [outcome.facts.layout] : []),
      (outcome.status === 'answered' ? outcome.facts.tapped : null)
        ?.filter(({ type }) => type === 'input')
        .map(({ by, value }) => [by, value]),
    ]);
    expect(told).toEqual([
      // In a shadow root; both are rewritten in capitals by the page.
      [
        'serial',
        'us',
        [
          ['q', 'Q'],
          ['1', 'Q1'],
          ['Backspace', 'Q'],
        ],
      ],
      [
        'station',
        'us',
        [
          ['q', 'Q'],
          ['1', 'Q1'],
          ['Backspace', 'Q'],
        ],
      ],
      // The page's filter on keys swallows the minus, and Backspace with it.
      ['gulls', 'number/us', [['1', '1']]],
    ]);
  });

  it('keeps its form back by itself, and where it leads and what it says is told', async () => {
    const { address, stop } = await startPage(
      `<!doctype html><title>Held</title><form novalidate onsubmit="event.preventDefault(); boat.setAttribute('aria-invalid', true); said.textContent = 'Which boat?'; boat.focus()"><label>Pier <input name=pier></label><label>Boat <input name=boat required></label><p id=said></p><button name=go>Go</button></form><form novalidate onsubmit="event.preventDefault()"><button name=dead>Go</button></form>`,
    );
    try {
      const signal = new AbortController().signal;
      const sending = async (form: number) => {
        const page = { address, form, steps: '' };
        const { forms } = await readOwnPage(page, signal);
        const target = findTarget(targetId('firefox')) as EngineTarget;
        const asking = askingOf(forms[form]?.markup ?? '', ['submission'], {}, null, page);
        const { observations } = await ask(target, asking);
        const [outcome] = observations.flatMap((o) => (o.question === 'submission' ? [o.outcome] : []));
        return outcome?.status === 'answered' ? outcome.facts.asIs : outcome;
      };
      expect(await sending(0)).toEqual({
        status: 'blocked',
        by: 'boat',
        message: 'Which boat?',
        invalid: ['boat'],
        heldBy: 'page',
      });
      expect(await sending(1)).toEqual({ status: 'nothing', why: { code: 'no request' } });
    } finally {
      await stop();
    }
  });

  it('opens what its scripts lay over it, and not what its styles bring out', async () => {
    const { address, stop } = await startPage(
      `<!doctype html><title>Open</title><style>label{display:block;position:relative;margin:60px}label:focus-within span{position:absolute;top:-24px}small{display:none}label:focus-within small{display:block}.days{position:absolute;top:100%;width:200px;height:160px;background:#cde}</style><form><label><span>Day</span><input name=day list=days onfocus="panel.hidden=false" onblur="panel.hidden=true"><small>of arrival</small><div class=days id=panel hidden></div></label><label><span>Boat</span><input name=boat list=days><small>or its name</small></label></form><datalist id=days></datalist>`,
    );
    try {
      const signal = new AbortController().signal;
      const page = { address, form: 0, steps: '' };
      const { forms } = await readOwnPage(page, signal);
      const target = findTarget(targetId('chromium')) as EngineTarget;
      const markup = forms[0]?.markup ?? '';
      const { observations } = await ask(target, askingOf(markup, ['opening'], {}, null, page));
      const opened = observations.map(({ field, outcome }) => [
        field,
        outcome.status === 'answered' && 'opened' in outcome.facts ? outcome.facts.opened : outcome,
      ]);
      expect(opened).toEqual([
        ['day', 'a click in the middle'],
        ['boat', null],
      ]);
    } finally {
      await stop();
    }
  });

  it.skipIf(!phone)(
    'is tapped again where something took the first tap, and may keep the focus to itself',
    async () => {
      const { address, stop } = await startPage(
        `<!doctype html><title>Taps</title><form><p><input name=shy onmousedown="event.preventDefault()"><p><input name=covered></form><div style="position:fixed;inset:50px 0 0" onclick="this.remove()"></div>`,
      );
      const markup = '<form><p><input name=shy><p><input name=covered></form>';
      try {
        const page = { address, form: 0, steps: '' };
        const answers = await measureKeyboards('webkit', { markup, page }, () => true);
        expect(answers).toMatchObject([
          { observation: { field: 'shy', outcome: { facts: { layout: null } } } },
          { observation: { field: 'covered', outcome: { facts: { layout: 'us' } } } },
        ]);
      } finally {
        await stop();
      }
    },
  );

  it('is left for another when its form is sent for real', async () => {
    const page = { address: `${example.address}sign-in`, form: 0, steps: '' };
    const signal = new AbortController().signal;
    const { forms } = await readOwnPage(page, signal);
    const markup = forms[0]?.markup ?? '';
    const button = readForm(markup).fields.at(-1);
    if (!button) throw new Error('The page has no button.');
    const { led, requests } = await sendOwnPage(
      { page, markup, language: null, button: button.id, filled: true, engine: 'webkit' },
      signal,
    );
    expect(led).toMatchObject({
      address: expect.stringMatching(/\/\?user=/),
      title: 'Skerry Tide Log, live',
    });
    expect(requests).toEqual([]);
  });

  it('says which step found nothing', async () => {
    const signal = new AbortController().signal;
    await expect(readOwnPage({ address: example.address, steps: 'click "Nowhere"' }, signal)).rejects.toThrow(
      'The step click “Nowhere” found nothing in the page',
    );
  });
});

describe.each(['chromium', 'firefox', 'webkit'] as const)('%s in a page of one’s own', (name) => {
  it.skipIf(!here)(
    'finds what its scripts do to whoever types, and catches what they send',
    async () => {
      const form = await entryForm();
      const { fields } = readForm(form.markup);
      const target = findTarget(targetId(name)) as EngineTarget;
      const questions = ['look', 'message', 'submission', 'typing'] as const;
      const asking = askingOf(form.markup, questions, scriptsForPage(form, fields), null, form.page);
      const { observations, pictures } = await ask(target, asking);
      const answers: Answers = answersOf(observations);
      expect(observations.filter(({ outcome }) => outcome.status === 'failed')).toEqual([]);
      expect(pictures.size).toBeGreaterThan(10);

      // The page's own styles are drawn: the borders of the example are round.
      const look = answerTo(answers, 'look', target.id, fieldId('serial'), 'closed')?.outcome;
      expect(look?.status === 'answered' && look.facts.size?.height).toBeGreaterThan(25);

      const lineUp = { targets: [target], reference: target.id };
      const found = answerFindings({ form, lineUp }, answers).map(({ id }) => JSON.parse(id));
      expect(found).toContainEqual(['typing', 'caret', 'serial']);
      expect(found).toContainEqual(['typing', 'caret', 'station']);
      expect(found).toContainEqual(['typing', 'keys', 'gulls']);

      const typed = answerTo(answers, 'typing', target.id, fieldId('station'))?.outcome;
      const events = typed?.status === 'answered' ? typed.facts.steps.flatMap((step) => step.events) : [];
      expect(events.some(({ type, took }) => type === 'input' && took !== undefined)).toBe(true);

      const button = fields.at(-1);
      const sent = button && answerTo(answers, 'submission', target.id, button.id)?.outcome;
      expect(sent).toMatchObject({
        status: 'answered',
        facts: {
          asIs: { status: 'blocked', by: 'observer' },
          filled: { status: 'sent', method: 'POST', url: '/log', contentType: 'application/json' },
        },
      });
      expect(example.log).toEqual([]);
    },
    180_000,
  );

  it.skipIf(!here)(
    'sends for real where a person says so, and tells what the server made of it',
    async () => {
      const { markup, page } = await entryForm();
      const button = readForm(markup).fields.at(-1);
      if (!page || !button) throw new Error('The example has no form to send.');
      const question = { page, markup, language: null, button: button.id, engine: name } as const;
      const signal = new AbortController().signal;
      const empty = await sendOwnPage({ ...question, filled: false }, signal);
      expect(empty).toMatchObject({ requests: [], led: null, blocked: { ordinal: 0 } });
      expect(example.log).toEqual([]);
      const { requests, picture } = await sendOwnPage({ ...question, filled: true }, signal);
      expect(requests).toEqual([
        { method: 'POST', url: `${example.address}log`, status: 201, answer: '{"entry":1}' },
      ]);
      expect(picture?.width).toBeGreaterThan(700);
      expect(example.log.splice(0)).toEqual(['POST /log']);
    },
  );

  it.skipIf(!here)('answers the dialogs of a page with OK, and is not kept from leaving it', async () => {
    const markup =
      '<form action="/log" method="post"><label>A <input name="a" pattern="[a-z]+"></label><button name="go">Go</button></form>';
    const scripts = `alert('read this'); onbeforeunload = (event) => event.preventDefault();
        addEventListener('keydown', () => alert('a key'));
        addEventListener('submit', (event) => { if (!confirm('Sure?')) event.preventDefault(); });`;
    const own = await startPage(`<!doctype html><title>Asks</title>${markup}<script>${scripts}</script>`);
    try {
      const target = findTarget(targetId(name)) as EngineTarget;
      const page = { address: own.address, form: 0, steps: '' };
      const form = { id: 'asks' as FormId, name: 'Asks', markup, typing: {}, page };
      const typed = scriptsForPage(form, readForm(markup).fields);
      const asking = askingOf(markup, ['look', 'submission', 'typing'], typed, null, page);
      const { observations } = await ask(target, asking);
      expect(observations.filter(({ outcome }) => outcome.status === 'failed')).toEqual([]);
      const answers = answersOf(observations);
      expect(answerTo(answers, 'submission', target.id, fieldId('go'))?.outcome).toMatchObject({
        facts: { asIs: { status: 'sent' }, filled: { status: 'sent' } },
      });
      const steps = answerTo(answers, 'typing', target.id, fieldId('a'))?.outcome;
      expect(steps?.status === 'answered' && steps.facts.steps.some(({ text }) => text !== '')).toBe(true);
    } finally {
      await own.stop();
    }
  });

  it.skipIf(!here)(
    'opens a server whose certificate signed itself, and catches what is sent there',
    async () => {
      const markup =
        '<form action="/log" method="post"><label>A <input name="a" value="1"></label><button name="go">Go</button></form>';
      const own = await startPage(`<!doctype html><title>Sealed</title>${markup}`, '', 'https');
      try {
        const page = { address: own.address, form: 0, steps: '' };
        expect(await ownPageFault(page)).toBeNull();
        const target = findTarget(targetId(name)) as EngineTarget;
        const { observations } = await ask(target, askingOf(markup, ['submission'], {}, null, page));
        expect(
          answerTo(answersOf(observations), 'submission', target.id, fieldId('go'))?.outcome,
        ).toMatchObject({
          facts: { asIs: { status: 'sent', method: 'POST', url: '/log', body: 'a=1&go=' } },
        });
      } finally {
        await own.stop();
      }
    },
  );

  it.skipIf(!here)('says which policy of the page keeps its form from being caught', async () => {
    const markup =
      '<form action="/log" method="post"><input name="a" value="1"><button name="go">Go</button></form>';
    const own = await startPage(
      `<!doctype html><title>Strict</title>${markup}`,
      "form-action 'self'; img-src *",
    );
    try {
      const target = findTarget(targetId(name)) as EngineTarget;
      const page = { address: own.address, form: 0, steps: '' };
      const { observations } = await ask(target, askingOf(markup, ['submission'], {}, null, page));
      expect(
        answerTo(answersOf(observations), 'submission', target.id, fieldId('go'))?.outcome,
      ).toMatchObject({
        status: 'answered',
        facts: {
          asIs: { status: 'nothing', why: { code: 'policy', allowed: "'self'" } },
        },
      });
    } finally {
      await own.stop();
    }
  });
});
