import { join } from 'node:path';

/** Where everything lies in a data folder besides the database. */
export interface DataFolders {
  readonly dataFolder: string;
  /** Where uploaded videos lie. */
  readonly mediaFolder: string;
  /** Where the files of pictures and fonts lie, each under the hash of its bytes. */
  readonly pictureFolder: string;
  /** Where the folders lie with the files of jobs. */
  readonly renderFolder: string;
  /** Where files lie while they come in. */
  readonly incomingFolder: string;
}

/** The folders in a data folder. */
export function foldersIn(dataFolder: string): DataFolders {
  return {
    dataFolder,
    mediaFolder: join(dataFolder, 'media'),
    pictureFolder: join(dataFolder, 'pictures'),
    renderFolder: join(dataFolder, 'renders'),
    incomingFolder: join(dataFolder, 'incoming'),
  };
}
