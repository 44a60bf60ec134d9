'use client';
import type { Field, FieldLimits } from '@/core/model/template';
import { writeDate } from '@/core/resolve/fieldValue';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from './PropertyRow';

interface Props {
  readonly field: Field;
  readonly onChange: (limits: FieldLimits) => void;
}

const ALLOWED = [
  { value: 'any', label: 'Any characters' },
  { value: 'letters', label: 'Letters and marks' },
  { value: 'figures', label: 'Figures and signs' },
  { value: 'capitals', label: 'Capitals' },
] as const;

const PATTERNS = ['d MMMM yyyy', 'EEEE d MMMM', 'd.M.yyyy', 'dd/MM/yy', 'HH:mm', 'h:mm a'];
// A date whose parts are told apart in every pattern.
const EXAMPLE = '2026-05-09T14:20';

/** What may be typed into a field. */
export function LimitRows({ field, onChange }: Props) {
  const { limits, label } = field;
  switch (field.kind) {
    case 'text':
      return (
        <>
          <Row label="At most">
            <span className="grid grid-cols-2 gap-2">
              <NumberBox
                label={`Most characters in ${label}`}
                unit="chars"
                min={1}
                max={10_000}
                step={1}
                digits={0}
                value={limits.maxLength ?? 10_000}
                onChange={(v) => onChange({ maxLength: Math.round(v) })}
              />
              <NumberBox
                label={`Most lines in ${label}`}
                unit="lines"
                min={1}
                max={100}
                step={1}
                digits={0}
                value={limits.maxLines ?? 1}
                onChange={(v) => onChange({ maxLines: Math.round(v) })}
              />
            </span>
          </Row>
          <Row label="Allowed">
            <SelectBox
              label={`What ${label} takes`}
              value={limits.allowed ?? 'any'}
              choices={ALLOWED}
              onChange={(allowed) => onChange({ allowed })}
            />
          </Row>
        </>
      );
    case 'number':
      return (
        <>
          <Row label="From, to">
            <span className="grid grid-cols-2 gap-2">
              <NumberBox
                label={`Least ${label}`}
                unit=""
                min={-1e6}
                max={limits.max ?? 1e6}
                step={1}
                value={limits.min ?? 0}
                onChange={(min) => onChange({ min })}
              />
              <NumberBox
                label={`Most ${label}`}
                unit=""
                min={limits.min ?? -1e6}
                max={1e6}
                step={1}
                value={limits.max ?? 0}
                onChange={(max) => onChange({ max })}
              />
            </span>
          </Row>
          <Row label="Step">
            <NumberBox
              label={`Step of ${label}`}
              unit=""
              min={0.01}
              max={1000}
              step={1}
              value={limits.step ?? 1}
              onChange={(step) => onChange({ step })}
            />
          </Row>
        </>
      );
    case 'date':
      return (
        <Row label="Written as">
          <SelectBox
            label={`How ${label} is written`}
            value={limits.pattern ?? PATTERNS[0]}
            choices={[...new Set([...PATTERNS, limits.pattern ?? PATTERNS[0]])].map((value) => ({
              value,
              label: writeDate(EXAMPLE, value),
            }))}
            onChange={(pattern) => onChange({ pattern })}
          />
        </Row>
      );
    default:
      return null;
  }
}
