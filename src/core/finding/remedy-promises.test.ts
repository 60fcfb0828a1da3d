import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { hurriedForm } from '../demo/demo-forms';
import type { FormDocument } from '../document/form-document';
import { findingTitle, findingWords } from '../words/finding-words';
import { formFindingsAtOnce } from './collect-findings';
import { collected, type Finding } from './finding';
import { changedForm } from './remedy-edit';

const ofForm = (form: Pick<FormDocument, 'markup' | 'typing'>): Finding[] =>
  collected(formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction));
const textsOf = (findings: readonly Finding[]) =>
  findings.map(findingWords).flatMap(({ says, details }) => [says, ...details]);

describe('a remedy of the hurried form', () => {
  const all = ofForm(hurriedForm);
  const before = new Set(textsOf(all));
  const mendable = all.filter(({ change }) => change !== null);
  it('is there as an edit for most faults', () => {
    expect(mendable.length).toBeGreaterThan(18);
  });
  it.each(mendable.map((finding) => [findingTitle(finding), finding] as const))(
    'does what it promises: %s',
    (_, finding) => {
      if (!finding.change) throw new Error('no change');
      const after = ofForm(changedForm(hurriedForm, finding.change));
      expect(after.map(({ id }) => id)).not.toContain(finding.id);
      // A field that gets a name or a label is called by it from then on.
      const fresh = textsOf(after).filter(
        (text) => !before.has(text) && !/label|name/.test(findingWords(finding).remedy ?? ''),
      );
      // A PIN that becomes a secret is sent like the other one.
      expect(fresh.filter((text) => !/Tide coefficient|sent by GET/.test(text))).toEqual([]);
    },
  );
  it('of one edit for several faults makes them one finding', () => {
    const radios = all.filter((one) => textsOf([one]).some((text) => text.includes('only radio button')));
    expect(radios.map((one) => findingWords(one).details)).toEqual([
      [expect.stringContaining('slack'), expect.stringContaining('falling')],
    ]);
  });
});
