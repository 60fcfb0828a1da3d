'use client';

import { Button, Input, type InputRef, Select } from 'antd';
import { useCallback, useMemo, useRef, useState } from 'react';
import { withAttributes } from '@/core/document/edited-form';
import type { TypingPlan } from '@/core/document/form-document';
import type { Guard } from '@/core/guard/guard';
import { sampleCount } from '@/core/guard/indexed-samples';
import type { Sample } from '@/core/guard/sample';
import { firstSamples, writeSamples } from '@/core/guard/sample-table';
import { attribute, type Field } from '@/core/html/field';
import { type EditedRule, editedPattern, editedRules } from '@/core/pattern/edited-rule';
import { partsOf, type SourceSpan, sentenceOf } from '@/core/pattern/parts';
import { pathFinder } from '@/core/pattern/path-through';
import type { Purpose } from '@/core/purpose/purpose';
import { purposeAsSaid } from '@/core/purpose/purpose-of';
import type { RuleReport } from '@/core/rules/rule-report';
import { unworkedClause } from '@/core/words/unworked-words';
import type { Replayer } from '@/workers/replayer';
import { useForm } from '../frame/use-form';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import styles from './rule.module.css';
import { RuleAdvice } from './rule-advice';
import { RuleChange } from './rule-change';
import { RuleSamples } from './rule-samples';
import { RuleStones } from './rule-stones';
import { useSampleTable } from './use-sample-table';

/** What the rule of a field really accepts: what a change of it does to the samples first, the rule itself below. */
export function RulePanel({
  field,
  guards,
  samples: text,
  onSamples,
  onGuards,
  purpose,
  onPurpose,
}: {
  field: Field;
  guards: readonly Guard[];
  samples: string;
  onSamples: (text: string) => void;
  onGuards: (guards: readonly Guard[]) => void;
  /** What a person said that the field is for; kept with the form, so that findings go by it too. */
  purpose: TypingPlan['purpose'];
  onPurpose: (purpose: Purpose | 'none') => void;
}) {
  const { reading: page, edit } = useForm();
  const rules = useMemo(() => editedRules(field, guards), [field, guards]);
  const [chosen, setChosen] = useState<EditedRule | null>(() => bestOf(rules, field, guards) ?? null);
  const edited =
    rules.find((one) => keyOf(one) === (chosen && keyOf(chosen))) ?? bestOf(rules, field, guards);
  const pattern = edited && editedPattern(field, guards, edited);
  const table = useSampleTable(text, onSamples);
  const samples = useMemo(() => firstSamples(text), [text]);
  const addSamples = (more: readonly Sample[]) => void table.add(writeSamples(more), true);
  if (!edited || !pattern)
    return (
      <p className={styles.lead}>
        This kind of field knows no pattern. Add a guard of the kind Pattern on the left, and it is looked at
        here.
      </p>
    );
  const change = (source: string) => {
    if (edited.of === 'field') {
      const values = { pattern: source === '' ? null : source };
      edit((now) => withAttributes(now, page, field.controls[0], values), `${field.id} pattern`);
    } else
      onGuards(
        guards.map((guard) =>
          guard.id === edited.id && guard.kind === 'pattern' ? { ...guard, source } : guard,
        ),
      );
  };
  return (
    <Rule
      key={keyOf(edited)}
      field={field}
      guards={guards}
      edited={edited}
      source={edited.of === 'field' ? (attribute(field.controls[0], 'pattern') ?? '') : pattern.source}
      match={pattern.match}
      samples={samples}
      count={table.state.status === 'read' ? sampleCount(table.state.samples) : samples.length}
      choice={
        <Select
          size="small"
          aria-label="Rule"
          value={keyOf(edited)}
          style={{ minWidth: 190 }}
          options={rules.map((one) => ({ value: keyOf(one), label: nameOf(one, guards) }))}
          onChange={(key) => setChosen(rules.find((one) => keyOf(one) === key) ?? null)}
        />
      }
      onSource={change}
      onAdd={addSamples}
      onGuard={(guard) => onGuards([...guards, guard])}
      said={purpose}
      onPurpose={onPurpose}
    />
  );
}

function keyOf(rule: EditedRule): string {
  return rule.of === 'field' ? 'field' : `guard ${rule.id}`;
}

function nameOf(rule: EditedRule, guards: readonly Guard[]): string {
  if (rule.of === 'field') return 'pattern of the field';
  const guard = guards.find(({ id }) => id === rule.id);
  return guard ? `guard ${guard.stage}` : 'guard';
}

/** The rule that is there: the field's own pattern if it has one, else a guard's. */
function bestOf(
  rules: readonly EditedRule[],
  field: Field,
  guards: readonly Guard[],
): EditedRule | undefined {
  const hasOwn = attribute(field.controls[0], 'pattern') !== null;
  const strict = rules.find(
    (one) => one.of === 'guard' && guards.some(({ id, stage }) => id === one.id && stage === 'on submission'),
  );
  return hasOwn ? rules[0] : (strict ?? rules.find(({ of }) => of === 'guard') ?? rules[0]);
}

function Rule({
  field,
  guards,
  edited,
  source,
  match,
  samples,
  count,
  choice,
  onSource,
  onAdd,
  onGuard,
  said,
  onPurpose,
}: {
  field: Field;
  guards: readonly Guard[];
  edited: EditedRule;
  source: string;
  match: 'whole' | 'part';
  /** The first of them. */
  samples: readonly Sample[];
  /** How many there are. */
  count: number;
  choice: React.ReactNode;
  onSource: (source: string) => void;
  onAdd: (samples: readonly Sample[]) => void;
  onGuard: (guard: Guard) => void;
  /** What a person said that the field is for. */
  said: TypingPlan['purpose'];
  onPurpose: (purpose: Purpose | 'none') => void;
}) {
  const of = useReplayedField(field);
  const [saved, setSaved] = useState(source);
  const purpose = purposeAsSaid(field, said)?.purpose ?? null;
  const [lit, setLit] = useState<string | null>(null);
  const [at, setAt] = useState<SourceSpan | null>(null);
  const input = useRef<InputRef>(null);
  const ask = useCallback(
    ({ work }: Replayer): Promise<RuleReport | null> =>
      work.rule(of, guards, samples, edited, saved || '[^]*', purpose),
    [of, guards, samples, edited, saved, purpose],
  );
  const [replaying] = useReplay(ask);
  const standingOf = useCallback(
    (text: string) =>
      async ({ work }: Replayer) => {
        const found = await work.ruleStanding(of, guards, edited, saved || '[^]*', text);
        return found && { text, found };
      },
    [of, guards, edited, saved],
  );
  const report = replaying.status === 'there' ? replaying.answer : null;
  const rows = useMemo(() => partsOf(source), [source]);
  const find = useMemo(() => (rows ? pathFinder(rows) : null), [rows]);
  const path = lit === null || !find ? null : find(lit);
  const untouched = useMemo(
    () => new Set(samples.length > 0 ? (report?.untouched ?? []) : []),
    [report, samples],
  );
  const pick = ({ start, end }: SourceSpan) => {
    setAt({ start, end });
    const element = input.current?.input;
    element?.focus();
    element?.setSelectionRange(start, end);
  };
  return (
    <div className={styles.rule}>
      <RuleChange
        report={report}
        samples={samples}
        saved={saved}
        isChanged={saved !== source}
        onSave={() => setSaved(source)}
        onBack={() => onSource(saved)}
        onAdd={onAdd}
      />
      <div className={styles.middle}>
        <RuleSamples
          report={report}
          samples={samples}
          count={count}
          standingOf={standingOf}
          lit={lit}
          onLight={setLit}
          onAdd={onAdd}
        />
        <RuleAdvice
          field={field}
          report={report}
          match={match}
          source={source}
          purpose={purpose}
          onPurpose={(next) => onPurpose(next ?? 'none')}
          onSource={onSource}
          onPick={pick}
          onAdd={onAdd}
          onGuard={onGuard}
        />
      </div>
      <section className={styles.bed} aria-label="The rule">
        {replaying.status === 'failed' && (
          <p className={styles.fault} role="alert">
            {replaying.reason}
          </p>
        )}
        {rows && source !== '' && (
          <RuleStones rows={rows} path={path} untouched={untouched} at={at} onPick={pick} />
        )}
        <div className={styles.source}>
          {choice}
          <Input
            ref={input}
            size="small"
            className="mono"
            aria-label="Source of the rule"
            placeholder="no pattern: everything is accepted"
            spellCheck={false}
            value={source}
            status={report?.rule.status === 'fault' ? 'error' : ''}
            onChange={(event) => onSource(event.target.value)}
            onSelect={(event) => {
              const { selectionStart } = event.currentTarget;
              if (selectionStart !== null) setAt({ start: selectionStart, end: selectionStart });
            }}
            onBlur={() => setAt(null)}
          />
          <Button
            size="small"
            disabled={!report || report.made.length === 0}
            onClick={() => report && onAdd(report.made)}
          >
            Add samples from it
          </Button>
        </div>
        <p className={styles.sentence}>
          {report?.rule.status === 'fault' ? (
            <span className={styles.fault}>It does not compile and is ignored: {report.rule.reason}</span>
          ) : (
            rows &&
            source !== '' &&
            `${match === 'part' ? 'Somewhere in the text: ' : ''}${sentenceOf(rows)}.`
          )}
          {untouched.size > 0 && (
            <span>
              {' '}
              No accepted sample uses {untouched.size === 1 ? 'one part' : `${untouched.size} parts`}, drawn
              with dashes.
            </span>
          )}
          {report?.rule.status === 'unknown' && (
            <span className={styles.fault}>
              {' '}
              What it accepts cannot be told exactly, because {unworkedClause(report.rule.why)}. Samples are
              tried one by one.
            </span>
          )}
        </p>
      </section>
    </div>
  );
}
