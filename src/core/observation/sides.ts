/** What is not the same on two sides that are compared: `here` it is so, `there`, in what it is compared with, it is not. */
export interface Sides<What extends string, Value> {
  readonly what: What;
  readonly here: Value;
  readonly there: Value;
}
