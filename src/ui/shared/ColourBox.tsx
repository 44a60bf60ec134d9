'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { EyeDropperIcon } from '@heroicons/react/24/outline';
import { createContext, useContext, useId, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { asReference, figureOf, referredColour } from '@/core/colour/houseColour';
import { hexToOklch, oklchToHex } from '@/core/colour/oklch';
import { typedColour } from '@/core/colour/typedColour';
import type { Oklch } from '@/core/colour/oklch';
import { HouseColourRow } from './HouseColourRow';
import { useHouse } from './useHouse';

/** How a colour is picked from a picture on this screen; null where there is none. */
export const EyedropContext = createContext<((pick: (colour: string) => void) => void) | null>(null);

/** Whether a colour of the House that is chosen on this screen is kept as that colour, or as its figure alone. */
export const RefersContext = createContext(false);

interface Props {
  readonly label: string;
  /** Its figure, or a colour of the House with it. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Colours to choose from by one click, before those of the House. */
  readonly swatches?: readonly { readonly value: string; readonly label: string }[];
  /** Whether it stands for several colours; none of them is shown then. */
  readonly mixed?: boolean;
  /** Whether it is what a colour of the House is, which has its name already. */
  readonly ofHouse?: boolean;
}

const WHOLE = /^#?[0-9a-f]{6}$/i;

/** A colour: a swatch that opens a picker, and a box to type it into. */
export function ColourBox({ label, value, onChange, swatches = [], mixed = false, ofHouse = false }: Props) {
  const figure = figureOf(value);
  const known = useHouse().colours.find(({ id }) => id === referredColour(value));
  const said = known === undefined ? figure : `${known.name}, ${figure}`;
  return (
    <div className="flex w-full min-w-0 items-start gap-2">
      <Popover className="relative shrink-0 pt-0.5">
        <PopoverButton
          aria-label={mixed ? `${label}: several, choose` : `${label}: ${said}, choose`}
          title={mixed ? undefined : said}
          className="block h-7 w-7 rounded-lg border border-line-strong"
          style={{ background: mixed ? 'linear-gradient(135deg, #c9c4b8 50%, #655f54 50%)' : figure }}
        />
        <PopoverPanel
          anchor={{ to: 'bottom start', gap: 6 }}
          className="z-40 w-60 rounded-xl border border-line-strong bg-card p-3"
        >
          {({ close }) => (
            <ColourPanel
              label={label}
              value={value}
              onChange={onChange}
              swatches={swatches}
              ofHouse={ofHouse}
              close={close}
            />
          )}
        </PopoverPanel>
      </Popover>
      <TypedColour
        label={label}
        value={mixed ? '' : figure}
        name={mixed ? undefined : known?.name}
        onChange={onChange}
      />
    </div>
  );
}

/** A colour as it is typed. Six figures count at once, all else once the box is left; what is none is refused. */
function TypedColour({
  label,
  value,
  name,
  onChange,
}: Pick<Props, 'label' | 'value' | 'onChange'> & { readonly name: string | undefined }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const named = useId();
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
    <span className="group relative block w-full min-w-0">
      <input
        aria-label={`${label}, hex`}
        aria-describedby={name === undefined ? undefined : named}
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
      {name !== undefined && typed === null && (
        <span
          id={named}
          className="pointer-events-none absolute inset-x-px top-px h-[30px] truncate rounded-lg bg-field px-2 leading-[30px] group-focus-within:hidden"
        >
          {name}
        </span>
      )}
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

function ColourPanel({ label, value, onChange, swatches, ofHouse, close }: PanelProps) {
  const { colours } = useHouse();
  const refers = useContext(RefersContext);
  const eyedrop = useContext(EyedropContext);
  const figure = figureOf(value);
  const house = colours.map(({ id, name, colour }) => ({
    value: refers ? asReference(colour, id) : colour,
    label: name,
  }));
  return (
    <>
      <HexColorPicker color={figure} onChange={onChange} style={{ width: '100%', height: 130 }} />
      <OklchSliders label={label} value={figure} onChange={onChange} />
      {swatches.length > 0 && (
        <Swatches title="On the card" list={swatches} value={value} onPick={onChange} />
      )}
      <Swatches title="House" list={house} value={value} onPick={onChange} />
      {!ofHouse && <HouseColourRow value={value} refers={refers} onChange={onChange} />}
      {eyedrop !== null && (
        <button
          type="button"
          className="inline-flex items-center gap-1.5 pt-2 font-semibold text-leaf-ink"
          onClick={() => {
            close();
            eyedrop(onChange);
          }}
        >
          <EyeDropperIcon className="h-4 w-4" /> From the picture
        </button>
      )}
    </>
  );
}

interface SwatchProps {
  readonly title: string;
  readonly list: readonly { readonly value: string; readonly label: string }[];
  readonly value: string;
  readonly onPick: (colour: string) => void;
}

function Swatches({ title, list, value, onPick }: SwatchProps) {
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
            aria-pressed={swatch.value === value}
            onClick={() => onPick(swatch.value)}
            className="h-6 w-6 rounded-md border border-line-strong aria-pressed:outline-2 aria-pressed:outline-offset-1 aria-pressed:outline-leaf"
            style={{ background: figureOf(swatch.value) }}
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
