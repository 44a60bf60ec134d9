import { GuardedProcess } from '../opening/guardedProcess';
import type { FaceTask, OpenedFace } from './faceTask';

const opener = new GuardedProcess<FaceTask, OpenedFace[]>({
  script: 'faceProcess.mjs',
  what: 'a font',
  limits: { seconds: 1, memoryBytes: 1_200_000_000 },
  advice: 'Choose a smaller version of it, with the scripts that you need.',
});

/**
 * All fonts of a file, opened in a process of its own. Throws InputError with the reason for a file that is refused,
 * takes longer than a second or needs too much memory.
 */
export function openFaceFile(bytes: Uint8Array, where: string): Promise<readonly OpenedFace[]> {
  return opener.open({ bytes }, where);
}

/** Ends the process that waits for the next font. */
export function stopFaces(): void {
  opener.stop();
}
