'use client';

import { formAttributeRegistry } from '@/core/html/attribute-registry';
import { attribute, type FormElement, hasAttribute } from '@/core/html/field';
import { offeredFormValues } from '@/core/html/offered-values';
import { AddAttribute } from './add-attribute';
import { AttributeRow } from './attribute-row';
import styles from './form-view.module.css';

/** The form itself: how and where it is sent. */
export function FormRow({
  form,
  open,
  onOpen,
  onSet,
}: {
  form: FormElement;
  open: boolean;
  onOpen: () => void;
  onSet: (name: string, value: string | null) => void;
}) {
  const method = (attribute(form, 'method') || 'get').toUpperCase();
  return (
    <>
      <button type="button" className={styles.row} aria-expanded={open} onClick={onOpen}>
        <span>The form itself</span>
        <span className="mono">form</span>
        <span className={styles.limits}>
          {[
            method,
            attribute(form, 'action') || 'to its own page',
            attribute(form, 'enctype'),
            hasAttribute(form, 'novalidate') ? 'novalidate' : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </button>
      {open && <FormEditor form={form} onSet={onSet} />}
    </>
  );
}

function FormEditor({
  form,
  onSet,
}: {
  form: FormElement;
  onSet: (name: string, value: string | null) => void;
}) {
  const missing = Object.keys(formAttributeRegistry).filter((name) => !hasAttribute(form, name));
  return (
    <div className={styles.editor}>
      {form.attributes.map(({ name, value }) => {
        const edited = Object.hasOwn(formAttributeRegistry, name) ? formAttributeRegistry[name] : undefined;
        return (
          <AttributeRow
            key={name}
            id={`form-${form.startTag.start}-${name}`}
            name={name}
            value={value}
            edited={edited}
            offered={offeredFormValues(name)}
            ignored={ignored(form, name, value)}
            onSet={onSet}
          />
        );
      })}
      <AddAttribute
        label="Add an attribute to the form"
        names={missing}
        onAdd={(name) =>
          onSet(name, formAttributeRegistry[name] === 'boolean' ? '' : (offeredFormValues(name)[0] ?? ''))
        }
      />
    </div>
  );
}

function ignored(form: FormElement, name: string, value: string): string | null {
  const known = Object.hasOwn(formAttributeRegistry, name) ? formAttributeRegistry[name] : undefined;
  if (Array.isArray(known) && !known.includes(value.toLowerCase()))
    return `“${value}” is none of ${known.join(', ')}.`;
  return name === 'enctype' && (attribute(form, 'method') || 'get').toLowerCase() !== 'post'
    ? 'Only what is posted has an encoding of its own.'
    : null;
}
