'use client';
import { useEffect, useState } from 'react';
import type { KeptKind, KeptThing, RoomFacts, RoomList, ThingUses } from '@/contract/room';
import { bytesToWords } from '@/core/kit/bytes';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { counted } from '../shared/counted';
import { deleteThing, putThingAway, usersInWords, usesOfThing } from '../shared/keptThings';
import { Modal } from '../shared/Modal';
import { Segmented } from '../shared/Segmented';
import { SelectBox } from '../shared/SelectBox';
import { ThingMenu } from '../shared/ThingMenu';

const KINDS: readonly { readonly value: KeptKind; readonly label: string }[] = [
  { value: 'template', label: 'Templates' },
  { value: 'project', label: 'Projects' },
  { value: 'picture', label: 'Pictures' },
  { value: 'video', label: 'Videos, sounds' },
  { value: 'job', label: 'Jobs and their files' },
];

const DAY_MS = 24 * 60 * 60 * 1000;
const KEPT_DAYS = 30;

/** What takes room in the data folder; what may go, and what can come back. */
export function RoomSection() {
  const [kind, setKind] = useState<KeptKind>('template');
  const [isAway, setAway] = useState(false);
  const { room, list, problem, reload } = useRoom(kind, isAway);
  return (
    <>
      <p className="pb-3 text-soft">
        What is set aside is kept until it is wanted again. What is deleted can be brought back for 30 days
        and then goes for good.
      </p>
      {problem !== '' && (
        <p role="alert" className="flex items-center gap-3 py-2 text-stop-ink">
          {problem}
          <Button onClick={reload}>Try again</Button>
        </p>
      )}
      {room === null && problem === '' && (
        <p role="status" className="text-soft">
          Looking what takes room.
        </p>
      )}
      {/* Controls come with the table above them: alone, they would be pushed away from under the pointer. */}
      {room !== null && (
        <>
          <RoomTable room={room} />
          <div className="flex items-end gap-3 pt-5 pb-2">
            <SelectBox label="What is listed" value={kind} onChange={setKind} choices={KINDS} />
            <Segmented
              label="Which of them"
              value={isAway ? 'away' : 'used'}
              onChange={(value) => setAway(value === 'away')}
              choices={[
                { value: 'used', label: 'In use' },
                { value: 'away', label: 'Out of the way' },
              ]}
            />
          </div>
        </>
      )}
      {list !== null && <ThingList list={list} isAway={isAway} onChange={reload} />}
    </>
  );
}

interface Read {
  readonly of: string;
  readonly room: RoomFacts;
  readonly list: RoomList;
}

/** What takes room, and the list that was asked for once it has come: never another one in its place. */
function useRoom(
  kind: KeptKind,
  isAway: boolean,
): {
  readonly room: RoomFacts | null;
  readonly list: RoomList | null;
  readonly problem: string;
  readonly reload: () => void;
} {
  const path = `room/${kind}${isAway ? '?away' : ''}`;
  const [read, setRead] = useState<Read | null>(null);
  const [problem, setProblem] = useState('');
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let stays = true;
    void Promise.all([ask<RoomFacts>('room'), ask<RoomList>(path)]).then(
      ([room, list]) => {
        if (!stays) return;
        setRead({ of: path, room, list });
        setProblem('');
      },
      (error: unknown) => stays && setProblem(wordsOf(error)),
    );
    return () => {
      stays = false;
    };
  }, [path, asked]);
  const list = read?.of === path ? read.list : null;
  return { room: read?.room ?? null, list, problem, reload: () => setAsked((now) => now + 1) };
}

function RoomTable({ room }: { readonly room: RoomFacts }) {
  const backups = room.backups.reduce((sum, { bytes }) => sum + bytes, 0);
  const cell = 'py-1 text-right';
  return (
    <table className="w-full border-t border-line">
      <caption className="sr-only">What takes room</caption>
      <thead>
        <tr className="caps text-left">
          <th className="py-1.5 font-semibold">Kept</th>
          <th className={cell}>In use</th>
          <th className={cell}>Room</th>
          <th className={cell}>Out of the way</th>
          <th className={cell}>Room</th>
        </tr>
      </thead>
      <tbody>
        {room.kinds.map(({ kind, count, bytes, awayCount, awayBytes }) => (
          <tr key={kind} className="border-t border-line">
            <th className="py-1 text-left font-normal">{KINDS.find(({ value }) => value === kind)?.label}</th>
            <td className={cell}>{count - awayCount}</td>
            <td className={cell}>{bytesToWords(bytes - awayBytes)}</td>
            <td className={cell}>{awayCount}</td>
            <td className={cell}>{bytesToWords(awayBytes)}</td>
          </tr>
        ))}
        <tr className="border-t border-line">
          <th className="py-1 text-left font-normal">Backups</th>
          <td className={cell}>{room.backups.length}</td>
          <td className={cell}>{bytesToWords(backups)}</td>
          <td />
          <td />
        </tr>
      </tbody>
      <tfoot>
        <tr className="border-y border-line text-soft">
          <td colSpan={5} className="py-1.5">
            {`The database takes ${bytesToWords(room.databaseBytes)}. ${bytesToWords(room.freeBytes)} are free on its disk.`}
          </td>
        </tr>
      </tfoot>
    </table>
  );
}

interface ListProps {
  readonly list: RoomList;
  readonly isAway: boolean;
  readonly onChange: () => void;
}

function ThingList({ list, isAway, onChange }: ListProps) {
  const [doomed, setDoomed] = useState<KeptThing | null>(null);
  if (list.things.length === 0)
    return <p className="py-2 text-soft">{isAway ? 'Nothing is out of the way.' : 'There is none.'}</p>;
  return (
    <>
      {list.total > list.things.length && (
        <p className="py-1 text-soft">{`The largest ${list.things.length} of ${list.total}.`}</p>
      )}
      <ul className="border-t border-line">
        {list.things.map((thing) => (
          <li key={thing.id} className="flex items-center gap-3 border-b border-line py-1.5">
            <span className="min-w-0 flex-1 truncate font-semibold">{thing.name}</span>
            <span className="text-soft">{whenInWords(thing)}</span>
            <span className="w-20 text-right">{bytesToWords(thing.bytes)}</span>
            <ThingButtons thing={thing} onChange={onChange} onDoom={() => setDoomed(thing)} />
          </li>
        ))}
      </ul>
      {doomed !== null && (
        <ForGood key={doomed.id} thing={doomed} onClose={() => setDoomed(null)} onChange={onChange} />
      )}
    </>
  );
}

function ThingButtons({
  thing,
  onChange,
  onDoom,
}: {
  readonly thing: KeptThing;
  readonly onChange: () => void;
  readonly onDoom: () => void;
}) {
  const bringBack = async (): Promise<void> => {
    if (await putThingAway(thing, null)) onChange();
  };
  if (thing.away === null) return <ThingMenu thing={thing} onChange={onChange} />;
  return (
    <span className="flex w-64 justify-end gap-2">
      <Button onClick={() => void bringBack()}>Bring back</Button>
      <Button onClick={onDoom}>Delete for good…</Button>
    </span>
  );
}

/** Asks before a thing goes for good, and says what still uses it. */
function ForGood({
  thing,
  onClose,
  onChange,
}: {
  readonly thing: KeptThing;
  readonly onClose: () => void;
  readonly onChange: () => void;
}) {
  const [uses, setUses] = useState<ThingUses | null>(null);
  useEffect(() => {
    usesOfThing(thing).then(setUses, () => undefined);
  }, [thing]);
  const go = async (): Promise<void> => {
    onClose();
    if (await deleteThing(thing)) onChange();
  };
  return (
    <Modal
      title={`Delete “${thing.name}” for good?`}
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={uses?.count !== 0} onClick={() => void go()}>
            Delete for good
          </Button>
        </>
      }
    >
      {uses === null && <p role="status">Looking where it is used.</p>}
      {uses?.count === 0 && (
        <p>{`Nothing uses it. ${bytesToWords(thing.bytes)} come free, and it cannot be brought back.`}</p>
      )}
      {uses !== null && uses.count > 0 && (
        <p>{`It is in use by ${usersInWords(uses)}, so it stays. Take it out there first.`}</p>
      )}
    </Modal>
  );
}

function whenInWords({ away, awayAt, createdAt }: KeptThing): string {
  const day = (iso: string): string =>
    new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  if (away === null || awayAt === null) return day(createdAt);
  if (away === 'aside') return `set aside ${day(awayAt)}`;
  const left = Math.max(0, Math.ceil((Date.parse(awayAt) + KEPT_DAYS * DAY_MS - Date.now()) / DAY_MS));
  return `deleted, kept for ${counted(left, 'day')}`;
}
