/** The same function, which gives the very same result again as long as it is asked for the same. */
export function lastResult<Parameters extends readonly unknown[], Result>(
  make: (...parameters: Parameters) => Result,
): (...parameters: Parameters) => Result {
  let last: { readonly parameters: Parameters; readonly result: Result } | null = null;
  return (...parameters) => {
    const isSame = last?.parameters.every((one, at) => Object.is(one, parameters[at]));
    if (!last || !isSame) last = { parameters, result: make(...parameters) };
    return last.result;
  };
}
