'use client';

import { Button, Input } from 'antd';
import dynamic from 'next/dynamic';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { demoForms } from '@/core/demo/demo-forms';
import { withAttributes, withText } from '@/core/document/edited-form';
import { type FormDocument, limits } from '@/core/document/form-document';
import { grouped } from '@/core/grouped';
import { attribute, type Field, type FieldId, fieldOfControl, hasAttribute } from '@/core/html/field';
import { kindText } from '@/core/words/kind-text';
import type { ToldFault } from '@/core/words/told-fault';
import { type ToldNote, toldNote } from '@/core/words/told-note';
import type { Replayer } from '@/workers/replayer';
import { LongList } from '../frame/long-list';
import { useForm } from '../frame/use-form';
import { useReplay } from '../frame/use-replay';
import { useSelection } from '../frame/use-selection';
import { FormRow } from './form-editor';
import styles from './form-view.module.css';
import { MarkupPlace } from './markup-place';
import { OwnPageBar } from './own-page-bar';
import { PeopleLanguage } from './people-language';

/** What judges a field is large, and needed once one is open. */
const FieldEditor = dynamic(() => import('./field-editor').then((module) => module.FieldEditor), {
  ssr: false,
});

const ofOnesOwn =
  'A made-up form, to try things on. Paste the HTML of yours anywhere on this page to open it.';

const noNotes: readonly ToldNote[] = [];
const shownLimits = ['pattern', 'min', 'max', 'step', 'minlength', 'maxlength', 'list', 'inputmode'];

/** Of a field that is not open, CSS px. */
const rowHeight = 31;

/** What is this form? Its fields beside the markup that they stand for; each follows the other. */
export function FormView() {
  const { form, reading, written, edit, undo, redo, canUndo, canRedo } = useForm();
  const [selection, select] = useSelection();
  const fields = useDeferredValue(reading.fields);
  // A field that is renamed is another one by name; it stays open.
  const [renamed, setRenamed] = useState<number | null>(null);
  const selected =
    reading.fields.find((field) => field.id === selection.field) ??
    (renamed === null ? null : (fieldOfControl(reading.fields, renamed) ?? null));
  useEffect(() => {
    if (selected && selected.id !== selection.field) select({ field: selected.id });
  }, [selected, selection.field, select]);
  const faults = useFaults();
  const faultsOf = useMemo(() => grouped(faults, ({ field }) => field), [faults]);
  const shown = useMemo(() => (selected ? selected.controls.map(({ span }) => span) : []), [selected]);
  const list = useRef<HTMLDivElement>(null);
  const [openForm, setOpenForm] = useState<number | null>(null);

  const selectAt = (offset: number) => {
    // Places of markup that has not been read yet are of none of its fields.
    if (written !== form.markup) return;
    const at = reading.fields.find((field) =>
      field.controls.some(({ span }) => span.start <= offset && offset <= span.end),
    );
    if (at && at.id !== selection.field) select({ field: at.id, stroke: null });
  };

  // Of a page of one's own a snapshot is read, and what it loads and runs is asked of the page itself.
  const notes = useMemo(() => (form.page ? noNotes : reading.notes.map(toldNote)), [form.page, reading]);
  // By place: the list is drawn when there is time for it, and may still have the name from before.
  const isSelected = (field: Field) => field.controls[0].ordinal === selected?.controls[0].ordinal;
  const setOf = (field: Field) => (name: string, value: string | null) => {
    const [control] = field.controls;
    setRenamed(name === 'name' || name === 'id' ? control.ordinal : null);
    edit(
      (now) => withAttributes(now, reading, control, { [name]: value }),
      `field ${control.ordinal} ${name}`,
    );
  };

  return (
    <div className={styles.view}>
      <section className={styles.side} aria-label="Fields">
        <div className={styles.head}>
          <h1 className="visually-hidden">Form</h1>
          <Input
            className={styles.name}
            variant="borderless"
            aria-label="Name of the form"
            value={form.name}
            maxLength={300}
            onChange={(event) => edit({ name: event.target.value }, 'name')}
          />
          <Button size="small" onClick={undo} disabled={!canUndo}>
            Undo
          </Button>
          <Button size="small" onClick={redo} disabled={!canRedo}>
            Redo
          </Button>
        </div>
        <OwnPageBar />
        <PeopleLanguage />
        {demoForms.some(({ id }) => id === form.id) && <p className={styles.page}>{ofOnesOwn}</p>}
        {fields.length === 0 ? (
          <p className="soft" style={{ padding: '8px 16px' }}>
            No fields yet. Write or paste HTML with an input, a select or a textarea on the right.
          </p>
        ) : (
          <div ref={list} className={faults.length > 0 ? `${styles.list} ${styles.faulty}` : styles.list}>
            {reading.forms.map((one, index) => (
              <div key={`form ${one.startTag.start}`} className={styles.field}>
                <FormRow
                  form={one}
                  open={index === openForm}
                  onOpen={() => setOpenForm(index === openForm ? null : index)}
                  onSet={(name, value) =>
                    edit(
                      (now) => withAttributes(now, reading, one, { [name]: value }),
                      `form ${index} ${name}`,
                    )
                  }
                />
              </div>
            ))}
            <LongList
              items={fields}
              keyOf={({ controls }) => controls[0].ordinal}
              isSelected={isSelected}
              scroll={list}
              height={rowHeight}
              className={styles.fields}
              itemClassName={styles.field}
              draw={(field) => (
                <>
                  <FieldRow
                    field={field}
                    faults={faultsOf.get(field.id) ?? noFaults}
                    open={isSelected(field)}
                    onOpen={() => select({ field: isSelected(field) ? null : field.id, stroke: null })}
                  />
                  {selected && isSelected(field) && (
                    <FieldEditor
                      field={selected}
                      page={reading}
                      onText={(text) =>
                        edit(
                          (now) => withText(now, reading, selected.controls[0], text),
                          `${selected.id} text`,
                        )
                      }
                      onSet={setOf(selected)}
                    />
                  )}
                </>
              )}
            />
          </div>
        )}
      </section>
      <section className={styles.markup} aria-label="Markup">
        <div className={styles.source}>
          <MarkupPlace
            key={form.id}
            markup={form.markup}
            written={written}
            notes={notes}
            faults={faults}
            shown={shown}
            onEdit={(markup) => edit({ markup }, 'markup')}
            onCaret={selectAt}
            onUndo={undo}
            onRedo={redo}
          />
        </div>
        <Notes notes={notes} faults={faults} onSelect={selectAt} />
      </section>
    </div>
  );
}

const noFaults: readonly ToldFault[] = [];

const guardedIn = (typing: FormDocument['typing']) =>
  Object.entries(typing).flatMap(([field, { guards }]) => (guards.length > 0 ? [field as FieldId] : []));

/** What is wrong with the markup; worked out beside the page, so that typing stays quick. */
function useFaults(): readonly ToldFault[] {
  const { markup, language, typing } = useForm().form;
  const ask = useCallback(
    ({ work }: Replayer) => work.faults(markup, language, guardedIn(typing)),
    [markup, language, typing],
  );
  const [replaying] = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : noFaults;
}

function FieldRow({
  field,
  faults,
  open,
  onOpen,
}: {
  field: Field;
  faults: readonly ToldFault[];
  open: boolean;
  onOpen: () => void;
}) {
  const [control] = field.controls;
  const limitsText = shownLimits
    .filter((name) => hasAttribute(control, name))
    .map((name) => `${name} ${attribute(control, name)}`);
  const asked = field.controls.some((one) => hasAttribute(one, 'required')) ? ['required'] : [];
  return (
    <button type="button" className={styles.row} aria-expanded={open} onClick={onOpen}>
      <span>{field.label}</span>
      <span className="mono">{kindText(field)}</span>
      <span className={styles.limits}>{[...asked, ...limitsText].join(' · ')}</span>
      {faults.length > 0 && (
        <span className={styles.fault}>{faults.length === 1 ? '1 fault' : `${faults.length} faults`}</span>
      )}
    </button>
  );
}

/** What is wrong, with a remedy; what is not run, not loaded or not understood; and forms that are too large. */
function Notes({
  notes,
  faults,
  onSelect,
}: {
  notes: readonly ToldNote[];
  faults: readonly ToldFault[];
  onSelect: (offset: number) => void;
}) {
  const { form } = useForm();
  const tooLong = form.markup.length > limits.markup;
  const told = [...faults, ...notes].sort((a, b) => a.span.start - b.span.start);
  if (told.length === 0 && !tooLong) return null;
  return (
    <ul className={styles.notes} aria-label="Notes on the markup">
      {tooLong && (
        <li>
          The markup is longer than {limits.markup.toLocaleString('en-GB')} characters and will not be swept.
          Paste the form alone, without the rest of its page.
        </li>
      )}
      {told.slice(0, 200).map((note) => (
        <li key={`${note.span.start} ${note.text}`}>
          <button type="button" onClick={() => onSelect(note.span.start)}>
            <span className={styles.line}>line {note.line} </span>
            <span>
              {'remedy' in note ? (
                <>
                  <span className={styles.fault}>{note.text}</span> {note.remedy}
                </>
              ) : (
                note.text
              )}
            </span>
          </button>
        </li>
      ))}
      {told.length > 200 && <li>and {told.length - 200} more</li>}
    </ul>
  );
}
