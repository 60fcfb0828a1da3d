'use client';

import { Alert, Button, Segmented, Select, Spin } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { type ReactNode, useMemo, useRef } from 'react';
import type { Drift } from '@/core/drift/drift';
import { isEngineHabit, withoutEngineHabits } from '@/core/finding/engine-habits';
import type { Decision, Finding, FindingId, Harm } from '@/core/finding/finding';
import { harms } from '@/core/finding/finding';
import { byHarm, sinceBaselineIn } from '@/core/report/report';
import type { RunId } from '@/core/run/run';
import { causeText, setupWords } from '@/core/words/drift-words';
import { findingTitle } from '@/core/words/finding-words';
import { harmTitles } from '@/core/words/harm-words';
import { setBaseline } from '@/store/baselines';
import { openDatabase, type StoredRun } from '@/store/database';
import frame from '../frame/frame.module.css';
import { Help } from '../frame/help';
import { LongList } from '../frame/long-list';
import { ProvenanceMark } from '../frame/provenance-mark';
import { sweepTime } from '../frame/sweep-time';
import { useForm } from '../frame/use-form';
import { useRun } from '../frame/use-run';
import {
  type FindingFilter,
  findingFilters,
  type Selection,
  selectionQuery,
  useSelection,
} from '../frame/use-selection';
import { CoverageList } from './coverage-list';
import styles from './findings.module.css';
import { ReportMenu } from './report-menu';
import { useDrift } from './use-drift';
import { useEngineHabits } from './use-engine-habits';
import { useDecisions, useFindings } from './use-findings';

const FindingDetail = dynamic(() => import('./finding-detail').then((module) => module.FindingDetail), {
  ssr: false,
});
const Overview = dynamic(() => import('./overview').then((module) => module.Overview), {
  ssr: false,
});

const filterNames: Readonly<Record<FindingFilter, string>> = {
  open: 'not decided',
  new: 'new',
  mend: 'to fix',
  later: 'later',
  accept: 'accepted',
  all: 'all',
};

/** What differs or is wrong, the worst first, with a decision on each. */
export function FindingsView() {
  const { form } = useForm();
  const { run } = useRun();
  const [selection, select] = useSelection();
  const { findings: found, fault } = useFindings();
  const [tellsHabits, tellHabits] = useEngineHabits();
  const findings = useMemo(
    () => (found && !tellsHabits ? withoutEngineHabits(found) : found),
    [found, tellsHabits],
  );
  const decisions = useDecisions(findings);
  // What is left out is not gone.
  const { baseline, drift } = useDrift(found);
  if (!found || !findings)
    return (
      <div className={frame.empty} role="status">
        <Spin />
        <p className="soft">Looking through the rules and keyboards of every field…</p>
      </div>
    );
  if (found.length === 0 && !drift?.gone.length && !fault) return <NothingFound />;
  const isShown = (finding: Finding, by: FindingFilter) => {
    if (by === 'all') return true;
    if (by === 'new') return ['new', 'changed'].includes(sinceBaselineIn(drift, finding));
    return (decisions.get(finding.id)?.kind ?? 'open') === by;
  };
  const shown = findings.filter((finding) => isShown(finding, selection.findings));
  const chosen = findings.find(({ id }) => id === selection.finding) ?? shown[0];
  const selected = selection.overview ? null : (chosen ?? null);
  return (
    <div className={styles.view}>
      <header className={styles.bar}>
        <h1>Findings</h1>
        <Segmented<FindingFilter>
          aria-label="Findings shown"
          size="small"
          value={selection.findings}
          options={findingFilters
            .filter((value) => value !== 'new' || drift !== null)
            .map((value) => ({
              value,
              label: `${filterNames[value]} ${findings.filter((finding) => isShown(finding, value)).length}`,
            }))}
          onChange={(next) => select({ findings: next })}
        />
        <BaselineChoice baseline={baseline} />
        <Help about="order, decisions and the baseline">
          <p>
            The worst comes first: a valid value cannot be entered, a value is lost, a wrong one is sent, a
            person is misled, looks. Then by how many targets.
          </p>
          <p>A decision stays with what the finding says, from sweep to sweep, wherever it stands.</p>
          <p>
            With a sweep as baseline, later ones say what is new, changed and gone, and whether the form, an
            engine, the line-up or Ukko changed.
          </p>
        </Help>
        <ReportMenu findings={findings} decisions={decisions} drift={drift} />
      </header>
      {fault && <Alert type="warning" showIcon title={fault} style={{ margin: '8px 16px 0' }} />}
      <Notes drift={drift} isSwept={run?.form.markup === form.markup} wasSwept={run !== null} />
      <div className={styles.columns}>
        <FindingList
          habits={found.some(isEngineHabit) && <EngineHabits isTold={tellsHabits} onTell={tellHabits} />}
          shown={shown}
          selected={selected}
          decisions={decisions}
          drift={drift}
          since={selection.findings === 'new' || selection.findings === 'all' ? drift : null}
          baseline={baseline?.id ?? null}
        />
        <aside
          className={styles.detail}
          aria-label={selected ? 'Finding' : 'Overview'}
          // It scrolls, and must do so by keyboard too; a finding has what takes the focus.
          tabIndex={selected ? undefined : 0}
        >
          <div className={styles.head}>
            <span className="soft">{selected ? harmTitles[selected.harm] : 'Where the findings are'}</span>
            {chosen && (
              <Button size="small" onClick={() => select({ overview: !selection.overview })}>
                {selected ? 'Overview' : 'Close overview'}
              </Button>
            )}
          </div>
          {selected ? (
            <FindingDetail
              key={selected.id}
              finding={selected}
              all={findings}
              decision={decisions.get(selected.id) ?? null}
              drift={drift}
            />
          ) : (
            <>
              <Overview findings={findings} />
              <CoverageList />
            </>
          )}
        </aside>
      </div>
    </div>
  );
}

function NothingFound() {
  const { form } = useForm();
  const { run } = useRun();
  return (
    <div className={frame.empty}>
      <h1>Nothing found</h1>
      <p className="soft">
        The markup of “{form.name}” has no fault that shows by itself, and phone keyboards have what its rules
        need.
        {run
          ? ' No target differs from the reference.'
          : ' A sweep asks the targets; differences are listed here.'}
      </p>
      <CoverageList />
    </div>
  );
}

/** What the findings are compared with. */
function BaselineChoice({ baseline }: { baseline: StoredRun | null }) {
  const { form } = useForm();
  const { runs } = useRun();
  if (runs.length === 0) return null;
  return (
    <Select<RunId | ''>
      aria-label="Baseline"
      size="small"
      style={{ width: 210 }}
      value={baseline?.id ?? ''}
      options={[
        { value: '', label: 'no baseline' },
        ...runs.map(({ id, startedAt }) => ({ value: id, label: `baseline ${sweepTime(startedAt)}` })),
      ]}
      onChange={(id) => void setBaseline(openDatabase(), form.id, id === '' ? null : id)}
    />
  );
}

function Notes({ drift, isSwept, wasSwept }: { drift: Drift | null; isSwept: boolean; wasSwept: boolean }) {
  const notes = [
    ...(drift
      ? [
          `Since the baseline: ${drift.fresh.length} new, ${drift.changed.length} changed, ${drift.gone.length} gone; ${drift.answers.length} answers differ.`,
          drift.setup.length > 0
            ? drift.setup.map(setupWords).join(' ')
            : 'The form, the targets and the versions are the same.',
        ]
      : []),
    ...(isSwept
      ? []
      : [
          `${wasSwept ? 'The form was changed after the sweep' : 'Nothing was asked yet'}: what differs between targets is not among them.`,
        ]),
  ];
  if (notes.length === 0) return null;
  return (
    <p className={styles.notes} role="status">
      {notes.join(' ')}
    </p>
  );
}

/** Of a finding that is not drawn yet, and of the head that stays above its list, CSS px. */
const [findingHeight, headHeight] = [33, 34];

/** At the end of the list: what engines do to every field can be left out for good. */
function EngineHabits({ isTold, onTell }: { isTold: boolean; onTell: (isTold: boolean) => void }) {
  return (
    <p className="soft">
      {isTold ? 'What engines do to every field: ' : 'What engines do to every field is left out. '}
      <Button size="small" type="link" onClick={() => onTell(!isTold)}>
        {isTold ? 'Never list it' : 'List it'}
      </Button>
    </p>
  );
}

function FindingList({
  habits,
  shown,
  selected,
  decisions,
  drift,
  since,
  baseline,
}: {
  /** How to leave out what engines do to every field; nothing where they do nothing. */
  habits: ReactNode;
  shown: readonly Finding[];
  selected: Finding | null;
  decisions: ReadonlyMap<FindingId, Decision>;
  drift: Drift | null;
  /** What is another than in the baseline, where that is shown. */
  since: Drift | null;
  baseline: RunId | null;
}) {
  const { gone, answers } = since ?? nothingSince;
  const scroll = useRef<HTMLElement>(null);
  return (
    <section ref={scroll} className={styles.list} aria-label="Findings, the worst first">
      {shown.length + gone.length + answers.length === 0 && <p className="soft">None of them.</p>}
      {byHarm(shown).map(({ harm, findings }) => (
        <section key={harm} aria-label={harmTitles[harm]}>
          <HarmHead harm={harm} count={findings.length} />
          <LongList
            items={findings}
            keyOf={({ id }) => id}
            isSelected={(finding) => finding === selected}
            draw={(finding) => (
              <ListedFinding
                finding={finding}
                isSelected={finding === selected}
                decision={decisions.get(finding.id) ?? null}
                drift={drift}
              />
            )}
            scroll={scroll}
            height={findingHeight}
            covered={headHeight}
          />
        </section>
      ))}
      {habits}
      {gone.length > 0 && (
        <section aria-label="Gone since the baseline">
          <h2>
            Gone since the baseline <span className="soft">{gone.length}</span>
          </h2>
          <LongList
            items={gone}
            keyOf={({ finding }) => finding.id}
            isSelected={() => false}
            draw={({ finding, because }) => (
              <>
                <s>{findingTitle(finding)}</s> <span className="soft">{causeText(because)}</span>
              </>
            )}
            scroll={scroll}
            height={findingHeight}
            itemClassName={styles.gone}
          />
        </section>
      )}
      {answers.length > 0 && <OtherAnswers answers={answers} baseline={baseline} />}
    </section>
  );
}

const nothingSince: Pick<Drift, 'gone' | 'answers'> = { gone: [], answers: [] };

/** Most answers that are listed: the survey compares them all. */
const listedAnswers = 60;

function OtherAnswers({ answers, baseline }: { answers: Drift['answers']; baseline: RunId | null }) {
  const [selection, select] = useSelection();
  const inSurvey = (chosen: Partial<Selection>) => {
    const next = { ...chosen, against: baseline };
    return { href: `/survey${selectionQuery({ ...selection, ...next })}`, onClick: () => select(next) };
  };
  return (
    <section aria-label="Answers that differ from the baseline">
      <h2>
        Answers that differ from the baseline <span className="soft">{answers.length}</span>
      </h2>
      <ul>
        {answers.slice(0, listedAnswers).map(({ target, field, differences, because }) => (
          <li key={`${target.id} ${field.id}`} className={styles.gone}>
            <Link {...inSurvey({ field: field.id, target: target.id, closeUp: true })}>
              {field.label} in {target.name}
            </Link>
            : {[...new Set(differences.map(({ what }) => what))].join(', ')}{' '}
            <span className="soft">{causeText(because)}</span>
          </li>
        ))}
      </ul>
      {answers.length > listedAnswers && (
        <Link {...inSurvey({ onlyDifferences: true })}>All of them in the survey</Link>
      )}
    </section>
  );
}

function HarmHead({ harm, count }: { harm: Harm; count: number }) {
  return (
    <h2 data-harm={harms.indexOf(harm)}>
      {harmTitles[harm]} <span className="soft">{count}</span>
    </h2>
  );
}

function ListedFinding({
  finding,
  isSelected,
  decision,
  drift,
}: {
  finding: Finding;
  isSelected: boolean;
  decision: Decision | null;
  drift: Drift | null;
}) {
  const [, select] = useSelection();
  const { id, marks, targets, field } = finding;
  const standing = sinceBaselineIn(drift, finding);
  return (
    <button
      type="button"
      className={styles.finding}
      aria-pressed={isSelected}
      onClick={() => select({ finding: id, overview: false, ...(field && { field: field.id }) })}
    >
      <span>
        {marks.map((mark) => (
          <ProvenanceMark key={mark} mark={mark} />
        ))}{' '}
        {findingTitle(finding)}
      </span>
      <span className={styles.aside}>
        {(standing === 'new' || standing === 'changed') && <b className={styles.standing}>{standing}</b>}
        {targets.length > 1 && <span className="soft">{targets.length} targets</span>}
        {decision && <span>{decision.kind}</span>}
      </span>
    </button>
  );
}
