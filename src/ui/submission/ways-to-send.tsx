import { useMemo } from 'react';
import type { Field } from '@/core/form/field';
import { type WayToSend, waysToSend } from '@/core/model/ways-to-send';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import styles from './submission.module.css';

const names: Readonly<Record<WayToSend['way'], string>> = {
  button: 'The button, always there',
  'button while valid': 'The button, there only while the form is valid',
  enter: 'Enter in a field',
  'requestSubmit()': 'A script, requestSubmit()',
  'submit()': 'A script, submit()',
};

/** When may one send? What each way lets through while something is not valid, and what a person sees of it. */
export function WaysToSend({ button }: { button: Field }) {
  const { form, reading } = useForm();
  const ways = useMemo(
    () => waysToSend(form.markup, reading.fields, button),
    [form.markup, reading.fields, button],
  );
  return (
    <>
      <h2>
        When may one send? <ProvenanceMark mark="modelled" />
      </h2>
      <table className={styles.ways} aria-label="Ways to send">
        <thead>
          <tr>
            <th scope="col">Way</th>
            <th scope="col">As the form is at first</th>
            <th scope="col">What a person sees</th>
          </tr>
        </thead>
        <tbody>
          {ways.map(({ way, result, seen }) => (
            <tr key={way}>
              <th scope="row">{names[way]}</th>
              <td>{result}</td>
              <td>{seen}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
