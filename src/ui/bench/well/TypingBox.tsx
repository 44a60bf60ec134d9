'use client';
import { useEffect, useRef } from 'react';
import { typeWords } from '@/core/edit/editTemplate';
import { mirrorAlign } from '@/core/mirror/mirrorAlign';
import type { TextLayer } from '@/core/model/template';
import { plainText } from '@/core/model/template';
import type { Rect } from '@/core/kit/rect';
import { titleFamily } from '../../picture/fontStore';
import { useApply } from '../state/benchStore';

interface Props {
  readonly layer: TextLayer;
  /** Whether it is seen on the other side than it was drawn. */
  readonly mirrored: boolean;
  readonly box: Rect | undefined;
  readonly scale: number;
  readonly onDone: () => void;
}

/**
 * Typing on the picture: a text box with invisible letters lies exactly over the painted ones, so the
 * caret and the selection are the platform's own and the letters are the real ones.
 */
export function TypingBox({ layer, mirrored, box, scale, onDone }: Props) {
  const apply = useApply();
  const area = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    area.current?.focus();
    area.current?.select();
  }, []);
  const { style } = layer;
  const text = plainText(layer);
  const lines = text.split('\n').length;
  const size = style.sizeU * scale;
  const width = Math.max((box?.width ?? 0) * scale, size * 4);
  const left = (box?.x ?? 0) * scale;
  const align = mirrored ? mirrorAlign(layer.align) : layer.align;
  // Right-aligned and centred texts grow to the left as well.
  const shift = align === 'left' ? 0 : (width - (box?.width ?? 0) * scale) * (align === 'right' ? 1 : 0.5);
  return (
    <textarea
      ref={area}
      aria-label={`Text of ${layer.name}`}
      value={text}
      dir="auto"
      rows={lines}
      spellCheck={false}
      onChange={(event) => apply((template) => typeWords(template, layer.id, event.target.value))}
      onBlur={onDone}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') onDone();
      }}
      className="absolute resize-none overflow-hidden bg-transparent p-0 text-transparent caret-[#ffd675] outline-1 outline-offset-4 outline-[#d9b45a] outline-dashed selection:bg-[#d9b45a88] selection:text-transparent"
      style={{
        left: left - shift,
        top: (box?.y ?? 0) * scale,
        width: width + size * 0.2,
        height: Math.max(style.leading * size * lines, (box?.height ?? 0) * scale),
        fontFamily: titleFamily(style.face),
        fontWeight: style.weight,
        fontSize: size,
        lineHeight: style.leading,
        letterSpacing: `${style.tracking / 1000}em`,
        textAlign: align === 'centre' ? 'center' : align,
        textTransform: style.letterCase === 'capitals' ? 'uppercase' : 'none',
        whiteSpace: 'pre',
      }}
    />
  );
}
