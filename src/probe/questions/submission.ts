import { enterField } from '@/core/html/enter-field';
import { type Field, fieldOfControl, isButton } from '@/core/html/field';
import { firstSender, sends } from '@/core/html/sender';
import { boundary } from '@/core/model/answer-submission';
import type { Outcome } from '@/core/observation/outcome';
import { noRequest } from '@/core/observation/reason';
import type { Asking } from '@/core/questions/asking';
import type { OtherWays, Sending, SubmissionFacts } from '@/core/questions/submission/facts';
import { boundaryOf } from '@/core/standard/form-decodings';
import type { Received, Receiver } from '../api/askable-page';
import { middleOf } from '../api/box';
import { fillIn } from './fill-in';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** What each button that sends really sends, and which field is in its way. */
export async function askSubmission(context: QuestionContext): Promise<void> {
  const senders = context.asking.fields.filter(({ kind }) => sends(kind));
  for await (const field of context.oneByOne(senders))
    context.answer(field.id, { question: 'submission', outcome: await submissionBy(context, field) });
  await context.page.probe('reset');
}

async function submissionBy(context: QuestionContext, button: Field): Promise<Outcome<SubmissionFacts>> {
  const { receiver } = context;
  if (!receiver) return inapplicable('page submits nothing');
  if (!context.page.click) return inapplicable('page presses no buttons');
  const asIs = await surely(() => press(context, button, receiver, false));
  const filled = await surely(() => press(context, button, receiver, true));
  if (!asIs || !filled) return inapplicable('no room');
  const others =
    firstSender(context.asking.fields, button) === button ? await otherWays(context, button, receiver) : null;
  return { status: 'answered', facts: { asIs, filled, others } };
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

async function otherWays(
  { page, asking }: QuestionContext,
  button: Field,
  receiver: Receiver,
): Promise<OtherWays> {
  const by = (act: () => Promise<void>) => surely(() => sendingBy(act));
  const sendingBy = async (act: () => Promise<void>): Promise<Sending> => {
    await anew(page, asking);
    const why = await page.probe('mayBeSent', probeField(button), receiver.address);
    if (why) return { status: 'nothing', why };
    receiver.take();
    await listenAnew(page, asking);
    await act();
    return whatCame(page, receiver, asking);
  };
  const field = enterField(asking.fields, button);
  return {
    enter: field
      ? await by(async () => {
          await page.probe('focus', probeField(field));
          await pressEnter(page);
        })
      : { status: 'nothing', why: { code: 'no line of text' } },
    requestSubmit: await by(() => page.probe('sendByScript', probeField(button), 'requestSubmit')),
    submit: await by(() => page.probe('sendByScript', probeField(button), 'submit')),
  };
}

async function press(
  { page, asking }: QuestionContext,
  button: Field,
  receiver: Receiver,
  fill: boolean,
): Promise<Sending | null> {
  await anew(page, asking);
  if (fill) await fillIn(page, asking.fields);
  const why = await page.probe('mayBeSent', probeField(button), receiver.address);
  if (why) return { status: 'nothing', why };
  const place = await page.probe('bringIntoSight', probeField(button));
  if (!place) return null;
  receiver.take();
  await listenAnew(page, asking);
  await page.click?.(...middleOf(place));
  return await whatCame(page, receiver, asking);
}

/** The form as it was at first. A page of its own scripts may have put it away after it was sent. */
async function anew(page: QuestionContext['page'], asking: Asking): Promise<void> {
  if (asking.page) await page.reload();
  else await page.probe('reset');
}

/** Lets go of what a page of its own has sent before, and keeps in mind how it stands; no other page has scripts. */
async function listenAnew(page: QuestionContext['page'], asking: Asking): Promise<void> {
  await takeCaught(page, asking);
  if (asking.page) await page.probe('rememberPage');
}

/** What the scripts of a page of its own would have sent; no other page has any. */
async function takeCaught(page: QuestionContext['page'], asking: Asking): Promise<readonly Received[]> {
  return asking.page ? page.probe('caught') : [];
}

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
  return (asking.page && (await heldByPage(page, fields))) ?? { status: 'nothing', why: noRequest };
}

/** That the page's own scripts kept it back, told from what they did in the page; null when they did nothing. */
async function heldByPage(page: QuestionContext['page'], fields: readonly Field[]): Promise<Sending | null> {
  const { focused, invalid, words } = await page.probe('heldBack');
  const fieldAt = (ordinal: number) => fieldOfControl(fields, ordinal);
  const marked = [...new Set(invalid.flatMap((ordinal) => fieldAt(ordinal)?.id ?? []))];
  const led = focused === null ? undefined : fieldAt(focused);
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
