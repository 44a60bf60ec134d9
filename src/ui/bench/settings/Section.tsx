'use client';
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronRightIcon } from '@heroicons/react/24/outline';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly open?: boolean;
  /** Said beside the title while it is closed, such as how many there are. */
  readonly says?: string;
  readonly children: ReactNode;
}

/** A part of the settings that can be folded away. */
export function Section({ title, open = true, says = '', children }: Props) {
  return (
    <Disclosure as="div" defaultOpen={open} className="border-b border-line py-1 last:border-b-0">
      {({ open: unfolded }) => (
        <>
          <DisclosureButton
            data-section={title}
            className="flex h-8 w-full items-center gap-1.5 rounded-md text-left font-semibold"
          >
            <ChevronRightIcon
              className={`h-3.5 w-3.5 text-soft transition-transform motion-reduce:transition-none ${unfolded ? 'rotate-90' : ''}`}
            />
            <span className="flex-1">{title}</span>
            {!unfolded && <span className="text-[12px] font-normal text-soft">{says}</span>}
          </DisclosureButton>
          <DisclosurePanel className="pb-1">{children}</DisclosurePanel>
        </>
      )}
    </Disclosure>
  );
}
