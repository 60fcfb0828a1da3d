/**
 * npm run calibrate [-- --questions 20000 --forms 400 --scripts 600 --seed 1]: makes its own questions, asks every engine and the
 * model, and writes how far they agree to docs/agreement.md and into the product.
 */
import { writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { answerSubmission, boundary, readable } from '@/core/model/answer-submission';
import { answerTyping } from '@/core/model/answer-typing';
import { answerValidity } from '@/core/model/answer-validity';
import { engineDeviations } from '@/core/model/deviations/engine-deviations';
import type { ValidityAnswer } from '@/core/model/validity-question';
import type { Deviations } from '@/core/standard/deviations';
import { boundaryOf } from '@/core/standard/form-decodings';
import { engineNames } from '@/core/target/target';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { EnginePage } from '@/engines/api/engine';
import { engineNamed } from '@/engines/engines';
import { startPageServer } from '@/engines/network/page-server';
import type { Received, Receiver } from '@/probe/api/askable-page';
import { probeBundle } from '@/probe/bundle';
import { askTypingOf } from './calibrate/ask-typing';
import { submissionForms } from './calibrate/submission-questions';
import { typingQuestions } from './calibrate/typing-questions';
import { validityQuestions } from './calibrate/validity-questions';

const { values } = parseArgs({
  options: {
    questions: { type: 'string', default: '20000' },
    forms: { type: 'string', default: '400' },
    scripts: { type: 'string', default: '600' },
    seed: { type: 'string', default: String(Date.now() % 2 ** 31) },
    show: { type: 'boolean', default: false },
  },
});
const seed = Number(values.seed);
const questions = validityQuestions(Number(values.questions), seed);
const forms = submissionForms(Number(values.forms), seed);
const scripts = typingQuestions(Number(values.scripts), seed);

interface Count {
  agreed: number;
  asked: number;
}

interface EngineAgreement {
  readonly version: string;
  readonly validity: Record<string, Count>;
  readonly submission: Count;
  readonly typing: Record<string, Count>;
}

function count(into: Count, agreed: boolean): void {
  into.asked++;
  if (agreed) into.agreed++;
}

/** The same answer, whatever the order of its members. */
function same(a: object | null, b: object | null): boolean {
  const text = (one: object | null) =>
    one && JSON.stringify(Object.entries(one).sort(([x], [y]) => (x < y ? -1 : 1)));
  return text(a) === text(b);
}

async function askValidity(page: EnginePage, deviations: Deviations): Promise<Record<string, Count>> {
  const counts: Record<string, Count> = {};
  for (let start = 0; start < questions.length; start += 500) {
    const some = questions.slice(start, start + 500);
    const answers: ValidityAnswer[] = await page.probe('validity', some);
    for (const [index, question] of some.entries()) {
      counts[question.kind] ??= { agreed: 0, asked: 0 };
      const model = answerValidity(question, deviations);
      const agreed = same(model, answers[index] ?? null);
      count(counts[question.kind] as Count, agreed);
      if (!agreed && values.show)
        console.log(
          question.kind,
          question.html,
          JSON.stringify(question.setValue),
          '\n  engine',
          JSON.stringify(answers[index]),
          '\n  model ',
          JSON.stringify(model),
        );
    }
  }
  return counts;
}

async function askSubmission(page: EnginePage, receiver: Receiver, deviations: Deviations): Promise<Count> {
  const counts = { agreed: 0, asked: 0 };
  for (const { html } of forms) {
    receiver.take();
    const placed = html.replaceAll('ACTION', `${receiver.address}/recv`);
    await page.evaluate(
      `(() => { document.body.innerHTML = ${JSON.stringify(placed)}; let stopped = false; document.addEventListener('invalid', () => { stopped = true; }, { capture: true, once: true }); document.querySelector('#go').click(); window.stopped = stopped; return true; })()`,
    );
    const received = await arrived(page, receiver);
    const model = answerSubmission({ html: html.replaceAll('ACTION', '/recv'), by: '#go' }, deviations);
    const { blockedBy: _, ...told } = model ?? { blockedBy: null };
    const engine = received ? shown(received) : { noRequest: true };
    count(counts, same(told, engine));
    if (!same(told, engine) && values.show)
      console.log(html, '\n  engine', JSON.stringify(engine), '\n  model ', JSON.stringify(told));
  }
  return counts;
}

async function askTyping(
  page: EnginePage,
  engine: keyof typeof engineDeviations,
): Promise<Record<string, Count>> {
  const counts: Record<string, Count> = {};
  for (const question of scripts) {
    counts[question.about] ??= { agreed: 0, asked: 0 };
    const real = await askTypingOf(page, question);
    const model = answerTyping(question, engine, new Date());
    // Which strokes were refused is read off the events.
    const { refused: _, ...told } = model && !('unknownKey' in model) ? model : { refused: [] };
    const agreed = same(told, real);
    count(counts[question.about] as Count, agreed);
    if (!agreed && values.show)
      console.log(
        question.html,
        question.keys.join(' '),
        '\n  engine',
        JSON.stringify(real),
        '\n  model ',
        JSON.stringify(told),
      );
  }
  return counts;
}

async function arrived(page: EnginePage, receiver: Receiver): Promise<Received | null> {
  for (let attempt = 0; attempt < 40; attempt++) {
    const [request] = receiver.take();
    if (request) return request;
    if (attempt === 1 && (await page.evaluate('window.stopped'))) return null;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  return null;
}

function shown({ method, url, contentType, body }: Received): object {
  const drawn = boundaryOf(contentType);
  const named = (text: string) => (drawn ? text.replaceAll(drawn, boundary) : text);
  return { method, url, contentType: contentType && named(contentType), ...readable(named(body)) };
}

const agreement: Record<string, EngineAgreement> = {};
for (const name of engineNames) {
  const engine = await engineNamed(name);
  const found = await engine.find();
  if (found.status === 'missing') {
    console.error(failureText(found.failure));
    continue;
  }
  const session = await engine.launch(found.path, plainVariant);
  const server = await startPageServer(engine.pagesFrom);
  try {
    const deviations = engineDeviations[name];
    const { code } = await probeBundle('probe');
    const empty = server.add('<!doctype html><meta charset=utf-8><body>');
    const validity = await askValidity(await session.open(empty, code, plainVariant), deviations);
    // Without the probe's own guard, which lets no form leave.
    const bare = 'window.ukkoProbe = { settle() {} };';
    const submission = await askSubmission(
      await session.open(empty, bare, plainVariant),
      server.receiver(),
      deviations,
    );
    const typing = await askTyping(await session.open(empty, bare, plainVariant), name);
    agreement[name] = { version: session.provenance.version, validity, submission, typing };
  } finally {
    await server.close();
    await session.close();
  }
}

const total = (counts: readonly Count[]): Count => ({
  agreed: counts.reduce((sum, one) => sum + one.agreed, 0),
  asked: counts.reduce((sum, one) => sum + one.asked, 0),
});
const percent = ({ agreed, asked }: Count) => (asked === 0 ? '' : `${((100 * agreed) / asked).toFixed(2)} %`);
const asked = Object.entries(agreement);
const kinds = [...new Set(questions.map(({ kind }) => kind))].sort();
const typedKinds = [...new Set(scripts.map(({ about }) => about))].sort();
const row = (name: string, cells: readonly string[]) => `| ${[name, ...cells].join(' | ')} |`;
const table = [
  row(
    'questions about',
    asked.map(([name, { version }]) => `${name} ${version}`),
  ),
  `| --- |${asked.map(() => ' ---: |').join('')}`,
  ...kinds.map((kind) =>
    row(
      kind,
      asked.map(([, { validity }]) => percent(validity[kind] ?? { agreed: 0, asked: 0 })),
    ),
  ),
  row(
    '**validity, all**',
    asked.map(([, { validity }]) => `**${percent(total(Object.values(validity)))}**`),
  ),
  row(
    '**submission**',
    asked.map(([, { submission }]) => `**${percent(submission)}**`),
  ),
  ...typedKinds.map((kind) =>
    row(
      `keys in ${kind}`,
      asked.map(([, { typing }]) => percent(typing[kind] ?? { agreed: 0, asked: 0 })),
    ),
  ),
  row(
    '**typing, all**',
    asked.map(([, { typing }]) => `**${percent(total(Object.values(typing)))}**`),
  ),
];
await writeFile(
  'docs/agreement.md',
  `# How far the model agrees with the engines

Written by \`npm run calibrate\`: ${questions.length} questions about validity, ${forms.length} forms to send and ${scripts.length} scripts of keys, made by chance
from seed ${seed}, put to each engine on this machine and to the model of it. An answer agrees when all of it is the same:
the value, every flag, whether it is checked at all; of a form that is sent, method, address, content type and every byte;
of keys, the value, every flag, and every event in order with its key, type, data and the value then.

${table.join('\n')}
`,
);
await writeFile(
  'src/core/model/agreement.json',
  `${JSON.stringify(
    Object.fromEntries(
      asked.map(([name, { version, validity, submission, typing }]) => [
        name,
        {
          version,
          validity,
          validityInAll: total(Object.values(validity)),
          submission,
          typing: total(Object.values(typing)),
        },
      ]),
    ),
    null,
    2,
  )}\n`,
);
console.log(table.join('\n'));
