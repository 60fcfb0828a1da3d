import type { KeyInput, Page } from 'puppeteer-core';
import type { Variant } from '@/core/target/variant';
import type { Engine } from '../api/engine';
import type { ThroughProxy } from '../network/through-proxy';
import { findProgram, programVersion } from '../process/find-program';
import { openPuppeteerSession } from './puppeteer-session';

/** The protocols over which puppeteer drives a browser, by what they are called. */
export const protocols = {
  webDriverBiDi: 'WebDriver BiDi',
  cdp: 'Chrome DevTools Protocol',
} as const;

/** Keys of a page, each held down and let go by itself, or both. */
export interface PageKeyboard {
  down(key: KeyInput): Promise<void>;
  up(key: KeyInput): Promise<void>;
  press(key: KeyInput): Promise<void>;
}

/** What one engine that puppeteer drives needs, as data. */
export interface PuppeteerEngine {
  readonly protocol: keyof typeof protocols;
  /** What presses keys in a page. */
  keyboard(page: Page): PageKeyboard;
  readonly name: string;
  readonly title: string;
  readonly browser: 'chrome' | 'firefox';
  /** The environment variable that names another program than those on the path. */
  readonly variable: string;
  readonly programs: readonly string[];
  readonly debianPackages: readonly string[];
  /** puppeteer's own parameters that are left out. */
  readonly without: readonly string[];
  parameters(variant: Variant): readonly string[];
  env(variant: Variant): Record<string, string>;
  preferences(variant: Variant): ThroughProxy['preferences'];
  /** What makes it ask everything but this machine through a proxy (`host:port`). */
  throughProxy(proxy: string): ThroughProxy;
  /** Whether one start is needed before the one that counts. */
  startsTwice(variant: Variant): boolean;
  readonly wordsPackages: Engine['wordsPackages'];
  /** Files that the profile needs before the first start, by their path in it. */
  readonly profile: Readonly<Record<string, string>>;
  /** How it is started on a phone-sized display. */
  readonly onPhone: {
    readonly parameters: readonly string[];
    readonly env: Readonly<Record<string, string>>;
    readonly preferences: ThroughProxy['preferences'];
  };
}

/** An engine over WebDriver BiDi or the Chrome DevTools Protocol; in both a page is asked by the same calls. */
export function puppeteerEngine(data: PuppeteerEngine): Engine {
  return {
    name: data.name,
    title: data.title,
    protocol: protocols[data.protocol],
    pagesFrom: null,
    gatesLater: true,
    wordsPackages: data.wordsPackages,
    async find() {
      const path = await findProgram(data.variable, data.programs);
      if (path) return { status: 'found', path, version: await programVersion(path) };
      const { title: engine, debianPackages: packages, variable } = data;
      return {
        status: 'missing',
        failure: { code: 'engine missing', engine, packages, variable },
      };
    },
    launch: (path, variant, how = {}) => openPuppeteerSession(data, path, variant, how),
  };
}
