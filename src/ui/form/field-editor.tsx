'use client';

import { Button, Input, Select, Switch } from 'antd';
import { appliesTo, attributeRegistry, attributesFor } from '@/core/form/attribute-registry';
import { attribute, type Field, hasAttribute, inputTypes } from '@/core/form/field';
import styles from './form-view.module.css';

/** The attributes of one field: those it has, and a choice of those it could have. */
export function FieldEditor({
  field,
  onSet,
  onText,
}: {
  field: Field;
  onSet: (name: string, value: string | null) => void;
  onText: (text: string) => void;
}) {
  const [control] = field.controls;
  const present = control.attributes.map((a) => a.name).filter((name) => name !== 'type');
  const offered = attributesFor(field.kind).filter((name) => name !== 'type' && !hasAttribute(control, name));
  return (
    <div className={styles.editor}>
      {control.element === 'input' && (
        <>
          <label htmlFor={`${field.id}-type`}>type</label>
          <Select
            id={`${field.id}-type`}
            value={attribute(control, 'type') ?? 'text'}
            showSearch
            options={inputTypes.map((type) => ({ value: type, label: type }))}
            onChange={(type) => onSet('type', type)}
          />
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
            value={control.text}
            onChange={(event) => onText(event.target.value)}
          />
          <span />
        </>
      )}
      {present.map((name) => (
        <AttributeRow key={name} field={field} name={name} onSet={onSet} />
      ))}
      <Select
        className={styles.add}
        aria-label="Add an attribute"
        placeholder="Add an attribute"
        value={null}
        showSearch
        options={offered.map((name) => ({ value: name, label: name }))}
        onSelect={(name: string | null) => name && onSet(name, firstValue(name))}
      />
    </div>
  );
}

/** What a newly added attribute holds, so that it does something at once. */
function firstValue(name: string): string {
  const value = attributeRegistry[name]?.value;
  return Array.isArray(value) ? (value[0] ?? '') : value === 'number' ? '1' : '';
}

function AttributeRow({
  field,
  name,
  onSet,
}: {
  field: Field;
  name: string;
  onSet: (name: string, value: string | null) => void;
}) {
  const value = attribute(field.controls[0], name) ?? '';
  const id = `${field.id}-${name}`;
  const entry = Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name] : undefined;
  const idle = entry !== undefined && !appliesTo(name, field.kind);
  return (
    <>
      <label htmlFor={id}>{name}</label>
      <div>
        {entry?.value === 'boolean' ? (
          <Switch id={id} size="small" checked onChange={(on) => onSet(name, on ? '' : null)} />
        ) : (
          <Input
            id={id}
            value={value}
            className="mono"
            onChange={(event) => onSet(name, event.target.value)}
          />
        )}
        {idle && <div className={styles.idle}>A field of kind {field.kind} ignores it.</div>}
      </div>
      <Button type="text" size="small" aria-label={`Remove ${name}`} onClick={() => onSet(name, null)}>
        ×
      </Button>
    </>
  );
}
