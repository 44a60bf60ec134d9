import { XMLBuilder, XMLParser } from 'fast-xml-parser';
import { InputError } from '@/core/kit/inputError';

/** The most characters that an SVG may have; more is an attack on memory, not a drawing. */
const LONGEST_SVG = 4_000_000;

const OPTIONS = {
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  preserveOrder: true,
  processEntities: false,
  trimValues: false,
} as const;

type Attributes = Readonly<Record<string, unknown>>;
type Node = Readonly<Record<string, unknown>>;

// What could run, load or show something from elsewhere.
const FORBIDDEN_TAGS = new Set([
  'script',
  'foreignobject',
  'iframe',
  'audio',
  'video',
  'handler',
  'listener',
]);
const ATTRIBUTES = ':@';

/**
 * An SVG without scripts, event handlers, foreign objects and references to anything outside itself. Throws
 * InputError for what is no SVG, declares entities or a document type of its own, or is too long.
 */
export function cleanSvg(source: string, where: string): string {
  if (source.length > LONGEST_SVG) {
    const got = `${Math.round(source.length / 1e6)} million`;
    throw InputError.of(where, 'an SVG of at most 4 million characters', got, 'Simplify its paths first.');
  }
  if (/<!DOCTYPE[^>]*\[|<!ENTITY/i.test(source)) {
    throw InputError.of(
      where,
      'an SVG without entities',
      'a document type with entities',
      'Export it as plain SVG.',
    );
  }
  const nodes = parse(source, where).filter((node) => !('!DOCTYPE' in node));
  if (!nodes.some((node) => 'svg' in node))
    throw InputError.of(where, 'an <svg> element', source.slice(0, 30));
  return String(new XMLBuilder(OPTIONS).build(nodes.flatMap(cleanNode)));
}

function parse(source: string, where: string): Node[] {
  try {
    const nodes: unknown = new XMLParser(OPTIONS).parse(source, true);
    if (Array.isArray(nodes)) return nodes;
  } catch (error) {
    const told = error instanceof Error ? error.message : String(error);
    throw InputError.of(where, 'an SVG that is whole', told, 'Export it again.');
  }
  throw InputError.of(where, 'an SVG', source.slice(0, 30));
}

function cleanNode(node: Node): Node[] {
  const tag = Object.keys(node).find((key) => key !== ATTRIBUTES);
  if (tag === undefined) return [node];
  const local = tag.split(':').pop()?.toLowerCase() ?? '';
  if (FORBIDDEN_TAGS.has(local)) return [];
  const children = node[tag];
  const kept: Record<string, unknown> = {
    [tag]: Array.isArray(children) ? children.flatMap(cleanNode) : cleanText(local, children),
  };
  const attributes = node[ATTRIBUTES];
  if (typeof attributes === 'object' && attributes !== null)
    kept[ATTRIBUTES] = cleanAttributes({ ...attributes });
  return [kept];
}

/** Style sheets may not load anything. */
function cleanText(tag: string, value: unknown): unknown {
  return tag === '#text' && typeof value === 'string' ? value.replace(/@import[^;]*;?/gi, '') : value;
}

function cleanAttributes(attributes: Attributes): Attributes {
  return Object.fromEntries(
    Object.entries(attributes).filter(([key, value]) => {
      const name = key.slice(1).toLowerCase();
      const text = String(value).trim();
      if (name.startsWith('on')) return false;
      if (name === 'href' || name.endsWith(':href'))
        return /^#|^data:image\/(png|jpeg|webp);base64,/i.test(text);
      return !/url\(\s*['"]?\s*(?!#)/i.test(text) && !/javascript:/i.test(text);
    }),
  );
}
