import { array, mixed, object, string } from 'yup';
import type { FormDocument, FormId } from '../document/form-document';
import { formSchema } from '../document/form-schema';
import { carriedDecisions } from '../finding/carried-finding-id';
import { type Decision, decisionKinds } from '../finding/finding';
import type { Correction } from '../keyboard/correction';
import { correctionSchema } from '../keyboard/correction-schema';
import type { Picture } from '../observation/picture';
import { pictureIdSchema, pixels, timeSchema } from '../observation/schema-parts';
import type { FileFault } from '../reading/file-fault';
import { fitted } from '../reading/misfit';
import { readVersioned } from '../reading/versioned-file';
import type { RunId } from '../run/run';
import type { LineUp } from '../target/line-up';
import type { Target } from '../target/target';
import { lineUpSchema, targetSchema } from '../target/target-schema';

/** Everything that a person has, besides the sweeps themselves and their pictures. */
export interface Belongings {
  readonly forms: readonly (FormDocument & { readonly changedAt: string })[];
  readonly decisions: readonly (Decision & { readonly formId: FormId })[];
  readonly lineUps: readonly (LineUp & { readonly formId: FormId })[];
  readonly baselines: readonly { readonly formId: FormId; readonly run: RunId }[];
  /** Targets of the person's own. */
  readonly targets: readonly Target[];
  readonly corrections: readonly Correction[];
}

/** The version that this Ukko writes. docs/workspace-file.md describes it. */
export const workspaceVersion = 1;

/** `workspace.json` of a workspace file: what is in it, and the sizes of the pictures that stand beside it. */
export interface WorkspaceContents extends Belongings {
  readonly format: 'ukko-workspace';
  readonly version: typeof workspaceVersion;
  readonly ukko: string;
  /** ISO 8601, UTC. */
  readonly exportedAt: string;
  readonly pictures: readonly Pick<Picture, 'id' | 'width' | 'height'>[];
}

export type WorkspaceReading =
  | { readonly status: 'read'; readonly contents: WorkspaceContents }
  | { readonly status: 'fault'; readonly fault: FileFault };

const text = (most: number) => string().strict().defined().max(most);
const list = (item: Parameters<typeof array>[0], most: number) => array(item).strict().max(most).required();

const contentsSchema = object({
  ukko: text(50),
  exportedAt: timeSchema,
  forms: list(formSchema.shape({ changedAt: timeSchema }).strict().noUnknown().required(), 10_000),
  decisions: list(
    object({
      formId: text(200),
      finding: text(100_000),
      kind: mixed()
        .oneOf([...decisionKinds])
        .required(),
      reason: text(2000),
      at: timeSchema,
    })
      .strict()
      .noUnknown()
      .required(),
    100_000,
  ),
  lineUps: list(
    lineUpSchema
      .shape({ formId: text(200) })
      .strict()
      .noUnknown()
      .required(),
    10_000,
  ),
  baselines: list(
    object({ formId: text(200), run: text(200) })
      .strict()
      .noUnknown()
      .required(),
    10_000,
  ),
  targets: array(targetSchema).strict().max(1000).required(),
  corrections: array(correctionSchema).strict().max(10_000).required(),
  pictures: list(
    object({ id: pictureIdSchema.required(), width: pixels(), height: pixels() })
      .strict()
      .noUnknown()
      .required(),
    200_000,
  ),
})
  .strict()
  .noUnknown()
  .required();

const file = 'workspace';

/** Reads `workspace.json`. */
export function readWorkspace(content: string): WorkspaceReading {
  const reading = readVersioned(content, { file, format: 'ukko-workspace', version: workspaceVersion });
  if (reading.status === 'fault') return reading;
  const fitting = fitted(contentsSchema, reading.contents);
  if (fitting.status === 'misfit')
    return { status: 'fault', fault: { file, code: 'misfit', line: null, misfit: fitting.misfit } };
  const read = fitting.value as unknown as WorkspaceContents;
  const decisions = carriedDecisions(read.decisions);
  return {
    status: 'read',
    contents: { ...read, format: 'ukko-workspace', version: workspaceVersion, decisions },
  };
}
