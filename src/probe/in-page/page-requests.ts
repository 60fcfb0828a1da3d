/** Methods that change nothing on a server (RFC 9110, "Safe Methods"), as far as pages use them. */
export const isHarmless = (method: string) => /^(?:GET|HEAD|OPTIONS)$/i.test(method);

/** From now on tells with which method and address an `XMLHttpRequest` was opened. */
export function openedRequests(): (
  request: XMLHttpRequest,
) => { readonly method: string; readonly address: string } | undefined {
  const opened = new WeakMap<XMLHttpRequest, { method: string; address: string }>();
  const { open } = XMLHttpRequest.prototype;
  XMLHttpRequest.prototype.open = function (this: XMLHttpRequest, ...parameters: unknown[]) {
    opened.set(this, { method: String(parameters[0]), address: String(parameters[1]) });
    return Reflect.apply(open, this, parameters);
  };
  return (request) => opened.get(request);
}
