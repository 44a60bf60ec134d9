import { breakLines } from '../../captions/breakLines';
import { plainLines } from '../../formats/captions/cueMarks';
import { countGraphemes } from '../../text/graphemes';
import { italicOf } from '../../faces/faces';
import { defineCheck } from '../check';
import type { TitleContext } from '../check';
import type { Found } from '../finding';

export const captionLinesCheck = defineCheck({
  kind: 'title',
  of: 'captions',
  id: 'caption-lines',
  label: 'Lines of captions',
  about: 'Finds captions with too many lines or too long ones, and italics that the face does not have.',
  run(context) {
    const { cue, captions: rules, title } = context;
    if (cue === null) return [];
    const lines = plainLines(cue.words);
    const longest = Math.max(0, ...lines.map(countGraphemes));
    const found: Found[] = [];
    if (lines.length > rules.mostLines || longest > rules.charactersPerLine) {
      const words = breakLines(cue.words, rules, title.caption?.language ?? 'und');
      const broken = plainLines(words);
      const fits =
        broken.length <= rules.mostLines &&
        broken.every((line) => countGraphemes(line) <= rules.charactersPerLine);
      found.push({
        tone: 'stop',
        message: lines.length > rules.mostLines ? `${lines.length} lines` : `${longest} characters in a line`,
        detail: `At most ${rules.mostLines} lines of ${rules.charactersPerLine} characters; it has ${lines.length}, the longest of ${longest}.`,
        mends: fits ? [{ label: 'Break its lines', change: { kind: 'cue', set: { words } } }] : [],
      });
    }
    const upright = uprightItalics(context);
    if (upright !== null)
      found.push({
        tone: 'look',
        subject: 'italics',
        message: 'italics stand upright',
        detail: `${upright} has no italics, so words in italics look as the others do.`,
      });
    return found;
  },
});

/** The face in which words in italics stand upright; null where none do. */
function uprightItalics({ applied, title }: TitleContext): string | null {
  const italic = Object.values(title.caption?.spans ?? {}).some((list) => list.some((span) => span.italic));
  if (!italic) return null;
  const text = applied.layers.find(({ kind }) => kind === 'text');
  return text?.kind === 'text' && italicOf(text.style.face) === null ? text.style.face : null;
}
