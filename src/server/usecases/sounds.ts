import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { fileTypeFromFile } from 'file-type';
import { nanoid } from 'nanoid';
import type { TakenSound } from '@/contract/assets';
import { InputError } from '@/core/kit/inputError';
import { putMedia } from '@/db/media';
import { hashFile } from '../hashFile';
import type { ReceivedFile } from '../incoming/receiveBody';
import { hasFfmpeg, runTool } from '../press/ffmpeg';
import { INCOMING, mediaFileName } from '../mediaFiles';
import { probeSound } from '../videos/probe';
import { workshop } from '../workshop';

/** The largest sound that is taken in. */
export const LARGEST_SOUND_BYTES = 500_000_000;
const LONGEST_SECONDS = 3 * 60 * 60;
const LONGEST_NAME = 120;
const KNOWN = 'a sound: WAV, FLAC, MP3, M4A, OGG or AIFF';

type SentSound = Pick<ReceivedFile, 'path' | 'bytes' | 'sha256'>;

/** What every browser plays as it is: by the file's media type, its ending and the codecs in it. */
const PLAYED: Readonly<Record<string, { readonly ending: string; readonly codecs: readonly string[] }>> = {
  'audio/wav': { ending: 'wav', codecs: ['pcm_s16le', 'pcm_s24le', 'pcm_u8', 'pcm_f32le'] },
  'audio/mpeg': { ending: 'mp3', codecs: ['mp3'] },
  'audio/flac': { ending: 'flac', codecs: ['flac'] },
  'audio/ogg': { ending: 'ogg', codecs: ['vorbis', 'opus', 'flac'] },
  'audio/x-m4a': { ending: 'm4a', codecs: ['aac'] },
};

/** A sound where it lies, ready to be kept. */
interface ReadySound extends SentSound {
  readonly ending: string;
  readonly seconds: number;
}

/**
 * Takes in a sound to set times by, which is decoded to the end first; the same content is kept once. What browsers do
 * not play, and the sound of a video, is kept as FLAC, without loss. Throws InputError for what has no sound in it or is
 * longer than three hours; nothing is kept then.
 */
export async function takeInSound(name: string, file: SentSound): Promise<TakenSound> {
  const { db, mediaFolder } = await workshop();
  await mkdir(mediaFolder, { recursive: true });
  const ready = await readySound(name, file, mediaFolder);
  const id = `${ready.sha256.slice(0, 24)}-${ready.ending}`;
  await rename(ready.path, join(mediaFolder, mediaFileName(id)));
  const kept = { name: name.slice(0, LONGEST_NAME), seconds: ready.seconds };
  await putMedia(db, { id, byteCount: ready.bytes, hash: ready.sha256, ...kept });
  return { id, ...kept };
}

async function readySound(name: string, file: SentSound, mediaFolder: string): Promise<ReadySound> {
  const where = `File "${name}"`;
  const type = ((await fileTypeFromFile(file.path).catch(() => undefined))?.mime ?? '').split(';')[0];
  const played = Object.hasOwn(PLAYED, type) ? PLAYED[type] : undefined;
  if (!hasFfmpeg()) {
    if (played !== undefined) return { ...file, ending: played.ending, seconds: 0 };
    throw InputError.of(where, 'a WAV, FLAC, MP3, M4A or OGG: others need ffmpeg, which is not here', type);
  }
  const facts = await probeSound(file.path);
  if (facts === null) throw InputError.of(where, KNOWN, type === '' ? 'a file of another kind' : type);
  if (facts.seconds > LONGEST_SECONDS)
    throw InputError.of(where, 'three hours of sound at most', `${Math.round(facts.seconds / 60)} minutes`);
  if (played?.codecs.includes(facts.codec) === true) {
    await decoded(where, ['-i', file.path, '-map', '0:a:0', '-f', 'null', '-']);
    return { ...file, ending: played.ending, seconds: facts.seconds };
  }
  const path = join(mediaFolder, `${nanoid()}${INCOMING}`);
  try {
    await decoded(where, ['-y', '-i', file.path, '-map', '0:a:0', '-f', 'flac', path]);
    const [{ size }, sha256] = [await stat(path), await hashFile(path)];
    await rm(file.path, { force: true });
    return { path, bytes: size, sha256, ending: 'flac', seconds: facts.seconds };
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
}

/** Lets ffmpeg go through a sound. Throws InputError where it cannot. */
async function decoded(where: string, args: readonly string[]): Promise<void> {
  const limited = ['-nostdin', '-protocol_whitelist', 'file', '-t', String(LONGEST_SECONDS), ...args];
  await runTool('ffmpeg', limited).catch(() => {
    throw InputError.of(where, KNOWN, 'one that cannot be decoded', 'Export it again.');
  });
}
