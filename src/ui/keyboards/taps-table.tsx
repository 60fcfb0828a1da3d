'use client';

import type { Detour } from '@/core/keyboard/detour';
import type { KeyboardCheck } from '@/core/keyboard/keyboard-check';
import { ProvenanceMark } from '../frame/provenance-mark';
import { VisibleText } from '../frame/visible-text';
import type { KeyboardOnTarget } from './keyboard-targets';
import styles from './keyboards.module.css';

/** How many taps each sample takes on each target, and where another input mode would save some. */
export function TapsTable({
  all,
  checks,
}: {
  all: readonly KeyboardOnTarget[];
  checks: readonly KeyboardCheck[];
}) {
  const columns = all.flatMap(({ target }) => {
    const check = checks.find((one) => one.target === target.id);
    return check ? [{ target, detours: check.detours }] : [];
  });
  const texts = columns[0]?.detours.map(({ text }) => text) ?? [];
  if (texts.length === 0)
    return (
      <p className={styles.lead}>
        Taps are counted for samples that are to be accepted. Add some in the Typing view, under samples.
      </p>
    );
  return (
    <>
      <table className={styles.settingsTable} aria-label="Taps by sample and target">
        <thead>
          <tr>
            <th scope="col">Sample</th>
            {columns.map(({ target }) => (
              <th key={target.id} scope="col">
                <ProvenanceMark mark="modelled" /> {target.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {texts.map((text, row) => (
            <tr key={text}>
              <th scope="row">
                <VisibleText text={text} />
              </th>
              {columns.map(({ target, detours }) => (
                <td key={target.id}>
                  <Taps detour={detours[row]} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.lead}>
        Every key tapped counts, those that change the layer too; characters that come up by holding a key are
        counted as one tap and named.
      </p>
    </>
  );
}

function Taps({ detour }: { detour: Detour | undefined }) {
  if (!detour) return null;
  const { taps, better } = detour;
  return (
    <>
      {taps === null ? (
        <span className={styles.bad}>cannot be typed</span>
      ) : (
        <>
          <strong className={styles.figure}>{taps.taps}</strong>{' '}
          <span className="soft">
            {taps.layerChanges > 0 && `${taps.layerChanges} for layers`}
            {taps.holds > 0 && `${taps.layerChanges > 0 ? ', ' : ''}${taps.holds} held`}
          </span>
        </>
      )}
      {better && (
        <div className={styles.bad}>
          {better.taps.taps} with <span className="mono">{better.inputmode}</span>
        </div>
      )}
    </>
  );
}
