import { boolean, number, object, string } from 'yup';
import type { Picture } from '../observation/picture';

/** A page of the developer's own, as it runs on a dev server: the form under test is one of its forms. */
export interface OwnPage {
  readonly address: string;
  /** Which of the page's forms, in the order in which they are found. */
  readonly form: number;
  /** What is done before the form is there, as text; see docs/own-page.md. */
  readonly steps: string;
  /** All that the page asks for is held to the addresses that may be opened; not given: only where it is led. */
  readonly held?: boolean;
}

export const ownPageSchema = object({
  address: string().strict().required().max(2000),
  form: number().strict().integer().min(0).max(1000).required(),
  steps: string().strict().defined().max(20_000),
  held: boolean().strict(),
})
  .strict()
  .noUnknown();

/** A key of what an engine does with a page: which one it opens, what it does there first, and what that page may ask for. */
export function pageKey({ address, steps, held = false }: PagePlace): string {
  return JSON.stringify([address, steps.trim(), held]);
}

/** What has to be known of a page to open it and find its forms. */
export type PagePlace = Pick<OwnPage, 'address' | 'steps' | 'held'>;

/** One form that was found in a page. */
export interface FormFound {
  /** What it is called, or what stands in it first. */
  readonly title: string;
  /** As it stands in the page, with what is in open shadow roots put in the place of their hosts. */
  readonly markup: string;
}

/** Something that can be done where a page stands, as a step would name it. */
export interface Doable {
  readonly kind: 'click' | 'fill';
  readonly what: string;
  /** Where it is in the picture, CSS px. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** A page after its steps, as an engine shows it. */
export interface PageSight {
  readonly picture: Picture;
  readonly doable: readonly Doable[];
}

/** The forms of a page after its steps; none where the steps lead to none. */
export interface PageRead {
  readonly forms: readonly FormFound[];
  /** Null where no picture could be taken. */
  readonly sight: PageSight | null;
}

/** What came of reading a page; an address that may not be opened, or a step that found nothing, is a fault to be mended. */
export type PageReading =
  | ({ readonly status: 'read' } & PageRead)
  | { readonly status: 'fault'; readonly text: string };

const thisMachine = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Why an address may not be opened, in one sentence; null when it may.
 * @param origins those of other machines that the server's configuration lists
 */
export function pageAddressFault(address: string, origins: readonly string[]): string | null {
  if (!URL.canParse(address))
    return 'This is no address. Write it as your dev server prints it, as in http://localhost:5173/log.';
  const { protocol, hostname, origin } = new URL(address);
  if (protocol !== 'http:' && protocol !== 'https:')
    return 'The address has to begin with http:// or https://.';
  if (thisMachine.includes(hostname) || hostname.endsWith('.localhost') || origins.includes(origin))
    return null;
  return `${origin} is not on this machine. Ukko opens other addresses only when “pages” in ukko.engines.json lists them.`;
}
