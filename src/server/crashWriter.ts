// Run by crash.test.ts: saves without end and says what was saved, until it is killed.
import { tidelineStrap } from '../../demo/templates';
import { openDatabase } from '../db/open';
import { findTemplate, insertTemplate, saveTemplate } from '../db/templates';

async function write(folder: string): Promise<void> {
  const { db } = await openDatabase(folder);
  if ((await findTemplate(db, 'crash')) === undefined) {
    await insertTemplate(db, 'crash', { ...tidelineStrap, name: 'Revision 1' });
  }
  let revision = (await findTemplate(db, 'crash'))?.revision ?? 1;
  for (;;) {
    revision = await saveTemplate(db, 'crash', revision, {
      ...tidelineStrap,
      name: `Revision ${revision + 1}`,
    });
    process.stdout.write(`saved ${revision}\n`);
  }
}

void write(process.argv[2]);
