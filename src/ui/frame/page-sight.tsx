import { Button, Input } from 'antd';
import { useState } from 'react';
import type { PageStep } from '@/core/document/page-steps';
import type { Doable, PageSight } from '@/core/page/page-sight';
import styles from './own-page.module.css';
import { pictureAddress } from './use-picture';

/** A page as an engine shows it. What is pressed or filled in the picture becomes the next step. */
export function PageSightShown({
  sight: { picture, doable },
  isBusy,
  record,
}: {
  sight: PageSight;
  isBusy: boolean;
  record: (step: PageStep) => void;
}) {
  const [filling, setFilling] = useState<string | null>(null);
  const [text, setText] = useState('');
  const press = ({ kind, what }: Doable) => {
    if (kind === 'click') return record({ kind, what });
    setText('');
    setFilling(what);
  };
  const fill = (what: string) => {
    setFilling(null);
    record({ kind: 'fill', what, text });
  };
  const shown = doable.filter(({ box }) => box.x < picture.width && box.y < picture.height);
  return (
    <>
      {filling !== null && (
        <div className={styles.filling}>
          <label htmlFor="own-page-filling">Fill “{filling}” with</label>
          <Input
            id="own-page-filling"
            size="small"
            autoFocus
            value={text}
            maxLength={500}
            style={{ width: 240 }}
            onChange={({ target }) => setText(target.value)}
            onPressEnter={() => fill(filling)}
          />
          <Button size="small" onClick={() => fill(filling)}>
            Add the step
          </Button>
        </div>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and must do so by keyboard too */}
      <section className={styles.sight} aria-label="The page after its steps" tabIndex={0}>
        {/* biome-ignore lint/performance/noImgElement: it is data of this browser, there is nothing to optimise */}
        <img
          src={pictureAddress(picture)}
          width={picture.width}
          height={picture.height}
          alt="The page as the engine shows it"
        />
        {shown.map((one) => (
          <button
            key={`${one.kind} ${one.what}`}
            type="button"
            className={styles.place}
            style={{ left: one.box.x, top: one.box.y, width: one.box.width, height: one.box.height }}
            aria-label={`${one.kind} “${one.what}”`}
            title={`${one.kind} “${one.what}”`}
            disabled={isBusy}
            onClick={() => press(one)}
          />
        ))}
      </section>
    </>
  );
}
