import { describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { isTypedText } from '@/core/form/field';
import { readForm } from '@/core/form/read-form';
import { judgeFor } from '@/core/replay/judge';
import { habitsByRoute } from '@/core/replay/usual-habits';
import { readScript } from '@/core/script/script-text';
import { firstPlan } from './first-plan';

const { fields } = readForm(demoForm.markup);

describe('the first plan of a field', () => {
  it.each(fields.filter(({ kind }) => isTypedText(kind)).map((field) => [field.label, field] as const))(
    'types what %s accepts, key by key',
    (_, field) => {
      const reading = readScript(firstPlan(field).script);
      if (reading.status !== 'read') throw new Error(reading.text);
      const keys = reading.script.map((stroke) => (stroke.kind === 'key' ? stroke.key : '?'));
      const { judge } = judgeFor(field, [], habitsByRoute('hardware keys'));
      expect(judge(keys.join('')).verdict).toBe('accepted');
    },
  );
});
