import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { array, object, string } from 'yup';
import type { EnginesFileFault } from '@/core/reading/file-fault';
import { fitted } from '@/core/reading/misfit';
import { readJson } from '@/core/reading/read-json';
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
  | { readonly status: 'fault'; readonly path: string; readonly fault: EnginesFileFault };

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
        .matches(/^[a-z][a-z0-9-]{0,40}$/, { name: 'endpoint name' })
        .test('name not taken', (name) => engineNames.every((taken) => taken !== name)),
      title: string().strict().required().max(100),
      address: string()
        .strict()
        .required()
        .matches(/^https?:\/\/[^\s]+$/, { name: 'web address' }),
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
      .matches(/^https?:\/\/[^\s/]+$/, { name: 'origin' }),
  )
    .max(100)
    .optional()
    .default(undefined),
})
  .test('endpoints or pages', (file) => Boolean(file?.endpoints ?? file?.pages))
  .strict()
  .noUnknown();

/** Reads the endpoints; a file that is not there names none. */
export async function readEnginesFile(path = enginesFilePath()): Promise<EnginesFile> {
  const content = await readFile(/* turbopackIgnore: true */ path, 'utf8').catch(() => null);
  if (content === null) return { status: 'read', endpoints: [], pages: [] };
  const json = jsonIn(content);
  if (!json) return { status: 'fault', path, fault: { code: 'no JSON' } };
  const fitting = fitted(schema, json.value);
  if (fitting.status === 'misfit')
    return { status: 'fault', path, fault: { code: 'misfit', misfit: fitting.misfit } };
  const { endpoints = [], pages = [] } = fitting.value;
  const names = endpoints.map(({ name }) => name);
  const twice = names.find((name, index) => names.indexOf(name) !== index);
  if (twice !== undefined) return { status: 'fault', path, fault: { code: 'two endpoints', name: twice } };
  return {
    status: 'read',
    endpoints: endpoints.map(({ capabilities, pagesFrom, ...named }) => ({
      ...named,
      capabilities: (capabilities ?? {}) as RemoteEndpoint['capabilities'],
      pagesFrom: pagesFrom ?? null,
    })),
    pages,
  };
}

function jsonIn(content: string): { readonly value: unknown } | null {
  try {
    return { value: readJson(content) };
  } catch {
    return null;
  }
}
