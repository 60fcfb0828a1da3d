import { dead, type Table, tableOf } from './table';

const digits = '0123456789';
const plus = '+';
const minuses = '-\u2212';
const separators = '.,';
const symbols = [...plus, ...minuses, ...separators, ...digits];

/** A limit as digits: the number written out in full, without its sign. */
interface Size {
  readonly whole: string;
  readonly fraction: string;
}

function sizeOf(limit: number): Size {
  const [whole = '0', fraction = ''] = Math.abs(limit)
    .toLocaleString('en-US', {
      useGrouping: false,
      maximumFractionDigits: 20,
      maximumSignificantDigits: 21,
    })
    .split('.');
  return { whole: whole.replace(/^0+/, ''), fraction };
}

type Order = -1 | 0 | 1;

/** How far a number was read, and how its digits so far compare with those of a limit. */
interface Read {
  readonly sign: '' | '+' | '-';
  /** Digits before the separator without leading zeros, at most one more than a limit has. */
  readonly length: number;
  readonly hasDigits: boolean;
  /** All digits so far are zeros. */
  readonly isZero: boolean;
  readonly fraction: number | null;
  readonly orders: readonly Order[];
}

/**
 * The numbers between two limits, both included, as texts: a sign, digits, a dot or a comma, digits. A sign or a separator alone
 * is no number; nothing at all is one that may be left out.
 *
 * @param min null: none
 */
export function rangeTable(min: number | null, max: number | null): Table {
  const limits = [min, max].flatMap((limit) => (limit === null ? [] : [limit]));
  const sizes = limits.map(sizeOf);
  const longest = Math.max(1, ...sizes.map(({ whole }) => whole.length)) + 1;
  const deepest = Math.max(1, ...sizes.map(({ fraction }) => fraction.length));
  const start: Read = {
    sign: '',
    length: 0,
    hasDigits: false,
    isZero: true,
    fraction: null,
    orders: sizes.map(() => 0),
  };

  const digit = (read: Read, one: string): Read => {
    const isZero = read.isZero && one === '0';
    if (read.fraction === null) {
      const leads = read.length === 0 && one === '0';
      const length = leads ? 0 : Math.min(longest, read.length + 1);
      const orders = read.orders.map((order, index) =>
        order !== 0 || leads ? order : compared(one, sizes[index]?.whole[read.length]),
      );
      return { ...read, hasDigits: true, isZero, length, orders };
    }
    const place = read.fraction;
    const orders = read.orders.map((order, index) =>
      order !== 0 || lengthOrder(read, sizes[index] as Size) !== 0
        ? order
        : compared(one, sizes[index]?.fraction[place] ?? '0'),
    );
    return { ...read, hasDigits: true, isZero, fraction: Math.min(deepest, place + 1), orders };
  };
  const after = (read: Read, one: string): Read | null => {
    const isFirst = read.sign === '' && !read.hasDigits && read.fraction === null;
    if (digits.includes(one)) return digit(read, one);
    if (separators.includes(one)) return read.fraction === null ? { ...read, fraction: 0 } : null;
    if (!isFirst) return null;
    return { ...read, sign: one === plus ? '+' : '-' };
  };
  const isIn = (read: Read): boolean => {
    if (!read.hasDigits) return read === start;
    const order = (index: number): Order => {
      const size = sizes[index] as Size;
      const bySize = lengthOrder(read, size) || (read.orders[index] as Order) || fractionLeft(read, size);
      return bySize as Order;
    };
    const isNegative = read.sign === '-';
    return limits.every((limit, index) => {
      const isMin = min !== null && index === 0;
      // The size of the number against that of the limit; the signs say what that means.
      const bySize = order(index);
      const value = read.isZero ? 0 : isNegative ? -1 : 1;
      const sign = Math.sign(limit);
      const bySign =
        value !== sign ? Math.sign(value - sign) : value === 0 ? 0 : value > 0 ? bySize : -bySize;
      return isMin ? bySign >= 0 : bySign <= 0;
    });
  };
  return drawn(start, after, isIn);
}

/** How many digits there are before the separator, against a limit: more digits make a larger number. */
function lengthOrder({ length }: Read, { whole }: Size): Order {
  return Math.sign(length - whole.length) as Order;
}

/** All digits so far are those of the limit: it is larger where some of its own are still to come. */
function fractionLeft({ fraction }: Read, size: Size): Order {
  return /[1-9]/.test(size.fraction.slice(fraction ?? 0)) ? -1 : 0;
}

function compared(one: string, other: string | undefined): Order {
  if (other === undefined) return 1;
  return one === other ? 0 : one < other ? -1 : 1;
}

/** Walks from the first state by every symbol; what is no symbol leads nowhere. */
function drawn<State>(
  first: State,
  after: (state: State, symbol: string) => State | null,
  isAccepted: (state: State) => boolean,
): Table {
  const codes = symbols.map((symbol) => symbol.charCodeAt(0));
  const bounds = [...new Set([0, ...codes, ...codes.map((code) => code + 1)])].sort((a, b) => a - b);
  const numbers = new Map([[JSON.stringify(first), 0]]);
  const states: State[] = [first];
  const next: number[][] = [];
  for (const state of states)
    next.push(
      bounds.map((bound) => {
        if (!codes.includes(bound)) return dead;
        const to = after(state, String.fromCharCode(bound));
        if (to === null) return dead;
        const key = JSON.stringify(to);
        const known = numbers.get(key);
        if (known !== undefined) return known;
        numbers.set(key, states.length);
        return states.push(to) - 1;
      }),
    );
  return tableOf({ bounds, next, accepts: states.map(isAccepted), start: 0 });
}
