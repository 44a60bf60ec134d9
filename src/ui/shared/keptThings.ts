import { toast } from 'sonner';
import type { Away, KeptKind, ThingUses } from '@/contract/room';
import { ask, wordsOf } from './api';

/** A thing that can be put out of the way. */
export interface Thing {
  readonly kind: KeptKind;
  readonly id: string;
  readonly name: string;
}

const pathOf = ({ kind, id }: Thing): string => `room/${kind}/${id}`;

/** What uses a thing. */
export function usesOfThing(thing: Thing): Promise<ThingUses> {
  return ask<ThingUses>(pathOf(thing));
}

/** Sets a thing aside, deletes it for 30 days, or brings it back; says when it could not be done. */
export async function putThingAway(thing: Thing, away: Away | null): Promise<boolean> {
  return tell(() => ask(pathOf(thing), { method: 'PUT', body: { away } }));
}

/** Deletes a thing for good; says when it could not be done. */
export async function deleteThing(thing: Thing): Promise<boolean> {
  return tell(() => ask(pathOf(thing), { method: 'DELETE' }));
}

async function tell(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work();
    return true;
  } catch (error) {
    toast.error(wordsOf(error), { duration: 12_000 });
    return false;
  }
}

/** Says what was done with a thing, with the way back. */
export function sayAway(thing: Thing, away: Away, onBack: () => void): void {
  const words =
    away === 'aside'
      ? `“${thing.name}” is set aside. It is kept under House, Room.`
      : `“${thing.name}” is deleted. It can be brought back for 30 days under House, Room.`;
  const onClick = (): void => {
    void putThingAway(thing, null).then((done) => done && onBack());
  };
  toast(words, { duration: 10_000, action: { label: 'Bring back', onClick } });
}

/** The names of what uses a thing, as a sentence's list. */
export function usersInWords({ names, count }: ThingUses): string {
  const listed = names.map((name) => `“${name}”`).join(', ');
  return count > names.length ? `${listed} and ${count - names.length} more` : listed;
}
