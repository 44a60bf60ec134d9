/**
 * Writes a contact sheet of every demo template, template × format × sample text, to a folder: to be looked at.
 * Run: npm run contact-sheet -- folder
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { contactSheet } from '../demo/contactSheet';
import { DEMO_TEMPLATES } from '../demo/templates';
import { fileSlug } from '../src/core/kit/fileSlug';
import { serverFonts } from '../src/server/fontFiles';

const folder = process.argv[2] ?? 'contact-sheets';
mkdirSync(folder, { recursive: true });
const fonts = await serverFonts();
for (const template of DEMO_TEMPLATES) {
  const file = join(folder, `${fileSlug(template.name)}.png`);
  writeFileSync(file, contactSheet(template, fonts, { pictures: true }).toBuffer('image/png'));
  console.log(file);
}
