'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { videoId } from '@/core/display/moving';
import { MISSING_PICTURE } from '@/core/model/project';
import { NO_CLIP, PICTURE_MISSING } from '@/core/project/ground';
import type { Backdrop } from './paintBackdrop';
import { useBackdrop } from './backdrop';
import type { VideoFrameImage } from './videoStore';
import { videoFrame } from './videoStore';

// A frame for a screen; the proof and the press ask for their own.
const VIDEO_WIDTH_PX = 960;
const NOTHING: Backdrop = { kind: 'plain', colour: NO_CLIP };
const MISSING: Backdrop = { kind: 'plain', colour: PICTURE_MISSING };

/** What lies under titles at a time of a clip's picture; black where there is no clip, grey where its picture is not here. */
export function useClipBackdrop(picture: string | undefined, seconds: number): Backdrop {
  const id = picture === undefined ? null : videoId(picture);
  const isVideo = id !== null;
  const plain = picture === undefined || picture === MISSING_PICTURE || isVideo;
  const still = useBackdrop(plain ? NO_CLIP : picture);
  const video = useVideoFrame(id, seconds);
  return useMemo(() => {
    if (picture === undefined) return NOTHING;
    if (picture === MISSING_PICTURE) return MISSING;
    if (!isVideo) return still;
    return video === 'gone' ? MISSING : { kind: 'still', image: video };
  }, [picture, isVideo, still, video]);
}

/** The last frame that was decoded; one is asked for at a time, so that playing drops frames rather than falls behind. */
function useVideoFrame(id: string | null, seconds: number): VideoFrameImage | 'gone' | null {
  const [frame, setFrame] = useState<{ id: string | null; image: VideoFrameImage | 'gone' | null }>({
    id,
    image: null,
  });
  const wanted = useRef({ id, seconds });
  const busy = useRef(false);
  useEffect(() => {
    wanted.current = { id, seconds };
    if (id === null || busy.current) return;
    busy.current = true;
    const next = async (): Promise<void> => {
      const asked = wanted.current;
      if (asked.id === null) return;
      const image = await videoFrame(asked.id, asked.seconds, VIDEO_WIDTH_PX).catch(() => 'gone' as const);
      setFrame((before) => (image === null && before.id === asked.id ? before : { id: asked.id, image }));
      const now = wanted.current;
      if (image !== 'gone' && (now.id !== asked.id || now.seconds !== asked.seconds)) await next();
    };
    void next().finally(() => (busy.current = false));
  }, [id, seconds]);
  return frame.id === id ? frame.image : null;
}
