'use client';
import { memo } from 'react';
import { SHAPE_LABELS } from '@/core/frame/formats';
import { SelectBox } from '../../shared/SelectBox';
import { useBench } from '../state/benchStore';
import { useEditing } from '../state/useEditing';

/** Which formats changes are made for: all, the one that is looked at, or all of its shape. */
export const ScopeRow = memo(function ScopeRow() {
  const { scope, setScope } = useBench();
  const { template, format } = useEditing();
  if (template.formats.length < 2 && scope === null) return null;
  const choices = [
    { value: 'all', label: 'All formats' },
    { value: 'format', label: `${format.label} ${format.shapeLabel} only` },
    { value: 'shape', label: `Every ${SHAPE_LABELS[format.shape].toLowerCase()} format` },
  ] as const;
  return (
    <>
      <div
        className={`mx-3.5 mb-2 flex items-center gap-2 rounded-lg ${scope === null ? '' : 'bg-in-wash px-2 py-1'}`}
      >
        <span className="shrink-0 text-soft">Changes for</span>
        <SelectBox
          label="Changes are made for"
          value={scope?.kind ?? 'all'}
          choices={choices}
          onChange={(value) => {
            if (value === 'all') setScope(null);
            else setScope({ kind: value, id: value === 'format' ? format.id : format.shape });
          }}
        />
      </div>
      {scope !== null && (
        <p className="mx-3.5 mb-2 text-[12px] text-soft">
          Figures, colours, places and what is done with long text change there only. Lists, such as outlines,
          are the same everywhere.
        </p>
      )}
    </>
  );
});
