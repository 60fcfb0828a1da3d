import type { PageFault } from '../document/page-fault';
import type { UnusableEnginesFile } from '../reading/file-fault';
import type { Refusal } from '../reading/refusal';
import type { UnworkedCode } from '../regexp/unworked';

/**
 * Why an observer did not get an answer that there is. Its sentence, with what to do, is made in `words/`. `engine` is the engine's title;
 * `said` is what a program said of its own, in its own words, one line.
 */
export type Failure =
  /** No engine of this name is known here. */
  | { readonly code: 'engine unknown'; readonly name: string }
  | ({ readonly code: 'engines file' } & UnusableEnginesFile)
  | {
      readonly code: 'engine missing';
      readonly engine: string;
      /** Debian packages that bring it. */
      readonly packages: readonly string[];
      /** The environment variable that may name its path; null where several programs are missing. */
      readonly variable: string | null;
    }
  | { readonly code: 'no engine here'; readonly packages: readonly string[] }
  | { readonly code: 'keyboard missing'; readonly packages: readonly string[] }
  | { readonly code: 'endpoint silent'; readonly engine: string }
  | { readonly code: 'endpoint not held'; readonly engine: string }
  | {
      readonly code: 'no session' | 'no start' | 'phone no start';
      readonly engine: string;
      readonly said: string;
    }
  | { readonly code: 'phone display no start'; readonly said: string }
  | { readonly code: 'phone display empty' }
  | { readonly code: 'programs gone'; readonly engine: string }
  | { readonly code: 'no window'; readonly engine: string }
  /** Seconds that it had. */
  | { readonly code: 'silent' | 'not loaded'; readonly engine: string; readonly within: number }
  | { readonly code: 'ended'; readonly engine: string }
  | { readonly code: 'page crashed' | 'page left'; readonly engine: string }
  /** Ukko's own script threw in the page, or the protocol answered with an error. */
  | { readonly code: 'script threw' | 'protocol error'; readonly engine: string; readonly said: string }
  | { readonly code: 'covered'; readonly field: string; readonly taps: number }
  | { readonly code: 'kind withheld' }
  | { readonly code: 'page fault'; readonly fault: PageFault }
  /** The page led to an address that may not be opened. */
  | { readonly code: 'led away'; readonly fault: PageFault }
  | { readonly code: 'form gone' | 'button gone' | 'button unseen' }
  | {
      readonly code: 'step found nothing';
      readonly step: string;
      readonly about: string;
      readonly within: number;
    }
  | {
      readonly code:
        | 'probe not loaded'
        /** It stopped in the middle of a sweep, or did not answer a single question. */
        | 'server silent'
        | 'server away'
        | 'cancelled'
        | 'keyboard cut short'
        | 'sending cut short';
    }
  | { readonly code: 'server refused'; readonly refusal: Refusal }
  /** A rule takes more than may be spent on it. */
  | { readonly code: 'not worked out'; readonly why: UnworkedCode }
  | { readonly code: 'accessibility bus missing'; readonly packages: readonly string[] }
  | { readonly code: 'display missing'; readonly packages: readonly string[] }
  | { readonly code: 'page unread' | 'nothing sent' | 'sending cancelled' }
  /** A mistake of Ukko's own. */
  | { readonly code: 'mistake'; readonly said: string }
  | { readonly code: 'asked twice' | 'field never ends' | 'form not filled'; readonly because: Failure }
  /** A file of before version 4 says what this Ukko does not know. */
  | { readonly code: 'older'; readonly text: string };
