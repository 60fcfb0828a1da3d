import { languageName, type Variant } from '@/core/target/variant';
import type { Engine, EnginePage } from './api/engine';
import { ownDocument } from './api/own-document';
import { viewportOf } from './api/viewport';

interface AsSetUp {
  readonly languages: readonly string[];
  readonly region: string;
  readonly dark: boolean;
  readonly ratio: number;
  readonly width: number;
  readonly message: string;
}

const question = `(() => {
  const input = ${ownDocument}.createElement('input');
  input.required = true;
  return {
    languages: [...navigator.languages],
    region: new Intl.DateTimeFormat().resolvedOptions().locale,
    dark: matchMedia('(prefers-color-scheme: dark)').matches,
    ratio: devicePixelRatio,
    width: innerWidth,
    message: input.validationMessage,
  };
})()`;

/** Words of an engine that has no others. */
const english = /^(please )?fill (out|in) this field\.?$/i;

/** What of a variant an engine did not do: the page is asked, nothing is assumed. One sentence each. */
export async function unableTo(
  page: EnginePage,
  variant: Variant,
  wordsPackages: Engine['wordsPackages'],
): Promise<string[]> {
  const is = (await page.evaluate(question)) as AsSetUp;
  const language = primary(variant.language);
  const name = languageName(variant.language);
  const remedy = wordsPackages[variant.language];
  const faults = [
    primary(is.languages[0] ?? '') === language
      ? null
      : `It does not ask pages for ${name} (${is.languages.join(', ')})`,
    sameRegion(is.region, variant.language)
      ? null
      : `Its dates and numbers are in ${is.region}, not in ${name}`,
    language !== 'en' && english.test(is.message)
      ? `It has no words of its own in ${name}${remedy ? `; “apt-get install ${remedy}” may bring them` : ''}`
      : null,
    is.dark === (variant.scheme === 'dark') ? null : `It does not take the ${variant.scheme} colour scheme`,
    is.ratio === variant.zoom ? null : `Its zoom is ${is.ratio * 100} %, not ${variant.zoom * 100} %`,
    is.width === viewportOf(variant).width
      ? null
      : `Its viewport is ${is.width} px wide, not ${viewportOf(variant).width}`,
  ];
  return faults.filter((fault) => fault !== null);
}

function primary(language: string): string {
  return (language.split('-')[0] ?? '').toLowerCase();
}

/** A bare language stands for any of its regions, except where the region decides on the order of a date. */
function sameRegion(is: string, wanted: string): boolean {
  return primary(is) === primary(wanted) && (is === wanted || primary(wanted) !== 'en');
}
