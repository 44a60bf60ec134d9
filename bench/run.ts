// Prints medians and ratios of one run. Machines are shared: compare ratios, and figures only within a run.
import { serverFonts } from '@/server/fontFiles';
import { benchCore, benchPaint } from './core';
import { benchPages } from './pages';
import { benchBatch, benchExport, benchMemory } from './press';

async function run(): Promise<void> {
  const fonts = await serverFonts();
  benchCore(fonts);
  benchPaint(fonts);
  await benchExport();
  await benchBatch();
  await benchMemory();
  await benchPages();
}

void run().then(() => process.exit(0));
