/**
 * npm run bench -- patterns: what a verdict by table costs against one RegExp.test of the same text, and how long it takes from
 * a pattern to its table, Ukko's own and refa's. Ratios within this one run; ms depend on the machine.
 */
import { DFA, JS, NFA } from 'refa';
import { patternTable } from '@/core/pattern/pattern-table';
import { dead, stateCount, step, type Table } from '@/core/pattern/table';
import { typicalTexts } from '@/core/pattern/texts';

const local = "[a-zA-Z0-9.!#$%&'*+\\/=?^_`\\{\\|\\}~\\-]+";
const label = '[a-zA-Z0-9](?:[a-zA-Z0-9\\-]{0,61}[a-zA-Z0-9])?';
const typical = {
  'station code': '[A-Z]{3}-[0-9]{2}',
  'gauge serial': '[A-Z0-9]{3}-[0-9]{4}-[A-Z]{2}',
  phone: '[+0-9][0-9 ]{5,18}',
  'a person’s name': "\\p{L}[\\p{L}\\p{M} ’'.\\-]{0,60}",
  date: '(?:0[1-9]|[12]\\d|3[01])\\.(?:0[1-9]|1[0-2])\\.(?:19|20)\\d{2}',
  passphrase: '(?=.*[A-Z])(?=.*[a-z])(?=.*\\d).{8,64}',
};
const octet = '(?:25[0-5]|2[0-4]\\d|1\\d\\d|[1-9]?\\d)';
const hard = {
  'e-mail address with hosts, quotes and number addresses': `(?:${local}|"(?:[^"\\\\\\r\\n]|\\\\.){0,62}")@(?:${label}(?:\\.${label}){0,8}|\\[${octet}(?:\\.${octet}){3}\\])`,
};

/** The middle of several runs, each of a pattern that is new to the caches. */
function middle(runs: number, run: (turn: number) => void): number {
  const times = Array.from({ length: runs }, (_, turn) => {
    const begin = performance.now();
    run(turn);
    return performance.now() - begin;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? 0;
}

function own(source: string): Table {
  const found = patternTable({ source, match: 'whole' });
  if (found.status !== 'known') throw new Error(`${source}: ${JSON.stringify(found)}`);
  return found.table;
}

function byRefa(source: string): void {
  const { expression } = JS.Parser.fromLiteral({ source, flags: 'v' }).parse({ assertions: 'throw' });
  const nfa = NFA.fromRegex(expression, { maxCharacter: 0x10ffff }, {}, new NFA.LimitedNodeFactory(100_000));
  DFA.fromFA(nfa, new DFA.LimitedNodeFactory(100_000)).minimize();
}

/** Another pattern of the same meaning for each turn, so that nothing kept from the last turn is used. */
const anew = (source: string, turn: number) => `(?:${source})${'(?:)'.repeat(turn % 50)}`;

console.log('From pattern to table, ms in the middle of 15 runs: Ukko’s own, refa’s');
for (const [name, source] of Object.entries({ ...typical, ...hard })) {
  for (let turn = 0; turn < 5; turn++) own(anew(source, 49 - turn));
  const ours = middle(15, (turn) => void own(anew(source, turn)));
  let theirs = 'cannot look ahead';
  try {
    theirs = `${middle(15, (turn) => byRefa(anew(source, turn))).toFixed(1)} ms`;
  } catch {}
  console.log(`  ${name}: ${ours.toFixed(1)} ms, ${theirs}; ${stateCount(own(source))} states`);
}

console.log(
  'Verdict after each stroke by table against RegExp.test of the same text, ratio (goal at most 1)',
);
for (const [name, source] of Object.entries({ ...typical, ...hard })) {
  const table = own(source);
  const expression = new RegExp(`^(?:${source})$`, 'v');
  const accepted = typicalTexts(table, 8);
  // As they are, and with a character that does not belong.
  const texts = accepted.flatMap((text) => [text, `${text.slice(0, 3)}\u00a7${text.slice(3)}`]);
  const typed = texts.map((text) =>
    Array.from(text, (one, at) => ({
      code: one.codePointAt(0) ?? 0,
      so: Array.from(text)
        .slice(0, at + 1)
        .join(''),
    })),
  );
  let count = 0;
  const byTable = () => {
    for (const strokes of typed) {
      let state = table.start;
      for (const { code } of strokes) {
        state = step(table, state, code);
        if (state !== dead && table.accepts[state] === 1) count++;
      }
    }
  };
  const byEngine = () => {
    for (const strokes of typed) for (const { so } of strokes) if (expression.test(so)) count--;
  };
  const timed = (run: () => void) => {
    const begin = performance.now();
    for (let time = 0; time < 5000; time++) run();
    return performance.now() - begin;
  };
  const ratios = [0, 1, 2, 3, 4].map(() => timed(byTable) / timed(byEngine)).sort((a, b) => a - b);
  if (count !== 0) throw new Error('The two do not say the same.');
  console.log(`  ${name}: ${ratios[2]?.toFixed(2)} (${texts.length} texts)`);
}
