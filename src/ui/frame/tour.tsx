'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import styles from './frame.module.css';
import {
  currentSelection,
  nothingSelected,
  type Selection,
  selectionQuery,
  useSelection,
} from './use-selection';

interface Stop {
  readonly path: string;
  readonly shows: Partial<Selection>;
  readonly title: string;
  readonly text: string;
}

const hurried = 'hurried-tide-log' as Selection['form'];

/** The views in the order of the questions, on the sheet that a hurried beginner wrote. */
export const stops: readonly Stop[] = [
  {
    path: '/form',
    shows: { field: 'station' as Selection['field'] },
    title: 'What is this form?',
    text: 'Fields are on the left, their markup on the right; selecting one shows the other. Faults are listed by line, each with a remedy. Paste HTML anywhere to open a form of your own.',
  },
  {
    path: '/survey',
    shows: {},
    title: 'How does each target draw it?',
    text: 'A sweep asks real engines, this browser and a model. Each cell shows the control as one target draws it; differences from the reference are marked. Open a cell for everything that target answered.',
  },
  {
    path: '/typing',
    shows: { field: 'serial' as Selection['field'] },
    title: 'What can be typed, and which events fire?',
    text: 'Type into the field: it becomes a script, replayed on every target stroke by stroke, with each event and the value it saw. Guards are switched on and off at the side.',
  },
  {
    path: '/keyboards',
    shows: { field: 'level' as Selection['field'] },
    title: 'Which keyboard does a phone show?',
    text: 'Water level asks for digits alone and takes a minus: the keyboard has none. The cheapest setting that brings it is offered at the side. The keys are live.',
  },
  {
    path: '/submission',
    shows: {},
    title: 'What is sent?',
    text: 'Which field blocks the form, with which message, and what is sent, byte for byte. Below: what the form does not send, and why.',
  },
  {
    path: '/findings',
    shows: {},
    title: 'What do we do about it?',
    text: 'All of it as one list, the worst for the person first, and open: what to change, what that would do, and your decision. A baseline says what is new the next time.',
  },
];

/** Goes to a stop of the tour, from wherever one is. */
function useStops(): (step: number) => void {
  const router = useRouter();
  const [, select] = useSelection();
  return useCallback(
    (step) => {
      const to = stops[step];
      if (!to) return;
      select({ ...nothingSelected, form: hurried, ...to.shows, tour: step });
      router.push(`${to.path}${selectionQuery(currentSelection())}`);
    },
    [router, select],
  );
}

/** Begins the tour. */
export function useTour(): () => void {
  const go = useStops();
  return useCallback(() => go(0), [go]);
}

/** A card that leads through the views; the rest of the screen stays usable. */
export function Tour({ step }: { step: number }) {
  const go = useStops();
  const [, select] = useSelection();
  const stop = stops[step];
  if (!stop) return null;
  return (
    <aside className={styles.tour} aria-label="Tour">
      <h2>{stop.title}</h2>
      <p>{stop.text}</p>
      <div>
        <span className="soft">
          {step + 1} of {stops.length}
        </span>
        <Button size="small" onClick={() => select({ tour: null })}>
          End the tour
        </Button>
        <Button size="small" disabled={step === 0} onClick={() => go(step - 1)}>
          Back
        </Button>
        <Button size="small" type="primary" disabled={step === stops.length - 1} onClick={() => go(step + 1)}>
          Next
        </Button>
      </div>
    </aside>
  );
}
