import fc from 'fast-check';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { type Picture, pictureBytes } from '@/core/observation/picture';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { engines } from '@/engines/engines';
import { pictureBox } from '@/probe/api/picture-box';
import { probeBundle } from '@/probe/bundle';
import { probeField } from '@/probe/questions/question-context';
import { enginesAvailable } from '../fixtures/engines';
import { startPage } from '../fixtures/served-page';

/** Kinds of text boxes, each with as many signs as it is given; in a font of fixed width every sign is an island of ink. */
const kinds: readonly ((signs: number) => string)[] = [
  (signs) => `<input name=text value=${'o'.repeat(signs)}>`,
  (signs) => `<input name=tel type=tel value=${'0'.repeat(signs)}>`,
  (signs) => `<input name=url type=url value=${'o'.repeat(signs)}>`,
  (signs) => `<input name=email type=email value=${'o'.repeat(signs)}>`,
  (signs) => `<input name=password type=password value=${'x'.repeat(signs)}>`,
  (signs) => `<input name=hint placeholder=${'o'.repeat(signs)}>`,
  (signs) => `<textarea name=textarea rows=1>${'o'.repeat(signs)}</textarea>`,
  (signs) => `<input name=number type=number value=${'8'.repeat(signs)}>`,
];
const look =
  'input,textarea{font:24px/1.2 monospace;letter-spacing:6px;color:#000;background:#fff;border:0;outline:0;padding:0;width:300px;height:40px;appearance:none;-moz-appearance:textfield;resize:none;overflow:hidden;display:block;margin:4px}::placeholder{color:#000;opacity:1}::-webkit-inner-spin-button{display:none}';
const forms = fc.sample(
  fc.tuple(
    fc.shuffledSubarray([...kinds], { minLength: kinds.length }),
    fc.array(fc.integer({ min: 1, max: 6 }), { minLength: kinds.length, maxLength: kinds.length }),
  ),
  2,
);

/** Pages of both directions that a window shows whole, or not: in each of them a control stands elsewhere in its picture. */
const pages: readonly (readonly [direction: string, behind: string])[] = [
  ['ltr', ''],
  ['ltr', '<p style="height:1500px">'],
  ['rtl', ''],
  ['rtl', '<p style="height:1500px">'],
  ['rtl', '<p style="width:1500px">'],
];

/** Islands of ink in a row: columns with something dark in them, next to each other. */
function islandsIn(picture: Picture): number {
  const { width, height, data } = PNG.sync.read(Buffer.from(pictureBytes(picture)));
  const isDark = (x: number) =>
    Array.from({ length: height }, (_, y) => data[(y * width + x) * 4] ?? 255).some((red) => red < 140);
  let islands = 0;
  for (let x = 0, was = false; x < width; x++) {
    const is = isDark(x);
    if (is && !was) islands++;
    was = is;
  }
  return islands;
}

describe.skipIf(!(await enginesAvailable())).each(Object.keys(engines))('what %s draws', (name) => {
  const engine = engines[name as keyof typeof engines];
  it('has as many signs as the text that is told as shown', async () => {
    const found = await engine.find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    const session = await engine.launch(found.path, plainVariant, {});
    try {
      const { code } = await probeBundle('probe');
      for (const [at, [direction, behind]] of pages.entries()) {
        const [order = [], signs = []] = forms[at % forms.length] ?? [];
        const inputs = order.map((kind, place) => kind(signs[place] ?? 1));
        const page = `<!doctype html><html dir=${direction}><style>${look}</style><form>${inputs.join('')}</form>${behind}</html>`;
        const { address, stop } = await startPage(page);
        const opened = await session.open(address, code, plainVariant);
        const fields = readForm(page).fields.map(probeField);
        const document = await opened.probe('documentBox');
        const boxes = (await opened.probe('controlBoxes', fields)).map(
          (box) => box && pictureBox(box, document, 0),
        );
        const pictures = await opened.pictures(boxes, document);
        const shown = await opened.probe('textsShown', fields);
        await stop();
        const drawn = pictures.map((picture) => (picture ? islandsIn(picture) : null));
        const told = (counts: readonly (number | null)[]) =>
          inputs.map((input, place) => [direction, behind, input, counts[place]]);
        expect(told(drawn)).toEqual(told(shown.map((text) => [...(text ?? '')].length)));
        expect(drawn).toEqual(signs);
      }
    } finally {
      await session.close();
    }
  });
});
