import { takesKeys } from '../html/field';
import { readForm } from '../html/read-form';
import { bringsText, comesUp } from '../keyboard/comes-up';
import { traitsOf } from '../keyboard/input-traits';
import { keyboardHabitsOf } from '../keyboard/keyboard-habits';
import { targets } from '../target/line-up';

const begin = '<!-- keyboards: begin -->';
const end = '<!-- keyboards: end -->';

/** Fields down, targets across: what comes up in each, in the language of the demo, as a table in Markdown. */
export function keyboardTable(markup: string): string {
  const shown = targets.flatMap(({ id, name }) => {
    const habits = keyboardHabitsOf(id);
    return habits ? [{ name, habits }] : [];
  });
  const fields = readForm(markup).fields.filter(({ kind }) => takesKeys(kind));
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
  return [
    line(['field', ...shown.map(({ name }) => name)]),
    line(['field', ...shown].map(() => '---')),
    ...fields.map((field) =>
      line([
        field.label,
        ...shown.map(({ habits }) => bringsText(comesUp(habits, traitsOf(field), 'en-US').brings)),
      ]),
    ),
  ].join('\n');
}

/** A document with the table in its place. Throws when it has no place for one. */
export function withKeyboardTable(text: string, table: string): string {
  const [from, to] = [text.indexOf(begin), text.indexOf(end)];
  if (from < 0 || to < from) throw new Error(`The document has no place for the table: ${begin} … ${end}`);
  return `${text.slice(0, from + begin.length)}\n\n${table}\n\n${text.slice(to)}`;
}
