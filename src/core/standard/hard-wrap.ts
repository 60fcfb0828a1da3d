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
 * As Blink and WebKit draw it, breaks where the drawn line breaks: a line has room for one more character than `cols`,
 * where a scroll bar would be; spaces hang over its end and stay; a word that is too long is broken.
 */
export function wrappedAsDrawn(text: string, columns: number): string {
  return text
    .split('\n')
    .map((line) => drawnLines(line, columns + 1).join('\n'))
    .join('\n');
}

function drawnLines(line: string, room: number): string[] {
  const lines: string[] = [''];
  for (const word of line.match(/[^ ]+ *| +/g) ?? []) {
    const letters = word.trimEnd();
    const current = lines.at(-1) ?? '';
    if (current !== '' && current.length + letters.length > room) lines.push('');
    let rest = word;
    while (rest.trimEnd().length > room) {
      lines[lines.length - 1] += rest.slice(0, room);
      rest = rest.slice(room);
      lines.push('');
    }
    lines[lines.length - 1] += rest;
  }
  return lines;
}
