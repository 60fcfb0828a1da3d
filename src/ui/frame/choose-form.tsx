import { Radio } from 'antd';
import type { useAppProps } from 'antd/es/app/context';
import type { FormInPage } from '@/core/html/forms-in-page';

/** Lets a person choose one of the forms of a page. @returns null when none is wanted */
export function chooseForm(
  modal: useAppProps['modal'],
  forms: readonly FormInPage[],
): Promise<FormInPage | null> {
  return new Promise((resolve) => {
    let chosen = 0;
    modal.confirm({
      title: `This page has ${forms.length} forms. Which one is it about?`,
      content: (
        <Radio.Group
          aria-label="Forms of the page"
          defaultValue={0}
          style={{ display: 'grid', gap: 6, maxHeight: 320, overflow: 'auto' }}
          options={forms.map(({ name, fields }, value) => ({
            value,
            label: `${name} (${fields === 1 ? '1 field' : `${fields} fields`})`,
          }))}
          onChange={({ target }) => {
            chosen = target.value;
          }}
        />
      ),
      okText: 'Import',
      onOk: () => resolve(forms[chosen] ?? null),
      onCancel: () => resolve(null),
    });
  });
}
