'use client';

import { Input, Select } from 'antd';
import { ignoredBecause } from '@/core/fault/ignored-attribute';
import { attributeRegistry, attributesFor } from '@/core/html/attribute-registry';
import { attribute, type Field, type FormReading, hasAttribute, inputTypes } from '@/core/html/field';
import { offeredValues } from '@/core/html/offered-values';
import { ignoredWords } from '@/core/words/attribute-words';
import { AddAttribute } from './add-attribute';
import { AttributeRow } from './attribute-row';
import styles from './form-view.module.css';
import { TryValue } from './try-value';
import { useDraft } from './use-draft';

/** The attributes of one field: a value to try on it, those it has, and a choice of those it could have. */
export function FieldEditor({
  field,
  page,
  onSet,
  onText,
}: {
  field: Field;
  page: FormReading;
  onSet: (name: string, value: string | null) => void;
  onText: (text: string) => void;
}) {
  const [control] = field.controls;
  const present = control.attributes.map((a) => a.name).filter((name) => name !== 'type');
  const offered = attributesFor(field.kind).filter((name) => name !== 'type' && !hasAttribute(control, name));
  const [text, writeText] = useDraft(control.text, onText);
  const unknownType = ignoredText(field, 'type');
  return (
    <>
      <TryValue key={control.ordinal} field={field} />
      <div className={styles.editor}>
        {control.element === 'input' && (
          <>
            <label htmlFor={`${field.id}-type`}>type</label>
            <div>
              <Select
                id={`${field.id}-type`}
                className={styles.value}
                value={attribute(control, 'type') ?? 'text'}
                showSearch
                options={inputTypes.map((type) => ({ value: type, label: type }))}
                onChange={(type) => onSet('type', type)}
              />
              {unknownType && <div className={styles.idle}>{unknownType}</div>}
            </div>
            <span />
          </>
        )}
        {control.element === 'textarea' && (
          <>
            <label htmlFor={`${field.id}-text`}>text</label>
            <Input.TextArea
              id={`${field.id}-text`}
              className="mono"
              autoSize={{ minRows: 1, maxRows: 4 }}
              value={text}
              onChange={(event) => writeText(event.target.value)}
            />
            <span />
          </>
        )}
        {present.map((name) => (
          <AttributeRow
            key={name}
            id={`${field.id}-${name}`}
            name={name}
            value={attribute(control, name) ?? ''}
            edited={Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name]?.value : undefined}
            offered={offeredValues(field, name, page)}
            ignored={ignoredText(field, name)}
            onSet={onSet}
          />
        ))}
        <AddAttribute
          label="Add an attribute"
          names={offered}
          onAdd={(name) => onSet(name, firstValue(field, name, page))}
        />
      </div>
    </>
  );
}

/** Why an attribute of a field does nothing; null where it does something. */
function ignoredText(field: Field, name: string): string | null {
  const ignored = ignoredBecause(field, name);
  return ignored && ignoredWords(ignored);
}

/** What a newly added attribute holds, so that it does something at once. */
function firstValue(field: Field, name: string, page: FormReading): string {
  const edited = attributeRegistry[name]?.value;
  if (edited === 'boolean') return '';
  return offeredValues(field, name, page)[0] ?? (edited === 'number' ? '1' : '');
}
