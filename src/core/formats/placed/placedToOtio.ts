import type { OtioTimes } from '../otio/otioTimes';
import { otioTimes } from '../otio/otioTimes';
import type { PlacedFile, PlacedFiles } from './placedFiles';
import { byLane } from './placedFiles';

/**
 * The files as an OpenTimelineIO timeline (Timeline.1): a video track for each lane, the lowest first, whose clips refer to
 * the files by name, so that it relinks beside them. A clip without a file says that it is missing.
 */
export function placedToOtio(placed: PlacedFiles): string {
  const times = otioTimes(placed.clock.rate);
  const timeline = {
    OTIO_SCHEMA: 'Timeline.1',
    name: placed.name,
    global_start_time: times.moment(placed.clock.startFrame),
    tracks: {
      OTIO_SCHEMA: 'Stack.1',
      name: 'tracks',
      children: byLane(placed).map((files) => ({
        OTIO_SCHEMA: 'Track.1',
        name: `Titles ${files[0].lane + 1}`,
        kind: 'Video',
        children: clipsOf(files, times),
      })),
    },
  };
  return `${JSON.stringify(timeline, null, 2)}\n`;
}

function clipsOf(files: readonly PlacedFile[], times: OtioTimes): object[] {
  let at = 0;
  return files.flatMap((file) => {
    const gap = file.startFrame > at ? [times.gap(file.startFrame - at)] : [];
    // What begins under the end of the one before gives way to it: a track has one thing at a time.
    const late = Math.max(0, at - file.startFrame);
    const frames = file.lengthFrames - late;
    if (frames <= 0) return [];
    at = file.startFrame + file.lengthFrames;
    const first = (file.firstLabel ?? 0) + (file.fileFrames === 1 ? 0 : late);
    return [
      ...gap,
      {
        OTIO_SCHEMA: 'Clip.2',
        name: file.words === '' ? `Title ${file.number}` : file.words,
        source_range: times.span(first, frames),
        media_references: { DEFAULT_MEDIA: mediaOf(file, times) },
        active_media_reference_key: 'DEFAULT_MEDIA',
        metadata: {
          gilder: { number: file.number, template: file.template, sha256: file.sha256 },
        },
      },
    ];
  });
}

function mediaOf(
  { file, firstLabel, fileFrames, lengthFrames, words }: PlacedFile,
  times: OtioTimes,
): object {
  if (file === null) return { OTIO_SCHEMA: 'MissingReference.1', name: words };
  // A still can be shown as long as its title stands.
  const frames = fileFrames === 1 ? lengthFrames : fileFrames;
  return {
    OTIO_SCHEMA: 'ExternalReference.1',
    name: file,
    target_url: encodeURIComponent(file),
    available_range: times.span(firstLabel ?? 0, frames),
  };
}
