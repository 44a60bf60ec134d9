'use client';
import { useId, useState } from 'react';
import type { MissingOutputs } from '@/contract/jobs';
import type { Output } from '@/core/outputs/output';
import { OUTPUT_GROUPS } from '@/core/outputs/output';
import { classes } from '../../shared/classes';

interface Props {
  readonly offered: readonly Output[];
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
  /** What this machine cannot do; null while it is not known. */
  readonly lacks: MissingOutputs | null;
}

/** What this machine lacks for a kind of file, by its id. */
type Missing = ReadonlyMap<string, string>;

/** The kinds of file, a row for what they are for. What this machine cannot make is there, with the reason. */
export function KindTicks({ offered, chosen, onChange, lacks }: Props) {
  const missing = lacksOf(lacks);
  const [about, setAbout] = useState<string | null>(null);
  const told = offered.find(({ id }) => id === about) ?? offered.find(({ id }) => chosen.includes(id));
  return (
    <div
      role="group"
      aria-label="Kinds of file"
      className="mt-2"
      // What is not pointed at any more is not told of: a preset may have taken another.
      onMouseLeave={() => setAbout(null)}
      onBlur={() => setAbout(null)}
    >
      <div className="flex min-h-6 items-baseline gap-4 pb-1">
        <span aria-hidden className="caps shrink-0 text-soft">
          Kinds of file
        </span>
        <p className="flex-1 text-right text-[12.5px] text-soft">
          {told !== undefined && `${told.label}: ${told.note} ${lackWords(missing.get(told.id))}`}
        </p>
      </div>
      <div className="grid grid-cols-[132px_1fr] gap-x-2 gap-y-1.5">
        {OUTPUT_GROUPS.map(({ id: group, label }) => {
          const kinds = offered.filter((output) => output.group === group);
          if (kinds.length === 0) return null;
          return (
            <div key={group} role="group" aria-label={label} className="contents">
              <span className="pt-1 text-soft">{label}</span>
              <div className="flex flex-wrap gap-1">
                {kinds.map((output) => (
                  <Kind
                    key={output.id}
                    output={output}
                    on={chosen.includes(output.id)}
                    lacks={missing.get(output.id)}
                    onAbout={() => setAbout(output.id)}
                    onToggle={(on) =>
                      onChange(on ? [...chosen, output.id] : chosen.filter((id) => id !== output.id))
                    }
                  />
                ))}
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
}

interface KindProps {
  readonly output: Output;
  readonly on: boolean;
  readonly lacks: string | undefined;
  readonly onAbout: () => void;
  readonly onToggle: (on: boolean) => void;
}

function Kind({ output: { label, short, note }, on, lacks, onAbout, onToggle }: KindProps) {
  const about = useId();
  return (
    <label
      onMouseEnter={onAbout}
      className={classes(
        'flex h-7 items-center gap-1.5 rounded-lg border px-1.5',
        on ? 'border-leaf bg-leaf-wash font-semibold' : 'border-line bg-field',
        lacks === undefined ? 'cursor-pointer' : 'text-faint',
      )}
    >
      <input
        type="checkbox"
        aria-label={label}
        aria-describedby={about}
        className="accent-leaf"
        checked={on}
        // What was chosen elsewhere can still be taken out.
        disabled={lacks !== undefined && !on}
        onFocus={onAbout}
        onChange={(event) => onToggle(event.target.checked)}
      />
      {short}
      <span id={about} hidden>
        {`${note} ${lackWords(lacks)}`}
      </span>
    </label>
  );
}

function lackWords(lacks: string | undefined): string {
  return lacks === undefined ? '' : `It needs ${lacks} on this machine.`;
}

const lacksOf = (found: MissingOutputs | null): Missing =>
  new Map((found?.missing ?? []).map(({ output, needs }) => [output, needs]));
