import { array, mixed, object, string } from 'yup';
import { nameFromWords } from '../html/name-from-words';
import type { JsonObject } from '../json-object';
import { timeSchema } from '../observation/schema-parts';
import type { FileFault } from '../reading/file-fault';
import { jsonSchemaOf } from '../reading/json-schema';
import { fitted } from '../reading/misfit';
import { described } from '../reading/schema-union';
import { beginsAs, readVersioned } from '../reading/versioned-file';
import { type Decision, decisionKinds } from './finding';

/** A decision as a project keeps it beside its code. */
export interface ProjectDecision extends Decision {
  /** The name of the form that it is about, or of its file; not given: of any form. */
  readonly form?: string;
}

/** The version that this Ukko writes. docs/decisions.schema.json publishes its shape. */
export const decisionsFileVersion = 1;

/** Under this name the command line finds the file by itself, where it is run. */
export const decisionsFileName = 'ukko.decisions.json';

export type DecisionsFileReading =
  | { readonly status: 'read'; readonly decisions: readonly ProjectDecision[] }
  | { readonly status: 'fault'; readonly fault: FileFault };

const text = (most: number) => string().strict().defined().max(most);

const contentsSchema = object({
  decisions: array(
    object({
      form: described(
        'Name of the form or of its file. Absent: the decision applies to every form.',
        string().strict().max(500).optional(),
      ),
      finding: described('The id of the finding, as JSON reports give it.', text(100_000)),
      kind: described(
        'mend: to be fixed; accept: it stays, and fails no build; later: to be decided later.',
        mixed()
          .oneOf([...decisionKinds])
          .required(),
      ),
      reason: described('Why it is accepted; empty for the others.', text(2000)),
      at: timeSchema,
    })
      .strict()
      .noUnknown()
      .required(),
  )
    .strict()
    .max(100_000)
    .required(),
})
  .strict()
  .noUnknown()
  .required();

const file = 'decisions';

/** True for text that says it is such a file, whether or not it can be read. */
export function isDecisionsFile(content: string): boolean {
  return beginsAs('ukko-decisions', content);
}

/** Reads decisions that a project keeps. */
export function readDecisionsFile(content: string): DecisionsFileReading {
  const reading = readVersioned(content, { file, format: 'ukko-decisions', version: decisionsFileVersion });
  if (reading.status === 'fault') return reading;
  const { $schema: _, ...contents } = reading.contents;
  const fitting = fitted(contentsSchema, contents);
  if (fitting.status === 'misfit')
    return { status: 'fault', fault: { file, code: 'misfit', line: null, misfit: fitting.misfit } };
  return { status: 'read', decisions: (fitting.value as { decisions: ProjectDecision[] }).decisions };
}

/** Writes decisions so that two people who decide about two findings change two lines: one in each line, in an order that stays. */
export function writeDecisionsFile(decisions: readonly ProjectDecision[]): string {
  const sorted = [...decisions].sort(
    (a, b) => compare(a.form ?? '', b.form ?? '') || compare(a.finding, b.finding),
  );
  const lines = sorted.map(({ form, finding, kind, reason, at }) =>
    JSON.stringify({ ...(form !== undefined && { form }), finding, kind, reason, at }),
  );
  const list = lines.length === 0 ? '[]' : `[\n    ${lines.join(',\n    ')}\n  ]`;
  return `{\n  "format": "ukko-decisions",\n  "version": ${decisionsFileVersion},\n  "decisions": ${list}\n}\n`;
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** Whether a decision is about a form of this name: “Checkout” and “checkout.html” are one. */
export function isAbout({ form }: Pick<ProjectDecision, 'form'>, name: string): boolean {
  return form === undefined || form === name || plainName(form) === plainName(name);
}

function plainName(name: string): string {
  return nameFromWords(name.replace(/\.(?:html?|form\.json)$/i, ''), name);
}

/** The shape of the file as JSON Schema; docs/decisions.schema.json is this, written down by `npm run schemas`. */
export function decisionsJsonSchema(): JsonObject {
  const whole = contentsSchema
    .shape({
      format: mixed().oneOf(['ukko-decisions']).required(),
      version: mixed().oneOf([decisionsFileVersion]).required(),
    })
    .strict()
    .noUnknown();
  return jsonSchemaOf(whole, {
    title: `Ukko decisions, version ${decisionsFileVersion}`,
    description:
      'What a team decided about findings, kept beside its code: what it accepted fails no build. Times are ISO 8601 in UTC.',
  });
}
