import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { OUTPUTS } from '@/core/outputs';
import { shadesOf } from '@/core/outputs/output';
import type { Template } from '@/core/model/template';
import { plainColours } from '@/core/resolve/plainColours';
import type { JobContent, JobPayload, JobTitle } from '@/db/schema';
import { facesOf } from './facesOf';
import { CODING_VERSION } from './sinks';

let painter: string | undefined;

/** What paints: the render thread's own code. Another one may paint otherwise. */
function painterHash(root: string): string {
  painter ??= createHash('sha256')
    .update(readFileSync(join(root, 'dist', 'renderWorker.mjs')))
    .digest('hex');
  return painter;
}

/**
 * What a file is known by: everything that decides its bytes, and nothing else, not who asked for it, or under which
 * name. An order has the same key before it is kept and after, though the database keeps names in an order of its own.
 */
export function renderKey(payload: JobPayload, content: JobContent, root = process.cwd()): string {
  const { titleId: _titleId, fileStem: _fileStem, ...rest } = content;
  const painted =
    'parts' in rest ? { ...rest, documents: rest.documents.map(documentHash) } : withoutPlace(rest);
  const { faces, fallbacks } = facesOf(payload, content);
  return hashOf({
    painter: painterHash(root),
    coding: codingOf(payload),
    painted,
    // Left out for none: files of the shipped ones alone are the same.
    ...(faces.length === 0 ? {} : { faces }),
    ...(fallbacks.length === 0 ? {} : { fallbacks }),
  });
}

/**
 * What the files of a title, or of a programme, have in common however often it is changed: who paints them, how they
 * are coded, and what they are of. Null where nothing says what they are of.
 */
export function lineKey(payload: JobPayload, content: JobContent, root = process.cwd()): string | null {
  const { origin } = payload;
  if (origin === undefined) return null;
  const { titleId, plane = null } = content;
  return hashOf({ painter: painterHash(root), coding: codingOf(payload), origin, titleId, plane });
}

function codingOf(payload: JobPayload): object {
  const { output, format, interlaced, rate, drop, language, fine, limited, studio } = payload;
  return {
    version: CODING_VERSION,
    output,
    format,
    interlaced: interlaced ?? false,
    rate,
    drop: drop ?? false,
    language: language ?? null,
    // Left out where they are not asked for: files from before there was a choice are the same.
    ...(limited === true ? { limited } : {}),
    ...(studio === true ? { studio } : {}),
    // What is always painted finely is the same file, asked for or not.
    shades: shadesOf(OUTPUTS.get(output), fine === true),
  };
}

function withoutPlace({ place: _, document, ...painted }: Omit<JobTitle, 'titleId' | 'fileStem'>): object {
  return { ...painted, document: documentHash(document) };
}

const known = new WeakMap<Template, string>();

/**
 * Many titles have one template, which is the largest part of them: it is looked through once. What its colours are
 * called is not painted.
 */
function documentHash(document: Template): string {
  const hash = known.get(document) ?? hashOf(plainColours(document));
  known.set(document, hash);
  return hash;
}

const hashOf = (value: unknown): string => createHash('sha256').update(inOneOrder(value)).digest('hex');

/** A value as JSON with the names in it in one order, whatever order they came in. */
function inOneOrder(value: unknown): string {
  return JSON.stringify(value, (_, one: unknown) =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : one,
  );
}
