'use client';
import { Radio, RadioGroup } from '@headlessui/react';
import { useState } from 'react';
import { cuesToFile } from '@/core/captions/cueFiles';
import { CAPTION_FORMATS } from '@/core/formats/captions';
import { Button } from '../../shared/Button';
import { classes } from '../../shared/classes';
import { counted } from '../../shared/counted';
import { Modal } from '../../shared/Modal';
import { saveFile } from '../../shared/saveFile';
import { useClock, useDesk } from '../deskContext';
import { useTrack, useTrackCues } from './captionContext';

/** The captions of a track as a file; what the format cannot hold is told before it is written. */
export function WriteCaptionsDialog({ onClose }: { readonly onClose: () => void }) {
  const { settings, rate } = useDesk();
  const clock = useClock();
  const track = useTrack();
  const cues = useTrackCues();
  const [id, setId] = useState('srt');
  if (track === null) return null;
  const format = CAPTION_FORMATS.get(id);
  const timed = cues.filter(({ guessed }) => !guessed);
  const waiting = cues.length - timed.length;
  const options = {
    clock,
    language: track.language,
    name: settings.name,
    date: new Date().toISOString().slice(0, 10),
  };
  const list = cuesToFile(timed, rate);
  const losses = format.losses(list, options);
  const write = (): void => {
    const name = `${settings.name}, ${track.name}.${format.extension}`;
    saveFile(name, format.write(list, options), format.mediaType);
    onClose();
  };
  return (
    <Modal
      title={`Write “${track.name}” to a file`}
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={list.length === 0} onClick={write}>
            {`Write ${counted(list.length, 'caption')}`}
          </Button>
        </>
      }
    >
      <RadioGroup
        aria-label="Format of the file"
        value={id}
        onChange={setId}
        className="grid grid-cols-2 gap-1.5"
      >
        {CAPTION_FORMATS.list.map((one) => (
          <Radio
            key={one.id}
            value={one.id}
            className={({ checked }) =>
              classes(
                'flex cursor-pointer items-baseline gap-2 rounded-lg border px-3 py-2 data-focus:outline-2 data-focus:outline-leaf',
                checked ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
              )
            }
          >
            <span className="font-semibold">{one.label}</span>
            <span className="text-soft">.{one.extension}</span>
          </Radio>
        ))}
      </RadioGroup>
      <div role="status" className="mt-3 min-h-12">
        {losses.map((loss) => (
          <p key={loss} className="text-leaf-ink">
            {loss}
          </p>
        ))}
        {losses.length === 0 && <p className="text-soft">It holds all that these captions have.</p>}
        {waiting > 0 && (
          <p className="text-stop-ink">
            {`${counted(waiting, 'caption waits', 'captions wait')} for a time and ${waiting === 1 ? 'is' : 'are'} left out.`}
          </p>
        )}
      </div>
    </Modal>
  );
}
