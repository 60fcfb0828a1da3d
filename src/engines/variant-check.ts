import type { Unable } from '@/core/observation/unable';
import type { Variant } from '@/core/target/variant';
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

/** What of a variant an engine did not do: the page is asked, nothing is assumed. */
export async function unableTo(
  page: EnginePage,
  variant: Variant,
  wordsPackages: Engine['wordsPackages'],
): Promise<Unable[]> {
  const is = (await page.evaluate(question)) as AsSetUp;
  const { language: wanted, scheme, zoom } = variant;
  const { width } = viewportOf(variant);
  const unable: readonly (Unable | false)[] = [
    primary(is.languages[0] ?? '') !== primary(wanted) && {
      code: 'language',
      wanted,
      asksFor: is.languages,
    },
    !sameRegion(is.region, wanted) && { code: 'locale', wanted, is: is.region },
    primary(wanted) !== 'en' &&
      english.test(is.message) && { code: 'words', wanted, package: wordsPackages[wanted] ?? null },
    is.dark !== (scheme === 'dark') && { code: 'colour scheme', wanted: scheme },
    is.ratio !== zoom && { code: 'zoom', wanted: zoom, is: is.ratio },
    is.width !== width && { code: 'width', wanted: width, is: is.width },
  ];
  return unable.filter((one) => one !== false);
}

function primary(language: string): string {
  return (language.split('-')[0] ?? '').toLowerCase();
}

/** A bare language stands for any of its regions, except where the region decides on the order of a date. */
function sameRegion(is: string, wanted: string): boolean {
  return primary(is) === primary(wanted) && (is === wanted || primary(wanted) !== 'en');
}
