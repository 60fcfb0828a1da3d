import type { Sides } from './sides';

/** Whether the words of the title are in the bubble, or in the message. */
export type TitleDifference = Sides<'title', boolean> & { readonly of: 'bubble' | 'message' };

export function titleDifferences(
  of: 'bubble' | 'message',
  there: boolean | null,
  here: boolean | null,
): TitleDifference[] {
  return there === null || here === null || there === here ? [] : [{ what: 'title', of, here, there }];
}
