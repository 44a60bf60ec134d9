import * as hb from 'harfbuzzjs';
import { answerTasks } from '../opening/answerTasks';
import { RefusedFile } from '../opening/refusedFile';
import { openContainer } from './containers';
import type { FaceTask, OpenedFace } from './faceTask';
import { readFaceFacts } from './readFaceFacts';
import { readSfnt, requireWhole, whole } from './sfnt';

// More than any face of letters has; of the large ones of other scripts the first ones tell.
const MOST_DRAWN = 3000;
// OpenType 1.9, head: unitsPerEm.
const [LEAST_UNITS, MOST_UNITS] = [16, 16_384];

/** All fonts of a file, each looked through: its tables, what it says of itself, its outlines. */
async function openFaces({ bytes }: FaceTask): Promise<OpenedFace[]> {
  if (bytes.length === 0) throw RefusedFile.of('a font', 'an empty file');
  const plain = await openContainer(Buffer.from(bytes));
  return plain.map((font) => {
    requireWhole(readSfnt(font));
    requireOutlines(font);
    return { facts: readFaceFacts(font), bytes: Uint8Array.from(font) };
  });
}

/** Draws the glyphs as the typesetter will: a font whose letters are all empty sets nothing. */
function requireOutlines(font: Buffer): void {
  const face = new hb.Face(new hb.Blob(Uint8Array.from(font)));
  if (face.upem < LEAST_UNITS || face.upem > MOST_UNITS) throw whole(`one of ${face.upem} units an em`);
  const drawn = new hb.Font(face);
  const codePoints = [...face.collectUnicodes()];
  if (codePoints.length === 0) throw RefusedFile.of('a font for words', 'one that has no characters');
  let seen = 0;
  const count = Math.min(MOST_DRAWN, readSfnt(font).tables.get('maxp')?.data.readUInt16BE(4) ?? 0);
  for (let id = 0; id < count; id++) if (drawn.glyphToJson(id).length > 0) seen++;
  if (seen === 0)
    throw RefusedFile.of('a font with outlines', 'one that draws nothing', 'Choose an outline version.');
}

answerTasks('a font', openFaces);
