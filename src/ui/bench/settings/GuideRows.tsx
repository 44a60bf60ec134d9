'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import type { GuideLine } from '@/core/model/template';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { useApply } from '../state/benchStore';
import { useEditing } from '../state/useEditing';

/** The designer's own guide lines as figures, for those who do not drag them out of the rulers. */
export function GuideRows() {
  const { guides } = useEditing().template;
  const apply = useApply();
  const set = (next: readonly GuideLine[]): void => apply((now) => ({ ...now, guides: next }));
  return (
    <>
      {guides.map((guide, i) => (
        <div key={i} className="grid grid-cols-[84px_1fr_28px] items-center gap-2 py-1">
          <span className="text-soft">{guide.axis === 'x' ? 'From the left' : 'From the top'}</span>
          <NumberBox
            label={`Guide ${i + 1}, ${guide.axis === 'x' ? 'from the left' : 'from the top'}`}
            unit="u"
            min={0}
            max={8000}
            step={1}
            value={guide.atU}
            onChange={(atU) => set(guides.with(i, { ...guide, atU }))}
          />
          <button
            type="button"
            aria-label={`Remove guide ${i + 1}`}
            onClick={() => set(guides.toSpliced(i, 1))}
            className="grid h-7 w-7 place-items-center rounded text-soft hover:text-ink"
          >
            <XMarkIcon className="h-4 w-4" />
          </button>
        </div>
      ))}
      <div className="flex gap-2 py-1">
        <Button className="flex-1" onClick={() => set([...guides, { axis: 'x', atU: 540 }])}>
          Vertical guide
        </Button>
        <Button className="flex-1" onClick={() => set([...guides, { axis: 'y', atU: 540 }])}>
          Horizontal guide
        </Button>
      </div>
    </>
  );
}
