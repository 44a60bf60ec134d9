'use client';
import type { ReactNode } from 'react';
import type { Edge, Shift, Title } from '@/core/model/project';
import { withDeliveryChange, withShift } from '@/core/project/deliver';
import { changeTitles } from '@/core/project/work';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { SwitchBox } from '../../shared/SwitchBox';
import { useApplyTitles, useDelivery, useDesk } from '../deskContext';
import { useOnlyHere } from './onlyHere';
import type { ChosenTitles } from './chosenTitles';

const PLACE = { unit: 'u', min: -8000, max: 8000, step: 1, digits: 0 };

/** Where the chosen titles stand, what lies under them, and what they stay with. */
export function TitleExtras({ first, chosen }: ChosenTitles) {
  const { ui } = useDesk();
  const delivery = useDelivery();
  const apply = useApplyTitles();
  const { possible, onlyHere } = useOnlyHere();
  const ids = new Set(chosen.map(({ id }) => id));
  const change = (work: (title: Title) => Title): void => apply((now) => changeTitles(now, ids, work));
  const own = first.perDelivery[delivery.id];
  const shiftOf = (title: Title): Shift =>
    title.perDelivery[delivery.id]?.shift ?? title.shift ?? { dxU: 0, dyU: 0 };
  const place = (moved: Partial<Shift>): void =>
    change((title) => withShift(title, delivery.id, { ...shiftOf(title), ...moved }, onlyHere));
  const resetPlace = (): void => change((title) => withShift(title, delivery.id, null, onlyHere));
  const differ = (of: keyof Shift): boolean => new Set(chosen.map((title) => shiftOf(title)[of])).size > 1;
  return (
    <div className="mt-3 grid gap-1.5 border-t border-line pt-3">
      <Row label="Place">
        <span className="w-[84px]">
          <NumberBox
            {...PLACE}
            label="Moved across"
            value={shiftOf(first).dxU}
            mixed={differ('dxU')}
            onChange={(dxU) => place({ dxU })}
          />
        </span>
        <span className="w-[84px]">
          <NumberBox
            {...PLACE}
            label="Moved down"
            value={shiftOf(first).dyU}
            mixed={differ('dyU')}
            onChange={(dyU) => place({ dyU })}
          />
        </span>
        <span className="flex-1" />
        {chosen.some((title) => shiftOf(title).dxU !== 0 || shiftOf(title).dyU !== 0) && (
          <Button title="Where the template has it" onClick={resetPlace}>
            Back
          </Button>
        )}
        <Button title="Q" onClick={() => ui.setState({ dialog: 'quiet' })}>
          Clear areas…
        </Button>
      </Row>
      {first.scrim !== null && (
        <Row label="Scrim">
          <span className="flex-1">
            {`${first.scrim.colour === '#000000' ? 'dark' : 'light'}, ${Math.round(first.scrim.opacity * 100)} %`}
          </span>
          <Button onClick={() => change((title) => ({ ...title, scrim: null }))}>Take away</Button>
        </Row>
      )}
      {first.edge !== null && first.edge !== undefined && (
        <Row label="Edge of words">
          <span className="flex-1">{sayEdge(first.edge)}</span>
          <Button onClick={() => change((title) => ({ ...title, edge: null }))}>Take away</Button>
        </Row>
      )}
      {possible && (
        <SwitchRow
          label={`Left out of ${delivery.name}`}
          value={own?.leftOut ?? false}
          onChange={(leftOut) => change((title) => withDeliveryChange(title, delivery.id, { leftOut }))}
        />
      )}
      <SwitchRow
        label="Moves with its clip"
        value={first.heldTo === 'clip'}
        onChange={(held) => change((title) => ({ ...title, heldTo: held ? 'clip' : 'time' }))}
      />
      <SwitchRow
        label="Keeps its edition"
        value={first.keepsEdition}
        onChange={(keepsEdition) => change((title) => ({ ...title, keepsEdition }))}
      />
    </div>
  );
}

function Row({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="flex items-center gap-2">
      <span className="w-[72px] shrink-0 text-soft">{label}</span>
      {children}
    </div>
  );
}

function SwitchRow(props: Parameters<typeof SwitchBox>[0]) {
  return (
    <div className="flex h-8 items-center justify-between gap-2">
      <span className="text-soft">{props.label}</span>
      <SwitchBox {...props} />
    </div>
  );
}

/** What an edge is, in words. */
function sayEdge({ colour, widthU, softU }: Edge): string {
  const width = `${Math.round(widthU * 10) / 10} u`;
  if (colour === 'own') return `thickened by ${width}`;
  const tone = colour === '#000000' ? 'dark' : colour === '#ffffff' ? 'light' : colour;
  return `${tone}, ${softU > 0 ? 'soft' : 'hard'}, ${width}`;
}
