'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import { SAMPLE_TEXTS, sampleTemplate } from '@/core/edit/sampleTexts';
import type { FieldValues, Template } from '@/core/model/template';
import { memo, useCallback } from 'react';
import { FORMATS, pictureSize } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { classes } from '../../shared/classes';
import { SideDrawer } from '../../shared/SideDrawer';
import { AddFormat } from './AddFormat';
import { useApply, useBench, useTemplate } from '../state/benchStore';
import { useHouse } from '../../shared/useHouse';
import { useWallFollows, useWallPicture } from './useWallPicture';
import { counted } from '../../shared/counted';

interface Props {
  readonly values: FieldValues;
  /** The values that a changed template is shown with. */
  readonly valuesOf: (template: Template) => FieldValues;
  readonly seconds: number;
  readonly timing: TitleTiming;
  readonly sampleId: string;
  readonly onSample: (sampleId: string) => void;
}

/** The same moment of the design in every format it is made for, and sample texts to try it with. */
export const FormatWall = memo(function FormatWall(props: Props) {
  const { values, valuesOf, seconds, timing, sampleId, onSample } = props;
  const template = useTemplate();
  const shown = useCallback((of: Template): Template => sampleTemplate(of, sampleId), [sampleId]);
  useWallFollows(shown, valuesOf);
  return (
    <SideDrawer
      label="Format wall"
      side="left"
      below="760px"
      className="flex w-32 shrink-0 flex-col border-r border-line bg-card"
    >
      <div className="min-h-0 flex-1 overflow-y-auto px-2.5 pt-3">
        <h2 className="caps pb-2">Formats</h2>
        {template.formats.map((id) => (
          <WallPicture
            key={id}
            template={template}
            shown={shown(template)}
            format={FORMATS.get(id)}
            values={values}
            seconds={seconds}
            timing={timing}
          />
        ))}
        <AddFormat />
      </div>
      <div className="border-t border-line px-2.5 py-2.5">
        <h2 className="caps pb-1.5">Try text</h2>
        <div className="flex flex-wrap gap-1">
          {SAMPLE_TEXTS.map((sample) => (
            <button
              key={sample.id}
              type="button"
              aria-pressed={sample.id === sampleId}
              aria-label={sample.title}
              title={sample.title}
              onClick={() => onSample(sample.id)}
              className={classes(
                'rounded-md px-1.5 py-0.5',
                sample.id === sampleId ? 'bg-leaf-wash font-semibold' : 'text-soft hover:bg-paper',
              )}
            >
              {sample.label}
            </button>
          ))}
        </div>
      </div>
    </SideDrawer>
  );
});

interface PictureProps {
  readonly template: Template;
  /** The design with the rows that are tried. */
  readonly shown: Template;
  readonly format: FrameFormat;
  readonly values: FieldValues;
  readonly seconds: number;
  readonly timing: TitleTiming;
}

const WALL_AREA_PX = 7800;
const WALL_WIDEST_PX = 106;

function WallPicture({ template, shown, format, values, seconds, timing }: PictureProps) {
  const { formatId, chooseFormat } = useBench();
  const { language } = useHouse();
  const apply = useApply();
  const { widthU, heightU } = pictureSize(format);
  // Pictures of about equal area, so that a tall one is not twice as loud as a wide one.
  const width = Math.min(WALL_WIDEST_PX, Math.sqrt((WALL_AREA_PX * widthU) / heightU));
  const [canvas, trouble] = useWallPicture({
    template: shown,
    values,
    formatId: format.id,
    widthPx: width * 2,
    seconds,
    timing,
    language,
  });
  const chosen = formatId === format.id;
  const differs = template.overrides.filter(({ scope }) =>
    scope.kind === 'format' ? scope.id === format.id : scope.id === format.shape,
  ).length;
  return (
    <div className="group relative mb-3">
      <button
        type="button"
        aria-pressed={chosen}
        onClick={() => chooseFormat(format.id)}
        className="block text-left"
      >
        <span className="block pb-1 text-[12px]">
          <span className="font-semibold">{format.label}</span>{' '}
          <span className="text-soft">{format.shapeLabel}</span>
        </span>
        <canvas
          ref={canvas}
          role="img"
          aria-label={`${template.name}, ${format.label}`}
          style={{ width: Math.round(width), height: Math.round((width * heightU) / widthU) }}
          className={classes(
            'block rounded-md bg-well',
            chosen ? 'outline-2 outline-offset-1 outline-leaf' : 'outline outline-line-strong',
          )}
        />
      </button>
      {trouble.map((words) => (
        <p key={words} className="pt-0.5 text-[12px] leading-tight text-stop-ink">
          {words}
        </p>
      ))}
      {differs > 0 && <p className="pt-0.5 text-[12px] text-in">{counted(differs, 'setting')} of its own</p>}
      {template.formats.length > 1 && (
        <button
          type="button"
          aria-label={`Take ${format.label} off the wall`}
          onClick={() => apply((now) => ({ ...now, formats: now.formats.filter((id) => id !== format.id) }))}
          className="absolute top-0 right-0 grid h-5 w-5 place-items-center rounded text-soft opacity-0 group-hover:opacity-100 hover:bg-paper focus-visible:opacity-100"
        >
          <XMarkIcon className="h-3.5 w-3.5" />
        </button>
      )}
    </div>
  );
}
