import type { Failure } from '../observation/failure';
import { enginesFileText } from './file-fault-words';
import { pageFaultText } from './page-fault-words';
import { refusalText } from './refusal-words';
import { unworkedText } from './unworked-words';

/** Why an observer did not get an answer, and what to do. */
export function failureText(failure: Failure): string {
  switch (failure.code) {
    case 'engine unknown':
      return `There is no engine “${failure.name}” here. Name its endpoint in the engines file, or take the target out of the line-up.`;
    case 'engine missing':
      return failure.variable === null
        ? `${failure.engine}, or the display that it needs, is not on this machine. ${installing(failure.packages)}.`
        : `${failure.engine} is not on this machine. ${installing(failure.packages)}, or set ${failure.variable} to its path.`;
    case 'no engine here':
      return `No engine is on this machine to open the page. ${installing(failure.packages)}.`;
    case 'keyboard missing':
      return `The on-screen keyboard, or the display that it needs, is not on this machine. ${installing(failure.packages)}.`;
    case 'endpoint silent':
      return `${failure.engine} does not answer at its address. Start it, or correct its address in the engines file.`;
    case 'endpoint not held':
      return `${failure.engine} runs elsewhere, so the requests of its pages cannot be held back. Take it out of the line-up, or allow the page other addresses.`;
    case 'no session':
      return `${failure.engine} gave no session: ${failure.said}`;
    case 'no start':
      return `${failure.engine} did not start: ${failure.said}`;
    case 'phone no start':
      return `${failure.engine} did not start on the phone-sized display: ${failure.said}`;
    case 'phone display no start':
      return `The phone-sized display did not start: ${failure.said}.`;
    case 'phone display empty':
      return 'The page does not show on the phone-sized display.';
    case 'programs gone':
      return `The browser of ${failure.engine}, or its display, was removed. Install it again.`;
    case 'no window':
      return `${failure.engine} does not show its window on the display.`;
    case 'silent':
      return `${failure.engine} did not answer within ${failure.within} s.`;
    case 'not loaded':
      return `${failure.engine} did not answer: the page was not loaded within ${failure.within} s. Check whether one of its scripts never ends, or what it waits for.`;
    case 'ended':
      return `${failure.engine} went away in the middle of the work.`;
    case 'page crashed':
      return `${failure.engine} did not answer: the page crashed while it was asked. Ask again; if it crashes again, look for what in the form it does not survive.`;
    case 'page left':
      return `${failure.engine} did not answer: the page was left, closed or reloaded while it was asked. Let it stay, or write what leads to the form as steps before it.`;
    case 'script threw':
      return `${failure.engine} did not answer: Ukko’s script failed in the page (${failure.said}). Check whether a script of the page replaces what browsers provide.`;
    case 'protocol error':
      return `${failure.engine} did not answer: ${failure.said}`;
    case 'covered':
      return `None of ${failure.taps} taps on “${failure.field}” reached it: something covers the page. Ask again.`;
    case 'page fault':
      return pageFaultText(failure.fault);
    case 'led away':
      return `The page led to another address. ${pageFaultText(failure.fault)}`;
    case 'step found nothing':
      return `The step ${failure.step} “${failure.about}” found nothing in the page within ${failure.within} seconds. Correct the steps before the form.`;
    case 'engines file':
      return enginesFileText(failure);
    case 'server refused':
      return refusalText(failure.refusal);
    case 'not worked out':
      return unworkedText(failure.why);
    case 'accessibility bus missing':
      return `What assistive technology is told can only be read over the accessibility bus. ${installing(failure.packages)}.`;
    case 'display missing':
      return `Pop-ups and bubbles need a display without a monitor. ${installing(failure.packages)}.`;
    case 'mistake':
      return `Ukko failed while asking: ${failure.said}`;
    case 'asked twice':
      return `${ended(failureText(failure.because))} It was asked twice.`;
    case 'field never ends':
      return `${ended(failureText(failure.because))} Check whether a script of the page never ends over this field.`;
    case 'form not filled':
      return `The form cannot be filled in, because one of its fields cannot be asked. ${failureText(failure.because)}`;
    case 'older':
      return failure.text;
    default:
      return plain[failure.code];
  }
}

const plain = {
  'kind withheld': 'Only pasted markup can have a kind withheld. Take this target out of the line-up.',
  'form gone':
    'The page no longer shows the form that was read from it. Read the page again, or correct the steps before the form.',
  'button gone': 'The form has no such button. Read the page again.',
  'button unseen': 'The button takes no room in the page, so nothing was sent.',
  'probe not loaded': 'The probe page did not load in this browser. Reload Ukko and sweep again.',
  'server away': 'The server does not answer. Start it again with “npm run demo”.',
  'server silent': 'The server stopped answering. Start it again with “npm run demo”, then sweep again.',
  cancelled: 'It was cancelled.',
  'page unread': 'The page could not be read. Try again.',
  'nothing sent': 'Nothing was sent. Try again.',
  'sending cancelled': 'Cancelled. Look at your server: it may have been sent by then.',
  'keyboard cut short': 'The keyboard was not asked to the end. Ask again.',
  'sending cut short':
    'Ukko stopped before it saw what came of it. Look at your server before you send again.',
} as const satisfies Partial<Record<Failure['code'], string>>;

function installing(packages: readonly string[]): string {
  return `Install it with “apt-get install ${packages.join(' ')}”`;
}

const ended = (text: string) => text.replace(/\.?$/, '.');
