import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fileFaultText } from '../words/file-fault-words';
import {
  isAbout,
  isDecisionsFile,
  type ProjectDecision,
  readDecisionsFile,
  writeDecisionsFile,
} from './decisions-file';
import { decisionKinds, type FindingId } from './finding';

const decision: ProjectDecision = {
  form: 'Checkout',
  finding: '["fault","a"]' as FindingId,
  kind: 'accept',
  reason: 'in spring',
  at: '2026-01-02T03:04:05Z',
};
const file = (changed: object) =>
  JSON.stringify({ ...JSON.parse(writeDecisionsFile([decision])), ...changed });
const faultOf = (content: string) => {
  const reading = readDecisionsFile(content);
  return reading.status === 'fault' ? fileFaultText(reading.fault) : null;
};

describe('decisions beside the code', () => {
  it('are read as they were written, whatever they say', () => {
    const one = fc.record(
      {
        form: fc.string(),
        finding: fc.string().map((text) => text as FindingId),
        kind: fc.constantFrom(...decisionKinds),
        reason: fc.string(),
        at: fc.constant(decision.at),
      },
      { requiredKeys: ['finding', 'kind', 'reason', 'at'] },
    );
    fc.assert(
      fc.property(fc.uniqueArray(one, { selector: (each) => JSON.stringify(each) }), (decisions) => {
        const written = writeDecisionsFile(decisions);
        const reading = readDecisionsFile(written);
        const told = (all: readonly ProjectDecision[]) => all.map((each) => JSON.stringify(each)).sort();
        expect(isDecisionsFile(written)).toBe(true);
        expect(reading.status === 'read' && told(reading.decisions)).toEqual(told(decisions));
      }),
    );
  });

  it('are one in a line, in an order that does not depend on when they were made', () => {
    const other = { ...decision, finding: '["fault","b"]' as FindingId };
    const anyForm = { ...decision, form: undefined };
    const written = writeDecisionsFile([other, decision]);
    expect(writeDecisionsFile([decision, other])).toBe(written);
    expect(written.split('\n').filter((line) => line.includes('"finding"'))).toHaveLength(2);
    expect(writeDecisionsFile([anyForm])).not.toContain('"form"');
    expect(readDecisionsFile(writeDecisionsFile([]))).toEqual({ status: 'read', decisions: [] });
  });

  it.each([
    ['{', 'The decisions file is not valid JSON.'],
    ['[]', 'This is not a decisions file of Ukko.'],
    [file({ format: 'ukko-run' }), 'This is not a decisions file of Ukko.'],
    [file({ version: 2 }), 'reads up to version 1'],
    [file({ version: '1' }), 'does not state its version'],
    [file({ decisions: [{ ...decision, kind: 'ignore' }] }), 'The decisions file is wrong'],
    [file({ decisions: [{ ...decision, more: 1 }] }), 'The decisions file is wrong'],
    [file({ decisions: [{ ...decision, at: 'yesterday' }] }), 'The decisions file is wrong'],
  ])('%.60s is refused: %s', (content, sentence) => {
    expect(faultOf(content)).toContain(sentence);
  });

  it('may name their schema', () => {
    const named = JSON.stringify({
      $schema: 'docs/decisions.schema.json',
      ...JSON.parse(writeDecisionsFile([decision])),
    });
    expect([isDecisionsFile(named), readDecisionsFile(named).status]).toEqual([true, 'read']);
    expect(readDecisionsFile(file({ $schema: 'docs/decisions.schema.json' })).status).toBe('read');
  });

  it.each([
    ['Checkout', 'Checkout', true],
    ['Checkout', 'checkout.html', true],
    ['checkout.HTM', 'Checkout', true],
    ['Checkout', 'Checkout 2', false],
    ['申込', '申込', true],
    ['申込', '登録', false],
    [undefined, 'anything', true],
  ])('of the form %s are about %s: %s', (form, name, expected) => {
    expect(isAbout(form === undefined ? {} : { form }, name)).toBe(expected);
  });
});
