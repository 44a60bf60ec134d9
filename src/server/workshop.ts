import { join } from 'node:path';
import { seedDemo } from '../../demo/seed';
import { takeOutBytes } from '@/db/assets';
import { isFact, setFact } from '@/db/facts';
import type { Db } from '@/db/open';
import { openDatabase } from '@/db/open';
import { stopFaces } from './faces/openFaceFile';
import { CallBacks } from './clients/callBacks';
import type { DataFolders } from './dataFolders';
import { foldersIn } from './dataFolders';
import { HandOver } from './handover/handOver';
import { News } from './news';
import { keepPicture } from './pictures/pictureFiles';
import { stopPictures } from './pictures/preparePicture';
import { deliveryFolder, lanesAsked } from './press/machineSettings';
import { Press } from './press/press';
import { RenderPool } from './press/renderPool';
import { sourcesIn } from './sourcesIn';
import { WatchFolder } from './watch/watchFolder';

/** Everything that lives as long as the server does. */
export interface Workshop extends DataFolders {
  readonly db: Db;
  readonly press: Press;
  readonly news: News;
  /** Puts finished files into the folder of delivery. */
  readonly handOver: HandOver;
  /** Closes the database and gives its folder back. */
  close(): Promise<void>;
}

declare global {
  // Survives reloads of modules in development.
  var gilderWorkshop: Promise<Workshop> | undefined;
}

/** The one workshop of this process, opened at the first call. */
export function workshop(): Promise<Workshop> {
  globalThis.gilderWorkshop ??= openWorkshop();
  return globalThis.gilderWorkshop;
}

const CATCH_UP_EVERY_MS = 30_000;

async function openWorkshop(): Promise<Workshop> {
  const dataFolder = process.env.GILDER_DATA ?? join(process.cwd(), 'data');
  const database = await openDatabase(dataFolder);
  const { db, close } = database;
  const folders = foldersIn(dataFolder);
  const { pictureFolder } = folders;
  if (process.env.GILDER_DEMO !== 'off') await putInDemo(db, pictureFolder);
  await takeOutBytes(db, (hash, bytes) => keepPicture(pictureFolder, hash, bytes));
  const press = await Press.open({
    database,
    // With a database of its own there is nobody else who could make anything.
    pool: new RenderPool(lanesAsked(database.isShared ? 0 : 1)),
    folder: folders.renderFolder,
    sources: sourcesIn(db, folders),
  });
  const callBacks = new CallBacks(db);
  press.subscribe(({ endedAt }) => endedAt !== null && callBacks.look());
  await press.start();
  callBacks.look();
  const handOver = new HandOver({ db, root: deliveryFolder(), folderOf: (id) => press.folderOf(id) });
  press.subscribe(({ endedAt, handover }) => {
    if (endedAt !== null && handover?.status === 'waiting') void handOver.look();
  });
  void handOver.look();
  const { GILDER_WATCH: watched = '' } = process.env;
  const watch = watched === '' ? null : new WatchFolder({ db, press, folder: watched });
  await watch?.start();
  // What was told while nobody could hear it, and what a disk refused for a while.
  const catchUp = (): void => {
    callBacks.look();
    void handOver.look();
    watch?.catchUp();
  };
  setInterval(catchUp, CATCH_UP_EVERY_MS).unref();
  const shop: Workshop = {
    db,
    press,
    handOver,
    news: new News(),
    ...folders,
    close,
  };
  const stop = (): void => {
    stopPictures();
    stopFaces();
    void callBacks
      .stop()
      .then(() => handOver.stop())
      .then(() => press.stop())
      .then(close)
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
  return shop;
}

/** The demo is put in once, all of it or nothing, however often the first start is broken off. */
async function putInDemo(db: Db, pictureFolder: string): Promise<void> {
  if (await isFact(db, 'demo')) return;
  await db.transaction(async (tx) => {
    await seedDemo(tx, (hash, bytes) => keepPicture(pictureFolder, hash, bytes));
    await setFact(tx, 'demo');
  });
}
