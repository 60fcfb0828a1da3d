import fc from 'fast-check';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { type Picture, pictureBytes } from '@/core/observation/picture';
import { contrastRatio, type Rgba } from '@/core/standard/contrast-ratio';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { engines } from '@/engines/engines';
import { pictureBox } from '@/probe/api/picture-box';
import { probeBundle } from '@/probe/bundle';
import { probeField } from '@/probe/questions/question-context';
import { enginesAvailable } from '../fixtures/engines';
import { startPage } from '../fixtures/served-page';

/** A sign that fills its place with ink. */
const block = '\u2588';

/** Every kind of control in several states; what is written in it is ink from edge to edge. */
const controls: readonly string[] = [
  `<input name=text value=${block}${block}${block} required>`,
  '<input name=empty required>',
  `<input name=readonly value=${block}${block}${block} readonly>`,
  '<input name=hint placeholder=x>',
  '<input name=pattern pattern=a value=b>',
  `<textarea name=textarea>${block}${block}${block}</textarea>`,
  '<input name=email type=email value=x>',
  '<input name=password type=password value=x disabled>',
  '<input name=number type=number max=3 value=5>',
  '<input name=whole type=number max=3 value=2>',
  '<input name=date type=date min=2026-03-01 value=2026-02-01>',
  '<input name=time type=time>',
  '<input name=color type=color disabled>',
  '<input name=range type=range>',
  '<input name=checked type=checkbox checked>',
  '<input name=unchecked type=checkbox required>',
  '<input name=radio type=radio checked>',
  '<input name=file type=file required>',
  '<select name=select required><option value="">-<option>x</select>',
  '<button name=button>x</button>',
];
const pseudoClasses = [
  ':enabled',
  ':disabled',
  ':read-only',
  ':read-write',
  ':placeholder-shown',
  ':default',
  ':checked',
  ':required',
  ':optional',
  ':valid',
  ':invalid',
  ':in-range',
  ':out-of-range',
] as const;

const size = fc.record({
  width: fc.integer({ min: 90, max: 300 }),
  height: fc.integer({ min: 40, max: 70 }),
});
const samples = fc.sample(
  fc.record({
    order: fc.shuffledSubarray([...controls], { minLength: controls.length }),
    sizes: fc.array(size, { minLength: controls.length, maxLength: controls.length }),
    pseudoClass: fc.constantFrom(...pseudoClasses),
    ink: fc.integer({ min: 0, max: 200 }),
  }),
  4,
);

const all = 'input,textarea,select,button';
const grey = (share: number): Rgba => ({ red: share, green: share, blue: share, alpha: 1 });
const look = (ink: number, pseudoClass: string) =>
  `body{background:#246;margin:12px}${all}{display:block;appearance:none;box-sizing:border-box;margin:0 0 12px;padding:0;border:0;border-radius:0;outline:0;background:#fff;color:rgb(${ink},${ink},${ink});font:40px/40px monospace;overflow:hidden;resize:none}::-webkit-color-swatch,::-moz-color-swatch{visibility:hidden}::-webkit-inner-spin-button,::file-selector-button{display:none}:is(${all})${pseudoClass}{background:#f00}`;

/** Of a picture of a control on its page: the box of all that is not the page, px, and whether it is filled with red. */
function drawn(picture: Picture) {
  const { width, height, data } = PNG.sync.read(Buffer.from(pictureBytes(picture)));
  const at = (x: number, y: number) => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)];
  const isPage = (x: number, y: number) => at(x, y).join() === '34,68,102';
  const inked = Array.from(
    { length: width * height },
    (_, place) => [place % width, Math.floor(place / width)] as const,
  ).filter(([x, y]) => !isPage(x, y));
  const [xs, ys] = [inked.map(([x]) => x), inked.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [right, bottom] = [Math.max(...xs) + 1, Math.max(...ys) + 1];
  return {
    size: { width: right - left, height: bottom - top },
    // What it holds may cover some of its corners.
    isRed: [left, right - 1].some((x) => [top, bottom - 1].some((y) => at(x, y).join() === '255,0,0')),
    // In the first sign, and in whatever line it stands.
    darkest: Math.min(...Array.from({ length: bottom - top }, (_, y) => at(left + 10, top + y)[0] ?? 255)),
  };
}

describe.skipIf(!(await enginesAvailable())).each(Object.keys(engines))(
  'what a script is told by %s',
  (name) => {
    const engine = engines[name as keyof typeof engines];
    it('of sizes, states and contrast is what the picture shows', async () => {
      const found = await engine.find();
      if (found.status === 'missing') throw new Error(failureText(found.failure));
      const session = await engine.launch(found.path, plainVariant, {});
      try {
        const { code } = await probeBundle('probe');
        for (const { order, sizes, pseudoClass, ink } of samples) {
          const inputs = order.map((markup, at) =>
            markup.replace(
              ' name',
              ` style="width:${sizes[at]?.width}px;height:${sizes[at]?.height}px" name`,
            ),
          );
          const page = `<!doctype html><style>${look(ink, pseudoClass)}</style><form>${inputs.join('\n')}</form>`;
          const { address, stop } = await startPage(page);
          const opened = await session.open(address, code, plainVariant);
          const fields = readForm(page).fields.map(probeField);
          const facts = await opened.probe('describe', fields);
          const document = await opened.probe('documentBox');
          const pictures = await opened.pictures(
            facts.map(({ box }) => box && pictureBox(box, document)),
            document,
          );
          await stop();
          for (const [at, markup] of inputs.entries()) {
            const [told, picture] = [facts[at], pictures[at]];
            if (!told || !picture) throw new Error(`no picture: ${markup}`);
            const seen = drawn(picture);
            expect([markup, seen.size]).toEqual([markup, told.size]);
            expect([markup, pseudoClass, seen.isRed]).toEqual([
              markup,
              pseudoClass,
              told.pseudoClasses.includes(pseudoClass),
            ]);
            if (!markup.includes(block) || seen.isRed) continue;
            const contrast = contrastRatio(grey(seen.darkest / 255), grey(1));
            expect([markup, told.contrast?.text]).toEqual([markup, Math.round(contrast * 100) / 100]);
          }
        }
      } finally {
        await session.close();
      }
    });
  },
);
