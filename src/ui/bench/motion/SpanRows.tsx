'use client';
import type { Moment, Span } from '@/core/model/template';
import { designTiming, momentToSeconds, secondsToMoment, tiedMoment } from '@/core/titleTime/moments';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Segmented } from '../../shared/Segmented';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';

const TIES: readonly { readonly value: Moment['from']; readonly label: string }[] = [
  { value: 'start', label: 'Start' },
  { value: 'inEnd', label: 'End of the in' },
  { value: 'hold', label: 'Share of the hold' },
  { value: 'outStart', label: 'Start of the out' },
  { value: 'end', label: 'Very end' },
];

interface Props {
  readonly span: Span | null;
  readonly onChange: (span: Span | null) => void;
}

/** The part of the title in which a layer is there. */
export function SpanRows({ span, onChange }: Props) {
  const { template } = useEditing();
  const { timing } = template;
  const third = timing.holdSeconds / 3;
  const first: Span = {
    from: secondsToMoment(timing.inSeconds + third, timing),
    to: secondsToMoment(timing.inSeconds + 2 * third, timing),
  };
  return (
    <>
      <Segmented
        label="How long it is there"
        value={span === null ? 'all' : 'part'}
        choices={[
          { value: 'all', label: 'All of the title' },
          { value: 'part', label: 'A part of it' },
        ]}
        onChange={(way) => onChange(way === 'all' ? null : (span ?? first))}
      />
      {span !== null && (
        <>
          <MomentRows label="Comes" moment={span.from} onChange={(from) => onChange({ ...span, from })} />
          <MomentRows label="Is gone" moment={span.to} onChange={(to) => onChange({ ...span, to })} />
          <p className="pb-1 text-[12px] text-soft">
            Its in starts where it comes, its out ends where it is gone. What holds it or hangs on it makes
            room and closes up.
          </p>
        </>
      )}
    </>
  );
}

interface MomentProps {
  readonly label: string;
  readonly moment: Moment;
  readonly onChange: (moment: Moment) => void;
}

/** A moment: when it is in the design, and what it is tied to at other lengths. */
function MomentRows({ label, moment, onChange }: MomentProps) {
  const { template } = useEditing();
  const { timing, marks } = template;
  const whole = designTiming(timing);
  const seconds = momentToSeconds(moment, timing, whole);
  const choices = [
    ...TIES,
    ...marks.map((mark, i) => ({ value: `mark ${i}`, label: `Mark ${i + 1}, ${mark.toFixed(2)} s` })),
  ];
  return (
    <>
      <Row label={label}>
        <NumberBox
          label={`${label} at`}
          unit="s"
          min={0}
          max={whole.totalSeconds}
          step={0.04}
          value={Math.round(seconds * 1000) / 1000}
          onChange={(next) => onChange(tiedMoment(moment.from, next, timing))}
        />
      </Row>
      <Row label="Tied to">
        <SelectBox
          label={`${label}, tied to`}
          value={moment.from}
          choices={choices}
          onChange={(value) => {
            const mark = marks[Number(/^mark (\d+)$/.exec(value)?.[1] ?? -1)];
            const tie = TIES.find((one) => one.value === value);
            if (mark !== undefined) onChange(tiedMoment('start', mark, timing));
            else if (tie !== undefined) onChange(tiedMoment(tie.value, seconds, timing));
          }}
        />
      </Row>
    </>
  );
}
