'use client';

import { Alert, App, ConfigProvider, Spin } from 'antd';
import { usePathname, useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import type { FormId } from '@/core/document/form-document';
import type { RunId } from '@/core/run/run';
import { counted, listed } from '@/core/words/listed';
import { openDatabase, wasRenewed } from '@/store/database';
import type { TakenDecisions } from '@/store/decisions';
import { newForm } from '@/store/forms';
import { isOutOfRoom, outOfRoom } from '@/store/room';
import type { Merged } from '@/store/workspace-file';
import { markupReader } from '@/workers/markup-reader';
import styles from './frame.module.css';
import { looksLikeHtml } from './looks-like-html';
import { Rail, views } from './rail';
import { SetAsideNotice } from './set-aside-notice';
import { Shortcuts } from './shortcuts';
import { type ThemeName, themeConfig } from './theme';
import { TopBar } from './top-bar';
import { Tour, useTour } from './tour';
import { ComparisonProvider } from './use-comparison';
import { CorrectionsProvider } from './use-corrections';
import { DeviceProvider } from './use-device';
import { useFileWork } from './use-file-work';
import { FormProvider, useForm } from './use-form';
import { RunProvider } from './use-run';
import { currentSelection, nothingSelected, selectionQuery, useSelection } from './use-selection';
import { SweepProvider, useSweep } from './use-sweep';

/**
 * Everything around a view.
 * @param aside what stands beside every view: it is given from above, for it belongs to one of the views
 */
export function Frame({ children, aside, nonce }: { children: ReactNode; aside: ReactNode; nonce: string }) {
  const [theme, setTheme] = useTheme();
  return (
    <ConfigProvider theme={themeConfig(theme)} csp={{ nonce }} wave={{ disabled: true }}>
      <App>
        <FormProvider waiting={<Waiting />}>
          <RunProvider>
            <SweepProvider>
              <DeviceProvider>
                <CorrectionsProvider>
                  <ComparisonProvider>
                    <Shell
                      aside={aside}
                      theme={theme}
                      onTheme={() => setTheme(theme === 'dark' ? 'light' : 'dark')}
                    >
                      {children}
                    </Shell>
                  </ComparisonProvider>
                </CorrectionsProvider>
              </DeviceProvider>
            </SweepProvider>
          </RunProvider>
        </FormProvider>
      </App>
    </ConfigProvider>
  );
}

function Waiting() {
  return (
    <div className={styles.waiting}>
      <Spin />
    </div>
  );
}

const themeKey = 'ukko-theme';

/** The person's choice, or else the system's, as it changes. */
function useTheme(): [ThemeName, (name: ThemeName) => void] {
  const [chosen, setChosen] = useState<ThemeName | null>(null);
  const [system, setSystem] = useState<ThemeName>('light');
  useEffect(() => {
    const kept = window.localStorage.getItem(themeKey);
    if (kept === 'dark' || kept === 'light') setChosen(kept);
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const follow = () => setSystem(dark.matches ? 'dark' : 'light');
    follow();
    dark.addEventListener('change', follow);
    return () => dark.removeEventListener('change', follow);
  }, []);
  const theme = chosen ?? system;
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const choose = useCallback((name: ThemeName) => {
    window.localStorage.setItem(themeKey, name);
    setChosen(name);
  }, []);
  return [theme, choose];
}

function Shell({
  children,
  aside,
  theme,
  onTheme,
}: {
  children: ReactNode;
  aside: ReactNode;
  theme: ThemeName;
  onTheme: () => void;
}) {
  const [selection] = useSelection();
  const { fault } = useSweep();
  const { unsavedWhy } = useForm();
  const [shortcuts, setShortcuts] = useState(false);
  const open = useOpenFile();
  const tour = useTour();
  useShortcuts(() => setShortcuts(true));
  usePasteAndDrop(open);
  useStorageNews();
  return (
    <div className={styles.frame}>
      <Rail theme={theme} onTheme={onTheme} onShortcuts={() => setShortcuts(true)} onTour={tour} />
      <TopBar onFile={open} />
      <main className={styles.main}>
        <div style={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}>
          <SetAsideNotice />
          {unsavedWhy && <Alert type="error" title={unsavedWhy} showIcon style={{ margin: '10px 16px 0' }} />}
          {fault && <Alert type="error" title={fault} showIcon style={{ margin: '10px 16px 0' }} />}
          <div style={{ flex: 1, minHeight: 0 }}>{children}</div>
          {selection.tour !== null && <Tour step={selection.tour} />}
        </div>
        {aside}
      </main>
      <Shortcuts open={shortcuts} onClose={() => setShortcuts(false)} />
    </div>
  );
}

function useOpenFile(): (file: File) => void {
  const { message, modal } = App.useApp();
  const router = useRouter();
  const [, select] = useSelection();
  const work = useFileWork();
  return useCallback(
    (file) => {
      const show = (form: FormId, run: RunId | null) => {
        select({ ...nothingSelected, form, run });
        router.push(`${run ? '/survey' : '/form'}${selectionQuery(currentSelection())}`);
        if (!run) message.success('Imported as a new form.');
      };
      void work(`Reading ${file.name}`, async (signal) => (await import('./files')).openFile(file, signal))
        .catch((error: unknown) => {
          if (!isOutOfRoom(error)) throw error;
          return { status: 'fault', text: outOfRoom } as const;
        })
        .then(async (opened) => {
          if (!opened) return;
          if (opened.status === 'fault') message.error(opened.text, 8);
          else if (opened.status === 'workspace') message.success(mergedText(opened.merged), 8);
          else if (opened.status === 'decisions') message.success(takenText(opened.taken), 8);
          else if (opened.status === 'choice') {
            const { chooseForm } = await import('./choose-form');
            const chosen = await chooseForm(modal, opened.forms);
            if (chosen) show(await newForm(openDatabase(), chosen.markup, chosen.name), null);
          } else show(opened.form, opened.status === 'run' ? opened.run : null);
        });
    },
    [message, modal, router, select, work],
  );
}

/** Tells what becomes of this browser's storage outside of any view. */
function useStorageNews(): void {
  const { message } = App.useApp();
  useEffect(() => {
    if (wasRenewed())
      message.info(
        'Another tab has a newer Ukko, so this one was loaded again. Your edits are kept; a sweep that ran here ended, and its answers so far are kept.',
        10,
      );
    const hear = (event: PromiseRejectionEvent) => {
      if (!isOutOfRoom(event.reason)) return;
      event.preventDefault();
      message.error(outOfRoom, 10);
    };
    window.addEventListener('unhandledrejection', hear);
    return () => window.removeEventListener('unhandledrejection', hear);
  }, [message]);
}

function mergedText({ forms, runs, decisions, pictures }: Merged): string {
  if (forms + runs + decisions + pictures === 0) return 'Everything in the file is here already.';
  const added = [
    counted(forms, 'form'),
    counted(runs, 'sweep'),
    counted(decisions, 'decision'),
    counted(pictures, 'picture'),
  ];
  return `Added ${listed(added)}. Your own data is unchanged.`;
}

function takenText({ taken, elsewhere }: TakenDecisions): string {
  const held =
    taken === 0 ? 'All decisions on your forms are here already.' : `Added ${counted(taken, 'decision')}.`;
  return elsewhere === 0
    ? held
    : `${held} ${counted(elsewhere, 'decision')} on forms that are not here. Open those forms, then open the file again.`;
}

function isEditable(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input, textarea, select, [role="combobox"], [role="textbox"]'))
  );
}

function useShortcuts(onShortcuts: () => void): void {
  const { undo, redo } = useForm();
  const { sweep, sweepAnew, cancel, running } = useSweep();
  const [selection, select] = useSelection();
  const router = useRouter();
  const path = usePathname();
  // A dialog that closes by a key is gone by the time the key arrives here.
  const inDialog = useRef(false);
  useEffect(() => {
    const look = () => {
      inDialog.current = document.querySelector('[role=dialog]') !== null;
    };
    const hear = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      const editing = isEditable(event.target);
      const view = event.altKey ? views[Number(event.key) - 1] : undefined;
      // Views scroll within themselves; asked to scroll, the router would have the new one laid out at once.
      if (view && view.path !== path)
        router.push(`${view.path}${selectionQuery(currentSelection())}`, { scroll: false });
      else if (command && event.key === 'Enter') event.shiftKey ? sweepAnew() : sweep();
      else if (command && event.key.toLowerCase() === 'z' && !editing) event.shiftKey ? redo() : undo();
      else if (event.key === 'Escape' && running) cancel();
      else if (event.key === 'Escape' && selection.closeUp && !inDialog.current) select({ closeUp: false });
      else if (event.key === '?' && !editing) onShortcuts();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', look, { capture: true });
    window.addEventListener('keydown', hear);
    return () => {
      window.removeEventListener('keydown', look, { capture: true });
      window.removeEventListener('keydown', hear);
    };
  }, [undo, redo, sweep, sweepAnew, cancel, running, selection, select, router, path, onShortcuts]);
}

function usePasteAndDrop(open: (file: File) => void): void {
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (isEditable(event.target) || !looksLikeHtml(text)) return;
      event.preventDefault();
      void markupReader()
        .calledBy(text)
        .then((name) => open(new File([text], name)));
    };
    const over = (event: DragEvent) => {
      if (event.dataTransfer?.types.includes('Files')) event.preventDefault();
    };
    const drop = (event: DragEvent) => {
      const [file] = event.dataTransfer?.files ?? [];
      if (!file) return;
      event.preventDefault();
      open(file);
    };
    window.addEventListener('paste', paste);
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('paste', paste);
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, [open]);
}
