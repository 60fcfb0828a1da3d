/**
 * A JavaScript function that calls back once what was changed last is on the screen: after two frames, or after a while
 * where frames do not come. On a busy machine a picture else shows what was there before.
 */
export const afterPaint = `(done) => {
  const late = setTimeout(done, 400);
  requestAnimationFrame(() => requestAnimationFrame(() => { clearTimeout(late); done(); }));
}`;
