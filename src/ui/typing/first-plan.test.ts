import { describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { isTypedText } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { judgeFor } from '@/core/rules/judge';
import { habitsByRoute } from '@/core/rules/usual-habits';
import { readScript } from '@/core/script/script-text';
import { firstPlan } from './first-plan';

const { fields } = readForm(demoForm.markup);

describe('the first plan of a field', () => {
  it.each(fields.filter(({ kind }) => isTypedText(kind)).map((field) => [field.label, field] as const))(
    'types what %s accepts, key by key',
    (_, field) => {
      const reading = readScript(firstPlan({}, field).script);
      if (reading.status !== 'read') throw new Error(JSON.stringify(reading.fault));
      const keys = reading.script.map((stroke) => (stroke.kind === 'key' ? stroke.key : '?'));
      const { judge } = judgeFor(field, [], habitsByRoute('hardware keys'));
      expect(judge(keys.join('')).verdict).toBe('accepted');
    },
  );

  it('is of a page of one’s own what a sweep types, so that its answers are shown', () => {
    const page = { address: 'http://localhost:5173/', form: 0, steps: '' };
    const swept = scriptsForPage({ ...demoForm, typing: {}, page }, fields);
    for (const field of fields) {
      const task = swept[field.id];
      if (task) expect(readScript(firstPlan({ page }, field).script)).toMatchObject({ script: task.script });
    }
    expect(Object.keys(swept).length).toBeGreaterThan(5);
  });
});
