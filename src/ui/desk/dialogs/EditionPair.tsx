'use client';
import { PauseIcon, PlayIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import type { Title } from '@/core/model/project';
import { templateDifferences } from '@/core/project/templateDiff';
import { usePlayer } from '../../picture/usePlayer';
import { Button } from '../../shared/Button';
import { useDesk } from '../deskContext';
import { TitleShot } from './TitleShot';

interface Props {
  readonly before: Title;
  readonly after: Title;
}

/** A title on two editions side by side over the project's pictures: playing together, and what differs in words. */
export function EditionPair({ before, after }: Props) {
  const { editions, rate } = useDesk();
  const player = usePlayer(rate, { from: 0, to: before.lengthFrames });
  const [a, b] = [editions.get(before.editionId), editions.get(after.editionId)];
  const differences = useMemo(
    () => (a === undefined || b === undefined ? [] : templateDifferences(a.document, b.document)),
    [a, b],
  );
  const started = player.playing || player.frame > 0;
  const frame = started ? { frame: Math.min(before.lengthFrames - 1, player.frame) } : {};
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <TitleShot title={before} label={`Edition ${a?.number}`} {...frame} />
        <TitleShot title={after} label={`Edition ${b?.number}`} {...frame} />
      </div>
      <div className="flex items-start gap-3 pt-1.5">
        <Button onClick={player.toggle}>
          {player.playing ? <PauseIcon className="h-4 w-4" /> : <PlayIcon className="h-4 w-4" />}
          {player.playing ? 'Stop' : 'Play both'}
        </Button>
        <ul className="min-w-0 flex-1 text-soft">
          {differences.length === 0 && <li>Nothing that is seen differs.</li>}
          {differences.slice(0, MOST).map(({ words }) => (
            <li key={words}>{words}</li>
          ))}
          {differences.length > MOST && <li>{`and ${differences.length - MOST} more differences`}</li>}
        </ul>
      </div>
    </>
  );
}

const MOST = 8;
