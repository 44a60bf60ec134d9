import type { FileCue, WriteOptions } from './captionFile';
import { writeClockTime } from './clockTimes';
import { CUE_COLOURS, cueSpans } from './cueMarks';
import { writeEntities } from './cueTags';

/** The two documents that are written; they differ in what they say of themselves, and in forced cues. */
export type TtmlProfile = 'imsc' | 'ebu-tt-d';

const ROOTS: Readonly<Record<TtmlProfile, readonly string[]>> = {
  imsc: [
    'xmlns:itts="http://www.w3.org/ns/ttml/profile/imsc1#styling"',
    'ttp:contentProfiles="http://www.w3.org/ns/ttml/profile/imsc1.1/text"',
  ],
  'ebu-tt-d': ['xmlns:ebuttm="urn:ebu:tt:metadata"', 'xmlns:ebutts="urn:ebu:tt:style"'],
};

const CONFORMS = `    <metadata>
      <ebuttm:documentMetadata>
        <ebuttm:conformsToStandard>urn:ebu:tt:distribution:2018-04</ebuttm:conformsToStandard>
        <ebuttm:conformsToStandard>http://www.w3.org/ns/ttml/profile/imsc1/text</ebuttm:conformsToStandard>
      </ebuttm:documentMetadata>
    </metadata>
`;

/**
 * Cues as a TTML document: IMSC 1.1 Text (W3C) or EBU-TT-D (Tech 3380). What words look like is in named styles, which
 * both allow; places are two regions, below and above.
 */
export function writeTtml(
  cues: readonly FileCue[],
  { language }: Pick<WriteOptions, 'language'>,
  profile: TtmlProfile,
): Uint8Array<ArrayBuffer> {
  const speakers = [...new Set(cues.map(({ speaker }) => speaker).filter((speaker) => speaker !== ''))];
  const agents = profile === 'imsc' ? speakers : [];
  const text = `<?xml version="1.0" encoding="UTF-8"?>
<tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" xmlns:tts="http://www.w3.org/ns/ttml#styling" xmlns:ttm="http://www.w3.org/ns/ttml#metadata" ${ROOTS[profile].join(' ')} ttp:timeBase="media" ttp:cellResolution="32 15" xml:space="default" xml:lang="${writeAttribute(language === 'und' ? '' : language)}">
  <head>
${profile === 'ebu-tt-d' ? CONFORMS : agentsOf(agents)}    <styling>
${stylesOf(cues)}    </styling>
    <layout>
      <region xml:id="below" tts:origin="10% 10%" tts:extent="80% 80%" tts:displayAlign="after"/>
      <region xml:id="above" tts:origin="10% 10%" tts:extent="80% 80%" tts:displayAlign="before"/>
    </layout>
  </head>
  <body>
    <div style="words">
${cues.map((cue, i) => paragraphOf(cue, i, agents, profile)).join('')}    </div>
  </body>
</tt>
`;
  return new TextEncoder().encode(text);
}

function agentsOf(agents: readonly string[]): string {
  if (agents.length === 0) return '';
  const lines = agents.map(
    (name, i) =>
      `      <ttm:agent xml:id="speaker${i + 1}" type="person"><ttm:name type="full">${writeEntities(name)}</ttm:name></ttm:agent>\n`,
  );
  return `    <metadata>\n${lines.join('')}    </metadata>\n`;
}

function stylesOf(cues: readonly FileCue[]): string {
  const used = new Set(cues.flatMap(({ words }) => cueSpans(words).flatMap(({ colour }) => colour ?? [])));
  const colours = CUE_COLOURS.list.filter(({ id }) => used.has(id));
  return [
    '<style xml:id="words" tts:fontFamily="proportionalSansSerif" tts:fontSize="100%" tts:lineHeight="normal" tts:textAlign="center" tts:color="#ffffffff"/>',
    '<style xml:id="toLeft" tts:textAlign="left"/>',
    '<style xml:id="toRight" tts:textAlign="right"/>',
    '<style xml:id="italic" tts:fontStyle="italic"/>',
    '<style xml:id="plate" tts:backgroundColor="#000000c2"/>',
    ...colours.map(({ id, colour }) => `<style xml:id="${id}" tts:color="${colour}ff"/>`),
  ]
    .map((style) => `      ${style}\n`)
    .join('');
}

const SIDES = { centre: '', left: ' style="toLeft"', right: ' style="toRight"' };

function paragraphOf(cue: FileCue, i: number, agents: readonly string[], profile: TtmlProfile): string {
  const speaker = agents.indexOf(cue.speaker);
  const before = profile === 'ebu-tt-d' && cue.speaker !== '' ? `${cue.speaker}: ` : '';
  const spans = cueSpans(`${before}${cue.words}`).map(({ text, italic, colour }) => {
    const styles = ['plate', ...(italic ? ['italic'] : []), ...(colour === null ? [] : [colour])].join(' ');
    const lines = text
      .split('\n')
      .map((line) => (line === '' ? '' : `<span style="${styles}">${writeEntities(line)}</span>`));
    return lines.join('<br/>');
  });
  const times = `begin="${writeClockTime(cue.startSeconds, '.')}" end="${writeClockTime(cue.endSeconds, '.')}"`;
  const who = speaker < 0 ? '' : ` ttm:agent="speaker${speaker + 1}"`;
  const forced = profile === 'imsc' && cue.forced ? ' itts:forcedDisplay="true"' : '';
  const region = cue.place === 'top' ? 'above' : 'below';
  return `      <p xml:id="cue${i + 1}" ${times} region="${region}"${SIDES[cue.align]}${who}${forced}>${spans.join('')}</p>\n`;
}

const writeAttribute = (text: string): string => writeEntities(text).replace(/"/g, '&quot;');
