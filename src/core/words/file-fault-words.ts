import type { EnginesFileFault, FileFault, FileKind, UnusableEnginesFile } from '../reading/file-fault';
import { misfitPlace, misfitText } from './misfit-words';

interface FileWords {
  readonly name: string;
  /** How such a file is written. */
  readonly written: string;
  readonly smaller: string;
  /** What to do with a damaged one. */
  readonly again: string;
}

const words: Readonly<Record<FileKind, FileWords>> = {
  form: {
    name: 'form file',
    written: 'with “Export form”',
    smaller: 'Paste the form alone.',
    again: 'Correct it there, or export the form again.',
  },
  run: {
    name: 'run file',
    written: 'with “Export run” or “ukko sweep”',
    smaller: 'Export a smaller run, or sweep fewer fields at a time.',
    again: 'Export the run again.',
  },
  workspace: {
    name: 'workspace file',
    written: 'with “Export workspace”',
    smaller: 'Thin the old pictures in the browser it comes from, and export it again.',
    again: 'Export the workspace again.',
  },
  decisions: {
    name: 'decisions file',
    written: 'with “Export decisions”',
    smaller: 'Take out decisions of forms that are gone.',
    again: 'Correct it there, or export the decisions again.',
  },
};

/** Why a file cannot be read, where it is wrong, and what to do. */
export function fileFaultText(fault: FileFault): string {
  const { name, written, smaller, again } = words[fault.file];
  switch (fault.code) {
    case 'too large':
      return `The ${name} is larger than ${fault.most} MB. ${smaller}`;
    case 'no JSON':
      return `The ${name} is not valid JSON${inLine(fault.line, ' (', ')')}. ${again}`;
    case 'other file':
      return `This is not a ${name} of Ukko. Choose a file that was written ${written}.`;
    case 'newer version':
      return `The ${name} has version ${fault.version}; this Ukko reads up to version ${fault.reads}. Open it with a newer Ukko.`;
    case 'no version':
      return `The ${name} does not state its version. ${again}`;
    case 'no zip':
      return `The ${name} is damaged, or no zip file. ${again}`;
    case 'part damaged':
      return `The part ${fault.name} of the ${name} is damaged. ${again}`;
    case 'part too large':
      return `The part ${fault.name} of the ${name} unpacks to more than Ukko takes. ${smaller}`;
    case 'part unread':
      return `In ${fault.name} of the ${name}: ${fileFaultText(fault.fault)}`;
    case 'picture spoiled':
      return `The picture ${fault.name} in the ${name} is damaged. ${again}`;
    case 'misfit':
      return `The ${name} is wrong ${misfitPlace(fault.misfit)}${inLine(fault.line, ', ')}: ${misfitText(fault.misfit)}. ${again}`;
  }
}

function inLine(line: number | null, before: string, after = ''): string {
  return line === null ? '' : `${before}line ${line}${after}`;
}

/** Why the server's configuration file cannot be used, and what to do. */
export function enginesFileText({ path, fault }: UnusableEnginesFile): string {
  return `The engines file ${path} cannot be used: ${enginesFileFaultClause(fault)}. Correct it and sweep again.`;
}

function enginesFileFaultClause(fault: EnginesFileFault): string {
  switch (fault.code) {
    case 'no JSON':
      return 'it is not valid JSON';
    case 'two endpoints':
      return `two endpoints are called “${fault.name}”`;
    case 'misfit':
      return `${misfitPlace(fault.misfit)}, ${misfitText(fault.misfit)}`;
  }
}
