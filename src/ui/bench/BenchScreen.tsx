'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { TemplateRecord } from '@/contract/templates';
import { sampleValues } from '@/core/edit/sampleTexts';
import type { FieldValue, FieldValues, Template } from '@/core/model/template';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToFrame, secondsToNearestFrames } from '@/core/time/rates';
import { fromDesignSeconds } from '@/core/titleTime/moments';
import { useFonts } from '../picture/useFonts';
import { EyedropContext, RefersContext } from '../shared/ColourBox';
import { SaveTrouble } from '../shared/SaveTrouble';
import { TopBar } from '../shared/TopBar';
import { BenchActions, BenchTitle } from './BenchBar';
import { LayerKeys } from './layers/LayerKeys';
import { LayerMenu } from './layers/LayerMenu';
import { BenchProvider, useTemplate } from './state/benchStore';
import type { BenchView } from './state/benchStore';
import { EditingProvider } from './state/EditingProvider';
import { FormatWall } from './wall/FormatWall';
import { PictureWell } from './well/PictureWell';
import { Score } from './timeline/Score';
import { Settings } from './settings/Settings';
import { useBenchKeys } from './state/useBenchKeys';
import { useBenchView } from './state/useBenchView';
import { useEditing } from './state/useEditing';
import { useTitleTime } from './timeline/useTitleTime';
import { useTemplateSaving } from './state/useTemplateSaving';

/** The bench: where a template is designed. */
export function BenchScreen({ record }: { readonly record: TemplateRecord }) {
  const view = useBenchView(record);
  return (
    <BenchProvider value={view}>
      <EyedropContext.Provider value={view.pickColour}>
        <RefersContext.Provider value>
          <EditingProvider>
            <BenchLayout record={record} view={view} />
          </EditingProvider>
        </RefersContext.Provider>
      </EyedropContext.Provider>
    </BenchProvider>
  );
}

function BenchLayout({ record, view }: { readonly record: TemplateRecord; readonly view: BenchView }) {
  const template = useTemplate();
  const fonts = useFonts();
  const played = useTitleTime(template);
  const { player, seconds } = played;
  const { rate, timing } = played.time;
  const [sampleId, setSampleId] = useState('usual');
  const [tried, setTried] = useState<FieldValues>({});
  const [guides, setGuides] = useState(true);
  const valuesOf = useCallback(
    (of: Template): FieldValues => ({ ...sampleValues(of, sampleId), ...tried }),
    [sampleId, tried],
  );
  const values = useMemo(() => valuesOf(template), [valuesOf, template]);
  const saving = useTemplateSaving(record, view.store);
  const { format, place } = useEditing();
  useEffect(() => view.playhead.setState({ seconds, timing }), [view.playhead, seconds, timing]);
  useEffect(
    () =>
      view.seek.onSeek((at) => {
        const to = fromDesignSeconds(at, template.timing, timing);
        player.seek(Math.min(timing.totalFrames - 1, secondsToNearestFrames(to, rate)));
      }),
    [view.seek, player, rate, template.timing, timing],
  );

  const { typing } = view;
  const [wasTyping, setWasTyping] = useState(typing);
  if (typing !== wasTyping) {
    setWasTyping(typing);
    // Typing changes the design's own words, so those are what is shown.
    if (typing) {
      setSampleId('usual');
      setTried({});
    }
  }
  useBenchKeys({ view, place, player, rate, timing, setGuides });
  const pickSample = useCallback((id: string): void => {
    setTried({});
    setSampleId(id);
  }, []);
  const tryValue = useCallback(
    (fieldId: string, value: FieldValue): void => setTried((now) => ({ ...now, [fieldId]: value })),
    [],
  );
  const takeTheirs = (): void => {
    saving.takeTheirs((theirs) => view.store.getState().replace(theirs));
  };

  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<BenchTitle saving={saving.save.state} edition={saving.edition} changed={saving.changed} />}
        actions={<BenchActions saving={saving} />}
      />
      <SaveTrouble state={saving.save.state} onTakeTheirs={takeTheirs} onKeepMine={saving.keepMine} />
      <main id="content" tabIndex={-1} className="outline-none flex min-h-0 flex-1">
        <FormatWall
          values={values}
          valuesOf={valuesOf}
          seconds={wallSeconds(seconds, player.playing, rate)}
          timing={timing}
          sampleId={sampleId}
          onSample={pickSample}
        />
        <div className="flex min-w-0 flex-1 flex-col overflow-y-auto">
          <PictureWell
            format={format}
            fonts={fonts}
            values={values}
            sampleId={sampleId}
            played={played}
            guides={guides}
            tried={template.fields.flatMap(({ id, label }) => (id in tried ? [label] : []))}
            onEndTrying={() => setTried({})}
          />
          <Score {...played} />
        </div>
        <Settings valuesOf={valuesOf} onTry={tryValue} />
      </main>
      <LayerKeys />
      <LayerMenu />
    </div>
  );
}

// Its pictures share the machine with the large one; so many a second are enough to see what moves.
const WALL_PER_SECOND = 12;

/** The time that the wall shows: while it plays, that of every few frames. */
function wallSeconds(seconds: number, playing: boolean, rate: FrameRate): number {
  const every = Math.max(1, Math.floor(rate.nominal / WALL_PER_SECOND));
  if (!playing || every === 1) return seconds;
  const frame = secondsToFrame(seconds, rate);
  return frameToSeconds(frame - (frame % every), rate);
}
