/**
 * npm run measure:messages [-- --show]: asks every engine, in every language, in which words it says what is wrong, and
 * writes the words into the product.
 */
import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { attribute } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { engineDeviations } from '@/core/model/deviations/engine-deviations';
import {
  type EngineWords,
  filledWords,
  type LanguageWords,
  type Words,
  type WordsSample,
  wordsFrom,
} from '@/core/model/deviations/message-words';
import { type SlotStyle, slotStyles } from '@/core/model/deviations/slot-text';
import { situationOf } from '@/core/model/message-situation';
import type { Deviations } from '@/core/standard/deviations';
import { fieldStateOf } from '@/core/standard/field-state';
import { type ValidityFlag, validityFlags } from '@/core/standard/validity-flags';
import { engineNames } from '@/core/target/target';
import { type Language, languages, plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { EnginePage } from '@/engines/api/engine';
import { engineNamed } from '@/engines/engines';
import { startPageServer } from '@/engines/network/page-server';
import { type MessageCase, messageCases } from './measure-messages/message-cases';

const { values: options } = parseArgs({ options: { show: { type: 'boolean', default: false } } });

interface Told {
  readonly message: string;
  readonly value: string;
  readonly flags: readonly ValidityFlag[];
}

/** Puts the control into the page, in a form of its own, and does what a script does to it. */
const prepare = `const prepare = ({ html, value }) => {
  const form = document.querySelector('form');
  form.innerHTML = html;
  const t = form.querySelector('#t');
  if (value !== undefined) t.value = value;
  return t;
};`;
const tell = `const tell = (t) => ({
  message: t.validationMessage,
  value: t.value,
  flags: ${JSON.stringify(validityFlags)}.filter((flag) => t.validity[flag]),
});`;

async function toldOf(page: EnginePage): Promise<[MessageCase, Told][]> {
  const set = messageCases.filter(({ keys }) => keys === undefined);
  const all = await page.evaluate(
    `(() => { ${prepare} ${tell} return ${JSON.stringify(set)}.map((one) => tell(prepare(one))); })()`,
  );
  const told = (all as Told[]).map((one, index): [MessageCase, Told] => [set[index] as MessageCase, one]);
  for (const typed of messageCases.filter(({ keys }) => keys !== undefined)) {
    await page.evaluate(`(() => { ${prepare} prepare(${JSON.stringify(typed)}).focus(); return true; })()`);
    for (const key of typed.keys ?? []) await page.press(key);
    const one = await page.evaluate(`(() => { ${tell} return tell(document.querySelector('#t')); })()`);
    told.push([typed, one as Told]);
  }
  return told;
}

interface Sample extends WordsSample {
  readonly id: string;
  readonly flags: readonly ValidityFlag[];
}

/** What a message that names this flag would be about. */
function sampleOf({ html }: MessageCase, told: Told, flag: ValidityFlag, deviations: Deviations): Sample {
  const [field] = readForm(html).fields;
  if (!field) throw new Error(`No field in ${html}`);
  const unreadable = told.flags.includes('badInput');
  const state = fieldStateOf(field, { value: told.value, byPerson: true, badInput: unreadable }, deviations);
  const title = attribute(field.controls[0], 'title') || null;
  return {
    message: told.message,
    flags: told.flags,
    ...situationOf(state, told.flags, flag, title, deviations),
  };
}

function isReversed(flags: readonly ValidityFlag[]): boolean {
  return flags.includes('rangeUnderflow') && flags.includes('rangeOverflow');
}

/** The style in which most situations have words in common. */
function languageWords(samples: readonly Sample[], language: Language): LanguageWords {
  const byId = new Map<string, Sample[]>();
  for (const sample of samples) byId.set(sample.id, [...(byId.get(sample.id) ?? []), sample]);
  const of = (style: SlotStyle): LanguageWords => ({
    style,
    words: Object.fromEntries(
      [...byId].flatMap(([id, some]) => {
        const words = wordsFrom(some, style, language);
        return words === null ? [] : [[id, words] as [string, Words]];
      }),
    ),
  });
  const [best] = slotStyles.map(of).sort((a, b) => Object.keys(b.words).length - Object.keys(a.words).length);
  if (!best) throw new Error('There are no styles.');
  for (const [id, some] of byId)
    if (best.words[id] === undefined)
      console.error(
        `No words for ${id} in ${language}:`,
        some.map(({ message }) => message),
      );
  return best;
}

/** The flags so that each stands before those that it was named instead of; otherwise in the standard's order. */
function orderOf(named: readonly (readonly [ValidityFlag, ValidityFlag])[]): ValidityFlag[] {
  const order: ValidityFlag[] = [];
  const left = new Set<ValidityFlag>(validityFlags);
  while (left.size > 0) {
    const isFree = (flag: ValidityFlag) =>
      !named.some(([before, after]) => after === flag && left.has(before));
    const next = [...left].find(isFree) ?? [...left][0];
    if (!next) break;
    order.push(next);
    left.delete(next);
  }
  return order;
}

async function measureLanguage(
  page: EnginePage,
  language: Language,
  deviations: Deviations,
): Promise<{ words: LanguageWords; named: [ValidityFlag, ValidityFlag][] }> {
  const told = await toldOf(page);
  if (options.show)
    for (const [{ html }, { message, flags }] of told) console.log(flags.join(), '|', message, '|', html);
  const plain = told.flatMap(([one, answer]) => {
    // A range of times that goes past midnight is all that can be wrong twice at once.
    const isOne = answer.flags.length === 1 || (isReversed(answer.flags) && one.html.includes('"time"'));
    return isOne ? answer.flags.map((flag) => sampleOf(one, answer, flag, deviations)) : [];
  });
  const words = languageWords(plain, language);
  const named = told.flatMap(([one, answer]) => {
    if (answer.flags.length < 2) return [];
    const fitting = answer.flags.filter((flag) => {
      const { id, slots } = sampleOf(one, answer, flag, deviations);
      return filledWords(words.words[id], slots, words.style, language) === answer.message;
    });
    const [winner] = fitting;
    // The same words for either say nothing about which is named.
    if (fitting.length > 1) return [];
    if (!winner) console.error(`Which of ${answer.flags.join(', ')} is named by “${answer.message}”?`);
    const losers = answer.flags.filter((flag) => flag !== winner);
    return winner ? losers.map((loser): [ValidityFlag, ValidityFlag] => [winner, loser]) : [];
  });
  return { words, named };
}

const measured: Record<string, EngineWords> = {};
for (const name of engineNames) {
  const engine = await engineNamed(name);
  const found = await engine.find();
  if (found.status === 'missing') throw new Error(failureText(found.failure));
  const spoken: Partial<Record<Language, LanguageWords>> = {};
  const named: [ValidityFlag, ValidityFlag][] = [];
  let version = '';
  for (const language of languages) {
    const variant = { ...plainVariant, language };
    const session = await engine.launch(found.path, variant);
    const server = await startPageServer(engine.pagesFrom);
    try {
      const address = server.add('<!doctype html><meta charset="utf-8"><body><form></form>');
      const page = await session.open(address, 'window.ukkoProbe = { settle() {} };', variant);
      const told = await measureLanguage(page, language, engineDeviations[name]);
      spoken[language] = told.words;
      named.push(...told.named);
      version = session.provenance.version;
    } finally {
      await server.close();
      await session.close();
    }
    console.log(name, language, Object.keys(spoken[language]?.words ?? {}).length, 'situations');
  }
  measured[name] = { version, order: orderOf(named), languages: spoken };
}
await writeFile('src/core/model/deviations/message-words.json', `${JSON.stringify(measured, null, 2)}\n`);
