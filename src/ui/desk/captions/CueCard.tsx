'use client';
import { charactersPerSecond } from '@/core/captions/timeCues';
import { CUE_COLOURS, plainLines } from '@/core/formats/captions/cueMarks';
import type { Cue } from '@/core/model/captions';
import { CUE_ALIGNS } from '@/core/model/captions';
import { endOf } from '@/core/project/lanes';
import { countGraphemes } from '@/core/text/graphemes';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { SwitchBox } from '../../shared/SwitchBox';
import { useDesk } from '../deskContext';
import { useCaptionRules, useChosenCues, useTrack, useTrackCues } from './captionContext';
import { CueFindings } from './CueFindings';
import { TimeField } from '../TimeField';
import type { CueActions } from './useCueActions';
import { useCueActions } from './useCueActions';

/** What is set of the chosen cues: times, place, speaker, and what is done to their words. */
export function CueCard({ onSeek }: { readonly onSeek: (frame: number) => void }) {
  const chosen = useChosenCues();
  const cues = useTrackCues();
  const track = useTrack();
  const actions = useCueActions();
  const [first] = chosen;
  if (first === undefined || track === null)
    return <p className="p-4 text-soft">Pick a caption in the sheet or on the strip.</p>;
  const number = cues.indexOf(first) + 1;
  const ids = chosen.map(({ id }) => id);
  const set = (part: Partial<Cue>): void => actions.change(ids, part);
  return (
    <section aria-label="Caption" className="px-4 py-3">
      <div className="flex items-baseline gap-2 pb-2">
        <h2 className="font-serif text-[16px] font-semibold">
          {chosen.length === 1 ? `Caption ${number}` : counted(chosen.length, 'caption')}
        </h2>
        <span className="truncate text-soft">
          {chosen.length === 1 ? `of ${cues.length}, ${track.name}` : 'changed together'}
        </span>
      </div>
      <WordTools actions={actions} several={chosen.length > 1} />
      {chosen.length === 1 && <Times cue={first} actions={actions} />}
      <div className="mt-3 grid grid-cols-[72px_1fr] items-center gap-2 border-t border-line pt-3">
        <span className="text-soft">Place</span>
        <Segmented
          label="Place"
          value={first.place}
          onChange={(place) => set({ place })}
          choices={[
            { value: 'auto', label: 'By itself' },
            { value: 'bottom', label: 'Below' },
            { value: 'top', label: 'Above' },
          ]}
        />
        <span className="text-soft">Side</span>
        <Segmented
          label="Side"
          value={first.align}
          onChange={(align) => set({ align })}
          choices={CUE_ALIGNS.map((align) => ({ value: align, label: SIDES[align] }))}
        />
        <span className="text-soft">Speaker</span>
        <input
          aria-label="Speaker"
          dir="auto"
          value={first.speaker}
          maxLength={80}
          list="speakers"
          onChange={(event) => set({ speaker: event.target.value })}
          className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5"
        />
        <datalist id="speakers">
          {[...new Set(cues.map(({ speaker }) => speaker))]
            .filter((speaker) => speaker !== '' && speaker !== first.speaker)
            .slice(0, 40)
            .map((speaker) => (
              <option key={speaker} value={speaker} />
            ))}
        </datalist>
        <span className="text-soft">Forced</span>
        <span className="flex items-center gap-2">
          <SwitchBox label="Forced" value={first.forced} onChange={(forced) => set({ forced })} />
          <span className="text-[12px] text-soft">shown even to those who hide captions</span>
        </span>
      </div>
      {chosen.length === 1 && <CueFindings cue={first} onSeek={onSeek} />}
    </section>
  );
}

const SIDES = { left: 'Left', centre: 'Centre', right: 'Right' };

/** Buttons keep the caret where it is: what they do is done there. */
const keepsFocus = (event: React.PointerEvent): void => event.preventDefault();

function WordTools({ actions, several }: { readonly actions: CueActions; readonly several: boolean }) {
  return (
    <div className="flex flex-wrap gap-1.5" onPointerDown={keepsFocus}>
      {!several && (
        <Button title="Split at the caret (Ctrl+Enter)" onClick={actions.split}>
          Split
        </Button>
      )}
      <Button title="Join with the next, or all that are chosen (Ctrl+J)" onClick={actions.join}>
        Join
      </Button>
      <Button title="Break the lines evenly and by sense (Alt+L)" onClick={actions.breakLines}>
        Break lines
      </Button>
      <Button
        title="Italics for what is selected, or all (Ctrl+I)"
        aria-label="Italics"
        className="font-serif italic"
        onClick={() => actions.mark({ kind: 'italic' })}
      >
        I
      </Button>
      <span className="w-28" onPointerDown={(event) => event.stopPropagation()}>
        <SelectBox
          label="Colour of the words"
          value=""
          onChange={(colour) => actions.mark({ kind: 'colour', colour: colour === 'own' ? null : colour })}
          choices={[
            { value: '', label: 'Colour…' },
            { value: 'own', label: 'As the style' },
            ...CUE_COLOURS.list.map(({ id, label }) => ({ value: id, label })),
          ]}
        />
      </span>
      <Button
        title="Music signs round the words"
        aria-label="Music"
        onClick={() => actions.enclose('♪ ', ' ♪')}
      >
        ♪
      </Button>
      <Button title="Brackets for a sound" aria-label="Sound" onClick={() => actions.enclose('[', ']')}>
        [ ]
      </Button>
      <Button title="Remove (Delete)" onClick={actions.remove}>
        Remove
      </Button>
    </div>
  );
}

function Times({ cue, actions }: { readonly cue: Cue; readonly actions: CueActions }) {
  const { rate } = useDesk();
  const rules = useCaptionRules();
  const end = endOf(cue);
  const set = (part: Partial<Cue>): void => actions.change([cue.id], { guessed: false, ...part });
  const lines = plainLines(cue.words).map(countGraphemes);
  const pace = charactersPerSecond(cue, rate);
  return (
    <div className="mt-3 grid grid-cols-[52px_1fr_1fr_76px] items-center gap-2 border-t border-line pt-3">
      <span className="text-soft">Times</span>
      <TimeField
        label="In"
        kind="moment"
        frame={cue.startFrame}
        onChange={(startFrame) =>
          set({ startFrame, lengthFrames: end > startFrame ? end - startFrame : cue.lengthFrames })
        }
      />
      <TimeField
        label="Out"
        kind="moment"
        least={cue.startFrame + 1}
        frame={end}
        onChange={(next) => set({ lengthFrames: next - cue.startFrame })}
      />
      <TimeField
        label="Duration"
        kind="length"
        least={1}
        frame={cue.lengthFrames}
        onChange={(lengthFrames) => set({ lengthFrames })}
      />
      <span className="text-soft">Reads</span>
      <span className="col-span-3 text-[12.5px]">
        {`${pace.toFixed(1)} characters a second of ${rules.charactersPerSecond}`}
        {lines.length > 0 && (
          <span className="text-soft">{` · lines of ${lines.join(' and ')} of ${rules.charactersPerLine}`}</span>
        )}
      </span>
    </div>
  );
}
