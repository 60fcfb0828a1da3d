/** The words of a name, which is written in one: `reading_date`, `reading-date` and `readingDate` are “reading date”, but for capitals. */
export function wordsOfName(name: string): string {
  return name.replace(/([a-z])([A-Z])/g, '$1 $2').replace(/[_-]+/g, ' ');
}
