import type { SaxesTagNS } from 'saxes';
import { SaxesParser } from 'saxes';
import { InputError } from '../../kit/inputError';
import type { CaptionFile, FileCue } from './captionFile';
import { fewProblems, newFileCue } from './captionFile';
import type { CueSpan } from './cueMarks';
import { spansToWords } from './cueMarks';
import { decodeText } from './decodeText';
import type { TtmlStyle } from './ttmlStyles';
import { placeOfRegion, readStyle } from './ttmlStyles';
import type { TtmlClock } from './ttmlTimes';
import { readTtmlTime, ttmlClock } from './ttmlTimes';

const TT = /\/ttml(#|$|\/)|\/ttaf1/;

/** An element that is open, with what it has by itself and from those round it. */
interface Open {
  readonly local: string;
  readonly beginSeconds: number;
  readonly endSeconds: number | null;
  readonly style: TtmlStyle;
  readonly region: string | null;
  readonly speaker: string;
  readonly forced: boolean;
  readonly keepsSpace: boolean;
}

interface Paragraph {
  readonly line: number;
  readonly open: Open;
  readonly spans: CueSpan[];
}

/** Reads a TTML document as it comes: what was read before a fault in it is kept. */
class TtmlReader {
  readonly cues: FileCue[] = [];
  readonly problems: string[] = [];
  readonly dropped = new Set<string>();
  language = '';
  isTtml = false;
  private clock: TtmlClock = { framesPerSecond: 30, ticksPerSecond: 1 };
  private cells: { readonly rows: number; readonly heightPx: number | null } = { rows: 15, heightPx: null };
  private readonly styles = new Map<string, TtmlStyle>();
  private readonly regions = new Map<string, TtmlStyle>();
  private readonly agents = new Map<string, string>();
  private readonly stack: Open[] = [];
  private paragraph: Paragraph | null = null;
  private regionId: string | null = null;
  private agentId: string | null = null;
  private readonly parser = new SaxesParser({ xmlns: true });

  read(text: string): void {
    const { parser } = this;
    parser.on('error', ({ message }) =>
      this.problems.push(`Line ${parser.line}: ${message.replace(/^[\d:]+\s*/, '')}`),
    );
    parser.on('opentag', (tag) => this.enter(tag));
    parser.on('text', (words) => this.say(words));
    parser.on('cdata', (words) => this.say(words));
    parser.on('closetag', () => this.leave());
    parser.write(text).close();
  }

  private enter(tag: SaxesTagNS): void {
    const outer = this.stack.at(-1);
    const { local } = tag;
    if (outer === undefined) this.begin(tag);
    const own = attributesOf(tag);
    const style = { ...outer?.style, ...this.referred(own('style')), ...this.ownStyle(tag) };
    const line = this.parser.line;
    const start = this.timeOf(own('begin'), line) ?? 0;
    const beginSeconds = (outer?.beginSeconds ?? 0) + start;
    const open: Open = {
      local,
      beginSeconds,
      endSeconds: this.endOf(own, outer, beginSeconds, line),
      style,
      region: own('region') ?? outer?.region ?? null,
      speaker: this.agents.get(own('agent') ?? '') ?? outer?.speaker ?? '',
      forced: (own('forcedDisplay') ?? String(outer?.forced === true)) === 'true',
      keepsSpace: (own('space') ?? (outer?.keepsSpace === true ? 'preserve' : '')) === 'preserve',
    };
    this.stack.push(open);
    if (local === 'style') this.takeStyle(own('id'), style, own);
    if (local === 'region') this.takeRegion(own('id') ?? '', style);
    if (local === 'agent') this.agentId = own('id') ?? null;
    if (local === 'p') this.paragraph = { line, open, spans: [] };
    if (local === 'br') this.add('\n');
    if (local === 'span' && own('begin') !== undefined) this.dropped.add('times inside cues');
  }

  private begin(tag: SaxesTagNS): void {
    const own = attributesOf(tag);
    this.isTtml = tag.local === 'tt' && TT.test(tag.uri);
    this.clock = ttmlClock(own);
    this.language = own('lang') ?? '';
    const rows = Number(own('cellResolution')?.split(/\s+/)[1]);
    const height = Number(/\s(\d+)px$/.exec(own('extent') ?? '')?.[1]);
    this.cells = { rows: rows > 0 ? rows : 15, heightPx: height > 0 ? height : null };
  }

  private timeOf(value: string | undefined, line: number): number | null {
    if (value === undefined) return null;
    const seconds = readTtmlTime(value, this.clock);
    if (seconds === null)
      this.problems.push(
        `Line ${line}: needs a time such as 00:00:01.000 or 12s, found "${value.slice(0, 40)}".`,
      );
    return seconds;
  }

  private endOf(
    own: (name: string) => string | undefined,
    outer: Open | undefined,
    beginSeconds: number,
    line: number,
  ): number | null {
    const [end, lasts] = [this.timeOf(own('end'), line), this.timeOf(own('dur'), line)];
    const ends = [
      outer?.endSeconds ?? Infinity,
      end === null ? Infinity : (outer?.beginSeconds ?? 0) + end,
      lasts === null ? Infinity : beginSeconds + lasts,
    ];
    const first = Math.min(...ends);
    return first === Infinity ? null : first;
  }

  private ownStyle(tag: SaxesTagNS): TtmlStyle {
    return readStyle(attributesOf(tag), this.cells);
  }

  private referred(ids: string | undefined): TtmlStyle {
    return Object.assign({}, ...(ids ?? '').split(/\s+/).map((id) => this.styles.get(id) ?? {}));
  }

  private takeStyle(
    id: string | undefined,
    style: TtmlStyle,
    own: (name: string) => string | undefined,
  ): void {
    // A style within a region is the region's; the others are named.
    if (this.regionId === null) {
      if (id !== undefined)
        this.styles.set(id, { ...this.referred(own('style')), ...readStyle(own, this.cells) });
    } else this.regions.set(this.regionId, { ...this.regions.get(this.regionId), ...style });
  }

  private takeRegion(id: string, style: TtmlStyle): void {
    this.regionId = id;
    this.regions.set(id, style);
  }

  private say(words: string): void {
    if (this.agentId !== null && this.stack.at(-1)?.local === 'name')
      this.agents.set(this.agentId, words.trim().slice(0, 80));
    if (
      this.paragraph === null ||
      ['metadata', 'title', 'desc', 'rt', 'rp'].includes(this.stack.at(-1)?.local ?? '')
    )
      return;
    this.add(this.stack.at(-1)?.keepsSpace === true ? words : words.replace(/\s+/g, ' '));
  }

  private add(text: string): void {
    const { italic = false, colour = null } = this.stack.at(-1)?.style ?? {};
    this.paragraph?.spans.push({ text, italic, colour });
  }

  private leave(): void {
    const closed = this.stack.pop();
    if (closed?.local === 'region') this.regionId = null;
    if (closed?.local === 'agent') this.agentId = null;
    if (closed?.local === 'p') this.endParagraph();
  }

  private endParagraph(): void {
    const { paragraph } = this;
    this.paragraph = null;
    if (paragraph === null) return;
    const { line, open, spans } = paragraph;
    const words = spansToWords(spans)
      .replace(/[ \t]*\n[ \t]*/g, '\n')
      .trim();
    if (words === '') return;
    const { beginSeconds, endSeconds, style, region, speaker, forced } = open;
    if (endSeconds === null) {
      this.problems.push(`Line ${line}: a cue without an end, left out.`);
      return;
    }
    if (endSeconds < beginSeconds)
      this.problems.push(`Line ${line}: it ends before it starts; taken with its times exchanged.`);
    const where = region === null ? undefined : this.regions.get(region);
    this.cues.push(
      newFileCue({
        startSeconds: Math.min(beginSeconds, endSeconds),
        endSeconds: Math.max(beginSeconds, endSeconds),
        words,
        speaker,
        forced,
        place: where === undefined ? 'auto' : placeOfRegion(where),
        align: style.align ?? where?.align ?? 'centre',
      }),
    );
  }
}

/** Attributes by their local names; prefixes differ from file to file. */
function attributesOf(tag: SaxesTagNS): (name: string) => string | undefined {
  const byName = new Map(Object.values(tag.attributes).map(({ local, value }) => [local, value]));
  return (name) => byName.get(name);
}

/**
 * The cues of a TTML document (TTML1 and 2, IMSC, EBU-TT-D): times by its own clock, italics and colours also by named
 * styles, places by its regions, speakers by its agents. Throws InputError where there is no cue.
 */
export function readTtml(bytes: Uint8Array, encoding: string | null): CaptionFile {
  const prolog = new TextDecoder('latin1').decode(bytes.subarray(0, 200));
  const said = /^[^<]*<\?xml[^>]*encoding=["']([\w-]+)["']/i.exec(prolog)?.[1] ?? null;
  const { text, notes } = decodeText(bytes, encoding ?? knownLabel(said));
  const reader = new TtmlReader();
  reader.read(text);
  const { cues, problems, dropped, language } = reader;
  if (!reader.isTtml)
    throw InputError.of('TTML file', 'a tt element of the TTML namespace', problems[0] ?? text.slice(0, 40));
  if (cues.length === 0)
    throw InputError.of('TTML file', 'p elements with a begin and an end', problems[0] ?? 'none');
  const told =
    dropped.size === 0 ? [] : [`What captions do not have was left out: ${[...dropped].join(', ')}.`];
  return { cues, language, notes: [...notes, ...told], problems: fewProblems(problems) };
}

function knownLabel(label: string | null): string | null {
  try {
    return label === null ? null : new TextDecoder(label).encoding;
  } catch {
    return null;
  }
}
