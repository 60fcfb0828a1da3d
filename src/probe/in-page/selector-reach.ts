/** How far the state of one element reaches through the selectors of a page's styles. */
export interface SelectorReach {
  /** An element may look otherwise because of what stands beside it, or how many do (Selectors, "Combinators", "Tree-Structural pseudo-classes"). */
  readonly besides: boolean;
  /** An element may look otherwise because of any other in the page. */
  readonly everywhere: boolean;
}

const beside = /[+~]|:(?:nth|first|last|only|empty)/;
const throughout = /:(?:has|target|host|defined|indeterminate|default)|\|\|/;
/** A form and a fieldset are valid as long as what is in them is (HTML Standard, "Pseudo-classes", :valid and :invalid). */
const validity = /([^\s>+~,(]*):(?:in)?valid(?![-\w])/g;
const ofOneControl = /^(?:input|select|textarea|button|output)(?![-\w])/;

/** @param selectors those of all rules of the page */
export function selectorReach(selectors: readonly string[]): SelectorReach {
  const bare = selectors.map((one) => one.replace(/\[[^\]]*\]/g, '').replace(/(["']).*?\1/g, ''));
  return {
    besides: bare.some((one) => beside.test(one)),
    everywhere: bare.some((one) => throughout.test(one) || isOfForms(one)),
  };
}

function isOfForms(selector: string): boolean {
  return [...selector.matchAll(validity)].some(([, compound = '']) => !ofOneControl.test(compound));
}
