import { CUE_COLOURS, cueSpans, plainWords } from '../formats/captions/cueMarks';
import type { CaptionTrack, Cue } from '../model/captions';
import type { CaptionUse, Title } from '../model/project';
import { newTitle } from '../model/project';
import { PLAIN_CAPTION_ID } from './plainCaption';
import type { Field, Template } from '../model/template';

/** The fields of a caption template: its first text is for the words, the second, where there is one, for the speaker. */
export function captionFields(template: Template): {
  readonly words: Field | null;
  readonly speaker: Field | null;
} {
  const [words = null, speaker = null] = template.fields.filter(({ kind }) => kind === 'text');
  return { words, speaker };
}

// Captions are in front of titles.
const CAPTION_LANE = 20;

// A cue is asked for at every frame that it stands; as long as it is the same, so is what it is painted as.
const known = new WeakMap<
  Cue,
  { readonly key: string; readonly template: Template; readonly title: Title }
>();

/**
 * A cue as a title of its track's template, to be laid out, proofed and rendered as any title. `atTop` is where it
 * stands now (see `standsAbove`).
 */
export function cueTitle(cue: Cue, track: CaptionTrack, template: Template, atTop: boolean): Title {
  const editionId = track.editionId ?? PLAIN_CAPTION_ID;
  const key = `${editionId} ${track.language} ${atTop}`;
  const before = known.get(cue);
  if (before !== undefined && before.key === key && before.template === template) return before.title;
  const { words, speaker } = captionFields(template);
  const caption: CaptionUse = {
    trackId: track.id,
    language: track.language,
    align: cue.align,
    atTop,
    spans: words === null ? {} : { [words.id]: spansOf(cue) },
  };
  const title = {
    ...newTitle({
      id: cue.id,
      editionId,
      startFrame: cue.startFrame,
      lengthFrames: Math.max(2, cue.lengthFrames),
      lane: CAPTION_LANE,
      values: {
        ...(words !== null && { [words.id]: plainWords(cue.words) }),
        ...(speaker !== null && { [speaker.id]: cue.speaker }),
      },
    }),
    caption,
  };
  known.set(cue, { key, template, title });
  return title;
}

function spansOf({ words }: Cue): CaptionUse['spans'][string] {
  return cueSpans(words).map(({ text, italic, colour }) => ({
    text,
    italic,
    colour: colour === null ? null : CUE_COLOURS.get(colour).colour,
  }));
}
