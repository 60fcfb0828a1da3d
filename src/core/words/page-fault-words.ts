import type { PageFault, StepFault } from '../document/page-fault';

const usage = 'Write go "/path", click "Sign in", fill "User" "ada" or wait "New entry", one in each line.';

/** Why a line of the steps cannot be done, and what to write. */
export function stepFaultText(fault: StepFault): string {
  switch (fault.code) {
    case 'no step':
      return `“${fault.line}” is no step. ${usage}`;
    case 'leaves the server':
      return `“${fault.path}” leads away from the page’s server. Write a path that begins with “/”.`;
    case 'too many steps':
      return `There are more than ${fault.most} steps. Remove some.`;
  }
}

/** Why a page of one's own cannot be asked, and what to do. */
export function pageFaultText(fault: PageFault): string {
  switch (fault.code) {
    case 'no address':
      return 'This is no address. Write it as your dev server prints it, such as http://localhost:5173/log.';
    case 'no http':
      return 'The address has to begin with http:// or https://.';
    case 'not listed':
      return `${fault.origin} is not on this machine. Ukko opens other addresses only when “pages” in ukko.engines.json lists them.`;
    case 'step':
      return `Line ${fault.line} of the steps: ${stepFaultText(fault.fault)}`;
    case 'empty answer':
      return `The server answers ${fault.address} with ${fault.status} and an empty page. Correct the path of the address.`;
    case 'leads on':
      return `${fault.address} leads to ${fault.to}. ${pageFaultText(fault.fault)}`;
    case 'endless answer':
      return `The answer of ${fault.address} does not end: ${fault.says}. Give the address of a page.`;
    case 'late answer':
      return `The server at ${fault.address} took the request and did not finish its answer within ${fault.within} s. Check what it waits for.`;
    case 'nothing answers':
      return `Nothing answers at ${fault.address}. Start the dev server, or correct the address.`;
  }
}
