'use client';
import type { Glow, Look, Reflection, Solid } from '@/core/model/look';
import { FIRST_SOLID } from '@/core/model/look';
import type { Highlight, Layer } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { Tick } from '../../shared/Tick';
import { FinishRow } from './FinishRow';
import { GradientRows } from './GradientRows';
import { OutlineRows, ShadowRows } from './EdgeRows';
import { PropertyRow, Row } from './PropertyRow';
import { Section } from './Section';
import { useEditing } from '../state/useEditing';

const FIRST_GLOW: Glow = { sizeU: 24, colour: '#f0d9a2', opacity: 0.8 };
const FIRST_REFLECTION: Reflection = { distanceU: 4, opacity: 0.4, fade: 0.7 };
const FIRST_HIGHLIGHT: Highlight = {
  colour: '#10303c',
  opacity: 0.9,
  padAcrossU: 12,
  padDownU: 0,
  radiusU: 4,
};

/** Colours and edges beyond the plain fill. */
export function LookPanel({ layer }: { readonly layer: Layer }) {
  const { change } = useEditing();
  const { look } = layer;
  const set = (part: Partial<Look>): void => change((one) => ({ ...one, look: { ...one.look, ...part } }));
  const edges = look.outlines.length + look.shadows.length;
  const looks = bindLayer(layer).properties.filter(({ path }) => /^look\.(blur|picture)/.test(path));
  return (
    <>
      <Section title="Gradient" open={look.gradient !== null} says={look.gradient?.shape ?? 'none'}>
        <GradientRows layer={layer} onChange={(gradient) => set({ gradient })} />
      </Section>
      <Section title="Edges and shadows" open={edges > 0} says={edges === 0 ? 'none' : String(edges)}>
        <OutlineRows outlines={look.outlines} onChange={(outlines) => set({ outlines })} />
        <ShadowRows shadows={look.shadows} onChange={(shadows) => set({ shadows })} />
      </Section>
      <Section title="Glow, blur, reflection" open={false} says={saysEffects(look)}>
        <GlowRows glow={look.glow} onChange={(glow) => set({ glow })} />
        {looks.map((property) => (
          <PropertyRow key={property.path} layer={layer} property={property} />
        ))}
        <ReflectionRows reflection={look.reflection} onChange={(reflection) => set({ reflection })} />
      </Section>
      <Section title="Extrusion" open={look.solid !== null} says="flat">
        <SolidRows solid={look.solid} onChange={(solid) => set({ solid })} />
      </Section>
      {layer.kind === 'text' && (
        <Section title="Highlight" open={layer.highlight !== null} says="none">
          <HighlightRows
            highlight={layer.highlight}
            onChange={(highlight) => change((one) => (one.kind === 'text' ? { ...one, highlight } : one))}
          />
        </Section>
      )}
      <Section title="Finish" open={layer.finish !== null} says="none">
        <FinishRow layer={layer} />
      </Section>
    </>
  );
}

function saysEffects({ glow, blurAcrossU, blurDownU, reflection, picture }: Look): string {
  const parts = [
    glow !== null && 'glow',
    (blurAcrossU > 0 || blurDownU > 0) && 'blur',
    reflection !== null && 'reflection',
    picture !== null && 'picture',
  ].filter(Boolean);
  return parts.length === 0 ? 'none' : parts.join(', ');
}

interface FigureProps {
  readonly label: string;
  readonly unit: 'u' | '%' | '°';
  readonly value: number;
  readonly max: number;
  readonly min?: number;
  readonly onChange: (value: number) => void;
}

/** A number in a row of its own. */
function Figure({ label, unit, value, max, min = 0, onChange }: FigureProps) {
  return (
    <Row label={label}>
      <NumberBox label={label} unit={unit} min={min} max={max} step={1} value={value} onChange={onChange} />
    </Row>
  );
}

/** Depth behind the layer's shapes, the colour of its sides, and edges that catch the light. */
function SolidRows({ solid, onChange }: { solid: Solid | null; onChange: (solid: Solid | null) => void }) {
  return (
    <>
      <Tick
        label="Extrude, as cut from a board"
        on={solid !== null}
        onChange={(on) => onChange(on ? FIRST_SOLID : null)}
      />
      {solid !== null && (
        <>
          <Figure
            label="Depth"
            unit="u"
            max={200}
            value={solid.depthU}
            onChange={(depthU) => onChange({ ...solid, depthU })}
          />
          <Figure
            label="Depth goes to"
            unit="°"
            min={-360}
            max={360}
            value={solid.angleDegrees}
            onChange={(angleDegrees) => onChange({ ...solid, angleDegrees })}
          />
          <Row label="Sides">
            <ColourBox
              label="Colour of the sides"
              value={solid.colour}
              onChange={(colour) => onChange({ ...solid, colour })}
            />
          </Row>
          <Figure
            label="Lit bevel"
            unit="u"
            max={40}
            value={solid.bevelU}
            onChange={(bevelU) => onChange({ ...solid, bevelU })}
          />
        </>
      )}
    </>
  );
}

function GlowRows({ glow, onChange }: { glow: Glow | null; onChange: (glow: Glow | null) => void }) {
  return (
    <>
      <Tick label="Glow" on={glow !== null} onChange={(on) => onChange(on ? FIRST_GLOW : null)} />
      {glow !== null && (
        <>
          <Figure
            label="Glow size"
            unit="u"
            max={400}
            value={glow.sizeU}
            onChange={(sizeU) => onChange({ ...glow, sizeU })}
          />
          <Figure
            label="Glow strength"
            unit="%"
            max={100}
            value={glow.opacity * 100}
            onChange={(v) => onChange({ ...glow, opacity: v / 100 })}
          />
          <Row label="Glow colour">
            <ColourBox
              label="Glow colour"
              value={glow.colour}
              onChange={(colour) => onChange({ ...glow, colour })}
            />
          </Row>
        </>
      )}
    </>
  );
}

interface ReflectionProps {
  readonly reflection: Reflection | null;
  readonly onChange: (reflection: Reflection | null) => void;
}

function ReflectionRows({ reflection, onChange }: ReflectionProps) {
  return (
    <>
      <Tick
        label="Reflection"
        on={reflection !== null}
        onChange={(on) => onChange(on ? FIRST_REFLECTION : null)}
      />
      {reflection !== null && (
        <>
          <Figure
            label="Distance"
            unit="u"
            min={-500}
            max={1000}
            value={reflection.distanceU}
            onChange={(distanceU) => onChange({ ...reflection, distanceU })}
          />
          <Figure
            label="Strength"
            unit="%"
            max={100}
            value={reflection.opacity * 100}
            onChange={(v) => onChange({ ...reflection, opacity: v / 100 })}
          />
          <Figure
            label="Gone after"
            unit="%"
            min={1}
            max={100}
            value={reflection.fade * 100}
            onChange={(v) => onChange({ ...reflection, fade: v / 100 })}
          />
        </>
      )}
    </>
  );
}

interface HighlightProps {
  readonly highlight: Highlight | null;
  readonly onChange: (highlight: Highlight | null) => void;
}

function HighlightRows({ highlight, onChange }: HighlightProps) {
  return (
    <>
      <Tick
        label="Behind each line"
        on={highlight !== null}
        onChange={(on) => onChange(on ? FIRST_HIGHLIGHT : null)}
      />
      {highlight !== null && (
        <>
          <Row label="Colour">
            <ColourBox
              label="Highlight colour"
              value={highlight.colour}
              onChange={(colour) => onChange({ ...highlight, colour })}
            />
          </Row>
          <Figure
            label="Opacity"
            unit="%"
            max={100}
            value={highlight.opacity * 100}
            onChange={(v) => onChange({ ...highlight, opacity: v / 100 })}
          />
          <Figure
            label="Pad across"
            unit="u"
            min={-100}
            max={400}
            value={highlight.padAcrossU}
            onChange={(padAcrossU) => onChange({ ...highlight, padAcrossU })}
          />
          <Figure
            label="Pad down"
            unit="u"
            min={-100}
            max={400}
            value={highlight.padDownU}
            onChange={(padDownU) => onChange({ ...highlight, padDownU })}
          />
          <Figure
            label="Corner radius"
            unit="u"
            max={400}
            value={highlight.radiusU}
            onChange={(radiusU) => onChange({ ...highlight, radiusU })}
          />
        </>
      )}
    </>
  );
}
