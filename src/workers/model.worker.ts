import { expose } from 'comlink';
import { receivedAsking, type SentAsking } from '@/core/questions/asking';
import { askModels } from '@/core/sweep/ask-models';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import type { ModelTarget } from '@/core/target/target';

/** How long messages are gathered before they are handed over, ms: each costs little, and there are thousands. */
const gathering = 50;

/** Asks the model where it holds nothing up; whoever has enough of it ends the worker. */
const modelWork = {
  async ask(
    targets: readonly ModelTarget[],
    asking: SentAsking,
    take: (messages: readonly SweepMessage[]) => unknown,
  ): Promise<void> {
    let gathered: SweepMessage[] = [];
    let since = Date.now();
    const hand = () => {
      const messages = gathered;
      gathered = [];
      since = Date.now();
      return take(messages);
    };
    const emit = (message: SweepMessage) => {
      gathered.push(message);
      if (Date.now() - since >= gathering) void hand();
    };
    const ask = askModels(() => new Date());
    await ask(targets, receivedAsking(asking), emit, new AbortController().signal);
    await hand();
  },
};
export type ModelWork = typeof modelWork;

expose(modelWork);
