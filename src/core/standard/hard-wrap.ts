/** HTML Standard, "The textarea element": a line no longer than `columns` characters, broken at spaces where there are any. */
export function hardWrapped(text: string, columns: number): string {
  return text
    .split('\n')
    .map((line) => wrappedLine(line, columns))
    .join('\n');
}

function wrappedLine(line: string, columns: number): string {
  const lines: string[] = [];
  let current = '';
  for (const word of line.split(' ')) {
    const longer = current === '' ? word : `${current} ${word}`;
    if (longer.length <= columns || current === '') current = longer;
    else {
      lines.push(current);
      current = word;
    }
  }
  return [...lines, current].join('\n');
}

/**
 * As Blink and WebKit draw it: breaks where the drawn line breaks. Spaces hang over its end and stay; a word that is too
 * long is broken.
 * @param room width of a line, CSS px
 * @param widthOf width of a text in one line, CSS px
 */
export function wrappedAsDrawn(text: string, room: number, widthOf: (text: string) => number): string {
  return text
    .split('\n')
    .map((line) => drawnLines(line, room, widthOf).join('\n'))
    .join('\n');
}

function drawnLines(line: string, room: number, widthOf: (text: string) => number): string[] {
  const lines: string[] = [''];
  for (const word of line.match(/[^ ]+ *| +/g) ?? []) {
    const current = lines.at(-1) ?? '';
    if (current !== '' && widthOf(current) + widthOf(word.trimEnd()) > room) lines.push('');
    let rest = word;
    while (widthOf(rest.trimEnd()) > room) {
      const fitting = fittingPart(rest, room, widthOf);
      lines[lines.length - 1] += fitting;
      rest = rest.slice(fitting.length);
      lines.push('');
    }
    lines[lines.length - 1] += rest;
  }
  return lines;
}

/** As many characters as there is room for, and at least one. */
function fittingPart(word: string, room: number, widthOf: (text: string) => number): string {
  const letters = [...word];
  let count = 1;
  while (count < letters.length && widthOf(letters.slice(0, count + 1).join('')) <= room) count++;
  return letters.slice(0, count).join('');
}
