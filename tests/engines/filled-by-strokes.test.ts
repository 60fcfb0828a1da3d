import { describe, expect, it } from 'vitest';
import type { FieldEntry } from '@/core/observation/field-entry';
import { askingOf, sendersOf } from '@/core/questions/asking';
import type { SubmissionFacts } from '@/core/questions/submission/facts';
import { readOwnPage } from '@/engines/own-page';
import { builtPage } from '../fixtures/built-page';
import { enginesAvailable } from '../fixtures/engines';
import { startPage } from '../fixtures/served-page';
import { ask, ownTargets } from './asking-engines';

const here = await enginesAvailable();

/** What each engine says that the first button of a page sends, by its name. */
async function submissions(html: string): Promise<Map<string, SubmissionFacts>> {
  const { address, stop } = await startPage(html);
  try {
    const page = { address, steps: '' };
    const { forms } = await readOwnPage(page, new AbortController().signal);
    const [form = { markup: '' }] = forms;
    const asking = askingOf(form.markup, ['submission'], {}, null, { ...page, form: 0 });
    const [button] = sendersOf(asking);
    const { observations } = await ask(ownTargets, asking);
    return new Map(
      observations.flatMap(({ field, target, question, outcome }) =>
        question === 'submission' && field === button?.id && outcome.status === 'answered'
          ? [[target, outcome.facts] as const]
          : [],
      ),
    );
  } finally {
    await stop();
  }
}

const entryOf = (facts: SubmissionFacts | undefined, name: string): FieldEntry | undefined =>
  facts?.entries?.find(({ field }) => field === name);

const targets = ownTargets.map(({ id }) => id);

describe.skipIf(!here)('a page of one’s own is filled in as a person does', () => {
  it('so that a framework holds in its state what was entered, whatever kind of field it is', async () => {
    const facts = await submissions(await builtPage('tests/fixtures/pages/react-state.tsx'));
    expect([...facts.keys()].sort()).toEqual([...targets].sort());
    for (const { filled, entries, others } of facts.values()) {
      expect(filled).toMatchObject({ status: 'sent', method: 'POST', url: '/register' });
      const body = filled.status === 'sent' ? Buffer.from(filled.body, 'latin1').toString() : '{}';
      expect(JSON.parse(body)).toEqual({
        first: 'Ada Holm',
        last: 'Ada Holm',
        island: 'hestur',
        berth: 'bow',
        day: '2026-03-14',
        hour: '06:45',
        moment: '2026-03-14T06:45',
        month: '2026-03',
        crew: '2',
        wind: '1',
        map: 'Möwen "Nord".txt',
        terms: 'on',
      });
      const routes = entries?.map((entry) => (entry.status === 'entered' ? entry.by : entry.why));
      expect(routes?.toSorted()).toEqual(['file chooser', ...Array(11).fill('keys')]);
      // The same values set by a script are never seen by the framework.
      expect(others?.setByScript).toMatchObject({ status: 'blocked', heldBy: 'page' });
    }
  });

  it('and what its scripts make of it is told, as is what nobody can enter', async () => {
    const facts = await submissions(`<!doctype html><title>Rewritten</title><form action="/go">
      <label>Berth <input name=berth oninput="this.value = this.value.toUpperCase()" value=""></label>
      <label>Crew <input name=crew inputmode=numeric onblur="setTimeout(() => { this.value = Math.min(5, parseInt(this.value) || 0) })"></label>
      <label>Kept <input name=kept readonly value=7></label>
      <label>Off <input name=off disabled></label>
      <label style="display:none">Hidden <input name=away></label>
      <label>Note <input name=note></label>
      <button>Go</button></form>`);
    for (const target of targets) {
      const [berth, crew, kept, off, away] = ['berth', 'crew', 'kept', 'off', 'away'].map((name) =>
        entryOf(facts.get(target), name),
      );
      expect(berth).toMatchObject({ status: 'entered', by: 'keys', tried: 'Ada Holm', became: 'ADA HOLM' });
      expect(crew).toMatchObject({ status: 'entered', by: 'keys', tried: '12', became: '5' });
      expect(kept).toMatchObject({ status: 'left', why: 'read only' });
      expect(off).toMatchObject({ status: 'left', why: 'disabled' });
      expect(away).toMatchObject({ status: 'left', why: 'no focus' });
      expect(facts.get(target)?.filled).toMatchObject({
        url: '/go?berth=ADA+HOLM&crew=5&kept=7&away=&note=Ada+Holm',
      });
    }
  });

  it('and a wizard’s next step is progress, an error is not', async () => {
    const facts =
      await submissions(`<!doctype html><title>Steps</title><form onsubmit="event.preventDefault(); next()">
      <div id=one><label>Name <input name=name></label><p id=error role=alert></p></div>
      <div id=two hidden><h2>Where to?</h2><label>Town <input name=town></label></div>
      <button>Continue</button></form>
      <script>function next() {
        if (!document.forms[0].name.value) { error.textContent = 'Please enter your name'; return; }
        one.hidden = true; two.hidden = false;
      }</script>`);
    for (const target of targets) {
      const { asIs, filled } = facts.get(target) ?? {};
      expect(asIs).toMatchObject({ status: 'blocked', message: 'Please enter your name' });
      expect(filled).toMatchObject({ status: 'nothing', why: { code: 'next step' } });
    }
  });

  it('and sent where there is no form, by scripts alone', async () => {
    const facts = await submissions(`<!doctype html><title>No form</title><button type=button>Menu</button>
      <label>Name <input name=name></label><button type=button onclick="save()">Save</button><p id=said role=alert></p>
      <script>function save() {
        const name = document.querySelector('input').value;
        if (!name) { said.textContent = 'A name, please'; return; }
        fetch('/save', { method: 'POST', body: name });
      }</script>`);
    for (const target of targets) {
      const { asIs, filled, others } = facts.get(target) ?? {};
      expect(asIs).toMatchObject({ status: 'blocked', message: 'A name, please' });
      expect(filled).toMatchObject({ status: 'sent', method: 'POST', url: '/save', body: 'Ada Holm' });
      expect(others?.submit).toEqual({ status: 'nothing', why: { code: 'no form' } });
    }
  });

  it('with a custom element that takes part in the form under its own name', async () => {
    const facts = await submissions(`<!doctype html><title>Custom</title><form action=/go>
      <label for=s>Serial</label><serial-number id=s name=serial></serial-number><button>Go</button></form>
      <script>customElements.define('serial-number', class extends HTMLElement {
        static formAssociated = true;
        constructor() {
          super();
          this.internals = this.attachInternals();
          const input = this.attachShadow({ mode: 'open', delegatesFocus: true }).appendChild(document.createElement('input'));
          input.oninput = () => this.set(input.value);
          this.set('');
        }
        set(value) {
          this.internals.setFormValue(value);
          this.internals.setValidity(value ? {} : { valueMissing: true }, 'No serial', this.shadowRoot.firstChild);
        }
        get validity() { return this.internals.validity; }
        get validationMessage() { return this.internals.validationMessage; }
      });</script>`);
    for (const target of targets) {
      const { asIs, filled, entries } = facts.get(target) ?? {};
      expect(asIs).toMatchObject({ status: 'blocked', by: 'serial', message: 'No serial' });
      expect(filled).toMatchObject({ status: 'sent', url: '/go?serial=Ada+Holm' });
      expect(entries).toMatchObject([{ field: 'serial', by: 'keys', became: 'Ada Holm' }]);
    }
  });
});
