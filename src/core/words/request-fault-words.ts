import type { DeviceFault } from '../device/device-message';
import type {
  AskingFault,
  QuestionFault,
  QuestionName,
  ResumeFault,
  SweepFault,
} from '../reading/request-fault';
import { misfitPlace, misfitText } from './misfit-words';

const refusals: Readonly<Record<Exclude<QuestionName, 'page of one’s own'>, string>> = {
  keyboard: 'The keyboard cannot be asked',
  sending: 'The form was not sent',
  'slow text': 'The slow text cannot be tried',
  warming: 'The engines cannot be made ready',
  'device page': 'The form cannot be given to a device',
  guards: 'The rules cannot be written as a module',
};

/** Why the server does not do what the app asked of it. */
export function questionFaultText({ question, misfit }: QuestionFault): string {
  // A person writes its address; what else is asked, the app puts together.
  if (question === 'page of one’s own') return 'Give the address of a page, as your dev server prints it.';
  return `${refusals[question]}: the request is wrong ${misfitPlace(misfit)}, ${misfitText(misfit)}. Reload Ukko and try again.`;
}

/** Why a form cannot be swept, and what to do. */
export function askingFaultText(fault: AskingFault): string {
  switch (fault.code) {
    case 'no markup':
      return 'The form has no markup. Write or paste some HTML first.';
    case 'markup too long':
      return `The markup is longer than ${fault.most.toLocaleString('en-GB')} characters. Paste the form alone, without the rest of its page.`;
    case 'no fields':
      return 'The form has no fields yet. Add an input, a select or a textarea to the markup.';
    case 'too many fields':
      return `The form has ${fault.fields} fields; one sweep takes up to ${fault.most}. Leave some out.`;
  }
}

/** Why a run cannot be resumed, and what to do. */
export function resumeFaultText(fault: ResumeFault): string {
  switch (fault) {
    case 'another form':
      return 'the form has changed since. Sweep it without --resume.';
    case 'another language':
      return 'it was swept for people of another language. Give its --language, or sweep without --resume.';
    case 'another Ukko':
      return 'another version of Ukko wrote it. Sweep the form without --resume.';
  }
}

/** Why a sweep is refused, and what to do. */
export function sweepFaultText(fault: SweepFault): string {
  switch (fault.code) {
    case 'misfit':
      return `The sweep cannot start: the request is wrong ${misfitPlace(fault.misfit)}, ${misfitText(fault.misfit)}. Reload Ukko and sweep again.`;
    case 'two targets':
      return 'Two targets have the same id. Take one of them out of the line-up.';
    default:
      return askingFaultText(fault);
  }
}

/** Why answers of a device are left out. */
export function deviceFaultText(fault: DeviceFault): string {
  return `The device’s answers cannot be read: ${deviceFaultClause(fault)}. They were left out; all earlier answers are kept.`;
}

function deviceFaultClause(fault: DeviceFault): string {
  switch (fault.code) {
    case 'not captured':
      return 'some are not marked as captured';
    case 'no JSON':
      return 'the file is cut off or was changed';
    case 'misfit':
      return `${misfitPlace(fault.misfit)}, ${misfitText(fault.misfit)}`;
  }
}
