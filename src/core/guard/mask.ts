/** One place of a mask. */
type Place =
  | { readonly is: 'fixed'; readonly text: string }
  | { readonly is: 'open'; readonly takes: (letter: string) => boolean };

const isAsciiDigit = (letter: string) => letter >= '0' && letter <= '9';
const isAsciiLetter = (letter: string) =>
  (letter >= 'a' && letter <= 'z') || (letter >= 'A' && letter <= 'Z');
const isDigit = (letter: string) => isAsciiDigit(letter) || (letter > '~' && /^\p{Nd}$/u.test(letter));
const isLetter = (letter: string) => isAsciiLetter(letter) || (letter > '~' && /^\p{L}$/u.test(letter));

const openPlaces: Readonly<Record<string, (letter: string) => boolean>> = {
  '0': isDigit,
  A: isLetter,
  X: (letter) => isLetter(letter) || isDigit(letter),
};

/** A text without surrogates is its own list of characters, which spares an array with each stroke. */
function codePointsOf(text: string): ArrayLike<string> {
  return /[\ud800-\udfff]/.test(text) ? Array.from(text) : text;
}

const known = new Map<string, readonly Place[]>();

function placesOf(mask: string): readonly Place[] {
  const cached = known.get(mask);
  if (cached) return cached;
  const places = readPlaces(mask);
  if (known.size > 100) known.clear();
  known.set(mask, places);
  return places;
}

function readPlaces(mask: string): Place[] {
  const places: Place[] = [];
  const letters = Array.from(mask);
  for (let at = 0; at < letters.length; at++) {
    const letter = letters[at] ?? '';
    const takes = openPlaces[letter];
    if (letter === '\\' && at + 1 < letters.length) places.push({ is: 'fixed', text: letters[++at] ?? '' });
    else places.push(takes ? { is: 'open', takes } : { is: 'fixed', text: letter });
  }
  return places;
}

/**
 * Puts the fixed characters in and leaves out what has no place. A separator at the end stands only when the person put
 * it there: otherwise Backspace could never go past one.
 *
 * @param grows the text has become longer by the edit
 */
export function masked(text: string, mask: string, grows: boolean): string {
  const [letters, places] = [codePointsOf(text), placesOf(mask)];
  if (isUntouched(letters, places)) return text;
  let [out, at, ending] = ['', 0, ''];
  for (const place of places) {
    if (place.is === 'fixed') {
      ending += place.text;
      if (letters[at] === place.text) {
        at++;
        if (grows) [out, ending] = [out + ending, ''];
      }
      continue;
    }
    while (at < letters.length && !place.takes(letters[at] ?? '')) at++;
    const letter = letters[at++];
    if (letter === undefined) break;
    [out, ending] = [out + ending + letter, ''];
  }
  // What is fixed at the very end belongs to the whole value.
  return grows && ending !== '' && at <= letters.length && isFull(out + ending, mask) ? out + ending : out;
}

/** Every character stands in its place already, and the last one is nothing that the mask puts in. Most often so. */
function isUntouched(letters: ArrayLike<string>, places: readonly Place[]): boolean {
  const last = places[letters.length - 1];
  const isAtEnd = letters.length === places.length || places[letters.length]?.is === 'open';
  return last?.is === 'open' && isAtEnd && fillsFrom(letters, places);
}

/** True when the text fills every place. */
export function isFull(text: string, mask: string): boolean {
  const [letters, places] = [codePointsOf(text), placesOf(mask)];
  return letters.length === places.length && fillsFrom(letters, places);
}

/** True when the text fills the mask from its beginning on. */
export function isBeginningOfMask(text: string, mask: string): boolean {
  const [letters, places] = [codePointsOf(text), placesOf(mask)];
  return letters.length <= places.length && fillsFrom(letters, places);
}

function fillsFrom(letters: ArrayLike<string>, places: readonly Place[]): boolean {
  for (let at = 0; at < letters.length; at++) {
    const place = places[at];
    if (!place || !fits(place, letters[at] ?? '')) return false;
  }
  return true;
}

function fits(place: Place, letter: string): boolean {
  return place.is === 'fixed' ? place.text === letter : place.takes(letter);
}
