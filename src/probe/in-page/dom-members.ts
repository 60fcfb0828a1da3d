/**
 * A form's fields hide its members of the same name: with a field called `getAttribute`, `form.getAttribute` is that field (HTML Standard,
 * "The form element": its named properties override those of the DOM). Forms and pictures do the same to the document ("Named access on
 * the Document object").
 *
 * @returns an object with the members that the DOM itself gives a form or a document, to be read, called and set; what is neither is given
 *   back as it is. The DOM takes no such object as an argument: hand it the element.
 */
export function domMembers<Owner extends object>(owner: Owner): Owner {
  const hides = owner instanceof HTMLFormElement || owner instanceof Document;
  return hides ? new Proxy<Owner>(owner, ofTheDom) : owner;
}

const ofTheDom = {
  get(owner: object, name: string | symbol): unknown {
    const member: unknown = Reflect.get(Object.getPrototypeOf(owner), name, owner);
    return typeof member === 'function' ? member.bind(owner) : member;
  },
  set: (owner: object, name: string | symbol, value: unknown) =>
    Reflect.set(Object.getPrototypeOf(owner), name, value, owner),
};
