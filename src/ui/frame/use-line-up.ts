import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { EngineStatuses } from '@/core/sweep/engine-status';
import { defaultLineUp, type LineUp, targets as shipped } from '@/core/target/line-up';
import { engineNames, engineTarget, type Target } from '@/core/target/target';
import { openDatabase } from '@/store/database';
import { lineUpOf, ownTargets, saveLineUp } from '@/store/line-ups';
import { useForm } from './use-form';

export interface LineUpWorkspace {
  readonly lineUp: LineUp;
  choose(lineUp: LineUp): void;
}

/** The targets chosen for the form. */
export function useLineUp(): LineUpWorkspace {
  const { form } = useForm();
  const stored = useLiveQuery(() => lineUpOf(openDatabase(), form.id), [form.id]);
  return useMemo(
    () => ({
      lineUp: stored ?? defaultLineUp,
      choose: (lineUp) => void saveLineUp(openDatabase(), form.id, lineUp),
    }),
    [stored, form.id],
  );
}

/** Every target that can be chosen: those that ship, the server's remote endpoints, the person's own. */
export function useTargets({ engines }: EngineStatuses): readonly Target[] {
  const own = useLiveQuery(() => ownTargets(openDatabase()), []);
  return useMemo(() => {
    const remote = engines
      .filter(({ name }) => !engineNames.some((known) => known === name))
      .map(({ name, title, protocol }) =>
        engineTarget(name, title, `An endpoint that the server’s owner named, asked over ${protocol}.`),
      );
    return [...shipped, ...remote, ...(own ?? [])];
  }, [engines, own]);
}
