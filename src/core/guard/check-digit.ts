import type { CheckDigitGuard } from './guard';

/** Digits and letters without the spaces and hyphens between them. */
function bare(text: string): string {
  return text.replace(/[\s-]/g, '').toUpperCase();
}

/** Every second digit from the right doubled, the digits of all added: a multiple of ten. */
function holdsMod10(digits: string): boolean {
  if (!/^\d{2,}$/.test(digits)) return false;
  const sum = Array.from(digits, Number)
    .reverse()
    .map((digit, place) => (place % 2 === 0 ? digit : digit * 2 > 9 ? digit * 2 - 9 : digit * 2))
    .reduce((all, one) => all + one, 0);
  return sum % 10 === 0;
}

/** Nine digits weighted from ten to two, and a tenth that may be X for ten: a multiple of eleven. */
function holdsMod11(digits: string): boolean {
  if (!/^\d{9}[\dX]$/.test(digits)) return false;
  const sum = Array.from(digits, (one) => (one === 'X' ? 10 : Number(one)))
    .map((digit, place) => digit * (10 - place))
    .reduce((all, one) => all + one, 0);
  return sum % 11 === 0;
}

/** The first four moved to the end, letters as numbers from ten on: one more than a multiple of 97. */
function holdsMod97(text: string): boolean {
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{4,}$/.test(text)) return false;
  let rest = 0;
  for (const one of text.slice(4) + text.slice(0, 4))
    for (const digit of /\d/.test(one) ? one : String(one.charCodeAt(0) - 55))
      rest = (rest * 10 + Number(digit)) % 97;
  return rest === 1;
}

/** True when the check digits fit the others; spaces and hyphens do not count. */
export function holdsCheck(text: string, method: CheckDigitGuard['method']): boolean {
  switch (method) {
    case 'mod 10':
      return holdsMod10(bare(text));
    case 'mod 11':
      return holdsMod11(bare(text));
    case 'mod 97':
      return holdsMod97(bare(text));
  }
}

/** True when a text may be the beginning of one whose check digits fit. */
export function mayBecomeChecked(text: string, method: CheckDigitGuard['method']): boolean {
  switch (method) {
    case 'mod 10':
      return /^\d*$/.test(bare(text));
    case 'mod 11':
      return /^\d{0,9}$/.test(bare(text)) || holdsMod11(bare(text));
    case 'mod 97':
      return /^(?:[A-Z]{0,2}|[A-Z]{2}\d{1,2}|[A-Z]{2}\d{2}[A-Z0-9]+)$/.test(bare(text));
  }
}
