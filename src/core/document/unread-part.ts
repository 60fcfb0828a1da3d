import { array, mixed, object, string } from 'yup';

/**
 * What a part of a page is into which a person can enter something, though no control is there that could be read: *editable* content, a
 * *widget* by its role, a *frame* with a page of its own, a custom *element* that takes part in the form and shows no control inside.
 */
export const unreadSorts = ['editable', 'widget', 'frame', 'element'] as const;
export type UnreadSort = (typeof unreadSorts)[number];

export interface UnreadPart {
  readonly sort: UnreadSort;
  /** What it is called; empty where it is called nothing. */
  readonly label: string;
}

export const unreadPartsSchema = array(
  object({
    sort: mixed<UnreadSort>()
      .oneOf([...unreadSorts])
      .required(),
    label: string().strict().defined().max(200),
  })
    .strict()
    .noUnknown()
    .required(),
)
  .strict()
  .max(200);
