import type { ChildProcess } from 'node:child_process';

export declare const root: string;
export declare function freePort(): Promise<number>;
export declare function isFree(port: number): Promise<boolean>;
export declare function startApp(
  port?: number,
  env?: Record<string, string>,
): Promise<{ address: string; child: ChildProcess; exited: Promise<unknown>; stop(): Promise<void> }>;
