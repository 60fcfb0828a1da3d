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
  const letters = Array.from(text);
  let [out, at, ending] = ['', 0, ''];
  for (const place of placesOf(mask)) {
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

/** True when the text fills every place. */
export function isFull(text: string, mask: string): boolean {
  const [letters, places] = [Array.from(text), placesOf(mask)];
  return letters.length === places.length && places.every((place, at) => fits(place, letters[at] ?? ''));
}

/** True when the text fills the mask from its beginning on. */
export function isBeginningOfMask(text: string, mask: string): boolean {
  const [letters, places] = [Array.from(text), placesOf(mask)];
  return letters.every((letter, at) => {
    const place = places[at];
    return place !== undefined && fits(place, letter);
  });
}

function fits(place: Place, letter: string): boolean {
  return place.is === 'fixed' ? place.text === letter : place.takes(letter);
}
