import { boolean, number, object, string } from 'yup';
import type { AddressFault } from './page-fault';
import { type UnreadPart, unreadPartsSchema } from './unread-part';

/** A page of the developer's own, as it runs on a dev server: the form under test is one of its forms. */
export interface OwnPage {
  readonly address: string;
  /** Which of the page's forms, in the order in which they are found. */
  readonly form: number;
  /** What is done before the form is there, as text; see docs/own-page.md. */
  readonly steps: string;
  /** All that the page asks for is held to the addresses that may be opened; not given: only where it is led. */
  readonly held?: boolean;
  /** Parts of the form that could not be read, so that nobody asks about them. */
  readonly unread?: readonly UnreadPart[];
  /** Whether scripts act on the form; not given: nobody looked. */
  readonly hasScripts?: boolean;
}

/** What was read of one form of a page, besides its markup. */
export interface FormReadThere {
  readonly unread: readonly UnreadPart[];
  readonly hasScripts: boolean;
}

/** The page with what was read of its form last. */
export function pageAsRead(page: OwnPage, { unread, hasScripts }: FormReadThere): OwnPage {
  const { unread: _, ...rest } = page;
  return { ...rest, ...(unread.length > 0 && { unread }), hasScripts };
}

/** Whether scripts of a page may act on a form: where nobody looked, they are taken to; markup alone runs none. */
export function isScripted(page: OwnPage | null | undefined): boolean {
  return page !== null && page !== undefined && page.hasScripts !== false;
}

export const ownPageSchema = object({
  address: string().strict().required().max(2000),
  form: number().strict().integer().min(0).max(1000).required(),
  steps: string().strict().defined().max(20_000),
  held: boolean().strict(),
  unread: unreadPartsSchema.optional().default(undefined),
  hasScripts: boolean().strict(),
})
  .strict()
  .noUnknown();

/** A key of what an engine does with a page: which one it opens, what it does there first, and what that page may ask for. */
export function pageKey({ address, steps, held = false }: PagePlace): string {
  return JSON.stringify([address, steps.trim(), held]);
}

/** What has to be known of a page to open it and find its forms. */
export type PagePlace = Pick<OwnPage, 'address' | 'steps' | 'held'>;

const thisMachine = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Why an address may not be opened; null when it may.
 * @param origins those of other machines that the server's configuration lists
 */
export function pageAddressFault(address: string, origins: readonly string[]): AddressFault | null {
  if (!URL.canParse(address)) return { code: 'no address' };
  const { protocol, hostname, origin } = new URL(address);
  if (protocol !== 'http:' && protocol !== 'https:') return { code: 'no http' };
  if (thisMachine.includes(hostname) || hostname.endsWith('.localhost') || origins.includes(origin))
    return null;
  return { code: 'not listed', origin };
}
