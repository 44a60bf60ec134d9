import type { OpeningLimits } from '../opening/guardedProcess';
import { GuardedProcess } from '../opening/guardedProcess';
import type { PictureTask, PreparedPicture } from './pictureTask';

const opener = new GuardedProcess<PictureTask, PreparedPicture>({
  script: 'pictureProcess.mjs',
  what: 'a picture',
  limits: { seconds: 2, memoryBytes: 1_200_000_000 },
  advice: 'Simplify it or scale it down first.',
});

/**
 * A picture file, opened in a process of its own: checked, cleaned and decoded whole. Throws InputError with the reason
 * for one that is refused, takes too long or needs too much memory. Pictures are opened one after the other.
 */
export function preparePicture(
  task: PictureTask,
  where: string,
  limits?: OpeningLimits,
): Promise<PreparedPicture> {
  return opener.open(task, where, limits);
}

/** Ends the process that waits for the next picture. */
export function stopPictures(): void {
  opener.stop();
}
