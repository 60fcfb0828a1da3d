/** Timers as short as this belong to what has just been done; longer ones are the page's own business, ms. */
const shortTimer = 250;

/** Short timers that have neither fired nor been taken back. */
const waiting = new Set<unknown>();
let changes = 0;

/** From now on it is known when a page has done what it does about a stroke: its timers and its changes are counted. */
export function watchForQuiet(): void {
  const { setTimeout: own, clearTimeout: takeBack } = window;
  window.setTimeout = ((handler: TimerHandler, delay = 0, ...given: unknown[]) => {
    if (typeof handler !== 'function' || delay > shortTimer) return own(handler, delay, ...given);
    const id = own(() => {
      waiting.delete(id);
      handler(...given);
    }, delay);
    waiting.add(id);
    return id;
  }) as typeof window.setTimeout;
  window.clearTimeout = (id) => {
    waiting.delete(id);
    takeBack.call(window, id);
  };
  new MutationObserver(() => {
    changes += 1;
  }).observe(document, {
    subtree: true,
    childList: true,
    attributes: true,
    characterData: true,
  });
}

let frames = 0;
let seen = 0;

/** Begins to wait for what comes of what was done just now. */
export function waitForQuiet(): void {
  seen = changes;
  frames = 0;
  const wait = ++waitingFor;
  const count = () => {
    if (wait !== waitingFor) return;
    frames = changes === seen ? frames + 1 : 0;
    seen = changes;
    if (frames < enough) requestAnimationFrame(count);
  };
  requestAnimationFrame(count);
}
let waitingFor = 0;

/** Frames in a row in which nothing changed: what a frame brings about is drawn with the next. */
const enough = 2;

/** Whether no short timer is under way and nothing has changed for two frames since `waitForQuiet`. */
export function isQuiet(): boolean {
  return waiting.size === 0 && frames >= enough;
}
