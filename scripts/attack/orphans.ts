import { join } from 'node:path';
import { end, pause, processesOf, start } from './server';

const SOON_MS = 10_000;

/** Whether nothing that was started for a folder runs any more, soon. */
async function gone(folder: string): Promise<boolean> {
  for (const until = Date.now() + SOON_MS; Date.now() < until; await pause(100))
    if (processesOf(folder).length === 0) return true;
  return false;
}

/** A killed server leaves no encoder and no opener of pictures. */
export async function attackParents(root: string): Promise<readonly string[]> {
  const problems: string[] = [];
  const folder = join(root, 'parents');
  const server = await start(folder);
  // A picture that is opened has its own process, which waits for the next.
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v9z"/></svg>';
  await fetch(`${server.url}/api/assets?name=a.svg`, { method: 'POST', body: svg });
  const order = { projectId: 'lantern-regatta-2', output: 'webm-vp9', titleIds: [] };
  await fetch(`${server.url}/api/jobs`, { method: 'POST', body: JSON.stringify(order) });
  const alone = processesOf(folder).length;
  for (let i = 0; i < 100 && processesOf(folder).length <= alone; i++) await pause(100);
  if (processesOf(folder).length <= alone) problems.push('No encoder was seen at work.');
  await end(server, 'SIGKILL');
  if (!(await gone(folder))) problems.push('A killed server left an encoder.');
  return problems;
}
