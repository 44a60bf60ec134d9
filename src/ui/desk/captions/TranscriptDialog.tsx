'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { transcriptToCues } from '@/core/captions/transcript';
import { endOf } from '@/core/project/lanes';
import { frameToTimecode } from '@/core/time/clock';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { useClock, useDesk } from '../deskContext';
import { useApplyCues, useCaptionRules, useTrack, useTrackCues } from './captionContext';

const LONGEST = 400_000;

/** A transcript as paragraphs: it is parted into cues that wait for their times, to be tapped in while it plays. */
export function TranscriptDialog({
  frame,
  onClose,
}: {
  readonly frame: number;
  readonly onClose: () => void;
}) {
  const { ui, rate } = useDesk();
  const clock = useClock();
  const track = useTrack();
  const rules = useCaptionRules();
  const apply = useApplyCues();
  const cues = useTrackCues();
  const [text, setText] = useState('');
  const last = cues.at(-1);
  const from = Math.max(frame, last === undefined ? 0 : endOf(last) + rules.gapFrames);
  const made = useMemo(
    () =>
      track === null
        ? []
        : transcriptToCues(text, {
            trackId: track.id,
            fromFrame: from,
            rules,
            language: track.language,
            rate,
            newId: () => nanoid(12),
          }),
    [text, track, rules, rate, from],
  );
  const take = (): void => {
    apply((now) => [...now, ...made]);
    ui.setState({ cueIds: made.slice(0, 1).map(({ id }) => id), caret: null });
    onClose();
  };
  return (
    <Modal
      title="Transcript"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">
            {made.length === 0
              ? ''
              : `They wait from ${frameToTimecode(from, clock)} on, until K taps each in while the programme plays.`}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={made.length === 0} onClick={take}>
            {made.length === 0 ? 'Make captions' : `Make ${counted(made.length, 'caption')}`}
          </Button>
        </>
      }
    >
      <p className="pb-2 text-soft">
        Paste or type what is said, an empty line between paragraphs. A name and a colon before a paragraph is
        its speaker.
      </p>
      <textarea
        autoFocus
        aria-label="Transcript"
        dir="auto"
        value={text}
        maxLength={LONGEST}
        onChange={(event) => setText(event.target.value)}
        className="h-72 w-full resize-y rounded-lg border border-line-strong bg-field p-3 leading-6"
      />
    </Modal>
  );
}
