import { drawSvg } from './drawSvg';
import { preparePixels } from './preparePixels';
import type { PictureAnswer, PictureTask, PreparedPicture } from './pictureTask';
import { RefusedPicture } from './pictureTask';

// A process of its own, so that a picture that takes too long or too much can be ended whatever it is doing.
const root = process.argv[2] ?? process.cwd();

function prepare(task: PictureTask): Promise<PreparedPicture> | PreparedPicture {
  if (task.bytes.length === 0) throw RefusedPicture.of('a picture', 'an empty file');
  return task.ending === 'svg' ? drawSvg(task.bytes, root) : preparePixels(task);
}

async function answer(task: PictureTask): Promise<PictureAnswer> {
  try {
    return { type: 'prepared', picture: await prepare(task) };
  } catch (error) {
    if (error instanceof RefusedPicture) return { type: 'refused', refusal: error.refusal };
    const told = error instanceof Error ? error.message.split('\n')[0] : String(error);
    const advice = 'Export it again.';
    return { type: 'refused', refusal: { expected: 'a picture that can be opened', got: told, advice } };
  }
}

process.on('message', (task: PictureTask) => void answer(task).then((told) => process.send?.(told)));
// The server is gone: nobody waits for an answer.
process.on('disconnect', () => process.exit(0));
process.send?.({ type: 'ready' });
