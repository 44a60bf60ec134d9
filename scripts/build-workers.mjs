// Bundles the render worker into one file that worker_threads can run in development and in production.
import { join } from 'node:path';
import { build } from 'esbuild';

const root = join(import.meta.dirname, '..');
await build({
  entryPoints: [join(root, 'src/server/press/renderWorker.ts')],
  outfile: join(root, 'dist/renderWorker.mjs'),
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  tsconfig: join(root, 'tsconfig.json'),
  logLevel: 'warning',
});
