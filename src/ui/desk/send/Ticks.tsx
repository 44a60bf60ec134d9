'use client';
import { classes } from '../../shared/classes';

interface Props {
  readonly label: string;
  readonly choices: readonly { readonly id: string; readonly label: string; readonly note: string }[];
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
  /** How many stand beside one another. */
  readonly columns?: 2 | 3;
}

/** Choices of which any number can be taken, each with a word of what it is. */
export function Ticks({ label, choices, chosen, onChange, columns = 2 }: Props) {
  return (
    <fieldset className="mt-2">
      <legend className="caps pb-1 text-soft">{label}</legend>
      <div className={classes('grid gap-1.5', columns === 3 ? 'grid-cols-3' : 'grid-cols-2')}>
        {choices.map(({ id, label: name, note }) => {
          const on = chosen.includes(id);
          return (
            <label
              key={id}
              className={classes(
                'flex cursor-pointer items-baseline gap-2.5 rounded-lg border px-3 py-1',
                on ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
              )}
            >
              <input
                type="checkbox"
                className="translate-y-0.5 accent-leaf"
                checked={on}
                onChange={() => onChange(on ? chosen.filter((one) => one !== id) : [...chosen, id])}
              />
              <span className="min-w-0">
                <span className="font-semibold">{name}</span>{' '}
                <span className="text-[12.5px] text-soft">{note}</span>
              </span>
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}
