import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { typingTasks } from '../document/form-document';
import type { FieldId } from '../html/field';
import { readForm } from '../html/read-form';
import { askingOf, planOf, receivedAsking, sentAsking } from './asking';
import { pageQuestions } from './observation';

const { markup } = demoForm;
const scripts = typingTasks(demoForm);

describe('an asking', () => {
  it.each([[null], [['date', 'tide', 'level'] as FieldId[]]])(
    'is the same after its way elsewhere: %j',
    (only) => {
      const asking = askingOf(markup, pageQuestions, scripts, only);
      const sent = sentAsking(asking);
      expect(receivedAsking(structuredClone(sent))).toEqual(asking);
      expect(planOf(receivedAsking(sent))).toEqual(planOf(asking));
    },
  );

  it('goes without what can be read from its markup', () => {
    const options = '<option>Buoy'.repeat(1000);
    const sent = sentAsking(askingOf(`<select name=s>${options}</select>`, ['look']));
    expect(JSON.stringify(sent).length).toBeLessThan(options.length + 200);
  });

  it('asks about the fields that were named, in the order of the form', () => {
    const { fields } = readForm(markup);
    const some = [fields[7], fields[2]].flatMap((field) => field?.id ?? []);
    const asking = askingOf(markup, ['look'], {}, some);
    expect(asking.fields.map(({ id }) => id)).toEqual([...some].reverse());
  });
});
