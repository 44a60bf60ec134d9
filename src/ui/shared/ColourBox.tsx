'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { EyeDropperIcon, PlusIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import { createContext, useContext, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { toast } from 'sonner';
import { hexToOklch, oklchToHex } from '@/core/colour/oklch';
import { typedColour } from '@/core/colour/typedColour';
import type { Oklch } from '@/core/colour/oklch';
import { wordsOf } from './api';
import { changeHouse, useHouse } from './useHouse';

/** How a colour is picked from a picture on this screen; null where there is none. */
export const EyedropContext = createContext<((pick: (colour: string) => void) => void) | null>(null);

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Colours to choose from by one click, before those of the House. */
  readonly swatches?: readonly { readonly value: string; readonly label: string }[];
  /** Whether it stands for several colours; none of them is shown then. */
  readonly mixed?: boolean;
}

const WHOLE = /^#?[0-9a-f]{6}$/i;

/** A colour: a swatch that opens a picker, and a box to type it into. */
export function ColourBox({ label, value, onChange, swatches = [], mixed = false }: Props) {
  return (
    <div className="flex w-full min-w-0 items-start gap-2">
      <Popover className="relative shrink-0 pt-0.5">
        <PopoverButton
          aria-label={mixed ? `${label}: several, choose` : `${label}: ${value}, choose`}
          className="block h-7 w-7 rounded-lg border border-line-strong"
          style={{ background: mixed ? 'linear-gradient(135deg, #c9c4b8 50%, #655f54 50%)' : value }}
        />
        <PopoverPanel
          anchor={{ to: 'bottom start', gap: 6 }}
          className="z-40 w-60 rounded-xl border border-line-strong bg-card p-3"
        >
          {({ close }) => (
            <ColourPanel label={label} value={value} onChange={onChange} swatches={swatches} close={close} />
          )}
        </PopoverPanel>
      </Popover>
      <TypedColour label={label} value={mixed ? '' : value} onChange={onChange} />
    </div>
  );
}

/** A colour as it is typed. Six figures count at once, all else once the box is left; what is none is refused. */
function TypedColour({ label, value, onChange }: Pick<Props, 'label' | 'value' | 'onChange'>) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const type = (text: string): void => {
    setTyped(text);
    const colour = typedColour(text);
    if (colour !== null) setWrong(false);
    // Three figures may be the beginning of six, and a name that of a longer one.
    if (colour !== null && WHOLE.test(text.trim())) onChange(colour);
  };
  const settle = (): void => {
    if (typed === null) return;
    const colour = typed.trim() === '' ? value : typedColour(typed);
    setWrong(colour === null);
    if (colour === null) return;
    if (colour !== value) onChange(colour);
    setTyped(null);
  };
  return (
    <span className="block w-full min-w-0">
      <input
        aria-label={`${label}, hex`}
        aria-invalid={wrong}
        placeholder={value === '' ? 'several' : undefined}
        value={typed ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={settle}
        onKeyDown={(event) => {
          if (event.key === 'Enter') settle();
          if (event.key !== 'Escape') return;
          setTyped(null);
          setWrong(false);
        }}
        className={`h-8 w-full min-w-0 rounded-lg border bg-field px-2 font-mono text-[12.5px] ${wrong ? 'border-stop' : 'border-line-strong'}`}
      />
      {wrong && (
        <span role="alert" className="mt-1 block text-[12px] text-stop-ink">
          {`“${typed}” is no colour. Try #10303c, rgb(16 48 60) or teal, without opacity.`}
        </span>
      )}
    </span>
  );
}

interface PanelProps extends Required<Omit<Props, 'mixed'>> {
  readonly close: () => void;
}

function ColourPanel({ label, value, onChange, swatches, close }: PanelProps) {
  const { colours } = useHouse();
  const eyedrop = useContext(EyedropContext);
  const house = colours.map((one) => ({ value: one.colour, label: one.name }));
  const known = house.some((one) => one.value === value);
  const keep = async (): Promise<void> => {
    try {
      await changeHouse((now) => ({
        ...now,
        colours: [...now.colours, { id: nanoid(10), name: value, colour: value }],
      }));
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  return (
    <>
      <HexColorPicker color={value} onChange={onChange} style={{ width: '100%', height: 130 }} />
      <OklchSliders label={label} value={value} onChange={onChange} />
      {swatches.length > 0 && <Swatches title="On the card" list={swatches} onPick={onChange} />}
      <Swatches title="House" list={house} onPick={onChange} />
      <div className="flex items-center justify-between pt-2">
        {eyedrop !== null && (
          <button
            type="button"
            className="inline-flex items-center gap-1.5 font-semibold text-leaf-ink"
            onClick={() => {
              close();
              eyedrop(onChange);
            }}
          >
            <EyeDropperIcon className="h-4 w-4" /> From the picture
          </button>
        )}
        {!known && (
          <button
            type="button"
            className="inline-flex items-center gap-1 text-soft hover:text-ink"
            onClick={() => void keep()}
          >
            <PlusIcon className="h-3.5 w-3.5" /> House
          </button>
        )}
      </div>
    </>
  );
}

interface SwatchProps {
  readonly title: string;
  readonly list: readonly { readonly value: string; readonly label: string }[];
  readonly onPick: (colour: string) => void;
}

function Swatches({ title, list, onPick }: SwatchProps) {
  return (
    <div className="pt-2">
      <p className="caps pb-1">{title}</p>
      <div className="flex flex-wrap gap-1.5">
        {list.map((swatch) => (
          <button
            key={`${swatch.value} ${swatch.label}`}
            type="button"
            aria-label={swatch.label}
            title={swatch.label}
            onClick={() => onPick(swatch.value)}
            className="h-6 w-6 rounded-md border border-line-strong"
            style={{ background: swatch.value }}
          />
        ))}
      </div>
    </div>
  );
}

const SLIDERS: readonly {
  readonly key: keyof Oklch;
  readonly name: string;
  readonly max: number;
  readonly step: number;
}[] = [
  { key: 'l', name: 'Light', max: 1, step: 0.01 },
  { key: 'c', name: 'Chroma', max: 0.37, step: 0.005 },
  { key: 'h', name: 'Hue', max: 360, step: 1 },
];

/** Lightness, chroma and hue as the eye sees them (OKLCH): moving one leaves the others as they look. */
function OklchSliders({ label, value, onChange }: Pick<Props, 'label' | 'value' | 'onChange'>) {
  // A grey has no hue of its own, so where the sliders stand is kept while they still mean this colour.
  const [draft, setDraft] = useState<Oklch | null>(null);
  const now = draft !== null && oklchToHex(draft) === value ? draft : hexToOklch(value);
  const slide = (next: Oklch): void => {
    setDraft(next);
    onChange(oklchToHex(next));
  };
  return (
    <div className="grid gap-1 pt-2">
      {SLIDERS.map(({ key, name, max, step }) => (
        <label key={key} className="grid grid-cols-[48px_1fr_40px] items-center gap-2 text-[12px]">
          {name}
          <input
            type="range"
            aria-label={`${label}, ${name.toLowerCase()}`}
            min={0}
            max={max}
            step={step}
            value={now[key]}
            onChange={(event) => slide({ ...now, [key]: Number(event.target.value) })}
            className="w-full accent-leaf"
          />
          <span className="text-right font-mono">{now[key].toFixed(key === 'h' ? 0 : 2)}</span>
        </label>
      ))}
    </div>
  );
}
