import { existsSync } from 'node:fs';
import { openServer } from '@/db/server';
import { foldersIn } from './dataFolders';
import { lanesAsked, machineName } from './press/machineSettings';
import { titleMaker } from './press/makeTitle';
import { PressMachine } from './press/pressMachine';
import { RenderPool } from './press/renderPool';
import { TitleQueue } from './press/titleQueue';
import { sourcesIn } from './sourcesIn';

/* A press machine: takes titles from the queue of a database on a server, and makes them in the folder that is shared. */

/** Where it works, and how much at once; what is missing ends it, with words. */
function readSettings(): {
  readonly url: string;
  readonly dataFolder: string;
  readonly lanes: number | undefined;
} {
  const { DATABASE_URL: url = '', GILDER_DATA: dataFolder = '' } = process.env;
  if (url === '')
    throw new Error(
      'DATABASE_URL is not set: a press machine works for a Gilder whose database is on a PostgreSQL server. Example: DATABASE_URL=postgres://gilder@studio-db/gilder',
    );
  if (dataFolder === '' || !existsSync(dataFolder))
    throw new Error(
      `GILDER_DATA is ${dataFolder === '' ? 'not set' : `${dataFolder}, which is not there`}: it is the data folder of that Gilder, shared with this machine, where pictures lie and finished files go.`,
    );
  return { url, dataFolder, lanes: lanesAsked(1) };
}

async function run(): Promise<void> {
  const { url, dataFolder, lanes } = readSettings();
  const database = await openServer(url);
  const { db } = database;
  const folders = foldersIn(dataFolder);
  const queue = await TitleQueue.open(database);
  const pool = new RenderPool(lanes);
  const maker = titleMaker({ db, pool, folder: folders.renderFolder, sources: sourcesIn(db, folders) });
  const name = machineName();
  const onTitle = (words: string): void => console.log(words);
  const machine = new PressMachine({ database, queue, maker, name, lanes: pool.size, onTitle });
  const stop = async (): Promise<void> => {
    await machine.stop();
    await pool.close();
    await database.close();
    process.exit(0);
  };
  process.once('SIGTERM', () => void stop()).once('SIGINT', () => void stop());
  await machine.start();
  console.log(`${name} has joined: it makes ${pool.size} titles side by side. Ctrl+C ends it.`);
}

run().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
