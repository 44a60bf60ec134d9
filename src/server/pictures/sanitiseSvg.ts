import createPurify from 'dompurify';
import { JSDOM } from 'jsdom';
import { RefusedFile } from '../opening/refusedFile';

const LONGEST_SVG = 4_000_000;
const XML_ENCODING = /^<\?xml[^>]*\sencoding\s*=\s*["']([\w.-]+)["']/;

/** The characters of an XML file: by its byte order mark, or the encoding that it names (XML 1.0, 4.3.3 and F). */
export function decodeXml(bytes: Uint8Array): string {
  const [first, second, third, fourth] = bytes;
  const label =
    first === 0xfe && second === 0xff
      ? 'utf-16be'
      : first === 0xff && second === 0xfe
        ? 'utf-16le'
        : first === 0 && second === 0x3c
          ? 'utf-16be'
          : first === 0x3c && second === 0 && third === 0x3f && fourth === 0
            ? 'utf-16le'
            : (XML_ENCODING.exec(Buffer.from(bytes.subarray(0, 200)).toString('latin1'))?.[1] ?? 'utf-8');
  try {
    return new TextDecoder(label, { fatal: true }).decode(bytes);
  } catch {
    throw RefusedFile.of('an SVG in an encoding that is known', label, 'Export it in UTF-8.');
  }
}

/** A cleaned SVG and how many of its words will be set in a house face. */
export interface CleanSvg {
  readonly source: string;
  readonly hasWords: boolean;
}

const DATA_PICTURE = /^data:image\/(png|jpeg|webp|gif);base64,/i;

const { window } = new JSDOM('');
const purify = createPurify(window);
purify.addHook('uponSanitizeAttribute', (_element, attribute) => {
  const { attrName, attrValue } = attribute;
  // Only what is in the drawing itself may be referred to.
  if (attrName === 'href' || attrName.endsWith(':href')) {
    const value = attrValue.trim();
    attribute.keepAttr = value.startsWith('#') || DATA_PICTURE.test(value);
    attribute.forceKeepAttr = attribute.keepAttr;
  } else attribute.attrValue = withoutLinks(attrValue);
});

/** References to anything but the drawing's own parts are taken out of a style; "#id" stays, without quotes. */
function withoutLinks(style: string): string {
  return style
    .replace(/@import[^;]*;?/gi, '')
    .replace(/url\(\s*(["']?)\s*([^)"']*)\1\s*\)/gi, (_whole, _quote: string, target: string) =>
      target.startsWith('#') ? `url(${target.trim()})` : 'none',
    );
}

/**
 * An SVG without scripts, handlers, foreign objects and references to anything outside itself. Throws RefusedFile for
 * what is no SVG, declares entities, or is too long.
 */
export function sanitiseSvg(source: string): CleanSvg {
  if (source.length > LONGEST_SVG) {
    const got = `${(source.length / 1e6).toFixed(1)} million`;
    throw RefusedFile.of('an SVG of at most 4 million characters', got, 'Simplify its paths first.');
  }
  if (/<!ENTITY/i.test(source)) {
    const got = 'a document type with entities';
    throw RefusedFile.of('an SVG without entities', got, 'Export it as plain SVG.');
  }
  const root = parse(source).documentElement;
  if (root.localName === 'parsererror')
    throw RefusedFile.of('an SVG that is whole', root.textContent.trim().slice(0, 80));
  if (root.localName !== 'svg') throw RefusedFile.of('an <svg> element', `<${root.localName}>`);
  purify.sanitize(root, {
    USE_PROFILES: { svg: true, svgFilters: true },
    ADD_TAGS: ['use'],
    IN_PLACE: true,
  });
  for (const style of root.querySelectorAll('style')) style.textContent = withoutLinks(style.textContent);
  return {
    source: new window.XMLSerializer().serializeToString(root),
    hasWords: [...root.querySelectorAll('text')].some((text) => text.textContent.trim() !== ''),
  };
}

function parse(source: string): Document {
  // The declaration told the encoding of the bytes, which characters no longer have.
  const text = source.replace(/^\uFEFF?\s*<\?xml[^>]*\?>/, '');
  try {
    return new window.DOMParser().parseFromString(text, 'image/svg+xml');
  } catch (error) {
    const told = error instanceof Error ? error.message.split('\n')[0] : String(error);
    throw RefusedFile.of('an SVG that is whole', told.slice(0, 80));
  }
}
