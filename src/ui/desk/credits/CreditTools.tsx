'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDownIcon, PlusIcon } from '@heroicons/react/24/outline';
import { CREDIT_KINDS } from '@/core/model/credits';
import { Button } from '../../shared/Button';
import { SelectBox } from '../../shared/SelectBox';
import { useHouse } from '../../shared/useHouse';
import { deliveryLanguage } from '@/core/project/deliver';
import { useClock, useDesk, useDeskUi, useDelivery, usePlan } from '../deskContext';
import { frameToTimecode } from '@/core/time/clock';
import { useCreditRows, useCreditTitle, useCreditTitles } from './creditContext';
import { CREDIT_KIND_LABELS } from './creditKindLabels';
import { useCreditActions } from './useCreditActions';

interface Props {
  readonly words: string;
  readonly onWords: (words: string) => void;
}

/** What stands over the credits: whose they are, adding rows, reading lists, sorting names. */
export function CreditTools({ words, onWords }: Props) {
  const { ui } = useDesk();
  const clock = useClock();
  const open = useCreditTitle();
  const all = useCreditTitles();
  const actions = useCreditActions();
  const rows = useCreditRows();
  const plan = usePlan();
  const delivery = useDelivery();
  const house = useHouse();
  const chosen = useDeskUi((state) => state.creditIds);
  if (open === null) return null;
  const last = chosen.findLast((id) => rows.some((row) => row.id === id)) ?? null;
  const item = 'block w-full rounded-lg px-3 py-1.5 text-left data-focus:bg-leaf-wash';
  return (
    <>
      {all.length > 1 && (
        <span className="w-48 shrink-0">
          <SelectBox
            label="Credits"
            value={open.title.id}
            onChange={(creditTitleId) =>
              ui.setState({ creditTitleId, selection: [creditTitleId], creditIds: [], creditGoTo: null })
            }
            choices={all.map(({ title, template }) => ({
              value: title.id,
              label: `${template.name}, ${frameToTimecode(title.startFrame, clock)}`,
            }))}
          />
        </span>
      )}
      <span className="flex shrink-0">
        <Button
          title="Add a role and name after the chosen row (N)"
          onClick={() => actions.add('role', last)}
          className="rounded-r-none"
        >
          <PlusIcon className="h-4 w-4" /> Row
        </Button>
        <Menu>
          <MenuButton
            aria-label="Add a row of a kind"
            className="grid h-8 w-7 place-items-center rounded-r-lg border border-l-0 border-line-strong bg-field hover:bg-paper"
          >
            <ChevronDownIcon className="h-4 w-4" />
          </MenuButton>
          <MenuItems
            anchor={{ to: 'bottom start', gap: 6 }}
            className="z-40 w-52 rounded-xl border border-line-strong bg-card p-1"
          >
            {CREDIT_KINDS.map((kind) => (
              <MenuItem key={kind}>
                <button type="button" className={item} onClick={() => actions.add(kind, last)}>
                  {CREDIT_KIND_LABELS[kind]}
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
      </span>
      <Button onClick={() => ui.setState({ dialog: 'creditList' })}>Read a list…</Button>
      <Button
        disabled={rows.length < 2}
        title="Names of one role, and names that follow one another, by family name"
        onClick={() =>
          actions.sort(new Set(chosen.length > 1 ? chosen : []), deliveryLanguage(plan, delivery.id, house))
        }
      >
        {chosen.length > 1 ? 'Sort chosen' : 'Sort names'}
      </Button>
      <span className="flex-1" />
      <input
        type="search"
        aria-label="Find words in the credits"
        placeholder="Find words"
        value={words}
        onChange={(event) => {
          // What is chosen stays in sight; a choice from before would look like something found.
          ui.setState({ creditIds: [], creditGoTo: null });
          onWords(event.target.value);
        }}
        className="h-8 w-28 min-w-0 rounded-lg border border-line-strong bg-field px-2.5"
      />
    </>
  );
}
