import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import rangeParser from 'range-parser';
import { NotFoundError } from './respond';
import { streamToWeb } from './streamToWeb';

export interface SendOptions {
  readonly mediaType: string;
  /** A name to save it under; shown in the page when left out. */
  readonly saveAs?: string;
  /** SHA-256 of the file in hexadecimal, where it is known: its validator and its digest. */
  readonly sha256?: string;
  /** Whether the file under this address never changes. */
  readonly immutable?: boolean;
  /** What is said when the file is not there. */
  readonly gone: string;
}

/**
 * A file of the data folder as an answer, with its length, its hash and ranges of bytes (RFC 9110, 14), so that what
 * broke off can be fetched on. Throws NotFoundError.
 */
export async function sendFile(request: Request, path: string, options: SendOptions): Promise<Response> {
  const { mediaType, saveAs, sha256, immutable = false, gone } = options;
  const { size, mtimeMs } = await stat(path).catch(() => {
    throw new NotFoundError(gone);
  });
  const tag = `"${sha256 ?? `${size.toString(36)}-${Math.round(mtimeMs).toString(36)}`}"`;
  const headers = new Headers({
    'Content-Type': mediaType,
    'Accept-Ranges': 'bytes',
    ETag: tag,
    'Cache-Control': immutable ? 'private, max-age=31536000, immutable' : 'private, no-cache',
    'Content-Disposition':
      saveAs === undefined ? 'inline' : `attachment; filename*=UTF-8''${encodeURIComponent(saveAs)}`,
  });
  if (sha256 !== undefined)
    headers.set('Repr-Digest', `sha-256=:${Buffer.from(sha256, 'hex').toString('base64')}:`);
  if (request.headers.get('if-none-match') === tag) return new Response(null, { status: 304, headers });
  const range = wantedRange(request, size, tag);
  if (range === 'none') {
    headers.set('Content-Range', `bytes */${size}`);
    return new Response(null, { status: 416, headers });
  }
  const { start, end } = range ?? { start: 0, end: size - 1 };
  headers.set('Content-Length', String(end - start + 1));
  if (range !== null) headers.set('Content-Range', `bytes ${start}-${end}/${size}`);
  const body = size === 0 ? null : streamToWeb(createReadStream(path, { start, end }));
  return new Response(body, { status: range === null ? 200 : 206, headers });
}

/** The one range that is asked for; null for the whole file, "none" for one that it does not have. */
function wantedRange(
  request: Request,
  size: number,
  tag: string,
): { readonly start: number; readonly end: number } | null | 'none' {
  const header = request.headers.get('range');
  const asOf = request.headers.get('if-range');
  if (header === null || (asOf !== null && asOf !== tag)) return null;
  const ranges = rangeParser(size, header, { combine: true });
  if (ranges === -1) return 'none';
  // Malformed, in other units, or several at once: the whole file may be sent instead (RFC 9110, 14.2).
  if (ranges === -2 || ranges.type !== 'bytes' || ranges.length !== 1) return null;
  return ranges[0] ?? null;
}
