'use client';
import { pickMove } from '@/core/edit/pickMove';
import { newMoveUse } from '@/core/model/newMove';
import { fitMove, updateLayer } from '@/core/edit/editTemplate';
import { fitWaiting } from '@/core/edit/marks';
import type { Layer, Motion, MoveUse, Timing } from '@/core/model/template';
import { canBend } from '@/core/layers/bendProperties';
import { mirrorMove } from '@/core/timeline/motion';
import { Segmented } from '../../shared/Segmented';
import { useApply, useMoveTimes } from '../state/benchStore';
import { Section } from '../settings/Section';
import { useEditing } from '../state/useEditing';
import { BendRows } from './BendRows';
import { DepthRows } from './DepthRows';
import { FramedViewRows } from './FramedViewRows';
import { HoldRows } from './HoldRows';
import { KeyframeRows } from './KeyframeRows';
import { KeepMoveRows } from './KeepMoveRows';
import { MatteRows } from './MatteRows';
import { MoveMenu } from './MoveMenu';
import { MoveRows, useMoveOffers } from './MoveRows';
import { RetimeRows } from './RetimeRows';
import { SpanRows } from './SpanRows';

const MOST_MOVES = 8;

/** How a layer comes in, what it does while the title holds, and how it goes out. */
export function MotionPanel({ layer }: { readonly layer: Layer }) {
  const { template, change } = useEditing();
  const apply = useApply();
  const { timing } = template;
  const { motion } = layer;
  const set = (part: Partial<Motion>): void =>
    change((one) => ({ ...one, motion: { ...one.motion, ...part } }));
  const mirrored = motion.out === 'mirror';
  return (
    <>
      {layer.kind === 'picture' && (
        <Section title="Framed views">
          <FramedViewRows layer={layer} />
        </Section>
      )}
      <p className="caps pt-1 pb-0.5 text-in">In</p>
      <ColumnRows
        layer={layer}
        column="in"
        uses={motion.in}
        columnSeconds={timing.inSeconds}
        onChange={(uses) => {
          if (!uses.some((use) => use.waits)) return set({ in: uses });
          apply((now) =>
            fitWaiting(
              updateLayer(now, layer.id, (one) => ({ ...one, motion: { ...one.motion, in: uses } })),
            ),
          );
        }}
      />
      <p className="caps mt-2 border-t border-line pt-2.5 pb-1.5 text-soft">Hold</p>
      <HoldRows layer={layer} uses={motion.hold} onChange={(hold) => set({ hold })} />
      <p className="caps mt-2 border-t border-line pt-2.5 pb-1.5 text-out">Out</p>
      <Segmented
        label="How it goes out"
        value={mirrored ? 'mirror' : 'own'}
        choices={[
          { value: 'mirror', label: 'Reverse of in' },
          { value: 'own', label: 'Its own moves' },
        ]}
        onChange={(way) => set({ out: way === 'mirror' ? 'mirror' : ownOut(motion, timing) })}
      />
      {motion.out !== 'mirror' && (
        <div className="pt-1">
          <ColumnRows
            layer={layer}
            column="out"
            uses={motion.out}
            columnSeconds={timing.outSeconds}
            onChange={(uses) => set({ out: uses })}
          />
        </div>
      )}
      <div className="mt-2 border-t border-line">
        <Section title="Keyframes" open={motion.tracks.length > 0} says="none">
          <KeyframeRows layer={layer} />
        </Section>
        <Section title="Depth and motion blur" open={false}>
          <DepthRows layer={layer} onChange={set} />
        </Section>
        {canBend(layer) && (
          <Section title="Bend" open={motion.bend != null} says="straight">
            <BendRows layer={layer} onChange={set} />
          </Section>
        )}
        <Section title="Own time" open={motion.retime !== null} says="the title’s">
          <RetimeRows retime={motion.retime} onChange={(retime) => set({ retime })} />
        </Section>
        <Section title="There for" open={motion.span != null} says="all of the title">
          <SpanRows span={motion.span ?? null} onChange={(span) => set({ span })} />
        </Section>
        <Section title="Matte" open={layer.matte !== null} says="none">
          <MatteRows layer={layer} />
        </Section>
        <Section title="Own moves" open={false}>
          <KeepMoveRows motion={motion} />
        </Section>
      </div>
    </>
  );
}

/** The moves of the in as moves of the out, to be changed from there. */
function ownOut(motion: Motion, timing: Timing): readonly MoveUse[] {
  return motion.in.map((use) => fitMove(mirrorMove(use, timing), timing.outSeconds));
}

interface ColumnProps {
  readonly layer: Layer;
  readonly column: 'in' | 'out';
  readonly uses: readonly MoveUse[];
  readonly columnSeconds: number;
  readonly onChange: (uses: readonly MoveUse[]) => void;
}

/** The moves of a column, which act together, and a menu to add one. */
function ColumnRows({ layer, column, uses, columnSeconds, onChange }: ColumnProps) {
  const offers = useMoveOffers(layer, column, null);
  const times = useMoveTimes(layer.id)[column];
  const many = uses.length > 1;
  const add = (id: string): void => {
    const start = newMoveUse(id, { lengthSeconds: columnSeconds });
    onChange([...uses, fitMove(pickMove(layer, start, id, column), columnSeconds)]);
  };
  return (
    <>
      {uses.map((use, i) => (
        <MoveRows
          key={i}
          layer={layer}
          column={column}
          number={i + 1}
          many={many}
          use={use}
          columnSeconds={columnSeconds}
          times={times[i]}
          onChange={(next) => onChange(uses.with(i, next))}
          onRemove={() => onChange(uses.toSpliced(i, 1))}
        />
      ))}
      {uses.length < MOST_MOVES && (
        <MoveMenu
          label={`Add a move to the ${column}`}
          button={uses.length === 0 ? 'None, it is simply there' : 'Add another move'}
          layer={layer}
          offers={offers}
          chosen={null}
          onPick={add}
        />
      )}
    </>
  );
}
