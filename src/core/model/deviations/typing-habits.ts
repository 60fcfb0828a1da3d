import { type DatedKind, datedKinds } from '../../html/field';

/**
 * What a target does with strokes where UI Events, Input Events and the HTML Standard leave it open, as data: the model
 * of typing computes with it. Those of the three engines were asked of the engines on Debian 12.
 */
export interface TypingHabits {
  /** Which events tell of typing: those of the DOM, or those of a native field or an app toolkit. */
  readonly tells: 'DOM events' | 'text changes';
  /** How a typed character reaches the page. */
  readonly keys: 'hardware' | 'soft keys that compose' | 'soft keys that insert';
  /** Editing commands come as key combinations, or from a menu without any key. */
  readonly commands: 'by keys' | 'from a menu';
  /** The events that fill a field by themselves raises before `change`. */
  readonly autofill: 'input' | 'beforeinput and input';
  /** Around the last text of a composition: committed as it stands, in place of what was shown, or told once more after the end. */
  readonly compositionEnd: 'as it stands' | 'replaces what was shown' | 'told once more';
  /** Where the caret is after a script gave the focus to a filled field. */
  readonly focusByScript: 'at the start' | 'at the end' | 'all selected';
  /** Where the caret of a text area is then. */
  readonly focusByScriptInLines: 'at the start' | 'at the end';
  /** Escape raises keypress as Enter does. */
  readonly escapeIsPressed: boolean;
  /** Backspace and Delete with nothing to take away ask with `beforeinput` all the same. */
  readonly idleEraseAsks: boolean;
  /** Backspace and Delete raise keypress where nothing can be edited. */
  readonly eraseIsPressedWhereReadonly: boolean;
  /** Moves by words stop at punctuation marks too. */
  readonly wordsAndMarks: boolean;
  /** Page keys move the caret of a one-line field to its ends. */
  readonly pagesMoveCaret: boolean;
  /** Control+Z brings back what was there before. */
  readonly undoes: boolean;
  /** A step raises change even where the value is the one that it told last. */
  readonly stepAlwaysTellsChange: boolean;
  /** Characters typed before and after the caret was moved are undone together. */
  readonly undoesAcrossMoves: boolean;
  /** Arrow keys make a list forget the letters typed so far. */
  readonly arrowsForgetLetters: boolean;
  /** A date or time field that is read-only takes the focus. */
  readonly readonlyDatedTakesFocus: boolean;
  /** Home and End set a part with a number, the year aside, to its least and its most. */
  readonly datedEnds: boolean;
  /** A time is one without the seconds that its field shows. */
  readonly secondsMayMiss: boolean;
  /** In lists that show one line: with Shift, arrows choose all the same; page keys go so far. */
  readonly menuTakesShift: boolean;
  readonly menuPage: number;
  /** In lists that show several lines, left and right choose too. */
  readonly listTakesSideways: boolean;
  /** Enter in a one-line field asks with `beforeinput` for a line break that it does not get. */
  readonly enterAsks: boolean;
  /** Enter with Control raises keypress. */
  readonly controlEnterIsPressed: boolean;
  /** A field that is read-only is asked with `beforeinput` all the same. */
  readonly readonlyAsks: boolean;
  /** The `inputType` with which Delete takes away a selection, and with which Control+Delete does. */
  readonly deleteOfSelection: Readonly<Record<'character' | 'word', string>>;
  /** What a field that is full does with a further character: `beforeinput` alone, or both events with no data. */
  readonly fullField: 'asks' | 'inserts nothing';
  /** Whose text `input` tells where not all of it came in. */
  readonly inputTells: 'what came in' | 'what was asked for';
  /** What a number field does with characters that no number has. */
  readonly numberFilter: 'keeps out' | 'lets in';
  /** Which digits, besides ASCII, a number field reads. */
  readonly wideDigits: boolean;
  /** The value from the text in a number field: by the standard, or with a plus in front and a bare dot at the end. */
  readonly numberValue: 'strict' | 'loose';
  /** The event that asks before an arrow key steps, and whether `input` has its type too. */
  readonly stepAsks: 'insertText' | 'insertReplacementText' | null;
  /** Arrow keys do nothing to a text that is no number. */
  readonly stepsNeedNumber: boolean;
  /** An arrow key at a limit raises the change event that is due. */
  readonly stepAtLimitCommits: boolean;
  /** A step from an empty field passes through another number, and one to a limit does not ask. */
  readonly stepsByWay: boolean;
  /** After a step there is nothing to undo. */
  readonly stepsForgetUndo: boolean;
  /** Spaces around an address are part of the value while it is typed. */
  readonly urlKeepsSpaces: boolean;
  /** A key with Control that has nothing to do raises keypress. */
  readonly idleShortcutIsPressed: boolean;
  /** Space in a date or time field opens its picker, which then has the keys. */
  readonly spaceOpensPicker: readonly DatedKind[];
  /** A separator gives the focus to the next part. */
  readonly separatorsMoveOn: boolean;
  /** What an arrow key on the hour does to the half of the day: goes on to the other one, is as if typed, nothing. */
  readonly hourOnArrows: 'carries over' | 'as typed' | 'stays in its half';
  /** Where arrow keys begin in a part that is empty; a year begins with this one anyway. */
  readonly emptyPartBegins: 'at an end' | 'now';
  /** How the half of the day is typed. */
  readonly halvesTyped: 'by name or number' | 'by letter';
  /** The last year that a part can show. */
  readonly lastYear: number;
  /** A date or time field raises input also where its parts make another text and no value. */
  readonly datedTellsOfNoValue: boolean;
  /** What a part shows for a number that is too small for it. */
  readonly datedBelowLeast: 'nothing until left' | 'as typed' | 'the least';
  /** Hours past noon can be typed and say which half of the day it is. */
  readonly hoursOfDay: boolean;
  /** When what was typed into a part counts. */
  readonly datedCounts: 'with each digit' | 'when a part is done';
  /** The page keys go on by several. */
  readonly datedPages: boolean;
  /** After an arrow key, digits go on where they were. */
  readonly spinKeepsDigits: boolean;
  /** Escape empties a search field. */
  readonly escapeClearsSearch: boolean;
  /** It asks for that with `beforeinput` first. */
  readonly escapeAsks: boolean;
  /** What a one-line field makes of newlines in a text that comes in at once. */
  readonly newlinesInLine: '' | ' ';
  /** The value of an e-mail field from the text in it. */
  readonly emailValue: (text: string, isList: boolean) => string;
  /** How a driver, not a hand, sends a character beyond the Basic Multilingual Plane. */
  readonly astralKeys: 'whole' | 'in two halves' | 'as a composition';
  /** Which held keys a driver, not a hand, tells of. */
  readonly heldKeys: 'all' | 'the last one, once';
  /** A list that shows several lines raises `input` when a letter chooses from it. */
  readonly letterInListRaisesInput: boolean;
  /** Arrow keys go from the last radio button to the first. */
  readonly radiosWrap: boolean;
  /** When a date or time field tells its change. */
  readonly datedChange: 'with each input' | 'on leaving';
  /** Which keys of a date or time field raise keypress. */
  readonly datedPresses: 'characters' | 'none';
  /** Kinds that the engine knows but has no editor for: keys do nothing to them. */
  readonly noEditor: readonly DatedKind[];
  /** Kinds that Tab leaves only through their picker button. */
  readonly datedButton: readonly DatedKind[];
  /** A part of a date or time that is full gives the focus to the next one. */
  readonly datedMovesOn: boolean;
  /** Enter in a part asks the form to be sent. */
  readonly datedEnterSends: boolean;
}

/** Blink shows hosts in ASCII to scripts while they are typed in other letters; one that ends with a dot is none yet. */
function withHostsInAscii(text: string, isList: boolean): string {
  return isList ? text.split(',').map(withHostInAscii).join(',') : withHostInAscii(text);
}

function withHostInAscii(address: string): string {
  const [, local = '', host = ''] = /^([^@]*@)([^@]*)$/.exec(address) ?? [];
  if (!/[^ -~]/.test(host) || host.endsWith('.') || !URL.canParse(`ftp://${host}`)) return address;
  return local + new URL(`ftp://${host}`).hostname;
}

const chromium: TypingHabits = {
  tells: 'DOM events',
  keys: 'hardware',
  commands: 'by keys',
  autofill: 'input',
  compositionEnd: 'as it stands',
  focusByScript: 'at the start',
  focusByScriptInLines: 'at the start',
  escapeIsPressed: false,
  idleEraseAsks: true,
  eraseIsPressedWhereReadonly: false,
  wordsAndMarks: true,
  pagesMoveCaret: false,
  undoes: true,
  stepAlwaysTellsChange: false,
  undoesAcrossMoves: false,
  arrowsForgetLetters: false,
  readonlyDatedTakesFocus: true,
  datedEnds: false,
  secondsMayMiss: true,
  menuTakesShift: false,
  menuPage: 3,
  listTakesSideways: false,
  enterAsks: true,
  controlEnterIsPressed: false,
  readonlyAsks: true,
  deleteOfSelection: { character: 'deleteContentForward', word: 'deleteContentForward' },
  fullField: 'asks',
  inputTells: 'what came in',
  numberFilter: 'keeps out',
  wideDigits: true,
  numberValue: 'loose',
  stepAsks: 'insertText',
  stepsNeedNumber: false,
  stepAtLimitCommits: true,
  stepsByWay: true,
  stepsForgetUndo: true,
  urlKeepsSpaces: true,
  idleShortcutIsPressed: true,
  spaceOpensPicker: datedKinds,
  datedBelowLeast: 'nothing until left',
  hoursOfDay: true,
  datedCounts: 'with each digit',
  datedPages: false,
  spinKeepsDigits: false,
  separatorsMoveOn: false,
  hourOnArrows: 'carries over',
  emptyPartBegins: 'at an end',
  halvesTyped: 'by name or number',
  lastYear: 275_760,
  datedTellsOfNoValue: false,
  escapeClearsSearch: true,
  escapeAsks: false,
  newlinesInLine: ' ',
  emailValue: withHostsInAscii,
  astralKeys: 'whole',
  heldKeys: 'all',
  letterInListRaisesInput: false,
  radiosWrap: true,
  datedChange: 'with each input',
  datedPresses: 'characters',
  noEditor: [],
  datedButton: datedKinds,
  datedMovesOn: true,
  datedEnterSends: true,
};

/** How the engines on this machine take strokes from a hand. */
export const engineTyping: Readonly<Record<'chromium' | 'firefox' | 'webkit', TypingHabits>> = {
  chromium,
  firefox: {
    ...chromium,
    pagesMoveCaret: true,
    escapeAsks: true,
    undoesAcrossMoves: true,
    stepsForgetUndo: false,
    arrowsForgetLetters: true,
    readonlyDatedTakesFocus: false,
    datedEnds: true,
    secondsMayMiss: false,
    wordsAndMarks: false,
    menuTakesShift: true,
    menuPage: 20,
    listTakesSideways: true,
    autofill: 'beforeinput and input',
    compositionEnd: 'told once more',
    controlEnterIsPressed: true,
    readonlyAsks: false,
    inputTells: 'what was asked for',
    numberFilter: 'lets in',
    numberValue: 'strict',
    stepAsks: 'insertReplacementText',
    stepsNeedNumber: true,
    stepsByWay: false,
    idleShortcutIsPressed: false,
    spaceOpensPicker: [],
    datedBelowLeast: 'as typed',
    hourOnArrows: 'as typed',
    emptyPartBegins: 'now',
    halvesTyped: 'by letter',
    lastYear: 9999,
    datedTellsOfNoValue: true,
    datedCounts: 'when a part is done',
    datedPages: true,
    spinKeepsDigits: true,
    emailValue: (text) => text,
    letterInListRaisesInput: true,
    datedPresses: 'none',
    datedButton: ['date', 'datetime-local'],
  },
  webkit: {
    ...chromium,
    wordsAndMarks: false,
    menuTakesShift: true,
    undoes: false,
    stepAlwaysTellsChange: true,
    idleEraseAsks: false,
    eraseIsPressedWhereReadonly: true,
    compositionEnd: 'replaces what was shown',
    focusByScript: 'all selected',
    escapeIsPressed: true,
    enterAsks: false,
    controlEnterIsPressed: true,
    readonlyAsks: false,
    deleteOfSelection: { character: 'deleteContentBackward', word: 'deleteContent' },
    fullField: 'inserts nothing',
    inputTells: 'what was asked for',
    numberFilter: 'lets in',
    wideDigits: false,
    stepAsks: null,
    stepAtLimitCommits: false,
    stepsByWay: false,
    spaceOpensPicker: [],
    datedBelowLeast: 'the least',
    hoursOfDay: false,
    hourOnArrows: 'stays in its half',
    separatorsMoveOn: true,
    emailValue: (text) => text,
    radiosWrap: false,
    datedChange: 'on leaving',
    noEditor: ['week'],
    datedButton: [],
    datedMovesOn: false,
  },
};

/** Phone browsers: what their soft keyboards do to a page. Known from the standards and not checked on a device. */
export const phoneTyping = {
  /** Words are composed: the page is told of a key, not of which, and text changes while it stands there. */
  composing: { ...chromium, keys: 'soft keys that compose', commands: 'from a menu' },
  /** Every key inserts at once and names itself. */
  inserting: { ...engineTyping.webkit, undoes: true, keys: 'soft keys that insert', commands: 'from a menu' },
} as const satisfies Readonly<Record<string, TypingHabits>>;

const nativeField: TypingHabits = {
  ...chromium,
  tells: 'text changes',
  keys: 'soft keys that insert',
  commands: 'from a menu',
  focusByScript: 'at the end',
  focusByScriptInLines: 'at the end',
  readonlyAsks: false,
  numberFilter: 'lets in',
  numberValue: 'strict',
};

/** Fields outside of browsers. They tell a text that has changed, the end of editing, and that it was submitted. */
export const nativeTyping = {
  phone: nativeField,
  appToolkit: nativeField,
  desktopToolkit: { ...nativeField, keys: 'hardware', commands: 'by keys', focusByScript: 'all selected' },
} as const satisfies Readonly<Record<string, TypingHabits>>;

/** What the protocols' drivers do otherwise than a hand. */
const drivers: Readonly<Record<keyof typeof engineTyping, Partial<TypingHabits>>> = {
  chromium: {},
  firefox: { astralKeys: 'in two halves' },
  webkit: { astralKeys: 'as a composition', heldKeys: 'the last one, once' },
};

/** An engine under its driver, as it is when Ukko asks it. */
export function drivenTyping(engine: keyof typeof engineTyping): TypingHabits {
  return { ...engineTyping[engine], ...drivers[engine] };
}
