// Bundles what runs beside the server into one file each, for development and production alike.
import { join } from 'node:path';
import { build } from 'esbuild';

const root = join(import.meta.dirname, '..');
await build({
  entryPoints: [
    'press/renderWorker.ts',
    'pictures/pictureProcess.ts',
    'faces/faceProcess.ts',
    'pressWorker.ts',
  ].map((file) => join(root, 'src/server', file)),
  outdir: join(root, 'dist'),
  entryNames: '[name]',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  tsconfig: join(root, 'tsconfig.json'),
  logLevel: 'warning',
});
