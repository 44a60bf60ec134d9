'use client';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { PictureNames } from '@/core/project/pictureNames';
import { NO_PICTURES } from '@/core/project/pictureNames';
import { wordsOf } from '../../shared/api';
import { picturesHere } from '../media';

/** The pictures and videos that are here, by what sheets call them; none until they are known. */
export function usePicturesHere(): PictureNames {
  const [pictures, setPictures] = useState(NO_PICTURES);
  useEffect(() => {
    let wanted = true;
    picturesHere().then(
      (found) => wanted && setPictures(found),
      (error: unknown) => toast.error(wordsOf(error)),
    );
    return () => {
      wanted = false;
    };
  }, []);
  return pictures;
}
