'use client';

import { App } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import {
  createContext,
  type ReactNode,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { ReadForm } from '@/core/document/edited-form';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { nameAfter } from '@/core/html/form-name';
import { openDatabase } from '@/store/database';
import { leaveDraft, takeDraft } from '@/store/draft';
import { ensureForms, saveForm } from '@/store/forms';
import { isOutOfRoom } from '@/store/room';
import { setSpoiledAside } from '@/store/set-aside';
import { isLongMarkup, markupReader } from '@/workers/markup-reader';
import { useReading } from './use-reading';
import { useSelection } from './use-selection';

/** Edits that come within this time and are of one sort undo as one, ms. */
const coalesce = 900;
const saveAfter = 250;
/** How long after an edit that could not be saved it is tried again, ms. */
const saveAgainAfter = 4000;
/** Whoever edited so lately is told when another tab writes over it, ms. */
const lately = 10_000;

interface Past {
  readonly past: readonly FormDocument[];
  readonly future: readonly FormDocument[];
  readonly lastEdit: { readonly sort: string; readonly at: number } | null;
}

type FormChange = Partial<Omit<FormDocument, 'id'>>;

export interface FormWorkspace extends ReadForm {
  /** Why the last edit is not kept in this browser, in one sentence; null when it is. */
  readonly unsavedWhy: string | null;
  /** The markup as it was written last; long markup is read a moment later, and until then `form` and `reading` are as before. */
  readonly written: string;
  /**
   * Changes the form; edits of one `sort` in quick succession undo together. An edit of places in the markup is a function: it is asked
   * once the markup as it is then has been read, and gives null where there is nothing to be changed any more.
   */
  edit(change: FormChange | ((now: ReadForm) => FormChange | null), sort: string): void;
  undo(): void;
  redo(): void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

const FormContext = createContext<FormWorkspace | null>(null);
const noPast: Past = { past: [], future: [], lastEdit: null };

/** Holds the form that the address names, saves every edit, and remembers how to undo it. */
export function FormProvider({ children, waiting }: { children: ReactNode; waiting: ReactNode }) {
  const [selection, select] = useSelection();
  const [form, setForm] = useState<FormDocument | null>(null);
  const { message } = App.useApp();
  const [unsavedWhy, setUnsavedWhy] = useState<string | null>(null);
  const editedAt = useRef(0);
  const [refused, setRefused] = useState(false);
  const [past, setPast] = useState<Past>(noPast);
  const current = useRef<FormDocument | null>(null);
  const unsaved = useRef<FormDocument | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  // The form as it was when its name was known to be what its markup says, or not to be.
  const namedBy = useRef<FormDocument | null>(null);
  // Edits of places in markup that has not been read yet, the latest of each sort.
  const waitingEdits = useRef(new Map<string, (now: ReadForm) => FormChange | null>());

  const forgetWaiting = useCallback(() => {
    waitingEdits.current.clear();
    namedBy.current = null;
  }, []);

  const flush = useCallback(() => {
    const form = unsaved.current;
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = null;
    // Unsaved until the database says so: a page may go away in between.
    if (!form) return;
    saveForm(openDatabase(), form).then(
      () => {
        setUnsavedWhy(null);
        if (unsaved.current === form) unsaved.current = null;
      },
      (error: unknown) => {
        setUnsavedWhy(whyUnsaved(error));
        timer.current ??= setTimeout(flush, saveAgainAfter);
      },
    );
  }, []);

  const show = useCallback(
    (next: FormDocument) => {
      current.current = next;
      unsaved.current = next;
      setForm(next);
      timer.current ??= setTimeout(flush, saveAfter);
    },
    [flush],
  );

  const wanted = selection.form;
  useEffect(() => {
    let left = false;
    // The address was only told which form this is; reading it again would undo what was edited since.
    if (wanted !== null && current.current?.id === wanted) return;
    flush();
    void openForm(wanted).then(
      (found) => {
        if (left || found === null) return;
        setPast(noPast);
        forgetWaiting();
        // All that is on the page is drawn for it: in pieces, between which the page answers.
        startTransition(() => {
          if (found.isSaved) {
            current.current = found.form;
            setForm(found.form);
          } else show(found.form);
        });
        if (found.form.id !== wanted) select({ form: found.form.id, run: null });
      },
      () => setRefused(true),
    );
    return () => {
      left = true;
    };
  }, [wanted, select, flush, show, forgetWaiting]);

  // What another tab wrote is shown here too, unless something is being written here at this moment.
  const id = form?.id ?? null;
  const stored = useLiveQuery(() => (id === null ? undefined : openDatabase().forms.get(id)), [id]);
  useEffect(() => {
    const mine = current.current;
    if (!stored || !mine || unsaved.current || stored.id !== mine.id) return;
    const { changedAt: _, ...theirs } = stored;
    if (isSameForm(theirs, mine)) return;
    setPast((old) => ({ past: [...old.past, mine].slice(-200), future: [], lastEdit: null }));
    if (Date.now() - editedAt.current < lately)
      message.info('Another tab changed this form as well. Undo brings back what was here.', 8);
    forgetWaiting();
    current.current = theirs;
    setForm(theirs);
  }, [stored, message, forgetWaiting]);

  useEffect(() => {
    const leave = () => {
      if (unsaved.current) leaveDraft(unsaved.current);
    };
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
  }, []);

  const settled = useSettled(form);
  const change = useCallback(
    (next: FormChange, sort: string) => {
      const before = current.current;
      if (!before) return;
      const at = Date.now();
      editedAt.current = at;
      setPast((old) => {
        const joins = old.lastEdit?.sort === sort && at - old.lastEdit.at < coalesce;
        return {
          past: joins ? old.past : [...old.past, before].slice(-200),
          future: [],
          lastEdit: { sort, at },
        };
      });
      const after = edited(before, next);
      show(after);
      if (next.name !== undefined) namedBy.current = null;
      else if (after.markup !== before.markup && isLongMarkup(before.markup, after.markup))
        namedBy.current ??= before;
    },
    [show],
  );
  // The name goes with what the markup says; of long markup a worker tells that, once it has been read.
  useEffect(() => {
    const before = namedBy.current;
    if (!before || !settled || current.current?.markup !== settled.form.markup) return;
    const { markup } = settled.form;
    void markupReader()
      .nameAfter(before.name, before.markup, markup)
      .then((name) => {
        const now = current.current;
        if (namedBy.current !== before || now?.markup !== markup) return;
        namedBy.current = null;
        if (name !== now.name) show({ ...now, name });
      });
  }, [settled, show]);
  // What is edited before this was told waits, and is made right here.
  const settledNow = useRef<ReadForm | null>(null);
  useEffect(() => {
    settledNow.current = settled;
    for (const [sort, make] of waitingEdits.current) {
      // Each one may change the markup again; the next waits for it.
      if (!settled || current.current?.markup !== settled.form.markup) return;
      waitingEdits.current.delete(sort);
      const next = make(settled);
      if (next) change(next, sort);
    }
  }, [settled, change]);

  const workspace = useMemo((): FormWorkspace | null => {
    if (!form || !settled) return null;
    return {
      ...settled,
      written: form.markup,
      unsavedWhy,
      canUndo: past.past.length > 0,
      canRedo: past.future.length > 0,
      edit(next, sort) {
        if (typeof next !== 'function') return change(next, sort);
        const now = settledNow.current;
        if (!now || current.current?.markup !== now.form.markup) {
          waitingEdits.current.set(sort, next);
          return;
        }
        waitingEdits.current.delete(sort);
        const made = next(now);
        if (made) change(made, sort);
      },
      undo() {
        const previous = past.past.at(-1);
        if (!previous) return;
        forgetWaiting();
        setPast({ past: past.past.slice(0, -1), future: [form, ...past.future], lastEdit: null });
        show(previous);
      },
      redo() {
        const [next, ...future] = past.future;
        if (!next) return;
        forgetWaiting();
        setPast({ past: [...past.past, form], future, lastEdit: null });
        show(next);
      },
    };
  }, [form, settled, unsavedWhy, past, show, change, forgetWaiting]);

  if (refused) return <StorageRefused />;
  if (!workspace) return waiting;
  return <FormContext value={workspace}>{children}</FormContext>;
}

/** Markup that is edited is no snapshot any more: what is asked from then on is the markup. */
function edited(before: FormDocument, change: FormChange): FormDocument {
  const after = { ...named(before, change), ...change };
  if (after.markup === before.markup || change.page) return after;
  const { page: _, ...alone } = after;
  return alone;
}

/** Only a form that is edited by its markup alone may be called otherwise. */
function named(before: FormDocument, { markup }: FormChange): FormDocument {
  if (markup === undefined || isLongMarkup(before.markup, markup)) return before;
  return { ...before, name: nameAfter(before.name, before.markup, markup) };
}

/** The form as it was when its markup was read last: of long markup, a moment ago. Null until anything was read. */
function useSettled(form: FormDocument | null): ReadForm | null {
  const reading = useReading(form?.markup ?? null, form?.language);
  const [last, setLast] = useState<ReadForm | null>(null);
  const now = useMemo(() => form && reading && { form, reading }, [form, reading]);
  // At once and not in an effect: what is written before that would show what was there before.
  if (now && now !== last) setLast(now);
  return now ?? last;
}

function isSameForm(a: FormDocument, b: FormDocument): boolean {
  const rest = ({ typing, page, language }: FormDocument) => JSON.stringify([typing, page, language]);
  return a.markup === b.markup && a.name === b.name && rest(a) === rest(b);
}

function whyUnsaved(error: unknown): string {
  const why = isOutOfRoom(error)
    ? 'this browser has no room left'
    : 'this browser’s storage does not take it';
  return `Your edit is here and not saved: ${why}. Choose “Thin old pictures” under Files, or export the form. Ukko goes on trying.`;
}

/** Some browsers keep nothing for a page in a private window, or when they are told so. */
function StorageRefused() {
  return (
    <div role="alert" style={{ padding: 40, maxWidth: '60ch' }}>
      <h1>This browser lets Ukko keep nothing</h1>
      <p>
        Ukko keeps your forms and sweeps in this browser alone. Open it in a window that is not private, or
        allow this address to store data, and reload.
      </p>
    </div>
  );
}

/** The form asked for, or, when it is not here, the one changed last. */
async function openForm(
  id: FormId | null,
): Promise<{ readonly form: FormDocument; readonly isSaved: boolean } | null> {
  const database = openDatabase();
  await setSpoiledAside(database);
  const draft = await takeDraft(database);
  if (draft && (id === null || draft.id === id)) return { form: draft, isSaved: false };
  await ensureForms(database);
  const found = id ? await database.forms.get(id) : undefined;
  const stored = found ?? (await database.forms.orderBy('changedAt').last());
  if (!stored) return null;
  const { changedAt: _, ...form } = stored;
  return { form, isSaved: true };
}

export function useForm(): FormWorkspace {
  const workspace = useContext(FormContext);
  if (!workspace) throw new Error('useForm needs a FormProvider around it.');
  return workspace;
}
