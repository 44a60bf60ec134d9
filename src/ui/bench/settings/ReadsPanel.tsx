'use client';
import { useRef, useState } from 'react';
import { fieldOf, toggleField } from '@/core/edit/editFields';
import { typeWords, updateLayer } from '@/core/edit/editTemplate';
import type { TextLayer, TextStyle } from '@/core/model/template';
import { plainText } from '@/core/model/template';
import { styleRange } from '@/core/text/runs';
import { ColourBox } from '../../shared/ColourBox';
import { Leaf } from '../../shared/Leaf';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { faceChoices, weightChoices } from '@/core/layers/properties';
import { useApply, useTemplate } from '../state/benchStore';
import { CharacterPicker } from './CharacterPicker';
import { PartMeanings } from './PartMeanings';
import { Row } from './PropertyRow';
import { Section } from './Section';
import { useEditing } from '../state/useEditing';

interface Range {
  readonly start: number;
  readonly end: number;
}

/** The words of a text, characters that are hard to type, and parts of it that are styled apart. */
export function ReadsPanel() {
  const [layer] = useEditing().layers;
  return layer?.kind === 'text' ? <Reads key={layer.id} layer={layer} /> : null;
}

function Reads({ layer }: { readonly layer: TextLayer }) {
  const template = useTemplate();
  const apply = useApply();
  const area = useRef<HTMLTextAreaElement>(null);
  const [range, setRange] = useState<Range>({ start: 0, end: 0 });
  const words = plainText(layer);
  const write = (text: string): void => apply((now) => typeWords(now, layer.id, text));
  const insert = (character: string): void => {
    const at = area.current?.selectionStart ?? words.length;
    const to = area.current?.selectionEnd ?? at;
    write(words.slice(0, at) + character + words.slice(to));
    area.current?.focus();
  };
  const style = (change: Partial<TextStyle> | null): void =>
    apply((now) =>
      updateLayer(now, layer.id, (one) =>
        one.kind === 'text' ? { ...one, runs: styleRange(one.runs, range.start, range.end, change) } : one,
      ),
    );
  return (
    <Section title="Text">
      <div className="grid grid-cols-[1fr_28px] items-start gap-2 py-1">
        <textarea
          ref={area}
          aria-label="Text"
          value={words}
          rows={Math.max(2, Math.min(5, words.split('\n').length))}
          dir="auto"
          onChange={(event) => write(event.target.value)}
          onSelect={(event) => {
            const { selectionStart: start, selectionEnd: end } = event.currentTarget;
            setRange({ start, end });
          }}
          className="block w-full resize-none rounded-lg border border-line-strong bg-field px-2.5 py-1.5"
        />
        <Leaf
          label="Text"
          open={fieldOf(template, layer.id, 'text') !== undefined}
          onToggle={() => apply((now) => toggleField(now, layer.id, 'text'))}
        />
      </div>
      <div className="flex items-center justify-between">
        <CharacterPicker onPick={insert} />
        <span className="text-[12px] text-soft">
          {range.end > range.start ? '' : 'Select words to style them apart'}
        </span>
      </div>
      <PartMeanings layer={layer} />
      {range.end > range.start && range.end <= words.length && (
        <PartRows layer={layer} range={range} onStyle={style} />
      )}
    </Section>
  );
}

const CASES = [
  { value: 'typed', label: 'As typed' },
  { value: 'capitals', label: 'Capitals' },
  { value: 'smallCapitals', label: 'Small capitals' },
] as const;

interface PartProps {
  readonly layer: TextLayer;
  readonly range: Range;
  readonly onStyle: (change: Partial<TextStyle> | null) => void;
}

function PartRows({ layer, range, onStyle }: PartProps) {
  const style = { ...layer.style, ...styleAt(layer, range.start) };
  const weights = weightChoices(style.face, style.weight);
  const words = plainText(layer).slice(range.start, range.end);
  return (
    <fieldset className="mt-1 rounded-lg border border-line bg-field p-2">
      <legend className="px-1 text-[12px] text-soft">
        “{words.length > 24 ? `${words.slice(0, 23)}…` : words}” apart
      </legend>
      <Row label="Font">
        <SelectBox
          label="Font of the part"
          value={style.face}
          choices={faceChoices(style.face)}
          onChange={(face) => onStyle({ face })}
        />
      </Row>
      <Row label="Weight">
        <SelectBox
          label="Weight of the part"
          value={weights.current}
          choices={weights.choices}
          onChange={(weight) => onStyle({ weight: Number(weight) })}
        />
      </Row>
      <Row label="Size">
        <NumberBox
          label="Size of the part"
          unit="u"
          min={4}
          max={2000}
          step={1}
          value={style.sizeU}
          onChange={(sizeU) => onStyle({ sizeU })}
        />
      </Row>
      <Row label="Tracking">
        <NumberBox
          label="Tracking of the part"
          unit="‰"
          min={-200}
          max={2000}
          step={5}
          value={style.tracking}
          onChange={(tracking) => onStyle({ tracking })}
        />
      </Row>
      <Row label="Case">
        <SelectBox
          label="Case of the part"
          value={style.letterCase}
          choices={CASES}
          onChange={(letterCase) => onStyle({ letterCase })}
        />
      </Row>
      <Row label="Baseline shift">
        <NumberBox
          label="Baseline shift of the part"
          unit="‰"
          min={-1000}
          max={1000}
          step={10}
          value={style.shift}
          onChange={(shift) => onStyle({ shift })}
        />
      </Row>
      <Row label="Fill">
        <ColourBox label="Fill of the part" value={style.fill} onChange={(fill) => onStyle({ fill })} />
      </Row>
      <button type="button" className="pt-1 font-semibold text-leaf-ink" onClick={() => onStyle(null)}>
        Like the rest again
      </button>
    </fieldset>
  );
}

/** What the part at a position has otherwise. */
function styleAt(layer: TextLayer, position: number): Partial<TextStyle> | undefined {
  let end = 0;
  return layer.runs.find((run) => position < (end += run.text.length))?.style;
}
