/**
 * npm run bench -- replay, and the last part of npm run bench: what the replay of samples costs over a bare loop that runs the same tests and string edits, as a
 * ratio within this one run; seconds depend on the machine.
 */
import { demoForm } from '@/core/demo/demo-forms';
import { masked } from '@/core/guard/mask';
import { fieldId } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { habitsOf } from '@/core/model/deviations/habits';
import { quickReplay } from '@/core/replay/quick-replay';
import { targetId } from '@/core/target/target';

const targets = ['chromium', 'firefox', 'blink-phone'].flatMap((id) => habitsOf(targetId(id)) ?? []);
const field = readForm(demoForm.markup).fields.find(({ id }) => id === 'serial');
const guards = demoForm.typing[fieldId('serial')]?.guards ?? [];
if (!field || guards.length !== 3) throw new Error('The demo form has lost its guarded field.');

/** Twelve strokes each: small letters, a space that does not belong, and all the digits. */
const samples = Array.from(
  { length: 100_000 },
  (_, index) => `tg${index % 10} ${1000 + (index % 9000)}-q${String.fromCharCode(97 + (index % 26))}x`,
);

function withUkko(): number {
  const begin = performance.now();
  for (const habits of targets) {
    const replay = quickReplay(field as NonNullable<typeof field>, guards, habits);
    for (const sample of samples) replay(sample);
  }
  return performance.now() - begin;
}

function bareLoop(): number {
  const belongs = /^[A-Za-z0-9-]$/u;
  const pattern = /^(?:[A-Z0-9]{3}-[0-9]{4}-[A-Z]{2})$/u;
  let accepted = 0;
  const begin = performance.now();
  for (const _ of targets)
    for (const sample of samples) {
      let text = '';
      for (const key of sample) {
        const old = text;
        const typed = text + key;
        // Until nothing changes, as guards run.
        for (let now = typed, before = ''; now !== before; ) {
          before = now;
          let kept = '';
          for (const one of now) if (belongs.test(one)) kept += one;
          now = masked(kept.toUpperCase(), 'XXX-0000-AA', typed.length >= old.length);
          text = now;
        }
      }
      if (pattern.test(text)) accepted++;
    }
  if (accepted === 0) throw new Error('The bare loop does something else.');
  return performance.now() - begin;
}

const rounds = [0, 1, 2].map(() => ({ ukko: withUkko(), bare: bareLoop() }));
const ratios = rounds.map(({ ukko, bare }) => ukko / bare).sort((a, b) => a - b);
const last = rounds.at(-1);
console.log(
  `100,000 samples × ${samples[0]?.length} strokes × ${targets.length} targets through 3 guards: ${ratios[1]?.toFixed(2)} times a bare loop with the same tests and edits (three rounds: ${ratios.map((one) => one.toFixed(2)).join(', ')}; last ${((last?.ukko ?? 0) / 1000).toFixed(1)} s against ${((last?.bare ?? 0) / 1000).toFixed(1)} s)`,
);
