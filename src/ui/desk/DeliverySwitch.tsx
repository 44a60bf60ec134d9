'use client';
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from '@headlessui/react';
import { ChevronDownIcon } from '@heroicons/react/24/outline';
import type { Delivery } from '@/core/model/plan';
import { FORMATS } from '@/core/frame/formats';
import { useDelivery, useDesk, usePlan } from './deskContext';

/** What a delivery is, in short: `1080i 25`. */
export function sayDelivery({ format, interlaced }: Delivery, rateLabel: string): string {
  return `${FORMATS.get(format).heightPx}${interlaced ? 'i' : 'p'} ${rateLabel}`;
}

/** The delivery that is shown; F goes to the next. */
export function DeliverySwitch() {
  const { ui, rate } = useDesk();
  const delivery = useDelivery();
  const { deliveries } = usePlan();
  const item =
    'flex w-full items-baseline justify-between gap-4 rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash';
  return (
    <Menu>
      <MenuButton
        title="Next delivery (F)"
        aria-label={`Delivery: ${delivery.name}`}
        className="inline-flex h-8 max-w-44 items-center gap-1.5 rounded-lg border border-line-strong bg-field px-3 font-semibold"
      >
        <span className="truncate">{delivery.name}</span>
        <span className="font-normal whitespace-nowrap text-soft">
          {FORMATS.get(delivery.format).shapeLabel}
        </span>
        <ChevronDownIcon className="h-3.5 w-3.5 shrink-0" />
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 6 }}
        className="z-40 w-72 rounded-xl border border-line-strong bg-card p-1"
      >
        {deliveries.map((one) => (
          <MenuItem key={one.id}>
            <button type="button" className={item} onClick={() => ui.setState({ deliveryId: one.id })}>
              <span className={one.id === delivery.id ? 'font-semibold' : ''}>{one.name}</span>
              <span className="text-soft">{`${FORMATS.get(one.format).shapeLabel} · ${sayDelivery(one, rate.label)}`}</span>
            </button>
          </MenuItem>
        ))}
        <MenuSeparator className="my-1 h-px bg-line" />
        <MenuItem>
          <button type="button" className={item} onClick={() => ui.setState({ dialog: 'deliveries' })}>
            Deliveries…
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}
