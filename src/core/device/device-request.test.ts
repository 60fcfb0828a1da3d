import { describe, expect, it } from 'vitest';
import { limits } from '../document/form-document';
import { questionFaultText } from '../words/request-fault-words';
import { readDeviceRequest } from './device-request';

describe('a form for a device', () => {
  it('has a name and markup, however odd', () => {
    const request = { form: '<Skerry> & Sons', markup: '</script><input>' };
    expect(readDeviceRequest(request)).toEqual({ status: 'read', question: request });
  });
  it.each([
    null,
    [],
    { form: 'Skerry Tide Log' },
    { form: '', markup: '<input>' },
    { form: 'x'.repeat(201), markup: '<input>' },
    { form: 'Skerry Tide Log', markup: 'x'.repeat(limits.markup + 1) },
    { form: 'Skerry Tide Log', markup: '<input>', host: '0.0.0.0' },
  ])('is refused with a sentence when it is another thing', (data) => {
    const reading = readDeviceRequest(data);
    expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
      /^The form cannot be given to a device: .+\.$/,
    );
  });
});
