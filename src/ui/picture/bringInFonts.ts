import { toast } from 'sonner';
import type { TakenFonts } from '@/contract/fonts';
import { counted } from '../shared/counted';
import { sayRefused } from '../shared/assets';
import { sendFile } from '../shared/uploads';
import { refreshFonts } from './fontStore';

/** Brings font files in one after the other, says what came and what was refused, and shows them everywhere. */
export async function bringInFonts(files: readonly File[]): Promise<void> {
  const taken: TakenFonts['fonts'][number][] = [];
  for (const file of files) {
    try {
      taken.push(...(await sendFile<TakenFonts>('font', file)).fonts);
    } catch (error) {
      sayRefused(error);
    }
  }
  if (taken.length === 0) return;
  await refreshFonts(true);
  const waiting = taken.filter(({ inUse }) => !inUse);
  const fresh = taken.filter(({ isNew, inUse }) => isNew && inUse);
  if (fresh.length > 0)
    toast(`${fresh.length === 1 ? `“${fresh[0].name}” is` : `${counted(fresh.length, 'font')} are`} in.`);
  for (const { name, instead } of waiting)
    toast(
      `“${name}” is here, but version ${instead} is in use. House, Fonts can put this one in its place.`,
      {
        duration: 12_000,
      },
    );
  if (fresh.length + waiting.length === 0) toast('Those fonts were here already.');
}
