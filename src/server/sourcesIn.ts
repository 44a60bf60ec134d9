import type { Db } from '@/db/open';
import type { DataFolders } from './dataFolders';
import { readFonts } from './fontFiles';
import { readPictures } from './pictures/pictureFiles';
import type { Sources } from './press/sources';
import { videosHere } from './mediaFiles';

/** Where the press finds what titles show: the pictures and videos of a data folder. */
export function sourcesIn(db: Db, { pictureFolder, mediaFolder }: DataFolders): Sources {
  return {
    pictures: (ids) => readPictures(db, pictureFolder, ids),
    fonts: (ids) => readFonts(pictureFolder, ids),
    videos: (ids) => videosHere(mediaFolder, ids),
  };
}
