import { answerTasks } from '../opening/answerTasks';
import { RefusedFile } from '../opening/refusedFile';
import { drawSvg } from './drawSvg';
import { preparePixels } from './preparePixels';
import type { PictureTask, PreparedPicture } from './pictureTask';

const root = process.argv[2] ?? process.cwd();

function prepare(task: PictureTask): Promise<PreparedPicture> | PreparedPicture {
  if (task.bytes.length === 0) throw RefusedFile.of('a picture', 'an empty file');
  return task.ending === 'svg' ? drawSvg(task.bytes, root) : preparePixels(task);
}

answerTasks('a picture', prepare);
