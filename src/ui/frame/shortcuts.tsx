import { Modal } from 'antd';
import { usePathname } from 'next/navigation';
import styles from './frame.module.css';
import { stops } from './tour';

const shortcuts: readonly (readonly [string, string])[] = [
  ['Ctrl+Enter', 'Sweep the line-up: asks what your edits reach'],
  ['Ctrl+Shift+Enter', 'Sweep everything anew'],
  ['Alt+1 … Alt+6', 'The views, from the top'],
  ['Ctrl+Z, Ctrl+Shift+Z', 'Undo, redo any edit of the form'],
  ['Ctrl+V', 'Outside of a text box: import the HTML on the clipboard as a new form'],
  ['Arrow keys', 'In the survey and the ladder: move the selection'],
  ['Delete, Alt+↑, Alt+↓', 'In the ladder: take the stroke away, move it'],
  ['Enter', 'In the survey: open the close-up'],
  ['Escape', 'Close the close-up, cancel the sweep'],
  ['?', 'This sheet'],
];

export function Shortcuts({ open, onClose }: { open: boolean; onClose: () => void }) {
  const path = usePathname();
  const here = stops.find((stop) => stop.path === path);
  return (
    <Modal open={open} onCancel={onClose} footer={null} title="Help">
      {here && (
        <p>
          <strong>{here.title}</strong> {here.text}
        </p>
      )}
      <dl className={styles.shortcuts}>
        {shortcuts.map(([keys, does]) => (
          <Pair key={keys} keys={keys} does={does} />
        ))}
      </dl>
      <p className="soft" style={{ marginTop: 12 }}>
        Drop a run, workspace or HTML file anywhere to open it.
      </p>
    </Modal>
  );
}

function Pair({ keys, does }: { keys: string; does: string }) {
  return (
    <>
      <dt>{keys}</dt>
      <dd>{does}</dd>
    </>
  );
}
