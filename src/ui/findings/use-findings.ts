'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo } from 'react';
import { collectFindings, type TargetDifferences, type TargetTrap } from '@/core/finding/collect-findings';
import type { Decision, Finding, FindingId } from '@/core/finding/finding';
import { targets } from '@/core/target/line-up';
import { markOf } from '@/core/target/target';
import { openDatabase } from '@/store/database';
import type { Replayer } from '@/workers/replayer';
import { useCorrections } from '../frame/use-corrections';
import { useForm } from '../frame/use-form';
import { useRun } from '../frame/use-run';
import { useSelection } from '../frame/use-selection';
import { useTargetComparison } from '../survey/use-comparison';
import { useReplay } from '../typing/use-replay';

/** The browsers of phones, whose keyboards a page can choose. */
const phones = targets.filter(({ id }) => id === 'blink-phone' || id === 'webkit-phone');

/** Everything that the views mark about the form, as findings. */
export function useFindings(): readonly Finding[] {
  const { form } = useForm();
  const differences = useDifferences();
  const traps = useTraps();
  return useMemo(() => collectFindings({ form, differences, traps }), [form, differences, traps]);
}

function useDifferences(): readonly TargetDifferences[] {
  const { form } = useForm();
  const { run, fields } = useRun();
  const comparison = useTargetComparison();
  return useMemo(() => {
    // What was asked of another form says nothing of this one.
    if (!run || run.form.markup !== form.markup) return [];
    return comparison.lineUp.targets
      .filter((target) => comparison.against(target))
      .flatMap((target) =>
        fields
          .filter(({ kind }) => kind !== 'hidden')
          .map((field) => ({
            target,
            mark: markOf(target),
            field,
            differences: comparison.all(target, field.id),
          })),
      );
  }, [run, fields, form.markup, comparison]);
}

function useTraps(): readonly TargetTrap[] {
  const { form, reading } = useForm();
  const [{ language }] = useSelection();
  const corrections = useCorrections();
  const ask = useCallback(
    ({ work }: Replayer) =>
      work.formTraps(
        form.markup,
        form.typing,
        phones.map(({ id }) => id),
        language,
        corrections,
      ),
    [form.markup, form.typing, language, corrections],
  );
  const [replaying] = useReplay(ask);
  return useMemo(() => {
    const found = replaying.status === 'there' ? replaying.answer : [];
    return found.flatMap(({ field: id, target: targetId, trap }) => {
      const field = reading.fields.find((one) => one.id === id);
      const target = phones.find((one) => one.id === targetId);
      return field && target ? [{ field, target, trap }] : [];
    });
  }, [replaying, reading]);
}

const none: ReadonlyMap<FindingId, Decision> = new Map();

/** What was decided about the form's findings. */
export function useDecisions(): ReadonlyMap<FindingId, Decision> {
  const { form } = useForm();
  const stored = useLiveQuery(() => openDatabase().decisions.where({ formId: form.id }).toArray(), [form.id]);
  return useMemo(() => (stored ? new Map(stored.map((one) => [one.finding, one])) : none), [stored]);
}
