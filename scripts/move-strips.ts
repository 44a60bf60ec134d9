/**
 * Writes a strip of pictures of every ready move, and the page that shows them all.
 * Run: npm run move-strips
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createCanvas } from '@napi-rs/canvas';
import { moveStrip } from '../demo/moveStrips';
import { MOVES } from '../src/core/moves';
import { serverFonts } from '../src/server/fontFiles';

const SHARES = [0.1, 0.25, 0.4, 0.55, 0.7, 0.85, 1];
const STRIPS_PER_SHEET = 12;
const WIDTH_PX = 168;
const LABEL_PX = 18;

const folder = process.argv[2] ?? 'docs/moves';
mkdirSync(folder, { recursive: true });
const fonts = await serverFonts();
const strips = MOVES.list.map((move) => ({ move, strip: moveStrip(move, SHARES, fonts, WIDTH_PX) }));
const sheets: string[] = [];
for (let first = 0; first < strips.length; first += STRIPS_PER_SHEET) {
  const part = strips.slice(first, first + STRIPS_PER_SHEET);
  const height = part[0].strip.height + LABEL_PX;
  const sheet = createCanvas(part[0].strip.width, height * part.length);
  const context = sheet.getContext('2d');
  context.fillStyle = '#f3f0ea';
  context.fillRect(0, 0, sheet.width, sheet.height);
  context.font = '13px sans-serif';
  part.forEach(({ move, strip }, i) => {
    context.fillStyle = '#23211d';
    context.fillText(move.label, 2, i * height + 13);
    context.drawImage(strip, 0, i * height + LABEL_PX);
  });
  const name = `strips-${sheets.length + 1}.png`;
  writeFileSync(join(folder, name), sheet.toBuffer('image/png'));
  sheets.push(name);
}
const page = [
  '# The ready moves',
  '',
  `Each at ${SHARES.map((share) => Math.round(share * 100)).join(', ')} % of its way in, on the units and in the order that suit it. Made by \`npm run move-strips\`.`,
  '',
  ...sheets.map((name) => `![Strips of moves](${name})\n`),
].join('\n');
writeFileSync(join(folder, 'README.md'), page);
console.log(`${strips.length} moves on ${sheets.length} sheets in ${folder}`);
