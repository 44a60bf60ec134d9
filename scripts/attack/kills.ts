import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_PROJECT_IDS } from '../../demo/seed';
import { DEMO_TEMPLATES } from '../../demo/templates';
import type { Chance } from './chance';
import type { AttackedServer } from './server';
import { end, launch, pause, start, untilUp } from './server';

export interface KillFigures {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: number;
  readonly problems: readonly string[];
}

const TEMPLATE = 'tideline-strap';

interface Saved {
  readonly revision: number;
  readonly document: { readonly name: string };
}

const read = async (server: AttackedServer): Promise<Saved> =>
  (await fetch(`${server.url}/api/templates/${TEMPLATE}`)).json();

/** Saves without end until the server is gone; gives the last revision that was acknowledged. */
async function saveUntilGone(
  server: AttackedServer,
  from: Saved,
): Promise<{ revision: number; count: number }> {
  let { revision } = from;
  for (let count = 0; ; count++) {
    try {
      const document = { ...from.document, name: `Revision ${revision + 1}` };
      const answer = await fetch(`${server.url}/api/templates/${TEMPLATE}`, {
        method: 'PUT',
        body: JSON.stringify({ revision, document }),
      });
      if (!answer.ok) throw new Error(`a save was answered with ${answer.status}`);
      ({ revision } = await answer.json());
    } catch (error) {
      if (error instanceof Error && error.message.startsWith('a save')) throw error;
      return { revision, count };
    }
  }
}

/** Kills a server again and again while it is written to; what was acknowledged must be there the next time. */
export async function killWhileWriting(root: string, chance: Chance, kills: number): Promise<KillFigures> {
  const folder = join(root, 'writes');
  mkdirSync(folder, { recursive: true });
  const problems: string[] = [];
  let acknowledged = 0;
  let lost = 0;
  let known = 0;
  for (let i = 0; i < kills; i++) {
    const server = await start(folder);
    const found = await read(server);
    if (found.revision < known) {
      lost += known - found.revision;
      problems.push(`round ${i}: revision ${known} was acknowledged, ${found.revision} is there`);
    }
    const saving = saveUntilGone(server, found);
    await pause(30 + chance.below(700));
    await end(server, 'SIGKILL');
    const { revision, count } = await saving;
    known = revision;
    acknowledged += count;
  }
  rmSync(folder, { recursive: true });
  return { kills, acknowledged, lost, problems };
}

/** Kills first starts at any moment; the folder must open the next time, with the whole demo. */
export async function killFirstStarts(root: string, chance: Chance, kills: number): Promise<KillFigures> {
  const problems: string[] = [];
  for (let i = 0; i < kills; i++) {
    const folder = join(root, `start-${i}`);
    mkdirSync(folder, { recursive: true });
    // Twice, so that what the first left is met by one that is killed as well.
    for (let again = 0; again < 2; again++) {
      const killed = await launch(folder);
      await pause(chance.below(5000));
      await end(killed, 'SIGKILL');
    }
    try {
      const server = await launch(folder);
      await untilUp(server);
      const shelf: unknown[] = await (await fetch(`${server.url}/api/shelf`)).json();
      const projects: unknown[] = await (await fetch(`${server.url}/api/projects`)).json();
      if (shelf.length !== DEMO_TEMPLATES.length || projects.length !== DEMO_PROJECT_IDS.length)
        problems.push(`start ${i}: ${shelf.length} templates and ${projects.length} projects`);
      await end(server, 'SIGKILL');
    } catch (error) {
      problems.push(`start ${i}: ${error instanceof Error ? error.message : String(error)}`);
    }
    rmSync(folder, { recursive: true, force: true });
  }
  return { kills: kills * 2, acknowledged: 0, lost: 0, problems };
}
