import { NotFoundError } from './respond';

const ID = /^([0-9a-f]{24})-(mp4|webm|mov)$/;

/** The name of a video's file in the folder of videos. Throws NotFoundError for what is no id of one. */
export function videoFileName(id: string): string {
  const found = ID.exec(id);
  if (found === null) throw new NotFoundError(`There is no video "${id.slice(0, 64)}".`);
  return `${found[1]}.${found[2]}`;
}
