import { fieldId } from '@/core/html/field';
import type { WayOfSending, WayOutcome, WayToSend } from '@/core/model/ways-to-send';
import type { ProvenanceMark as Mark } from '@/core/observation/provenance';
import type { OtherWays, Sending } from '@/core/questions/submission/facts';
import { unsentText } from '@/core/words/reason-words';
import { wayWords } from '@/core/words/submission-words';
import frame from '../frame/frame.module.css';
import { Help } from '../frame/help';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import styles from './submission.module.css';

const names: Readonly<Record<WayOfSending, string>> = {
  button: 'The button, always there',
  'button while valid': 'The button, there only while the form is valid',
  enter: 'Enter in a field',
  'requestSubmit()': 'A script, requestSubmit()',
  'submit()': 'A script, submit()',
};

/** What a target did when it was asked; the model speaks for the rest. */
export interface AskedWays {
  readonly mark: Mark;
  readonly button: Sending | null;
  readonly others: OtherWays | null;
}

/** When may one send? What each way lets through while something is not valid, and what a person sees of it. */
export function WaysToSend({ ways, asked }: { ways: readonly WayToSend[]; asked: AskedWays }) {
  const { reading } = useForm();
  return (
    <>
      <span className={frame.headed}>
        <h2>When may one send?</h2>
        <Help about="ways to send">
          <p>
            A form is sent by its button, by Enter in a field, or by a script. Not all of them check it first,
            and a button that is missing until all is valid tells nobody what is wrong.
          </p>
        </Help>
      </span>
      <table className={styles.ways} aria-label="Ways to send">
        <thead>
          <tr>
            <th scope="col">Way</th>
            <th scope="col">As the form is at first</th>
            <th scope="col">What a person sees</th>
          </tr>
        </thead>
        <tbody>
          {ways.map(({ way, outcome }) => {
            const sending = askedOf(way, asked);
            const said = sending && saidByPage(sending, labelOf);
            return (
              <tr key={way}>
                <th scope="row">{names[way]}</th>
                <td>
                  <ProvenanceMark mark={sending ? asked.mark : 'modelled'} size={11} />{' '}
                  {sending ? resultOf(sending, outcome, labelOf) : wayWords(outcome).result}
                </td>
                <td>
                  <ProvenanceMark mark={said ? asked.mark : 'modelled'} size={11} />{' '}
                  {said ?? wayWords(outcome).seen}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );

  function labelOf(id: string): string {
    return reading.fields.find((field) => field.id === fieldId(id))?.label ?? id;
  }
}

function askedOf(way: WayOfSending, { button, others }: AskedWays): Sending | null {
  switch (way) {
    case 'button':
      return button;
    case 'enter':
      return others?.enter ?? null;
    case 'requestSubmit()':
      return others?.requestSubmit ?? null;
    case 'submit()':
      return others?.submit ?? null;
    case 'button while valid':
      return null;
  }
}

/** What scripts of the page brought out when they kept it back; null where they did not. */
function saidByPage(sending: Sending, labelOf: (id: string) => string): string | null {
  if (sending.status !== 'blocked' || !sending.heldBy) return null;
  const words = sending.message === null ? 'no new words' : `“${sending.message}”`;
  return sending.by === null ? words : `${words}, ${labelOf(sending.by)} marked or with the focus`;
}

/** In the model's words where they say what happened too, for they say more. */
function resultOf(sending: Sending, modelled: WayOutcome, labelOf: (id: string) => string): string {
  switch (sending.status) {
    case 'sent':
      return modelled.does === 'sends' ? wayWords(modelled).result : 'sent';
    case 'blocked':
      return `stopped${sending.heldBy ? ' by the page' : ''}${sending.by === null ? '' : ` at ${labelOf(sending.by)}`}`;
    case 'nothing':
      return unsentText(sending.why);
  }
}
