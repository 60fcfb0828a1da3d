import { GaveUp } from './budget';
import type { Instruction, Program } from './program';

/** What became of a text, and what it took. */
export interface Matching {
  /** Null: given up after so many steps. */
  readonly matches: boolean | null;
  /** Characters that were held against a piece of the pattern. */
  readonly steps: number;
  /** Instructions that were followed: what it takes here. */
  readonly work: number;
}

export interface MachineLimits {
  /** Characters that may be held against a piece of the pattern before it is given up. */
  readonly most: number;
  /**
   * Whether it remembers from where it got nowhere, and does not try that again: then it takes steps in proportion to pattern × text
   * where nothing refers back. Engines remember nothing, and to count their steps it must not either.
   */
  readonly remembers: boolean;
}

/** Instructions for each character that may be held against a piece of the pattern. */
const instructionsPerStep = 6;

/** Instructions that a counted round stands for: it makes two ways, each with a memory of its own. */
const workOfRound = 5;

const tooMany = 'too many steps';

/** Runs a program over a text (ECMAScript, "Pattern semantics"). @param match whether the match must begin where the text does */
export function runProgram(
  program: Program,
  match: 'whole' | 'part',
  text: string,
  limits: MachineLimits,
): Matching {
  const machine = new Machine(program.instructions, [...text], limits);
  const start = {
    counts: zeros(program.loops),
    begins: nowhere(program.loops),
    groups: nowhere(2 * program.groups),
  };
  const last = match === 'whole' ? 0 : machine.letters.length;
  try {
    for (let place = 0; place <= last; place++) if (machine.from(0, place, start)) return machine.told(true);
    return machine.told(false);
  } catch (error) {
    if (error instanceof GaveUp) return machine.told(null);
    throw error;
  }
}

const zeros = (length: number): readonly number[] => new Array<number>(length).fill(0);
const nowhere = (length: number): readonly number[] => new Array<number>(length).fill(-1);

/** What a way through the program knows besides its place. Never changed: ways that part share it. */
interface Memory {
  /** By loop, rounds begun. */
  readonly counts: readonly number[];
  /** By loop, where its last round began. */
  readonly begins: readonly number[];
  /** By group, where what it took begins and ends; −1: it took nothing. */
  readonly groups: readonly number[];
}

interface Way {
  readonly at: number;
  readonly place: number;
  readonly memory: Memory;
}

const replaced = (list: readonly number[], index: number, value: number) => list.with(index, value);

class Machine {
  private steps = 0;
  private work = 0;
  /** Where ways parted already, each with what it knew: none of them led on, or all would be over. */
  private tried = new Set<string | number>();
  private readonly looked = new Map<string | number, Memory | null>();

  constructor(
    private readonly instructions: readonly Instruction[],
    readonly letters: readonly string[],
    private readonly limits: MachineLimits,
  ) {}

  told(matches: boolean | null): Matching {
    return { matches, steps: this.steps, work: this.work };
  }

  /** What is known where the program matched; null where it does not. */
  from(at: number, place: number, memory: Memory): Memory | null {
    const waiting: Way[] = [{ at, place, memory }];
    for (let way = waiting.pop(); way; way = waiting.pop()) {
      const end = this.follow(way, waiting);
      if (end) return end;
    }
    return null;
  }

  /** Follows one way until it ends; ways that part from it wait, the first to be tried last. */
  private follow({ at, place, memory }: Way, waiting: Way[]): Memory | null {
    for (;;) {
      if (++this.work > this.limits.most * instructionsPerStep) throw new GaveUp(tooMany);
      const instruction = this.instructions[at] as Instruction;
      switch (instruction.does) {
        case 'match':
          return memory;
        case 'take': {
          if (++this.steps > this.limits.most) throw new GaveUp(tooMany);
          const letter = this.letters[instruction.back ? place - 1 : place];
          if (letter === undefined || !instruction.is(letter)) return null;
          place += instruction.back ? -1 : 1;
          at++;
          break;
        }
        case 'take text': {
          // The longest first: it waits last.
          for (let length = 0; length <= instruction.longest; length++) {
            const from = instruction.back ? place - length : place;
            if (from < 0 || from + length > this.letters.length) break;
            if (++this.steps > this.limits.most) throw new GaveUp(tooMany);
            if (instruction.is(this.letters.slice(from, from + length).join('')))
              waiting.push({ at: at + 1, place: instruction.back ? from : from + length, memory });
          }
          return null;
        }
        case 'take again': {
          const taken = this.takenBy(instruction.groups, memory);
          const from = instruction.back ? place - taken.length : place;
          const here = this.letters.slice(Math.max(from, 0), from + taken.length);
          this.steps += taken.length;
          if (this.steps > this.limits.most) throw new GaveUp(tooMany);
          if (from < 0 || !instruction.same(taken.join(''), here.join(''))) return null;
          place = instruction.back ? from : from + taken.length;
          at++;
          break;
        }
        case 'place':
          if (!instruction.is(this.letters[place - 1], this.letters[place])) return null;
          at++;
          break;
        case 'jump':
          at = instruction.to;
          break;
        case 'fork':
          if (this.isTried(at, place, memory)) return null;
          waiting.push({ at: instruction.second, place, memory });
          at = instruction.first;
          break;
        case 'look': {
          const seen = this.look(at, place, memory);
          if ((seen !== null) === instruction.negate) return null;
          if (seen) memory = { ...memory, groups: seen.groups };
          at = instruction.to;
          break;
        }
        case 'mark':
          memory = { ...memory, groups: replaced(memory.groups, instruction.slot, place) };
          at++;
          break;
        case 'forget': {
          let { groups } = memory;
          for (const group of instruction.groups)
            groups = replaced(replaced(groups, 2 * group, -1), 2 * group + 1, -1);
          memory = { ...memory, groups };
          at++;
          break;
        }
        case 'enter':
          memory = {
            ...memory,
            counts: replaced(memory.counts, instruction.loop, 0),
            begins: replaced(memory.begins, instruction.loop, -1),
          };
          at++;
          break;
        case 'round': {
          this.work += workOfRound;
          const { loop, min, max, greedy, body, to } = instruction;
          const count = memory.counts[loop] as number;
          // What took nothing is not tried again (ECMAScript, "RepeatMatcher").
          if (count > min && memory.begins[loop] === place) return null;
          if (this.isTried(at, place, memory)) return null;
          // Beyond what has to come, rounds are told apart only where they have an end.
          const next = max === Number.POSITIVE_INFINITY ? Math.min(count + 1, min + 1) : count + 1;
          const more: Way = {
            at: body,
            place,
            memory: {
              ...memory,
              counts: replaced(memory.counts, loop, next),
              begins: replaced(memory.begins, loop, place),
            },
          };
          // What the loop knew is over with it: ways that come from it differently go on as one.
          const on: Way = {
            at: to,
            place,
            memory: {
              ...memory,
              counts: replaced(memory.counts, loop, 0),
              begins: replaced(memory.begins, loop, -1),
            },
          };
          const ways = [...(count < max ? [more] : []), ...(count >= min ? [on] : [])];
          const [first, second] = greedy ? ways : ways.toReversed();
          if (!first) return null;
          if (second) waiting.push(second);
          ({ at, place, memory } = first);
          break;
        }
      }
    }
  }

  private takenBy(groups: readonly number[], memory: Memory): readonly string[] {
    for (const group of groups) {
      const [begin = -1, end = -1] = [memory.groups[2 * group], memory.groups[2 * group + 1]];
      if (begin >= 0 && end >= 0) return this.letters.slice(begin, end);
    }
    return [];
  }

  /** Whether a way with the same knowledge was here before: it got nowhere, and this one would not either. */
  private isTried(at: number, place: number, memory: Memory): boolean {
    if (!this.limits.remembers) return false;
    const key = keyOf(at, place, memory);
    if (this.tried.has(key)) return true;
    this.tried.add(key);
    return false;
  }

  private look(at: number, place: number, memory: Memory): Memory | null {
    const key = this.limits.remembers ? keyOf(at, place, memory) : null;
    const known = key === null ? undefined : this.looked.get(key);
    if (known !== undefined) return known;
    // What leads to the end of the look says nothing of what comes after it, and the other way round.
    const outside = this.tried;
    this.tried = new Set();
    const seen = this.from(at + 1, place, memory);
    this.tried = outside;
    if (key !== null) this.looked.set(key, seen);
    return seen;
  }
}

/** A way only goes on in one direction: what matters of a round is whether it took anything yet. */
function keyOf(at: number, place: number, { counts, begins, groups }: Memory): string | number {
  if (counts.length === 0 && groups.length === 0) return at * 2 ** 26 + place;
  let key = `${at} ${place}`;
  for (let loop = 0; loop < counts.length; loop++)
    key += begins[loop] === place ? `|${counts[loop]}` : ` ${counts[loop]}`;
  return groups.length === 0 ? key : `${key} ${groups.join()}`;
}
