import type { TimecodeMode } from '../../time/timecode';

/** How one event of an edit list begins: at once, or over some frames. */
type EdlTransition = 'cut' | 'dissolve' | 'wipe' | 'key';

/** An event of an edit list as its line says it; times are labels, source in and out, record in and out. */
export interface EdlEvent {
  readonly kind: 'event';
  readonly number: string;
  readonly reel: string;
  readonly track: string;
  readonly transition: EdlTransition;
  readonly transitionFrames: number;
  readonly times: readonly string[];
}

/** One line of an edit list, told apart. */
export type EdlLine =
  | EdlEvent
  | { readonly kind: 'title'; readonly name: string }
  | { readonly kind: 'mode'; readonly mode: TimecodeMode }
  /** A note that names the clip, or its file, that an event shows or comes from. */
  | {
      readonly kind: 'name';
      readonly of: 'from' | 'to';
      readonly what: 'clip' | 'file';
      readonly name: string;
    }
  | { readonly kind: 'marker'; readonly label: string; readonly name: string }
  | { readonly kind: 'speed'; readonly framesPerSecond: number }
  /** Something that an edit list may say and that nothing is made of. */
  | { readonly kind: 'other' }
  /** A line that begins as an event does and is none, or that nobody knows. */
  | { readonly kind: 'unknown' };

const TIMECODE = String.raw`\d{1,2}[:;.]\d{2}[:;.]\d{2}[:;.,]\d{2,3}`;
const EVENT = new RegExp(
  String.raw`^(\d{1,6}[A-Z]?)\s+(\S+)\s+(\S+)\s+(C|D|W\d{1,3}|K(?:\s?[BO])?)(?:\s+(\d{1,4}))?((?:\s+${TIMECODE}){4})\s*$`,
  'i',
);
const TRANSITIONS = { C: 'cut', D: 'dissolve', W: 'wipe', K: 'key' } as const;
const NAME =
  /^\*\s*(FROM|TO)?\s*(CLIP NAME|CLIP FILE|(?:SOURCE )?FILE(?: ?NAME)?(?: PATH)?|CLIP FILE NAME)\s*(?:IS)?\s*:\s*(.+)$/i;
const KNOWN = /^(?:\*|>>>|AUD\b|SPLIT\b|FINAL\b|EFFECTS?\b|TRIM\b|REEL\b|DLEDL\b|GPI\b|M\/S\b|BLOCK\b|#|$)/i;

/** What a line of a CMX 3600 edit list says. */
export function readEdlLine(line: string): EdlLine {
  const text = line.trim();
  const event = EVENT.exec(text);
  if (event !== null) return eventFrom(event);
  const title = /^TITLE:\s*(.*)$/i.exec(text);
  if (title !== null) return { kind: 'title', name: title[1] };
  const mode = /^FCM:\s*(NON[- ]?DROP|DROP)/i.exec(text);
  if (mode !== null) return { kind: 'mode', mode: /^drop/i.test(mode[1]) ? 'drop' : 'non-drop' };
  const marker = /^\*\s*LOC:\s*(\S+)\s+(?:[A-Z]+\s+)?(.*)$/i.exec(text);
  if (marker !== null) return { kind: 'marker', label: marker[1], name: marker[2] };
  const name = NAME.exec(text);
  if (name !== null) {
    const [, end, what, said] = name;
    return {
      kind: 'name',
      of: end?.toUpperCase() === 'TO' ? 'to' : 'from',
      what: /^CLIP NAME$/i.test(what) ? 'clip' : 'file',
      name: said,
    };
  }
  const speed = /^M2\s+\S+\s+([-+]?\d+(?:\.\d+)?)\s/i.exec(text);
  if (speed !== null) return { kind: 'speed', framesPerSecond: Number(speed[1]) };
  return { kind: KNOWN.test(text) ? 'other' : 'unknown' };
}

function eventFrom([, number, reel, track, how, frames, times]: RegExpExecArray): EdlEvent {
  const [letter] = how.toUpperCase();
  return {
    kind: 'event',
    number,
    reel,
    track,
    transition: TRANSITIONS[letter === 'D' || letter === 'W' || letter === 'K' ? letter : 'C'],
    transitionFrames: Number(frames ?? 0),
    times: times.trim().split(/\s+/),
  };
}
