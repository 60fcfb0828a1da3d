import { array, boolean, mixed, string } from 'yup';
import { causes } from '../drift/drift';
import { decisionKinds, harms } from '../finding/finding';
import type { JsonObject } from '../json-object';
import { entryRoutes } from '../observation/field-entry';
import { provenanceMarks } from '../observation/provenance';
import { one, shape, timeSchema, whole } from '../observation/schema-parts';
import { jsonSchemaOf } from '../reading/json-schema';
import { described, type SchemaField } from '../reading/schema-union';
import { type JsonReport, jsonReportVersion } from './json-report';
import { standings } from './report';

type ToldFinding = JsonReport['findings'][number];
type ToldDrift = NonNullable<JsonReport['drift']>;

const text = () => string().strict().defined();
const list = (of: SchemaField) =>
  array(of as never)
    .strict()
    .defined();
const mark = () => one(provenanceMarks);

const decision = shape<NonNullable<ToldFinding['decision']>>({
  finding: text(),
  kind: one(decisionKinds),
  reason: text(),
  at: timeSchema,
});

const finding = shape<ToldFinding>({
  id: described('Made of what the finding is about: the same from sweep to sweep.', text()),
  field: shape<NonNullable<ToldFinding['field']>>({ id: text(), label: text() }).nullable(),
  place: described(
    'Where in the markup it is, from line 1 and column 1 (UTF-16 code units), with the tag there and a CSS selector of the field; null for the whole form, or many fields.',
    shape<NonNullable<ToldFinding['place']>>({
      line: whole(),
      column: whole(),
      element: text(),
      selector: text().nullable(),
    }).nullable(),
  ),
  code: described('What is claimed, in words that stay the same whatever its sentences say.', text()),
  says: text(),
  harm: one(harms),
  why: text(),
  remedy: text().nullable(),
  details: list(text()),
  targets: described(
    'Where it is so; empty: everywhere.',
    list(
      shape<ToldFinding['targets'][number]>({
        target: text(),
        name: text(),
        mark: mark(),
        says: list(text()),
      }),
    ),
  ),
  marks: list(mark()),
  standing: described('To the baseline; found: there is none.', one(standings)),
  decision: decision.nullable(),
});

const because = () =>
  described('All that may be the cause; empty: nothing that Ukko knows of was changed.', list(one(causes)));
const drifted = { finding: text(), says: text(), because: because() };

const drift = shape<ToldDrift>({
  since: timeSchema,
  setup: list(
    shape<ToldDrift['setup'][number]>({ cause: one(causes), target: text().nullable(), text: text() }),
  ),
  new: list(shape<ToldDrift['new'][number]>(drifted)),
  gone: list(shape<ToldDrift['gone'][number]>(drifted)),
  changed: list(shape<ToldDrift['changed'][number]>({ ...drifted, before: text() })),
  answers: list(
    shape<ToldDrift['answers'][number]>({
      target: text(),
      field: text(),
      differences: list(text()),
      because: because(),
    }),
  ),
});

const report = shape<JsonReport>({
  format: mixed().oneOf(['ukko-report']).required(),
  version: mixed().oneOf([jsonReportVersion]).required(),
  ukko: described('The version of Ukko that wrote the report.', text()),
  madeAt: timeSchema,
  form: shape<JsonReport['form']>({ name: text() }),
  sweep: shape<JsonReport['sweep']>({
    id: text(),
    ukko: described(
      'The version of Ukko that asked; null where an older file did not say so.',
      text().nullable(),
    ),
    startedAt: timeSchema,
    finishedAt: described('Null when the sweep was cut short.', timeSchema.nullable().defined()),
  }),
  targets: list(
    shape<JsonReport['targets'][number]>({
      id: text(),
      name: text(),
      isReference: boolean().strict().required(),
      mark: mark(),
      by: described('Who answered, with version and protocol, or the source of the model.', list(text())),
      answers: whole(),
      failed: whole(),
    }),
  ),
  findings: list(finding),
  coverage: described(
    'How far each field was asked: how many targets answered, by which routes it was filled on a page of the developer’s own, and what could not be asked or filled. Empty where nothing was asked.',
    list(
      shape<JsonReport['coverage'][number]>({
        field: shape<JsonReport['coverage'][number]['field']>({ id: text(), label: text() }),
        targets: list(
          shape<JsonReport['coverage'][number]['targets'][number]>({ mark: mark(), count: whole() }),
        ),
        routes: list(one(entryRoutes)),
        gaps: list(text()),
      }),
    ),
  ),
  unread: described(
    'What is not covered of the form as a whole: parts of a page into which something can be entered and which are not asked; that no language is stated.',
    list(text()),
  ),
  drift: drift.nullable(),
});

/** The shape of a report as JSON Schema; docs/report.schema.json is this, written down by `npm run schemas`. */
export function reportJsonSchema(): JsonObject {
  return jsonSchemaOf(report, {
    title: `Ukko report, version ${jsonReportVersion}`,
    description:
      'What was found about a form, who was asked, how each thing is known, and what is another than in the baseline. Pictures stand in the run file and in the HTML report. Times are ISO 8601 in UTC.',
  });
}
