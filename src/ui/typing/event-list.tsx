import type { ReactNode } from 'react';
import { habitsOf, isNativeField } from '@/core/model/deviations/habits';
import { type Stroke, textOfStroke } from '@/core/script/stroke';
import { disagreementWords } from '@/core/words/disagreement-words';
import { trustText } from '@/core/words/trust-words';
import { VisibleText } from '../frame/visible-text';
import type { LadderColumn } from './ladder';
import { StrokeCap } from './stroke-cap';
import styles from './typing.module.css';

/** The events of one stroke on one target, each with what its listeners saw. */
export function EventList({
  stroke,
  index,
  column,
  children,
}: {
  stroke: Stroke;
  index: number;
  column: LadderColumn;
  /** What can be done with the stroke. */
  children: ReactNode;
}) {
  const step = column.facts?.steps[index];
  const disagreements = column.disagreements[index] ?? [];
  const habits = habitsOf(column.target);
  return (
    <section className={styles.events} aria-label="Events of the stroke">
      <h2>
        <StrokeCap stroke={stroke} /> on {column.name}, {column.mark}
        {step?.refused && (
          <span className={styles.disagreement}>
            {' '}
            refused by {step.refused === 'guard' ? 'a guard' : 'the target itself'}
          </span>
        )}
        {children}
      </h2>
      {disagreements.map((one) => (
        <p key={one.what} className={styles.disagreement}>
          {disagreementWords(one)}
        </p>
      ))}
      {!step || step.events.length === 0 ? (
        <p className="soft">
          {step ? 'No event was raised: the field had lost the focus.' : 'Not asked yet.'}
        </p>
      ) : (
        <table>
          <thead>
            <tr>
              <th scope="col">event</th>
              <th scope="col">key</th>
              <th scope="col">inputType</th>
              <th scope="col">data</th>
              <th scope="col">value then</th>
              <th scope="col">note</th>
            </tr>
          </thead>
          <tbody>
            {step.events.map((event, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: events have no other name than their place
              <tr key={at}>
                <td className="mono">{event.type}</td>
                <td className="mono">{event.key ?? ''}</td>
                <td className="mono">{event.inputType ?? ''}</td>
                <td>{event.data === null ? '' : <VisibleText text={event.data} />}</td>
                <td>
                  <VisibleText text={event.value} />
                </td>
                <td className="soft">
                  {[
                    event.prevented && 'prevented',
                    !event.trusted && 'made by a script',
                    event.rewrittenTo !== undefined && `the page made “${event.rewrittenTo}” of it`,
                    event.took !== undefined && event.took >= 1 && `its listeners took ${event.took} ms`,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {column.mark === 'modelled' && habits && (
        <p className={styles.value}>
          {habits.source}. {!isNativeField(habits) && trustText(habits, 'typing')}
        </p>
      )}
      {column.facts?.followed && textOfStroke(stroke) !== null && (
        <p className={styles.value}>
          This kind of field does not tell a script its text and caret; they are followed from its events.
        </p>
      )}
    </section>
  );
}
