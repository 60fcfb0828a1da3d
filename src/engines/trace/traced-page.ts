import type { EnginePage } from '../api/engine';
import type { Trace } from './trace';

/** The same page, each of whose commands is taken down with the time that it took; those to its window too. */
export function tracedPage(page: EnginePage, target: string, trace: Trace): EnginePage {
  return timed(page, '', (name, begin) =>
    trace({ target, name, kind: 'command', begin, end: performance.now() }),
  );
}

/** @param prefix of the names of its methods */
function timed<Owner extends object>(
  owner: Owner,
  prefix: string,
  tell: (name: string, begin: number) => void,
): Owner {
  return new Proxy(owner, {
    get(_, name) {
      const member: unknown = Reflect.get(owner, name, owner);
      if (typeof member !== 'function' || name === 'stopwatch') return member;
      return (...given: unknown[]) => {
        const begin = performance.now();
        const result: unknown = member.apply(owner, given);
        if (!(result instanceof Promise)) return result;
        const called = name === 'probe' ? String(given[0]) : String(name);
        return result
          .then((answer: unknown) => (isWindow(answer) ? timed(answer, 'window ', tell) : answer))
          .finally(() => tell(`${prefix}${called}`, begin));
      };
    },
  });
}

function isWindow(answer: unknown): answer is object {
  return typeof answer === 'object' && answer !== null && 'appearing' in answer;
}
