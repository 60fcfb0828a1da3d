import type { SamplesFault } from '../guard/sample';

/** What is wrong in a line of a table of samples, and what to do. */
export function samplesFaultText(fault: SamplesFault): string {
  switch (fault.code) {
    case 'no verdict':
      return `“${fault.word}” is not a verdict. Write accepted, unfinished or refused in the second column.`;
    case 'open quote':
      return 'A quote is not closed. Write a quote inside a quoted text twice.';
    case 'too many samples':
      return `A field has at most ${fault.most.toLocaleString('en-GB')} samples. Remove some.`;
  }
}
