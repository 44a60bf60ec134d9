import { stat } from 'node:fs/promises';

/** Whether there is a file at a path. */
export const isThere = (path: string): Promise<boolean> =>
  stat(path).then(
    () => true,
    () => false,
  );
