import type { ProjectRecord } from '@/contract/projects';
import { cuesToFile } from '@/core/captions/cueFiles';
import { CAPTION_FORMATS } from '@/core/formats/captions';
import { InputError } from '@/core/kit/inputError';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import type { JobPaper } from '@/db/schema';
import { fileSlug } from '@/core/kit/fileSlug';

/** The captions of a track as files of several formats, to go beside a programme. Throws InputError for what is not there. */
export function captionPapers(
  { settings, plan, cues }: ProjectRecord,
  trackId: string | null,
  formats: readonly string[],
): JobPaper[] {
  if (formats.length === 0) return [];
  const track = plan.captions?.find(({ id }) => id === trackId);
  if (track === undefined)
    throw InputError.of('Caption files', 'a caption track of the project', trackId ?? 'none');
  const rate = RATES.get(settings.rate);
  const own = cues.filter((cue) => cue.trackId === track.id && !cue.guessed);
  const options = {
    clock: clockOf(rate, plan.clock),
    language: track.language,
    name: settings.name,
    date: new Date().toISOString().slice(0, 10),
  };
  return formats.map((id) => {
    const format = CAPTION_FORMATS.get(id);
    return {
      name: `${fileSlug(track.name) || 'captions'}.${format.extension}`,
      mediaType: format.mediaType,
      base64: Buffer.from(format.write(cuesToFile(own, rate), options)).toString('base64'),
    };
  });
}
