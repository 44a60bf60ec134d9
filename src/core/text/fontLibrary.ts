import type { Outline } from '../display/outline';
import type { FontMetrics, ShapedGlyph, ShapeOptions } from './fontTypes';
import type { Face } from '../faces/faces';
import {
  axisSettings,
  comesLate,
  DEFAULT_FACE_ID,
  FACES,
  fontFileNames,
  nearestWeight,
} from '../faces/faces';
import type * as HarfBuzzModule from 'harfbuzzjs';
import type { HyphenRules } from 'hyphen';
import type { TextStyle } from '../model/template';
import { glyphToOutline } from './glyphOutline';
import { hyphenPatternsFor, hyphenPlaces } from './hyphenation';
import { UNDETERMINED } from '../faces/language';
import { COMMON } from '../faces/scripts';

/** A font file ready for shaping; lengths come in font units, y up, save outlines, which are y down. */
export interface ShapingFont {
  readonly fileName: string;
  readonly unitsPerEm: number;
  readonly metrics: FontMetrics;
  covers(codePoint: number): boolean;
  /** Shapes text[start, end) with the rest as context. Clusters are UTF-16 positions in the whole text. */
  shape(text: string, start: number, end: number, options: ShapeOptions): readonly ShapedGlyph[];
  /** The same object for the same glyph every time. */
  outline(glyphId: number): Outline;
}

/** The fonts that are here, by face and weight. */
export interface FontLibrary {
  /**
   * `width` in percent of the regular one and places on other axes count for variable faces only. For a face whose files
   * did not come the default one stands in, and whoever loads them is told.
   */
  font(faceId: string, weight: number, width?: number, axes?: TextStyle['axes']): ShapingFont;
  /**
   * This library with more files by their names, which it has from then on as well; another object, so that whoever
   * keeps what was laid out with it sees that something came. Throws for bytes that are no font.
   */
  with(files: ReadonlyMap<string, Uint8Array>): FontLibrary;
  /** Where words of a language may be parted; null where nothing is known of it, or is not here yet. */
  hyphens(language: string): ((text: string) => readonly number[]) | null;
}

/**
 * Loads HarfBuzz and makes shipped fonts available: all that `fontFileNames` has as first, and the late ones that are
 * given. `shipped` maps their names to the bytes of TrueType files (compressed web fonts would silently give empty
 * glyphs, so they are refused). `onMissing` is told each time of a face whose files are not here. `rulesOf` gives the
 * patterns for parting words by their name, null while they are not here.
 */
export async function loadFontLibrary(
  shipped: ReadonlyMap<string, Uint8Array>,
  onMissing: (faceId: string) => void = () => undefined,
  rulesOf: (patterns: string) => HyphenRules | null = () => null,
): Promise<FontLibrary> {
  for (const name of fontFileNames().first) requireTrueType(name, shipped.get(name));
  // A static import would make every module above wait for the WebAssembly start; workers lose messages then.
  const hb = await import('harfbuzzjs');
  const files = new Map(shipped);
  const opened = new Map<string, ShapingFont>();
  // What is asked for again and again: by the face itself, since the House may have another under its id tomorrow.
  let usual = new WeakMap<Face, Map<string, ShapingFont>>();
  const library: FontLibrary = {
    font(faceId, weight, width = 100, axes) {
      const asked = FACES.get(faceId);
      const plain = axes === undefined ? `${weight} ${width}` : null;
      const before = plain === null ? undefined : usual.get(asked)?.get(plain);
      if (before !== undefined) return before;
      const isHere = !comesLate(asked) || Object.values(asked.files).every((name) => files.has(name));
      if (!isHere) onMissing(faceId);
      const face = isHere ? asked : FACES.get(DEFAULT_FACE_ID);
      const settings = axisSettings(face, { weight, width, axes });
      const fileName =
        face.axes !== undefined ? Object.values(face.files)[0] : face.files[nearestWeight(face, weight)];
      const key = settings === null ? fileName : `${fileName} ${JSON.stringify(settings)}`;
      let font = opened.get(key);
      if (font === undefined) {
        if (forgetOldest(opened)) usual = new WeakMap();
        font = openFont(hb, fileName, files.get(fileName) ?? new Uint8Array(), settings);
        opened.set(key, font);
      }
      if (plain !== null && isHere) usual.set(asked, (usual.get(asked) ?? new Map()).set(plain, font));
      return font;
    },
    with(more) {
      for (const [name, bytes] of more) {
        requireTrueType(name, bytes);
        files.set(name, bytes);
      }
      return { ...library };
    },
    hyphens(language) {
      const patterns = hyphenPatternsFor(language);
      const rules = patterns === null ? null : rulesOf(patterns);
      return rules === null ? null : (text) => hyphenPlaces(text, rules);
    },
  };
  return library;
}

// A project's worth of names; while one is typed, every key is another text.
const MOST_SHAPES = 4000;

// A slider along an axis opens a font at every step; those that are not asked for any more may go.
const MOST_OPEN = 120;

/** Whether one was forgotten. */
function forgetOldest(opened: Map<string, ShapingFont>): boolean {
  if (opened.size < MOST_OPEN) return false;
  const [oldest] = opened.keys();
  return opened.delete(oldest);
}

function requireTrueType(name: string, bytes: Uint8Array | undefined): void {
  if (bytes === undefined) throw new Error(`The font file ${name} is missing`);
  const tag = String.fromCharCode(...bytes.subarray(0, 4));
  if (tag !== '\0\u0001\0\0' && tag !== 'OTTO') throw new Error(`${name} is not a TrueType or OpenType font`);
}

/** Nothing in it but the text can hold a space. */
function shapeKey(text: string, start: number, end: number, options: ShapeOptions): string {
  const { rightToLeft, script, language, features } = options;
  const asked = features.length === 0 ? '' : features.map(({ tag, value }) => `${tag}${value}`).join();
  return `${start} ${end} ${rightToLeft ? 'r' : 'l'} ${script} ${language} ${asked} ${text}`;
}

function openFont(
  hb: typeof HarfBuzzModule,
  fileName: string,
  bytes: Uint8Array,
  settings: Readonly<Record<string, number>> | null,
): ShapingFont {
  const face = new hb.Face(new hb.Blob(bytes));
  const font = new hb.Font(face);
  if (settings !== null)
    font.setVariations(Object.entries(settings).map(([tag, value]) => new hb.Variation(tag, value)));
  const extents = font.hExtents();
  const known = new Set(face.collectUnicodes());
  const outlines = new Map<number, Outline>();
  // In font units, so what was shaped once serves at every size.
  const shapes = new Map<string, readonly ShapedGlyph[]>();
  // One for all: each that is made anew has to be taken away again.
  const buffer = new hb.Buffer();
  return {
    fileName,
    unitsPerEm: face.upem,
    metrics: {
      ascender: extents.ascender,
      descender: extents.descender,
      capHeight: font.getMetricPositionWithFallback(hb.MetricsTag.CAP_HEIGHT),
      xHeight: font.getMetricPositionWithFallback(hb.MetricsTag.X_HEIGHT),
    },
    covers: (codePoint) => known.has(codePoint),
    shape(text, start, end, options) {
      const key = shapeKey(text, start, end, options);
      const before = shapes.get(key);
      if (before !== undefined) return before;
      buffer.reset();
      buffer.addText(text, start, end - start);
      buffer.setDirection(options.rightToLeft ? hb.Direction.RTL : hb.Direction.LTR);
      if (/^[A-Z][a-z]{3}$/.test(options.script) && options.script !== COMMON)
        buffer.setScript(options.script);
      if (options.language !== UNDETERMINED) buffer.setLanguage(options.language);
      buffer.guessSegmentProperties();
      const features = options.features.map((f) => new hb.Feature(f.tag, f.value));
      hb.shape(font, buffer, features);
      const positions = buffer.getGlyphPositions();
      const shaped = buffer.getGlyphInfos().map((info, i) => ({
        glyphId: info.codepoint,
        cluster: info.cluster,
        advance: positions[i].xAdvance,
        offsetX: positions[i].xOffset,
        offsetY: positions[i].yOffset,
      }));
      if (shapes.size >= MOST_SHAPES) shapes.clear();
      shapes.set(key, shaped);
      return shaped;
    },
    outline(glyphId) {
      let outline = outlines.get(glyphId);
      if (outline === undefined) {
        outline = glyphToOutline(font.glyphToJson(glyphId));
        outlines.set(glyphId, outline);
      }
      return outline;
    },
  };
}
