import { App, Checkbox } from 'antd';
import { useCallback } from 'react';
import type { FormDocument } from '@/core/document/form-document';
import type { OwnPage } from '@/core/document/own-page';
import { formatSteps, readSteps } from '@/core/document/page-steps';
import { openDatabase } from '@/store/database';
import { isTrusted, trustPage } from '@/store/trusted-pages';
import styles from './own-page.module.css';
import { useForm } from './use-form';

/**
 * Asks the person once before engines open a page that came in a file, and do there what the file says.
 * @returns the form as it may be asked, or null where the person did not want it
 */
export function useConfirmedForm(): () => Promise<FormDocument | null> {
  const { form, edit } = useForm();
  const { modal } = App.useApp();
  return useCallback(async () => {
    const { page } = form;
    if (!page || (await isTrusted(openDatabase(), page))) return form;
    const chosen = { held: true };
    const isWanted = await modal.confirm({
      title: 'Open the page that this file names?',
      width: 560,
      content: <Described page={page} onHeld={(held) => Object.assign(chosen, { held })} />,
      okText: 'Open it',
    });
    if (!isWanted) return null;
    const confirmed: OwnPage = { ...page, held: chosen.held };
    await trustPage(openDatabase(), confirmed);
    edit({ page: confirmed }, 'page confirmed');
    return { ...form, page: confirmed };
  }, [form, edit, modal]);
}

function Described({ page, onHeld }: { page: OwnPage; onHeld: (held: boolean) => void }) {
  const reading = readSteps(page.steps);
  const steps = reading.status === 'read' ? reading.steps : [];
  return (
    <div className={styles.dialog}>
      <p>
        This form came in a file. Engines on this machine open <span className="mono">{page.address}</span>
        {steps.length === 0
          ? ' and ask its form.'
          : ' and do this there, each time, before they ask its form:'}
      </p>
      {steps.length > 0 && (
        <ol className={styles.steps}>
          {steps.map((step, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: steps have no name, and the list never changes
            <li key={index} className="mono">
              {formatSteps([step])}
            </li>
          ))}
        </ol>
      )}
      <HeldChoice isHeld onChange={onHeld} />
    </div>
  );
}

/** Whether all that a page asks for is held to the addresses that may be opened. */
export function HeldChoice({ isHeld, onChange }: { isHeld: boolean; onChange: (isHeld: boolean) => void }) {
  return (
    <Checkbox defaultChecked={isHeld} onChange={({ target }) => onChange(target.checked)}>
      Keep the page’s requests on this machine
    </Checkbox>
  );
}
