import type { AST } from '@eslint-community/regexpp';
import { syntaxOf } from '../regexp/syntax';

/**
 * A pattern for the beginnings of what another matches, written from its own parts, so that it can be read beside it. Null
 * where it looks ahead or back, or refers back. Whether it says just that is for its table to tell.
 */
export function lenientSource(source: string): string | null {
  if (source.length > longest) return null;
  try {
    return anyOf(syntaxOf(source));
  } catch {
    return null;
  }
}

/** Longer patterns are not read beside what is written of them, UTF-16 code units. */
const longest = 2000;

class NotFollowed extends Error {}

function anyOf(alternatives: readonly AST.Alternative[]): string {
  return alternatives.map(({ elements }) => row(elements)).join('|');
}

/** The beginnings of a row: those of its first part, or all of it and the beginnings of the rest. */
function row(elements: readonly AST.Element[]): string {
  const [first, ...rest] = elements;
  if (!first) return '';
  if (rest.length === 0) return partOf(first);
  const behind = row(rest);
  if (isOne(first)) return `(?:${first.raw}${grouped(behind)})?`;
  if (first.type === 'Quantifier' && isOne(first.element) && first.min === 0 && first.max === Infinity)
    return `${first.raw}${grouped(behind)}`;
  return `${partOf(first)}|${first.raw}${grouped(behind)}`;
}

/** Alternatives hold less tightly than what stands before them. */
function grouped(text: string): string {
  return text.includes('|') && !isWhole(text) ? `(?:${text})` : text;
}

/** One group, optional or not. */
function isWhole(text: string): boolean {
  if (!text.startsWith('(?:')) return false;
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '\\') at++;
    else if (text[at] === '(') depth++;
    else if (text[at] === ')' && --depth === 0) return at >= text.length - 2;
  }
  return false;
}

function partOf(element: AST.Element): string {
  if (isOne(element)) return `${element.raw}?`;
  switch (element.type) {
    case 'Group':
    case 'CapturingGroup':
      return anyOf(element.alternatives);
    case 'Quantifier':
      return repeated(element);
    default:
      throw new NotFollowed(element.raw);
  }
}

function repeated({ element, max }: AST.Quantifier): string {
  if (max === 0) return '';
  const most = max === Infinity ? '' : `${max}`;
  if (isOne(element)) {
    if (max === Infinity) return `${element.raw}*`;
    return max === 1 ? `${element.raw}?` : `${element.raw}{0,${most}}`;
  }
  const inner = grouped(partOf(element));
  if (max === 1) return partOf(element);
  const before = max === Infinity ? `${element.raw}*` : `${element.raw}{0,${max - 1}}`;
  return `${before}${inner}`;
}

/** What takes exactly one character. */
function isOne(element: AST.Element | AST.QuantifiableElement): boolean {
  return (
    element.type === 'Character' ||
    (element.type === 'CharacterSet' && !(element.kind === 'property' && element.strings)) ||
    (element.type === 'CharacterClass' && !element.raw.includes('\\q{'))
  );
}
