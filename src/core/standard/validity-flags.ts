/** The members of ValidityState, in the standard's order (HTML Standard, "The constraint validation API"). */
export const validityFlags = [
  'valueMissing',
  'typeMismatch',
  'patternMismatch',
  'tooLong',
  'tooShort',
  'rangeUnderflow',
  'rangeOverflow',
  'stepMismatch',
  'badInput',
  'customError',
] as const;
export type ValidityFlag = (typeof validityFlags)[number];
