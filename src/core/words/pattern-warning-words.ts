import type { PatternWarning } from '../pattern/pattern-warnings';

/** What a pattern probably does not mean to say, in one or two sentences. */
export function patternWarningWords(warning: PatternWarning): string {
  switch (warning.sort) {
    case 'is ignored':
      return warning.reason === null
        ? 'A hyphen is not escaped as the v flag requires: most browsers ignore the whole pattern and accept everything, others apply it.'
        : `It does not compile, so browsers ignore it and accept everything: ${warning.reason}`;
    case 'accepts nothing':
      return 'No text matches it, so nothing that is entered can be submitted.';
    case 'accepts no text':
      return 'It also matches an empty text. Browsers never check an empty field against its pattern: add “required” where it must be filled in.';
    case 'never matches':
      return `“${warning.source}” never matches${warning.isAnchored ? ', because an anchor is in the middle of it' : ''}.`;
    case 'anchors bind one alternative':
      return 'An anchor applies to its own alternative only: the others match anywhere in the text.';
    case 'dot takes anything':
      return 'A dot that is not escaped matches any character.';
    case 'A to z':
      return 'A range from a capital to a small letter also contains [ \\ ] ^ _ `.';
    case 'digits of other scripts':
      return 'It accepts the digits of every script, which most servers do not read as numbers.';
  }
}
