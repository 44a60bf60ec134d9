'use client';
import { PlusIcon, TrashIcon } from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import type { Delivery } from '@/core/model/plan';
import { MASTER_ID } from '@/core/model/plan';
import { FORMATS } from '@/core/frame/formats';
import { Button } from '../../shared/Button';
import { LanguageBox } from '../../shared/LanguageBox';
import { Modal } from '../../shared/Modal';
import { NameBox } from '../../shared/NameBox';
import { SelectBox } from '../../shared/SelectBox';
import { useApplyWork, useDesk, usePlan } from '../deskContext';
import { StartRow } from './StartRow';

const MOST = 12;
const COLOURS = [
  { value: 'all', label: 'All colours' },
  { value: 'limited', label: 'Colours of composite video' },
] as const;
const LEVELS = [
  { value: 'full', label: 'Pictures from 0 to 255' },
  { value: 'studio', label: 'Pictures from 16 to 235' },
] as const;

/** The deliveries of the project: the formats that one set of titles goes out in. */
export function DeliveriesDialog({ onClose }: { readonly onClose: () => void }) {
  const { ui } = useDesk();
  const { deliveries, language } = usePlan();
  const apply = useApplyWork();
  const change = (list: readonly Delivery[]): void =>
    apply((work) => ({ ...work, plan: { ...work.plan, deliveries: list } }));
  const set = (id: string, part: Partial<Delivery>): void =>
    change(deliveries.map((one) => (one.id === id ? { ...one, ...part } : one)));
  const add = (): void => {
    const used = new Set(deliveries.map((one) => one.format));
    const next = FORMATS.list.find((format) => !used.has(format.id)) ?? FORMATS.list[0];
    change([
      ...deliveries,
      { id: nanoid(8), name: `${next.label} ${next.shapeLabel}`, format: next.id, interlaced: false },
    ]);
  };
  return (
    <Modal
      title="Deliveries"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Button disabled={deliveries.length >= MOST} onClick={add}>
            <PlusIcon className="h-4 w-4" /> Add a delivery
          </Button>
          <span className="flex-1" />
          <Button look="gold" onClick={onClose}>
            Done
          </Button>
        </>
      }
    >
      <p className="pb-3 text-soft">
        One set of titles goes out in all of these; each is laid out by the template’s rules and proofed by
        itself. F goes to the next one.
      </p>
      <StartRow />
      <div className="mb-3 grid grid-cols-[150px_1fr_1fr] items-center gap-2">
        <span className="text-soft">Words are in</span>
        <LanguageBox
          label="Language of the project"
          value={language}
          otherwise="As the House"
          onChange={(next) => apply((work) => ({ ...work, plan: { ...work.plan, language: next } }))}
        />
      </div>
      <ul className="grid gap-2">
        {deliveries.map((delivery) => (
          <li
            key={delivery.id}
            className="grid grid-cols-[1fr_1.3fr_1.3fr_104px] items-center gap-2 border-t border-line pt-2"
          >
            <NameBox
              label={`Name of ${delivery.name}`}
              value={delivery.name}
              onChange={(name) => set(delivery.id, { name })}
            />
            <SelectBox
              label={`Format of ${delivery.name}`}
              value={delivery.format}
              onChange={(format) => set(delivery.id, { format })}
              choices={FORMATS.list.map((one) => ({
                value: one.id,
                label: `${one.label} ${one.shapeLabel}, ${one.widthPx} × ${one.heightPx}`,
              }))}
            />
            <LanguageBox
              label={`Language of ${delivery.name}`}
              value={delivery.language}
              otherwise="As the project"
              onChange={(next) => set(delivery.id, { language: next })}
            />
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={delivery.interlaced}
                onChange={(event) => set(delivery.id, { interlaced: event.target.checked })}
              />
              Interlaced
            </label>
            <span />
            <SelectBox
              label={`Colours of ${delivery.name}`}
              value={delivery.limited === true ? 'limited' : 'all'}
              onChange={(value) => set(delivery.id, { limited: value === 'limited' ? true : undefined })}
              choices={COLOURS}
            />
            <SelectBox
              label={`Levels of ${delivery.name}`}
              value={delivery.studio === true ? 'studio' : 'full'}
              onChange={(value) => set(delivery.id, { studio: value === 'studio' ? true : undefined })}
              choices={LEVELS}
            />
            {delivery.id !== MASTER_ID && (
              <button
                type="button"
                aria-label={`Remove ${delivery.name}`}
                className="grid h-8 w-8 place-items-center rounded-md text-soft hover:bg-paper hover:text-ink"
                onClick={() => {
                  ui.setState({ deliveryId: MASTER_ID });
                  change(deliveries.filter((one) => one.id !== delivery.id));
                }}
              >
                <TrashIcon className="h-4 w-4" />
              </button>
            )}
          </li>
        ))}
      </ul>
    </Modal>
  );
}
