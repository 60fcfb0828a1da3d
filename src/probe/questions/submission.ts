import { validTrial } from '@/core/document/trial-value';
import { enterField } from '@/core/html/enter-field';
import { type Field, fieldOfControl, isButton } from '@/core/html/field';
import { firstSender } from '@/core/html/sender';
import { boundary } from '@/core/model/answer-submission';
import type { FieldEntry } from '@/core/observation/field-entry';
import type { Outcome } from '@/core/observation/outcome';
import { noRequest, type Unsent } from '@/core/observation/reason';
import { type Asking, senderIds, sendersOf } from '@/core/questions/asking';
import type { OtherWays, Sending, SubmissionFacts } from '@/core/questions/submission/facts';
import { boundaryOf } from '@/core/standard/form-decodings';
import type { Received, Receiver } from '../api/askable-page';
import { middleOf } from '../api/box';
import { anew } from './anew';
import { enterValues } from './enter-values';
import { fillByScript } from './fill-by-script';
import { inapplicable, probeField, type QuestionContext } from './question-context';
import { settled } from './settled';

/** What each button that sends really sends, and which field is in its way. */
export async function askSubmission(context: QuestionContext): Promise<void> {
  const { asking } = context;
  const senders = senderIds(asking);
  const asked = asking.fields.filter(({ id }) => senders.has(id));
  for await (const field of context.oneByOne(asked))
    context.answer(field.id, { question: 'submission', outcome: await submissionBy(context, field) });
  await context.page.probe('reset');
}

async function submissionBy(context: QuestionContext, button: Field): Promise<Outcome<SubmissionFacts>> {
  const { page, asking, receiver } = context;
  if (!receiver) return inapplicable('page submits nothing');
  if (!page.click) return inapplicable('page presses no buttons');
  const isOwn = asking.page !== null;
  let entries: readonly FieldEntry[] = [];
  const asIs = await surely(() => press(context, button, receiver, async () => undefined));
  const filled = await surely(() =>
    press(context, button, receiver, async () => {
      if (isOwn) entries = await enterValues(page, asking.fields, validTrial);
      else await fillByScript(page, asking.fields);
    }),
  );
  if (!asIs || !filled) return inapplicable('no room');
  const others =
    firstSender(sendersOf(asking), button)?.id === button.id
      ? await otherWays(context, button, receiver)
      : null;
  return { status: 'answered', facts: { asIs, filled, others, ...(isOwn && { entries }) } };
}

/** That nothing was sent is told when it is so twice: on a busy machine a click may miss what has just moved. */
async function surely<Told extends Sending | null>(send: () => Promise<Told>): Promise<Told> {
  const told = await send();
  return told?.status === 'nothing' && told.why.code === 'no request' ? send() : told;
}

/** On the display's keyboard where there is one: WebKitGTK's driver loses Enter once a list of options was open. */
async function pressEnter(page: QuestionContext['page']): Promise<void> {
  const window = await page.window();
  if (window.status === 'there') await window.press('Return');
  else await page.press('Enter');
}

async function otherWays(context: QuestionContext, button: Field, receiver: Receiver): Promise<OtherWays> {
  const { page, asking } = context;
  const by = (needs: Needs, act: () => Promise<void>) => surely(() => sendingBy(needs, act));
  const sendingBy = async (needs: Needs, act: () => Promise<void>): Promise<Sending> => {
    await anew(context);
    const why = await inTheWay(context, button, receiver, needs);
    if (why) return { status: 'nothing', why };
    receiver.take();
    await listenAnew(page, asking);
    await act();
    return whatCame(page, receiver, asking);
  };
  const field = enterField(asking.fields, button);
  return {
    enter: field
      ? await by('field', async () => {
          await page.probe('focus', probeField(field));
          await pressEnter(page);
        })
      : { status: 'nothing', why: { code: 'no line of text' } },
    requestSubmit: await by('form', () => page.probe('sendByScript', probeField(button), 'requestSubmit')),
    submit: await by('form', () => page.probe('sendByScript', probeField(button), 'submit')),
    ...(asking.page && {
      setByScript:
        (await surely(() => press(context, button, receiver, () => fillByScript(page, asking.fields)))) ??
        nothingSent,
    }),
  };
}

async function press(
  context: QuestionContext,
  button: Field,
  receiver: Receiver,
  fill: () => Promise<void>,
): Promise<Sending | null> {
  const { page, asking } = context;
  await anew(context);
  await fill();
  const why = await inTheWay(context, button, receiver, 'field');
  if (why) return { status: 'nothing', why };
  const place = await page.probe('bringIntoSight', probeField(button));
  if (!place) return null;
  receiver.take();
  await listenAnew(page, asking);
  await page.click?.(...middleOf(place));
  return await whatCame(page, receiver, asking);
}

/** Lets go of what a page of the developer's own has sent before, and keeps in mind how it stands; other pages have no scripts. */
async function listenAnew(page: QuestionContext['page'], asking: Asking): Promise<void> {
  await takeCaught(page, asking);
  if (asking.page) await page.probe('rememberPage');
}

/** What scripts of a page of the developer's own would have sent; other pages under test have none. */
async function takeCaught(page: QuestionContext['page'], asking: Asking): Promise<readonly Received[]> {
  return asking.page ? page.probe('caught') : [];
}

/** What a way to send needs: the button's form, or a field that scripts of a page of the developer's own may listen at. */
type Needs = 'form' | 'field';

/** Lets the button's form be sent. @returns why that cannot be */
async function inTheWay(
  { page, asking }: QuestionContext,
  button: Field,
  { address }: Receiver,
  needs: Needs,
): Promise<Unsent | null> {
  const why = await page.probe('mayBeSent', probeField(button), address);
  return why?.code === 'no form' && needs === 'field' && asking.page ? null : why;
}

const nothingSent: Sending = { status: 'nothing', why: noRequest };

/** How long a request may take to arrive, ms; from a page on this machine it takes a few. */
const patience = 1500;
const betweenLooks = 15;

async function whatCame(page: QuestionContext['page'], receiver: Receiver, asking: Asking): Promise<Sending> {
  const { fields } = asking;
  for (const elapsed = page.stopwatch(); elapsed() < patience; ) {
    const [request] = [...receiver.take(), ...(await takeCaught(page, asking))];
    if (request) return sent(request);
    const blocked = await page.probe('whatBlocked');
    const [first] = blocked;
    if (first)
      return {
        status: 'blocked',
        by: fieldOfControl(fields, first.ordinal)?.id ?? null,
        message: first.message,
        invalid: [...new Set(blocked.flatMap(({ ordinal }) => fieldOfControl(fields, ordinal)?.id ?? []))],
      };
    const allowed = asking.page ? await page.probe('allowedByPolicy') : null;
    if (allowed !== null) return { status: 'nothing', why: { code: 'policy', allowed } };
    await new Promise((resolve) => setTimeout(resolve, betweenLooks));
  }
  return (asking.page && (await heldByPage(page, fields))) ?? nothingSent;
}

/** That the page's own scripts kept it back, told from what they did in the page; null when they did nothing. */
async function heldByPage(page: QuestionContext['page'], fields: readonly Field[]): Promise<Sending | null> {
  await settled(page);
  const { focused, invalid, words, fields: change } = await page.probe('heldBack');
  const fieldAt = (ordinal: number) => fieldOfControl(fields, ordinal);
  const marked = [...new Set(invalid.flatMap((ordinal) => fieldAt(ordinal)?.id ?? []))];
  const led = focused === null ? undefined : fieldAt(focused);
  // A wizard's next step is no message, whatever can be read there now.
  if (marked.length === 0 && change.went)
    return { status: 'nothing', why: { code: change.came ? 'next step' : 'form gone', reads: words } };
  const by = (led && !isButton(led.kind) ? led.id : marked[0]) ?? null;
  if (by === null && words.length === 0) return null;
  return {
    status: 'blocked',
    by,
    message: words.join(' · ') || null,
    invalid: marked.length > 0 || by === null ? marked : [by],
    heldBy: 'page',
  };
}

function sent({ method, url, contentType, body }: Received): Sending {
  const drawn = boundaryOf(contentType);
  const named = (text: string) => (drawn ? text.replaceAll(drawn, boundary) : text);
  return {
    status: 'sent',
    method,
    url,
    contentType: contentType && named(contentType),
    body: named(body),
  };
}
