'use client';

import Link from 'next/link';
import { useMemo, useRef } from 'react';
import { coverageOf, type FieldCoverage } from '@/core/compare/coverage';
import { askedText, formGapTexts, gapText } from '@/core/words/coverage-words';
import { LongList } from '../frame/long-list';
import { useRun } from '../frame/use-run';
import { selectionQuery, useSelection } from '../frame/use-selection';
import styles from './findings.module.css';

/** Of a row that is not drawn yet, CSS px. */
const rowHeight = 40;

/** What was asked of each field and by which route, and what could not be; fields with something that is not covered first. */
export function CoverageList() {
  const { run, fields, answers } = useRun();
  const scroll = useRef<HTMLElement>(null);
  const coverage = useMemo(
    () => (run && answers.size > 0 ? coverageOf(fields, run.lineUp, [...answers.values()]) : []),
    [run, fields, answers],
  );
  if (coverage.length === 0) return null;
  const open = coverage.filter(({ gaps }) => gaps.length > 0);
  const whole = coverage.filter(({ gaps }) => gaps.length === 0);
  return (
    <section className={styles.coverage} aria-label="Covered and not covered" ref={scroll}>
      <h2>
        Covered{' '}
        <span className="soft">
          {whole.length} of {coverage.length} fields
        </span>
      </h2>
      <LongList
        items={[...open, ...whole]}
        keyOf={({ field }) => field.id}
        isSelected={() => false}
        draw={(one) => <Covered of={one} />}
        scroll={scroll}
        height={rowHeight}
      />
      {(run ? formGapTexts(run.form) : []).map((text) => (
        <p key={text}>{text}</p>
      ))}
    </section>
  );
}

function Covered({ of }: { of: FieldCoverage }) {
  const [selection, select] = useSelection();
  const { field, gaps } = of;
  const inSurvey = { field: field.id, closeUp: true };
  return (
    <>
      <Link href={`/survey${selectionQuery({ ...selection, ...inSurvey })}`} onClick={() => select(inSurvey)}>
        {field.label}
      </Link>{' '}
      <span className="soft">{askedText(of)}</span>
      {gaps.map((gap) => (
        <p key={gapText(gap)}>{gapText(gap)}</p>
      ))}
    </>
  );
}
