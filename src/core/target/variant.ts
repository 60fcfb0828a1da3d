/** Languages in which engines can be asked: two that put day and month in different order, two with a decimal comma, one from right to left. */
export const languages = ['en-US', 'en-GB', 'de-DE', 'fi-FI', 'ar'] as const;
export type Language = (typeof languages)[number];

export const colourSchemes = ['light', 'dark'] as const;
export type ColourScheme = (typeof colourSchemes)[number];

/** How an engine is set up before it is asked. What it could not do is said in the provenance of its answers. */
export interface Variant {
  readonly language: Language;
  readonly scheme: ColourScheme;
  /** Zoom of the whole page, as a person sets it; 2 is the 200 % of WCAG 2.2, "Resize Text". */
  readonly zoom: 1 | 2;
  /** Width of the viewport before zooming, CSS px: a desktop window, or one as wide as a phone. */
  readonly width: 800 | 360;
  /** Off: what stands in `noscript` is part of the page, and no plan runs its script. */
  readonly scripts: boolean;
}

export const plainVariant: Variant = {
  language: 'en-US',
  scheme: 'light',
  zoom: 1,
  width: 800,
  scripts: true,
};

/** Height of every viewport before zooming, CSS px. */
export const viewportHeight = 600;

const languageNames: Readonly<Record<Language, string>> = {
  'en-US': 'English (US)',
  'en-GB': 'English (UK)',
  'de-DE': 'German',
  'fi-FI': 'Finnish',
  ar: 'Arabic',
};

export function languageName(language: Language): string {
  return languageNames[language];
}

/** What sets a variant apart from the plain one, in words; empty for the plain one. */
export function variantText(variant: Variant): string {
  const { language, scheme, zoom, width, scripts } = variant;
  return [
    language === plainVariant.language ? '' : languageName(language),
    scheme === 'dark' ? 'dark' : '',
    zoom === 2 ? '200 %' : '',
    width === 360 ? 'narrow' : '',
    scripts ? '' : 'scripts off',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Targets with the same of these can be asked by one browser, one after the other. */
export function launchKey({ language, scheme, zoom }: Variant): string {
  return [language, scheme, zoom].join('/');
}
