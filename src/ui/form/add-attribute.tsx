import { Select } from 'antd';
import styles from './form-view.module.css';

/** Offers the attributes that an element does not have yet. */
export function AddAttribute({
  label,
  names,
  onAdd,
}: {
  label: string;
  names: readonly string[];
  onAdd: (name: string) => void;
}) {
  return (
    <Select
      className={styles.add}
      aria-label={label}
      placeholder="Add an attribute"
      value={null}
      showSearch
      options={names.map((name) => ({ value: name, label: name }))}
      onSelect={(name: string | null) => name && onAdd(name)}
    />
  );
}
