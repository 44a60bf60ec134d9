import type { Opened } from './refusedFile';
import { RefusedFile } from './refusedFile';

/**
 * Answers what a process of its own is asked, task by task, so that a file that takes too long or too much can be ended
 * whatever it is doing. `what` is what is opened, with its article.
 */
export function answerTasks<Task, T>(what: string, open: (task: Task) => Promise<T> | T): void {
  const answer = async (task: Task): Promise<Opened<T>> => {
    try {
      return { type: 'opened', file: await open(task) };
    } catch (error) {
      if (error instanceof RefusedFile) return { type: 'refused', refusal: error.refusal };
      const told = error instanceof Error ? error.message.split('\n')[0] : String(error);
      const advice = 'Export it again.';
      return { type: 'refused', refusal: { expected: `${what} that can be opened`, got: told, advice } };
    }
  };
  process.on('message', (task: Task) => void answer(task).then((told) => process.send?.(told)));
  // The server is gone: nobody waits for an answer.
  process.on('disconnect', () => process.exit(0));
  process.send?.({ type: 'ready' });
}
