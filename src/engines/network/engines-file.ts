import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { array, object, string, ValidationError } from 'yup';
import { readJson } from '@/core/read-json';
import { engineNames } from '@/core/target/target';
import { projectRoot } from '@/probe/bundle';

/** A W3C WebDriver endpoint that the server's owner named: a grid, a machine in the next room. */
export interface RemoteEndpoint {
  /** What targets call it: lower-case letters, digits and hyphens. */
  readonly name: string;
  readonly title: string;
  readonly address: string;
  /** Capabilities asked for (W3C WebDriver, "Capabilities"). */
  readonly capabilities: Record<string, unknown>;
  /** Host name or address under which the endpoint reaches this machine; null when both are one machine. */
  readonly pagesFrom: string | null;
}

export type EnginesFile =
  | {
      readonly status: 'read';
      readonly endpoints: readonly RemoteEndpoint[];
      /** Origins of other machines whose pages may be opened. */
      readonly pages: readonly string[];
    }
  | { readonly status: 'fault'; readonly text: string };

/** The server's configuration file; `UKKO_ENGINES` names another one. */
export function enginesFilePath(): string {
  return process.env.UKKO_ENGINES ?? join(projectRoot(), 'ukko.engines.json');
}

const schema = object({
  endpoints: array(
    object({
      name: string()
        .strict()
        .required()
        .matches(/^[a-z][a-z0-9-]{0,40}$/, 'a name is made of lower-case letters, digits and hyphens')
        .notOneOf([...engineNames], 'the name is that of an engine that Ukko finds by itself'),
      title: string().strict().required().max(100),
      address: string()
        .strict()
        .required()
        .matches(/^https?:\/\/[^\s]+$/, 'an address begins with http:// or https://'),
      capabilities: object().strict().optional().default(undefined),
      pagesFrom: string().strict().nullable().max(255),
    })
      .strict()
      .noUnknown(),
  )
    .max(20)
    .optional()
    .default(undefined),
  pages: array(
    string()
      .strict()
      .required()
      .matches(/^https?:\/\/[^\s/]+$/, 'a page is listed by its origin, as in https://staging.example:8443'),
  )
    .max(100)
    .optional()
    .default(undefined),
})
  .test('names something', 'it names neither endpoints nor pages', (file) =>
    Boolean(file?.endpoints ?? file?.pages),
  )
  .strict()
  .noUnknown();

/** Reads the endpoints; a file that is not there names none. A fault says what is wrong and what to do. */
export async function readEnginesFile(path = enginesFilePath()): Promise<EnginesFile> {
  const content = await readFile(/* turbopackIgnore: true */ path, 'utf8').catch(() => null);
  if (content === null) return { status: 'read', endpoints: [], pages: [] };
  try {
    const { endpoints = [], pages = [] } = schema.validateSync(readJson(content), {
      strict: true,
      abortEarly: true,
    });
    const names = endpoints.map(({ name }) => name);
    const twice = names.find((name, index) => names.indexOf(name) !== index);
    if (twice !== undefined) return fault(path, `two endpoints are called ${twice}`);
    return {
      status: 'read',
      endpoints: endpoints.map(({ capabilities, pagesFrom, ...named }) => ({
        ...named,
        capabilities: (capabilities ?? {}) as RemoteEndpoint['capabilities'],
        pagesFrom: pagesFrom ?? null,
      })),
      pages,
    };
  } catch (error) {
    if (error instanceof SyntaxError) return fault(path, 'it is not JSON');
    if (error instanceof ValidationError) return fault(path, error.message);
    throw error;
  }
}

function fault(path: string, why: string): EnginesFile {
  return {
    status: 'fault',
    text: `The engines file ${path} cannot be used: ${why}. Mend it and sweep again.`,
  };
}
