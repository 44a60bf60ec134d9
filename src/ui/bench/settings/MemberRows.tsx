'use client';
import { updateLayer } from '@/core/edit/editTemplate';
import { dropTargets } from '@/core/edit/dropTargets';
import type { GroupLayer, Layer, StackLayer } from '@/core/model/template';
import { useApply } from '../state/benchStore';
import { Section } from './Section';

interface Props {
  readonly layer: GroupLayer | StackLayer;
  readonly others: readonly Layer[];
}

/** Which layers are in a group or a stack. */
export function MemberRows({ layer, others }: Props) {
  const apply = useApply();
  const toggle = (id: string, on: boolean): void =>
    apply((now) => {
      const freed = dropTargets(now, [id], layer.kind);
      if (!on) return freed;
      return updateLayer(freed, layer.id, (one) =>
        one.kind === 'group' || one.kind === 'stack'
          ? { ...one, members: inListOrder(now.layers, [...one.members, id]) }
          : one,
      );
    });
  return (
    <Section title={layer.kind === 'group' ? 'In this group' : 'In this stack'}>
      <fieldset>
        <legend className="sr-only">Members</legend>
        {others.map((one) => (
          <label key={one.id} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="accent-leaf"
              checked={layer.members.includes(one.id)}
              onChange={(event) => toggle(one.id, event.target.checked)}
            />
            {one.name}
          </label>
        ))}
      </fieldset>
    </Section>
  );
}

function inListOrder(layers: readonly Layer[], ids: readonly string[]): string[] {
  return layers.filter((one) => ids.includes(one.id)).map((one) => one.id);
}
