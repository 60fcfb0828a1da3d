import type { FieldKind } from '../../html/field';
import { simpleColor } from '../../standard/colors';
import type { ControlState } from '../../standard/control-state';
import { Decimal } from '../../standard/decimal';
import { type Deviations, type LimitedSteps, noDeviations, type Steps } from '../../standard/deviations';
import { isValidFloatingPointNumber } from '../../standard/floating-point-numbers';
import { hardWrapped, wrappedAsDrawn } from '../../standard/hard-wrap';
import { type PatternReading, readPattern, withEndHyphensEscaped } from '../../standard/pattern-attribute';
import { decimalText } from './decimal-text';
import { geckoColor } from './gecko-colors';

/** The last moment that ECMAScript's Date can hold, ms since 1970, and its month, counted from January 1970. */
const lastOfDate = { lastMoment: 8.64e15, lastCounted: 8.64e15, lastMonth: (275_760 - 1970) * 12 + 8 };

/** A number as Blink and WebKit read it everywhere: as strictly as a value, but for a dot before an exponent. */
function strictNumber(text: string): string | null {
  const isOne = /^-?(?:\d+(?:\.\d+|\.(?=[eE]))?|\.\d+)(?:[eE][+-]?\d+)?$/.test(text);
  return isOne && Number.isFinite(Number(text)) ? text : null;
}

/** Steps of days, weeks and months are whole; those of times are whole in ms. */
function wholeStep(kind: FieldKind, step: Decimal): Decimal {
  const one = Decimal.of(1);
  const atLeastOne = (n: Decimal) => (n.compare(one) < 0 ? one : n);
  if (kind === 'date' || kind === 'week' || kind === 'month') return atLeastOne(step.rounded());
  if (kind !== 'time' && kind !== 'datetime-local') return step;
  const thousandth = Decimal.of(1, -3);
  return atLeastOne(step.over(thousandth).rounded()).times(thousandth);
}

/** Numbers may be off by what a float of 24 bits cannot say; beyond 2^53 steps nothing is said. */
function isStepMismatchOfFloats({ kind, value, base, step }: Steps): boolean {
  const distance = value.minus(base).absolute();
  const steps = distance.over(step);
  if (steps.compare(Decimal.of(2 ** 53)) > 0) return false;
  const rest = distance.minus(step.times(steps.rounded())).absolute();
  const numeric = kind === 'number' || kind === 'range';
  const acceptable = numeric ? step.over(Decimal.of(2 ** 24)) : Decimal.zero;
  return acceptable.compare(rest) < 0 && rest.compare(step.minus(acceptable)) < 0;
}

/** The network library under WebKitGTK writes what need not be escaped in an address as itself (RFC 3986, "Unreserved Characters"). */
function withoutNeedlessEscapes(url: string): string {
  return url.replace(/%([0-9A-F]{2})/gi, (escaped, hex: string) => {
    const letter = String.fromCharCode(Number.parseInt(hex, 16));
    return /[A-Za-z0-9._~-]/.test(letter) ? letter : escaped;
  });
}

/** WebKit lets a hyphen stand at the end of a class, which the v flag forbids and the others therefore ignore the pattern for. */
function readWithLooseHyphens(pattern: string): PatternReading {
  return readPattern(withEndHyphensEscaped(pattern));
}

/** Blink takes spaces in a host, and does not decode the labels of one that is all ASCII. */
function isBlinkUrl(text: string): boolean {
  const plain = text.replace(
    /^([\0- ]*(?:https?|ftp|wss?):)([^?#]*)/i,
    (_, scheme: string, rest: string) => scheme + withPlainHost(rest),
  );
  return URL.canParse(text) || URL.canParse(plain);
}

function withPlainHost(beforeQuery: string): string {
  const spaceless = beforeQuery.replace(/ |%20|\u00a0/g, '-');
  return /^[ -~]*$/.test(spaceless) ? spaceless.replace(/xn--/gi, 'xn-') : spaceless;
}

/** Blink sends the direction of a submit button even when that was not pressed. */
function strayInBlink({ kind, attributes }: ControlState): string[] {
  return kind === 'submit' && attributes.dirname !== undefined ? [attributes.dirname] : [];
}

/** Blink sends addresses with their hosts in ASCII. */
function sentByBlink(value: string, isList: boolean): string {
  const addresses = isList ? value.split(',') : [value];
  return addresses.map(asciiAddress).join(',');
}

function asciiAddress(address: string): string {
  const at = address.lastIndexOf('@');
  const host = at < 0 ? null : hostAsLookedUp(address.slice(at + 1));
  return host === null ? address : address.slice(0, at + 1) + host;
}

/** In Blink's own monospaced font, with room for a scroll bar that is not there. */
function wrappedByBlink(text: string, columns: number): string {
  return wrappedAsDrawn(text, columns * 8 + 16, (part) => [...part].length * 8.024);
}

/** Widths in WebKitGTK's own font for text areas, 13 px Sans, from space to tilde, CSS px; asked of its canvas. */
const webkitWidths = [
  3, 4, 5, 8, 7, 11, 10, 3, 4, 4, 7, 7, 3, 4, 3, 5, 7, 7, 7, 7, 7, 7, 7, 7, 7, 7, 3, 3, 7, 7, 7, 6, 12, 8, 8,
  8, 9, 7, 7, 9, 10, 4, 4, 8, 7, 12, 10, 10, 8, 10, 8, 7, 7, 10, 8, 12, 8, 7, 7, 4, 5, 4, 7, 6, 4, 7, 8, 6, 8,
  7, 4, 8, 8, 3, 3, 7, 3, 12, 8, 8, 8, 8, 5, 6, 5, 8, 7, 10, 7, 7, 6, 5, 7, 5, 7,
];

/** Letters that the font draws as one, and that are then this much wider, CSS px; asked likewise. */
const webkitLigature = { letters: /ff?[il]|ff/g, wider: 1 };

function webkitWidth(text: string): number {
  const letters = [...text].map((letter) => webkitWidths[letter.charCodeAt(0) - 0x20] ?? 7);
  const ligatures = text.match(webkitLigature.letters)?.length ?? 0;
  return letters.reduce((sum, width) => sum + width, ligatures * webkitLigature.wider);
}

function wrappedByWebkit(text: string, columns: number): string {
  return wrappedAsDrawn(text, columns * 7, webkitWidth);
}

/** The nearest step, halves away from the step base; past a limit one step back. Where that is past the other one, the value itself. */
function nearestStepOnce(value: Decimal, { step, base, min, max }: LimitedSteps): Decimal {
  const near = base.plus(value.minus(base).over(step).rounded().times(step));
  const kept = near.compare(max) > 0 ? near.minus(step) : near.compare(min) < 0 ? near.plus(step) : near;
  return kept.compare(min) < 0 || kept.compare(max) > 0 ? value : kept;
}

/** Blink and WebKit take nothing at all for a whole step once it was written with a fraction. */
function stepsUpToOfFraction(steps: Decimal): Decimal {
  return steps.isZero() && steps.exponent < 0 ? Decimal.of(1) : noDeviations.stepsUpTo(steps);
}

const shared: Deviations = {
  ...noDeviations,
  ...lastOfDate,
  namelessRadioMayMiss: false,
  stepsBackFrom: ['no value', 'between steps'],
  stepsUpTo: stepsUpToOfFraction,
  arrowsAsScripts: false,
  sanitizeNumber: (text) => strictNumber(text) ?? '',
  numberText: strictNumber,
  rangeText: decimalText,
  nearestStep: nearestStepOnce,
  rangeKeepsText: false,
  listsKeepNewlines: false,
  plainByOwnMethod: true,
  retypesFromAttribute: true,
  sendsFromDatalist: true,
  sendsEmptyDirname: true,
  hardWrap: wrappedByBlink,
  sizeZeroIsNone: true,
  placeholderComesFirst: true,
  barredKinds: [...noDeviations.barredKinds, 'image'],
  stepOf: wholeStep,
  isStepMismatch: isStepMismatchOfFloats,
};

/** Gecko writes fractions as the others do, and whole numbers without an exponent. */
function geckoRangeText(value: Decimal): string {
  return value.exponent > 0 ? String(value.toNumber()) : decimalText(value);
}

/** Gecko reads a number that is too small for a double as zero. */
function geckoNumber(text: string): string | null {
  if (!isValidFloatingPointNumber(text)) return null;
  return Number(text) === 0 ? '0' : text;
}

/** WebKit takes a dot at the end of a number everywhere but in the value of a number field. */
function webkitNumber(text: string): string | null {
  const isOne = /^-?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?$/.test(text);
  return isOne && Number.isFinite(Number(text)) ? text : null;
}

/**
 * Gecko checks the host of an address as it would be looked up: letters of all scripts are turned into ASCII.
 * @returns null where that fails
 */
function hostAsLookedUp(host: string): string | null {
  if (hasForbidden(host)) return null;
  if (!/[^a-z0-9.-]|xn--/i.test(host)) return host;
  return URL.canParse(`ftp://${host}`) ? new URL(`ftp://${host}`).hostname : null;
}

/** ASCII characters that no host name has. */
function hasForbidden(host: string): boolean {
  return /[!-,/:-@[-`{-~\s]/.test(host);
}

/** Gecko reads what follows view-source: too, leaves hosts of files alone, and forbids a few more characters in others. */
function isGeckoUrl(text: string): boolean {
  const [, scheme = '', rest = ''] = /^\s*([a-z][a-z0-9+.-]*):([\s\S]*)$/i.exec(text) ?? [];
  switch (scheme.toLowerCase()) {
    case 'view-source':
      return isGeckoUrl(rest);
    case 'file':
      return true;
    case 'http':
    case 'https':
    case 'ftp':
    case 'ws':
    case 'wss': {
      const host = /^[/\\]*([^/?#\\]*)/.exec(rest)?.[1] ?? '';
      return URL.canParse(text) && !/[*"]|^0x$/i.test(host);
    }
    default:
      return URL.canParse(text);
  }
}

function isGeckoEmail(text: string): boolean {
  const at = text.lastIndexOf('@');
  const host = at < 0 ? null : hostAsLookedUp(text.slice(at + 1));
  return host !== null && noDeviations.isEmailAddress(text.slice(0, at + 1) + host);
}

function isUnreadableInGecko(text: string): boolean {
  const at = text.lastIndexOf('@');
  const host = text.slice(at + 1);
  return at >= 0 && !hasForbidden(host) && host.split('.').some((label) => label.length > 63);
}

const blinkColors = systemColors('#767676', '#efefef', '#808080', {
  activetext: '#ff0000',
  highlight: '#0041c6',
  highlighttext: '#ffffff',
  selecteditem: '#1967d2',
  selecteditemtext: '#ffffff',
});
const geckoColors = systemColors('#8f8f9d', '#e9e9ed', '#6d6d6d', {
  activetext: '#ee0000',
  highlight: '#3584e4',
  highlighttext: '#ffffff',
  selecteditem: '#3584e4',
  selecteditemtext: '#ffffff',
  accentcolor: '#3584e4',
  accentcolortext: '#ffffff',
});

/** CSS Color Module, "System Colors" and the deprecated ones, as asked of the engines in their light scheme. */
function systemColors(
  border: string,
  face: string,
  gray: string,
  own: Record<string, string>,
): Record<string, string> {
  const names = {
    [border]:
      'buttonborder activeborder inactiveborder threeddarkshadow threedhighlight threedlightshadow threedshadow windowframe',
    [face]: 'buttonface buttonhighlight buttonshadow threedface',
    [gray]: 'graytext inactivecaptiontext',
    '#ffffff':
      'canvas field activecaption appworkspace background inactivecaption infobackground menu scrollbar window',
    '#000000': 'buttontext canvastext fieldtext marktext captiontext infotext menutext windowtext',
    '#0000ee': 'linktext',
    '#551a8b': 'visitedtext',
    '#ffff00': 'mark',
  };
  const all = Object.entries(names).flatMap(([color, list]) => list.split(' ').map((name) => [name, color]));
  return { ...Object.fromEntries(all), ...own };
}

/** What the engines do instead of what the standard says, by the name of the engine. */
export const engineDeviations: Readonly<Record<'chromium' | 'firefox' | 'webkit', Deviations>> = {
  chromium: {
    ...shared,
    strayDirections: strayInBlink,
    sentEmail: sentByBlink,
    isUrl: isBlinkUrl,
    simpleColor: (text) => simpleColor(text, blinkColors),
  },
  firefox: {
    ...shared,
    unknownKinds: ['month', 'week'],
    barredKinds: noDeviations.barredKinds,
    // The end of the year in which Date ends.
    lastMoment: 8_640_009_331_200_000,
    lastCounted: lastOfDate.lastMoment,
    sanitizeNumber: noDeviations.sanitizeNumber,
    placeholderComesFirst: false,
    nearestStep: noDeviations.nearestStep,
    numberText: geckoNumber,
    rangeText: geckoRangeText,
    rangeKeepsText: true,
    reversedRangeOverflows: true,
    isStepMismatch: ({ value, base, step }) => !value.minus(base).modulo(step).isZero(),
    simpleColor: (text, space) => geckoColor(text, space, geckoColors),
    patternReadsLists: true,
    plainByOwnMethod: false,
    sendsEmptyDirname: false,
    stepsBackFrom: ['no value'],
    stepsEndAtMidnight: false,
    stepsUpTo: noDeviations.stepsUpTo,
    arrowsAsScripts: true,
    parsedNumber: (text) => (/^-?\d+\.(?:e\+?\d+)?$/i.test(text) ? String(Number(text)) : text),
    hardWrap: hardWrapped,
    isUrl: isGeckoUrl,
    isEmailAddress: isGeckoEmail,
    isUnreadableEmail: isUnreadableInGecko,
  },
  webkit: {
    ...shared,
    numberText: webkitNumber,
    sentUrl: withoutNeedlessEscapes,
    plainQueryEndsAtHash: true,
    hardWrap: wrappedByWebkit,
    startsOnDisabled: true,
    stepsBackFrom: ['between steps'],
    arrowsReachLimits: true,
    readPattern: readWithLooseHyphens,
    simpleColor: (text) => (/^#[0-9a-f]{6}$/i.test(text) ? text.toLowerCase() : null),
  },
};
