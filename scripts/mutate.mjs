// Changes the core in many small ways and counts how many of them some test notices: `npm run mutate -- src/core/proof`.
import { spawnSync } from 'node:child_process';

const [folder] = process.argv.slice(2);
if (folder === undefined || !folder.startsWith('src/core')) {
  console.error('Which folder or file? For example: npm run mutate -- src/core/time');
  process.exit(2);
}
const { status } = spawnSync('npx', ['stryker', 'run', 'stryker.config.mjs'], {
  stdio: 'inherit',
  env: { ...process.env, MUTATE: folder },
});
process.exit(status ?? 1);
