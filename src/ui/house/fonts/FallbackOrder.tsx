'use client';
import { ArrowLeftIcon, XMarkIcon } from '@heroicons/react/20/solid';
import { useRef } from 'react';
import type { Face } from '@/core/faces/faces';
import { FACES } from '@/core/faces/faces';
import type { ScriptFallback } from '@/core/faces/fallback';
import { usualFallbacks } from '@/core/faces/fallback';
import { scriptTag } from '@/core/faces/scripts';
import { SelectBox } from '../../shared/SelectBox';

interface Props {
  readonly fallbacks: readonly ScriptFallback[];
  readonly onChange: (fallbacks: readonly ScriptFallback[]) => void;
}

/** Which fonts letters come from that a text's own font lacks: for each script the House's choice, then the usual ones. */
export function FallbackOrder({ fallbacks, onChange }: Props) {
  const scripts = [...new Set(FACES.list.flatMap((face) => face.scripts))];
  const set = (script: string, faces: readonly string[]): void => {
    const others = fallbacks.filter((one) => one.script !== script);
    onChange(faces.length === 0 ? others : [...others, { script, faces }]);
  };
  return (
    <section aria-labelledby="fallback-fonts" className="mt-7">
      <h3 id="fallback-fonts" className="font-serif text-[15px] font-semibold">
        Fallback fonts
      </h3>
      <p className="pb-3 text-soft">
        Letters that a text’s own font lacks come from another one. Choose which is asked first for each
        script; the proof names every font that stands in.
      </p>
      <ul className="grid gap-2">
        {scripts.map((name) => {
          const script = scriptTag(name);
          const chosen = fallbacks.find((one) => one.script === script)?.faces ?? [];
          return (
            <ScriptRow key={name} name={name} chosen={chosen} onChange={(faces) => set(script, faces)} />
          );
        })}
      </ul>
    </section>
  );
}

interface RowProps {
  readonly name: string;
  /** Ids of faces. */
  readonly chosen: readonly string[];
  readonly onChange: (faces: readonly string[]) => void;
}

const NONE = '';

function ScriptRow({ name, chosen, onChange }: RowProps) {
  const able = FACES.list.filter((face) => face.scripts.includes(name));
  const left = able.filter(({ id }) => !chosen.includes(id));
  const then = usualFallbacks(scriptTag(name)).find(
    (id) => !chosen.includes(id) && FACES.find(id)?.scripts.includes(name),
  );
  const row = useRef<HTMLLIElement>(null);
  // The button that was pressed may be gone by it.
  const changeHere = (faces: readonly string[]): void => {
    onChange(faces);
    row.current?.focus();
  };
  return (
    <li
      ref={row}
      tabIndex={-1}
      aria-label={name}
      className="grid grid-cols-[120px_1fr_200px] items-center gap-3"
    >
      <span className="font-semibold">{name}</span>
      <span className="flex min-w-0 flex-wrap items-center gap-1.5">
        <ol className="contents">
          {chosen.map((id, i) => (
            <Chosen
              key={id}
              face={FACES.find(id)}
              script={name}
              isFirst={i === 0}
              onSooner={() => changeHere(chosen.with(i, chosen[i - 1]).with(i - 1, id))}
              onRemove={() => changeHere(chosen.filter((one) => one !== id))}
            />
          ))}
        </ol>
        {then !== undefined && (
          <span className="text-soft">{`${chosen.length > 0 ? 'then ' : ''}${FACES.get(then).label}`}</span>
        )}
      </span>
      {left.length > 0 && able.length > 1 ? (
        <SelectBox
          label={`Ask first for ${name}`}
          value={NONE}
          onChange={(id) => onChange([...chosen, id])}
          choices={[
            { value: NONE, label: chosen.length === 0 ? 'Ask first…' : 'Ask next…' },
            ...left.map(({ id, label }) => ({ value: id, label })),
          ]}
        />
      ) : (
        <span className="text-soft">{able.length === 1 ? 'No other font has its letters' : ''}</span>
      )}
    </li>
  );
}

interface ChosenProps {
  /** Undefined for one that is no longer here. */
  readonly face: Face | undefined;
  readonly script: string;
  readonly isFirst: boolean;
  readonly onSooner: () => void;
  readonly onRemove: () => void;
}

const BUTTON = 'grid h-6 w-6 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink';

function Chosen({ face, script, isFirst, onSooner, onRemove }: ChosenProps) {
  const label = face?.label ?? 'A font that is no longer here';
  return (
    <li className="flex items-center gap-0.5 rounded-lg border border-line-strong bg-field pl-2">
      <span>{label}</span>
      {!isFirst && (
        <button
          type="button"
          aria-label={`Ask ${label} sooner for ${script}`}
          className={BUTTON}
          onClick={onSooner}
        >
          <ArrowLeftIcon className="h-4 w-4" />
        </button>
      )}
      <button
        type="button"
        aria-label={`Remove ${label} for ${script}`}
        className={BUTTON}
        onClick={onRemove}
      >
        <XMarkIcon className="h-4 w-4" />
      </button>
    </li>
  );
}
