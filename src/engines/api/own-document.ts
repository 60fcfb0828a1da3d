/**
 * How a script in a page under test reaches the document as the DOM made it, as an expression: pictures and forms of the page may have
 * the names of its members and hide them (HTML Standard, "Named access on the Document object"). The probe has `domMembers` for this.
 */
export const ownDocument =
  "new Proxy(document, { get: (page, name) => { const own = Reflect.get(Object.getPrototypeOf(page), name, page); return typeof own === 'function' ? own.bind(page) : own; } })";
