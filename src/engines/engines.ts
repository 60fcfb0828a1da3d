import type { EngineName } from '@/core/target/target';
import { chromium } from './chromium';
import type { Engine } from './engine';
import { firefox } from './firefox';
import { webkit } from './webkit';

/** Every engine that this version can drive. To add one, add its file here and its name to `engineNames`. */
export const engines: Readonly<Record<EngineName, Engine>> = { chromium, firefox, webkit };
