/** Three groups of one letter each, apart by one sign: “DD.MM.YYYY”, “TT.MM.JJJJ”, “jj/mm/aa”. */
const format = /(?<![\p{L}\p{N}])(\p{L})\1{0,3}([./\- ])(\p{L})\3{0,3}\2(\p{L})\4{0,3}(?![\p{L}\p{N}])/giu;

/** A format of a date as forms show it, and a date written in it, whichever of its groups is the day. */
export interface DateFormat {
  readonly format: string;
  readonly example: string;
}

/** The first format of a date in a text, in whatever language its letters are; null where there is none. */
export function dateFormatIn(text: string): DateFormat | null {
  for (const [found, , sign = ''] of text.matchAll(format)) {
    const groups = found.split(sign);
    const letters = new Set(groups.map(([letter = '']) => letter.toLowerCase()));
    if (letters.size === 3 && isDate(groups.map(({ length }) => length)))
      return { format: found, example: groups.map(asWritten).join(sign) };
  }
  return null;
}

/** Day and month of one letter or two, and a year of four; or each of two. UTF-16 code units, one a letter. */
function isDate(lengths: readonly number[]): boolean {
  const short = lengths.filter((length) => length <= 2).length;
  return lengths.includes(4) ? short === 2 : lengths.every((length) => length === 2);
}

const asWritten = ({ length }: string) => (length === 4 ? '2011' : '11');
