'use client';
import { useEffect, useState } from 'react';
import { sampleValues } from '@/core/edit/sampleTexts';
import { FORMATS } from '@/core/frame/formats';
import { InputError } from '@/core/kit/inputError';
import type { Template } from '@/core/model/template';
import type { LayoutDifference } from '@/core/proof/layoutDifferences';
import { DIFFERENCE_KINDS, layoutDifferences } from '@/core/proof/layoutDifferences';
import { everyFace } from '@/core/resolve/faces';
import { picturesOf } from '@/core/resolve/pictures';
import type { FitFact } from '@/core/text/fitFacts';
import { sayFitFact } from '@/core/text/fitFacts';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { loadFontsFor } from '../picture/fontStore';
import { loadedSizes, loadPicture } from '../picture/pictureStore';
import { useHouse } from '../shared/useHouse';

interface Props {
  readonly before: Template;
  readonly after: Template;
  /** The fonts that it is set in afterwards, where they are others; the same object each time. */
  readonly fonts?: Promise<FontLibrary>;
}

/** One thing that differs, and where. */
interface Told {
  readonly says: string;
  readonly where: string;
}

// The words of the design, and words that try it; widths alone are only told of the first.
const SAMPLES = ['usual', 'long'] as const;
const MOST_SHOWN = 8;

/** What a template lays out otherwise in its new font: in all its formats, with its own words and with long ones. */
export function LayoutReport({ before, after, fonts }: Props) {
  const { language } = useHouse();
  const [told, setTold] = useState<readonly Told[] | null>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    let current = true;
    inTurn(() => compare({ before, after, fonts }, language, () => current)).then(
      (found) => current && setTold(found),
      () => current && setProblem('The layouts could not be compared: a font or a picture did not come.'),
    );
    return () => {
      current = false;
    };
  }, [before, after, fonts, language]);
  if (problem !== '') return <p className="pb-1.5 text-stop-ink">{problem}</p>;
  if (told === null)
    return (
      <p role="status" className="pb-1.5 text-soft">
        Comparing layouts…
      </p>
    );
  if (told.length === 0) return <p className="pb-1.5">Every format lays out as before.</p>;
  return (
    <ul aria-label={`What ${before.name} lays out otherwise`} className="grid gap-0.5 pb-2">
      {told.slice(0, MOST_SHOWN).map(({ says, where }) => (
        <li key={says}>
          {says} <span className="text-soft">{where}</span>
        </li>
      ))}
      {told.length > MOST_SHOWN && <li className="text-soft">{`and ${told.length - MOST_SHOWN} more`}</li>}
    </ul>
  );
}

let last: Promise<unknown> = Promise.resolve();

/** One comparison after another, so that the first is read while the next are made. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const done = last.then(work);
  last = done.catch(() => undefined);
  return done;
}

/** The page is free for whoever uses it between one layout and the next. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** The formats that something was found in, by sample, and how soon it is told. */
interface Found extends Record<(typeof SAMPLES)[number], string[]> {
  readonly rank: number;
}

async function compare(
  { before, after, fonts: others }: Props,
  language: string | undefined,
  isWanted: () => boolean,
): Promise<Told[]> {
  const fonts = await loadFontsFor([...everyFace(before), ...everyFace(after)]);
  const fontsAfter = (await others) ?? fonts;
  const found = new Map<string, Found>();
  for (const sampleId of SAMPLES) {
    for (const id of before.formats) {
      await breathe();
      if (!isWanted()) return [];
      const format = FORMATS.get(id);
      const values = sampleValues(before, sampleId);
      await Promise.all(picturesOf(before, { format, values }).map(loadPicture));
      const set = (template: Template, library: FontLibrary) =>
        laidOut(() => compile(template, values, format, library, loadedSizes(), null, language));
      const [was, is] = [set(before, fonts), set(after, fontsAfter)];
      if (was === null || is === null) continue;
      for (const difference of layoutDifferences(before.layers, was, is)) {
        if (difference.kind === 'width' && sampleId !== 'usual') continue;
        const says = sayDifference(difference);
        const where = found.get(says) ?? {
          rank: DIFFERENCE_KINDS.indexOf(difference.kind),
          usual: [],
          long: [],
        };
        where[sampleId].push(format.label);
        found.set(says, where);
      }
    }
  }
  const all = before.formats.length;
  const worstFirst = [...found].toSorted(([, a], [, b]) => a.rank - b.rank);
  return worstFirst.map(([says, { usual, long }]) => ({
    says,
    where: [inFormats(usual, all), long.length > 0 ? `with long words ${inFormats(long, all)}` : '']
      .filter((part) => part !== '')
      .join('; '),
  }));
}

function inFormats(labels: readonly string[], all: number): string {
  if (labels.length === 0) return '';
  return labels.length === all ? 'in every format' : `in ${labels.join(', ')}`;
}

/** null for a template that cannot be laid out at all, before as after. */
function laidOut<T>(layOut: () => T): T | null {
  try {
    return layOut();
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

function sayDifference(difference: LayoutDifference): string {
  const name = `“${difference.layerName}”`;
  switch (difference.kind) {
    case 'overflow':
      return difference.fitsNow ? `${name} fits, which it did not before` : `${name} no longer fits`;
    case 'missing':
      return `${name} has characters that no font here has: ${difference.characters.join(' ')}`;
    case 'fitted':
      return `${name} is ${sayFacts(difference.now)} (before: ${sayFacts(difference.before)})`;
    case 'width': {
      const percent = Math.round(Math.abs(difference.share - 1) * 100);
      return `${name} is ${percent} % ${difference.share > 1 ? 'wider' : 'narrower'}`;
    }
  }
}

const sayFacts = (facts: readonly FitFact[]): string =>
  facts.length === 0 ? 'as designed' : facts.map(sayFitFact).join(' and ');
