import { freemem } from 'node:os';
import { launchKey, type Variant } from '@/core/target/variant';
import type { Engine, EngineSession, LaunchOptions } from '../api/engine';
import { type Browsers, type LentBrowser, launched, newBrowsers } from './browsers';

/** How many browsers are kept, and for how long. */
export interface WarmBounds {
  /** Browsers that wait for a sweep; of more than these the one that has waited longest ends. */
  readonly mostWaiting: number;
  /** Sweeps for which a browser is used; then it ends, and a new one comes in its place. */
  readonly mostUses: number;
  /** How long one waits for a sweep, ms. */
  readonly longest: number;
  /** Memory of the machine that has to be free for a browser to wait, bytes. */
  readonly leastFree: number;
}

const usualBounds: WarmBounds = {
  mostWaiting: 4,
  mostUses: 12,
  longest: 5 * 60_000,
  leastFree: 1_500_000_000,
};

/** What a browser is started for. */
interface Purpose {
  readonly engine: Engine;
  readonly variant: Variant;
  readonly tellsAccessibility: boolean;
}

/** A browser that waits for a sweep, or that is still starting. */
interface Waiting extends Purpose {
  /** Null where it did not start: who asks for it next starts one, and is told why. */
  readonly session: Promise<EngineSession | null>;
  readonly uses: number;
  readonly timer: ReturnType<typeof setTimeout>;
}

/**
 * Browsers that are kept ready between sweeps. Nothing that a sweep left behind is there in the next: what a page can leave is taken away
 * when it is given back (`EngineSession.renew`), browsers with a gate before them, behind which a page of one's own was, and those of other
 * machines are never kept, and neither is one over which something went wrong.
 */
export class WarmBrowsers implements Browsers {
  private readonly waiting: Waiting[] = [];
  private readonly ending = new Set<Promise<void>>();
  private isClosed = false;

  constructor(private readonly bounds: WarmBounds = usualBounds) {}

  async take(engine: Engine, variant: Variant, how: LaunchOptions): Promise<LentBrowser> {
    const { gate = null } = how;
    const takesGate = gate === null || (engine.gatesLater === true && !gate.holdsAll);
    if (engine.pagesFrom !== null || !takesGate) return newBrowsers.take(engine, variant, how);
    const purpose = { engine, variant, tellsAccessibility: how.tellsAccessibility === true };
    const ready = this.withdrawn(purpose);
    const session = await ready?.session;
    if (ready && session?.isThere()) {
      if (!gate) return this.lent(session, ready.uses + 1, ready);
      session.placeGate?.(gate);
      return this.lentOnce(session, ready);
    }
    await session?.close();
    const started = await launched(engine, variant, how);
    return gate ? this.lentOnce(started, purpose) : this.lent(started, 1, purpose);
  }

  /**
   * Starts a browser in this variant, for a sweep that is likely to come, unless one waits already, or as many as may.
   * @param isForOwnPage of a page of the developer's own, before which there will be a gate
   */
  warm(engine: Engine, variant: Variant, isForOwnPage = false): void {
    const purpose = { engine, variant, tellsAccessibility: true };
    if (isForOwnPage && !engine.gatesLater) return;
    if (this.isClosed || engine.pagesFrom !== null || !this.hasMemory()) return;
    if (this.waiting.length >= this.bounds.mostWaiting || this.waiting.some((one) => serves(one, purpose)))
      return;
    const starting = launched(engine, variant, purpose).catch(() => null);
    this.keep(starting, 0, purpose);
  }

  /** How many wait now. */
  get size(): number {
    return this.waiting.length;
  }

  /** Ends all that wait; those that are lent end when they are given back. */
  async close(): Promise<void> {
    this.isClosed = true;
    for (const one of this.waiting.splice(0)) this.end(one);
    await Promise.all(this.ending);
  }

  private withdrawn(purpose: Purpose): Waiting | null {
    const at = this.waiting.findLastIndex((one) => serves(one, purpose));
    const [found] = at === -1 ? [] : this.waiting.splice(at, 1);
    if (!found) return null;
    clearTimeout(found.timer);
    return found;
  }

  private lent(session: EngineSession, uses: number, purpose: Purpose): LentBrowser {
    return {
      session,
      giveBack: async (isSound) => {
        if (!isSound || this.isClosed || !this.hasMemory()) return session.close();
        if (uses >= this.bounds.mostUses) {
          await session.close();
          this.warm(purpose.engine, purpose.variant);
          return;
        }
        try {
          await session.renew();
          this.keep(Promise.resolve(session), uses, purpose);
        } catch {
          await session.close();
        }
      },
    };
  }

  /** What a page of one's own left behind is not looked for: another browser comes in its place. */
  private lentOnce(session: EngineSession, { engine, variant }: Purpose): LentBrowser {
    return {
      session,
      giveBack: async () => {
        await session.close();
        this.warm(engine, variant, true);
      },
    };
  }

  private keep(session: Promise<EngineSession | null>, uses: number, purpose: Purpose): void {
    const timer = setTimeout(() => this.drop(kept), this.bounds.longest);
    timer.unref();
    const kept: Waiting = { ...purpose, session, uses, timer };
    this.waiting.push(kept);
    // Closed while it was being renewed: nobody will come for it.
    const excess = this.isClosed ? this.waiting.length : this.waiting.length - this.bounds.mostWaiting;
    for (const one of this.waiting.slice(0, Math.max(0, excess))) this.drop(one);
  }

  private drop(one: Waiting): void {
    const at = this.waiting.indexOf(one);
    if (at === -1) return;
    this.waiting.splice(at, 1);
    this.end(one);
  }

  private end({ session, timer }: Waiting): void {
    clearTimeout(timer);
    const ended = session
      .then((there) => there?.close())
      .catch(() => undefined)
      .finally(() => this.ending.delete(ended));
    this.ending.add(ended);
  }

  private hasMemory(): boolean {
    return freemem() >= this.bounds.leastFree;
  }
}

/** Whether a browser that was started for one purpose is right for another: one that tells assistive technology more than is asked is. */
function serves(one: Purpose, wanted: Purpose): boolean {
  return (
    one.engine.name === wanted.engine.name &&
    launchKey(one.variant) === launchKey(wanted.variant) &&
    (one.tellsAccessibility || !wanted.tellsAccessibility)
  );
}
