'use client';
import { PlusIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import type { House } from '@/core/model/house';
import { colourUses, isBehind, unnamedColours, withFigure } from '@/core/model/houseChanges';
import { Button } from '../shared/Button';
import { ColourBox } from '../shared/ColourBox';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';
import { asInForce, Uses } from './uses';

const MOST = 64;

// More would be a wall of swatches; those that are used most come first.
const MOST_UNNAMED = 24;

/** The named colours, where each is used, and the figures that templates have without a name. */
export function ColoursSection({ house, inForce, templates, onChange }: SectionProps) {
  const { colours, finishes, moves } = house;
  const [added, setAdded] = useState<string | null>(null);
  const rename = (id: string, name: string): void =>
    onChange({ colours: colours.map((one) => (one.id === id ? { ...one, name } : one)) });
  const mix = (id: string, colour: string): void =>
    onChange({
      colours: colours.map((one) => (one.id === id ? { ...one, colour } : one)),
      finishes: withFigure(finishes, id, colour),
      moves: withFigure(moves, id, colour),
    });
  const add = (name: string, colour: string): void => {
    const id = nanoid(8);
    onChange({ colours: [...colours, { id, name, colour }] });
    setAdded(id);
  };
  return (
    <>
      <p className="pb-3 text-soft">
        Offered wherever a colour is chosen. What is made with one refers to it by its name: two with the same
        figure stay two.
      </p>
      <ul className="grid gap-2">
        {colours.map(({ id, name, colour }) => (
          <NamedRow
            key={id}
            name={name}
            isNew={id === added}
            onRename={(next) => rename(id, next)}
            onRemove={() => onChange({ colours: colours.filter((one) => one.id !== id) })}
          >
            <ColourBox ofHouse label={name} value={colour} onChange={(next) => mix(id, next)} />
            <span className="min-w-0">
              <Uses templates={templates} count={(template) => colourUses(template, id)} />
              <Behind templates={templates} colour={asInForce(inForce.colours, { id, name, colour })} />
            </span>
          </NamedRow>
        ))}
      </ul>
      <div className="pt-3">
        <Button disabled={colours.length >= MOST} onClick={() => add('New colour', '#808080')}>
          <PlusIcon className="h-4 w-4" /> Add a colour
        </Button>
      </div>
      <Unnamed
        colours={colours}
        templates={templates}
        onName={(figure) => add(`Colour ${figure.slice(1)}`, figure)}
      />
    </>
  );
}

/** The templates that an earlier change of a colour was left out in. */
function Behind({
  templates,
  colour,
}: {
  readonly templates: SectionProps['templates'];
  readonly colour: House['colours'][number];
}) {
  const names = templates.flatMap(({ document }) => (isBehind(document, colour) ? [document.name] : []));
  if (names.length === 0) return null;
  return (
    <span className="block truncate text-soft" title={names.join('\n')}>
      {`Another figure still in ${names.join(', ')}`}
    </span>
  );
}

interface UnnamedProps {
  readonly colours: House['colours'];
  readonly templates: SectionProps['templates'];
  readonly onName: (figure: string) => void;
}

/** What templates have in colours that no name says anything of, the most used first. */
function Unnamed({ colours, templates, onName }: UnnamedProps) {
  const figures = useMemo(() => {
    const places = new Map<string, number>();
    for (const { document } of templates)
      for (const [figure, count] of unnamedColours(document))
        places.set(figure, (places.get(figure) ?? 0) + count);
    return [...places].toSorted(([, a], [, b]) => b - a).map(([figure]) => figure);
  }, [templates]);
  const left = figures.filter((figure) => colours.every(({ colour }) => colour !== figure));
  if (left.length === 0) return null;
  return (
    <>
      <h3 className="caps pt-6 pb-1">Without a name</h3>
      <p className="pb-2 text-soft">
        {left.length > MOST_UNNAMED
          ? `The ${MOST_UNNAMED} of ${left.length} that templates use most.`
          : 'Used in templates as figures alone.'}
      </p>
      <ul className="grid gap-1.5">
        {left.slice(0, MOST_UNNAMED).map((figure) => (
          <li key={figure} className="grid grid-cols-[180px_180px_1fr] items-center gap-3">
            <span className="flex items-center gap-2 font-mono">
              <span
                aria-hidden
                className="h-7 w-7 rounded-lg border border-line-strong"
                style={{ background: figure }}
              />
              {figure}
            </span>
            <span>
              <Button
                disabled={colours.length >= MOST}
                aria-label={`Name ${figure}`}
                onClick={() => onName(figure)}
              >
                Name it
              </Button>
            </span>
            <Uses templates={templates} count={(template) => unnamedColours(template).get(figure) ?? 0} />
          </li>
        ))}
      </ul>
    </>
  );
}
