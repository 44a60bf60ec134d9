'use client';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { videoId } from '@/core/display/moving';
import { MISSING_PICTURE } from '@/core/model/project';
import { NO_CLIP, PICTURE_MISSING } from '@/core/project/ground';
import type { Backdrop } from './paintBackdrop';
import { useBackdrop } from './backdrop';
import { decodedFrames, movingPicture, openMoving } from './movingStore';
import type { VideoFrameImage } from './videoStore';

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

/** A video at a moment, or the frame next to it until that is decoded; null before there is one. */
function useVideoFrame(id: string | null, seconds: number): VideoFrameImage | 'gone' | null {
  const [frame, setFrame] = useState<{ id: string | null; image: VideoFrameImage | 'gone' | null }>({
    id,
    image: null,
  });
  const decoded = useStore(decodedFrames, (count) => (id === null ? 0 : count));
  useEffect(() => {
    if (id === null) return;
    let current = true;
    const show = (image: VideoFrameImage | 'gone' | null): void => {
      if (current) setFrame({ id, image });
    };
    openMoving(id).then(
      () => show(movingPicture({ id, seconds })),
      () => show('gone'),
    );
    return () => {
      current = false;
    };
  }, [id, seconds, decoded]);
  return frame.id === id ? frame.image : null;
}
