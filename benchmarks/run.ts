// Prints medians and ratios of one run. Machines are shared: compare ratios, and figures only within a run.
// `npm run bench -- export batch` runs those parts alone.
import { serverFonts } from '@/server/fontFiles';
import { benchCaptions } from './captions';
import { benchCore, benchPaint } from './core';
import { benchCredits } from './credits';
import { benchDrafts } from './drafts';
import { benchEngine } from './engine';
import { benchLists } from './lists';
import { benchMachines } from './machines';
import { benchMotion } from './motion';
import { benchOutputs } from './outputs';
import { benchPages } from './pages';
import { benchPlayback } from './playback';
import { benchDesk } from './desk';
import { benchTyping } from './typing';
import { benchBatch, benchExport, benchMemory } from './press';

const PARTS: Readonly<Record<string, () => Promise<void>>> = {
  core: async () => benchCore(await serverFonts()),
  paint: async () => benchPaint(await serverFonts()),
  engine: async () => benchEngine(await serverFonts()),
  credits: async () => benchCredits(await serverFonts()),
  drafts: async () => benchDrafts(),
  motion: async () => benchMotion(await serverFonts()),
  export: benchExport,
  outputs: benchOutputs,
  batch: benchBatch,
  memory: benchMemory,
  machines: benchMachines,
  pages: benchPages,
  lists: benchLists,
  typing: benchTyping,
  playback: benchPlayback,
  desk: benchDesk,
  captions: benchCaptions,
};

async function run(names: readonly string[]): Promise<void> {
  const unknown = names.filter((name) => !(name in PARTS));
  if (unknown.length > 0) {
    throw new Error(`No such part: ${unknown.join(', ')}. Parts: ${Object.keys(PARTS).join(', ')}`);
  }
  for (const [name, part] of Object.entries(PARTS)) {
    if (names.length === 0 || names.includes(name)) await part();
  }
}

void run(process.argv.slice(2)).then(() => process.exit(0));
