'use client';

import { App, Button } from 'antd';
import { useCallback } from 'react';

/** After how long it is said that a file is being worked on, ms. */
const quiet = 500;

/** Work on a file that may be large; it ends when the signal says so. */
type FileTask<Result> = (signal: AbortSignal) => Promise<Result>;

/** Does work on files; what takes long is told, and can be cancelled. The work then gives null. */
export function useFileWork(): <Result>(
  /** What is done, as in “Reading tides.run.json”. */
  doing: string,
  work: FileTask<Result>,
) => Promise<Result | null> {
  const { message } = App.useApp();
  return useCallback(
    async (doing, work) => {
      const cancelled = new AbortController();
      const key = crypto.randomUUID();
      const tell = setTimeout(
        () =>
          message.open({
            key,
            type: 'loading',
            duration: 0,
            content: (
              <>
                {doing}…{' '}
                <Button size="small" onClick={() => cancelled.abort()}>
                  Cancel
                </Button>
              </>
            ),
          }),
        quiet,
      );
      try {
        return await work(cancelled.signal);
      } catch (error) {
        if (!cancelled.signal.aborted) throw error;
        return null;
      } finally {
        clearTimeout(tell);
        message.destroy(key);
      }
    },
    [message],
  );
}
