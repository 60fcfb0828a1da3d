import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import type { Guard } from '@/core/guard/guard';
import type { TypingTasks } from '@/core/guard/typing-task';
import { fieldId } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { answerTyping } from '@/core/model/answer-typing';
import { habitsOf } from '@/core/model/deviations/habits';
import { typeScript } from '@/core/model/type-script';
import { askingOf } from '@/core/questions/asking';
import type { TypingObservation } from '@/core/questions/typing/facts';
import type { KeyStroke, Script } from '@/core/script/stroke';
import { targetId } from '@/core/target/target';
import { guardModule } from '@/probe/guard-module';
import { pressChord } from '@/probe/questions/field-in-page';
import { askTypingOf } from '../../scripts/calibrate/ask-typing';
import { typingQuestions } from '../../scripts/calibrate/typing-questions';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTarget } from './asking-engines';
import { inBarePage } from './bare-page';

const here = await enginesAvailable();
const seed = Date.now();
const questions = typingQuestions(70, seed);
const serialGuards = demoForm.typing[fieldId('serial')]?.guards ?? [];
const digitKeys: Guard = {
  kind: 'allow',
  id: 'keys',
  on: true,
  stage: 'key',
  set: { classes: ['ASCII digits'], own: '' },
  keys: ['Backspace', 'Home', 'End', 'ArrowLeft', 'Shortcut'],
};
const key = (one: string, ...modifiers: NonNullable<KeyStroke['modifiers']>): KeyStroke =>
  modifiers.length > 0 ? { kind: 'key', key: one, modifiers } : { kind: 'key', key: one };
const typed = (text: string): KeyStroke[] => Array.from(text, (one) => key(one));

/** What is typed under guards, and the text that has to come of it in every engine. */
const guarded: readonly {
  guards: readonly Guard[];
  script: readonly KeyStroke[];
  text: string;
  caret: number;
}[] = [
  { guards: serialGuards, script: typed('tg4!7719qx'), text: 'TG4-7719-QX', caret: 11 },
  {
    guards: serialGuards,
    script: [...typed('tg47'), key('Backspace'), key('Backspace')],
    text: 'TG',
    caret: 2,
  },
  { guards: serialGuards, script: [...typed('tg477'), key('Home'), key('x')], text: 'XTG-477', caret: 1 },
  { guards: serialGuards, script: [...typed('tg47'), key('z', 'Control')], text: 'TG4', caret: 3 },
  {
    guards: serialGuards,
    script: [...typed('tg47'), key('z', 'Control'), key('z', 'Control'), key('z', 'Control', 'Shift')],
    text: 'TG4',
    caret: 3,
  },
  { guards: [digitKeys], script: [...typed('1a2 3'), key('Backspace')], text: '12', caret: 2 },
];

/** The exported module as one script that puts guardField into the page. */
async function moduleScript(guards: readonly Guard[]): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'ukko-guards-'));
  try {
    writeFileSync(join(folder, 'guards.ts'), await guardModule(guards));
    const { outputFiles } = await build({
      entryPoints: [join(folder, 'guards.ts')],
      bundle: true,
      write: false,
      format: 'iife',
      globalName: 'exported',
      target: 'es2022',
      logLevel: 'silent',
    });
    return `${outputFiles[0]?.text ?? ''}; exported.guardField(document.getElementById('t')); document.getElementById('t').focus();`;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('%s, typed into', (name) => {
  it(`does with keys what the model of it does, for questions made just now (seed ${seed})`, async () => {
    const apart: string[] = [];
    await inBarePage(name, async (page) => {
      for (const question of questions) {
        const real = await askTypingOf(page, question);
        const model = answerTyping(question, name, new Date());
        const same =
          model !== null &&
          !('unknownKey' in model) &&
          (['value', 'flags', 'events', 'checked'] as const).every(
            (part) => JSON.stringify(model[part]) === JSON.stringify(real[part]),
          );
        if (!same) apart.push(`${question.html} ${question.focus} ${question.keys.join(' ')}`);
      }
    });
    // npm run calibrate asks many more; some dated fields and word boundaries are not followed to the last.
    expect(apart.length, apart.join('\n')).toBeLessThanOrEqual(questions.length / 10);
  });

  it('lets the exported guards do what they do in the replay, caret, Backspace and undo included', async () => {
    const [field] = readForm('<form><input id=t name=t></form>').fields;
    const habits = habitsOf(targetId(name));
    if (!field || !habits) throw new Error('no field');
    await inBarePage(name, async (page) => {
      for (const { guards, script, text, caret } of guarded) {
        await page.evaluate(`document.body.innerHTML = '<form><input id=t name=t></form>', true`);
        await page.evaluate(`(() => { ${await moduleScript(guards)} return true; })()`);
        for (const stroke of script) await pressChord(page, stroke.modifiers ?? [], stroke.key);
        const there = await page.evaluate(
          `(() => { const t = document.getElementById('t'); return [t.value, t.selectionStart]; })()`,
        );
        expect(there, `${name}: ${script.map((one) => one.key).join(' ')}`).toEqual([text, caret]);
        if (script.some(({ key: one }) => one === 'z')) continue;
        const steps = typeScript(field, script, guards, { ...habits, now: new Date() }).steps;
        expect([steps.at(-1)?.text, steps.at(-1)?.caret.start]).toEqual([text, caret]);
      }
    });
  });

  it('replays pasted and cut text from a real clipboard, and says what it cannot be made to do', async () => {
    const script: Script = [
      { kind: 'text', route: 'paste', text: '12\n3 ü' },
      { kind: 'command', command: 'select all' },
      { kind: 'command', command: 'cut' },
      { kind: 'text', route: 'dictation', text: 'five' },
      { kind: 'key', key: 'x' },
    ];
    const tasks = { [fieldId('a')]: { script, guards: [] } } as TypingTasks;
    const { observations } = await ask(
      ownTarget(name),
      askingOf('<form><input name=a></form>', ['typing'], tasks),
    );
    const { outcome } = observations[0] as TypingObservation;
    if (outcome.status !== 'answered') throw new Error(JSON.stringify(outcome));
    const { steps, stoppedBy } = outcome.facts;
    expect(steps.map(({ text }) => text)).toEqual([expect.stringMatching(/^12 ?3 ü$/), steps[0]?.text, '']);
    expect(steps[0]?.events.map(({ type, inputType }) => inputType ?? type)).toContain('insertFromPaste');
    expect(steps[2]?.events.map(({ type, inputType }) => inputType ?? type)).toContain('deleteByCut');
    expect(stoppedBy).toEqual({ code: 'no such route' });
  });
});
