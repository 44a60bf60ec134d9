import { join } from 'node:path';
import { seedDemo } from '../../demo/seed';
import type { Db } from '@/db/open';
import { openDatabase } from '@/db/open';
import { listProjects } from '@/db/projects';
import { News } from './news';
import { Press } from './press/press';
import { RenderPool } from './press/renderPool';

/** Everything that lives as long as the server does. */
export interface Workshop {
  readonly db: Db;
  readonly press: Press;
  readonly news: News;
  /** Where uploaded videos lie. */
  readonly mediaFolder: string;
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

async function openWorkshop(): Promise<Workshop> {
  const dataFolder = process.env.GILDER_DATA ?? join(process.cwd(), 'data');
  const { db, close } = await openDatabase(dataFolder);
  if (process.env.GILDER_DEMO !== 'off' && (await listProjects(db)).length === 0) await seedDemo(db);
  const press = new Press(db, new RenderPool(), join(dataFolder, 'renders'));
  await press.start();
  const stop = (): void => {
    void press
      .stop()
      .then(close)
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop).once('SIGINT', stop);
  return { db, press, news: new News(), mediaFolder: join(dataFolder, 'media'), close };
}
