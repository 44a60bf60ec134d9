'use client';
import { useState } from 'react';
import type { EditionRecord } from '@/contract/templates';
import type { Title } from '@/core/model/project';
import type { Template } from '@/core/model/template';
import { canTake, sourcesOf, swapTemplate, swapTitle } from '@/core/project/swap';
import { Button } from '../../shared/Button';
import { Labelled } from '../../shared/Labelled';
import { Modal } from '../../shared/Modal';
import { SelectBox } from '../../shared/SelectBox';
import { useApplyTitles, useDesk, useDeskUi, usePlan, useTitles } from '../deskContext';
import { TitleShot } from './TitleShot';

const NOTHING = ' ';

/** Swap: another template for the chosen titles, with what goes where shown and changeable first. */
export function SwapDialog({ onClose }: { readonly onClose: () => void }) {
  const { editions, newest } = useDesk();
  const titles = useTitles();
  const { deliveries } = usePlan();
  const apply = useApplyTitles();
  const selection = useDeskUi((ui) => ui.selection);
  const proposed = useDeskUi((ui) => ui.swapTo);
  const chosen = selection.flatMap((id) => titles.find((title) => title.id === id) ?? []);
  const [first] = chosen;
  const own = first && editions.get(first.editionId)?.templateId;
  const [templateId, setTemplateId] = useState(proposed ?? own ?? '');
  const [routes, setRoutes] = useState<Readonly<Record<string, string | null>>>({});
  const to = newest.get(templateId);
  if (first === undefined || to === undefined) return null;
  const from = (title: Title): Template | undefined => editions.get(title.editionId)?.document;
  const optionsFor = (title: Title): Parameters<typeof swapTitle>[3] => ({
    deliveries,
    sameTemplate: editions.get(title.editionId)?.templateId === templateId,
    // A route is made for the first title's template; titles of others are matched by themselves.
    chosen: title.editionId === first.editionId ? routes : {},
  });
  const swap = (): void => {
    const ids = new Set(selection);
    apply((now) =>
      now.map((title) => (ids.has(title.id) ? swapTitle(title, from(title), to, optionsFor(title)) : title)),
    );
    onClose();
  };
  const keeping = chosen.filter(
    (title) => swapTemplate(title, from(title), to.document, optionsFor(title)).kept.length > 0,
  );
  return (
    <Modal
      title={chosen.length === 1 ? 'Swap template' : `Swap template of ${chosen.length} titles`}
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">
            {keeping.length === 0
              ? 'Every word finds a field.'
              : `${keeping.length === 1 ? 'One title keeps' : `${keeping.length} titles keep`} words without a field; they stay with the title.`}
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" onClick={swap}>
            {chosen.length === 1 ? 'Swap' : `Swap ${chosen.length} titles`}
          </Button>
        </>
      }
    >
      <Labelled label="Template">
        <SelectBox
          label="Template"
          value={templateId}
          onChange={(id) => {
            setTemplateId(id);
            setRoutes({});
          }}
          choices={[...newest.values()].map((one) => ({ value: one.templateId, label: one.document.name }))}
        />
      </Labelled>
      <Routes
        first={first}
        from={from(first)}
        to={to}
        options={optionsFor(first)}
        routes={routes}
        setRoutes={setRoutes}
      />
      <div className="mt-3 grid grid-cols-2 gap-3">
        <TitleShot title={first} label="Before" />
        <TitleShot title={swapTitle(first, from(first), to, optionsFor(first))} label="After" />
      </div>
    </Modal>
  );
}

interface RoutesProps {
  readonly first: Title;
  readonly from: Template | undefined;
  readonly to: EditionRecord;
  readonly options: Parameters<typeof swapTemplate>[3];
  readonly routes: Readonly<Record<string, string | null>>;
  readonly setRoutes: (routes: Readonly<Record<string, string | null>>) => void;
}

/** What each field of the new template gets, and what is kept without one. */
function Routes({ first, from, to, options, routes, setRoutes }: RoutesProps) {
  const { matches, kept } = swapTemplate(first, from, to.document, options);
  const sources = sourcesOf(first, from);
  return (
    <table className="mt-3 w-full text-left">
      <thead>
        <tr className="border-y border-line">
          <th className="caps py-1.5 font-semibold">{to.document.name} has</th>
          <th className="caps py-1.5 font-semibold">It gets</th>
        </tr>
      </thead>
      <tbody>
        {matches.map(({ field, source }) => (
          <tr key={field.id} className="border-b border-line">
            <td className="w-48 py-1">{field.label}</td>
            <td className="py-1">
              <SelectBox
                label={`${field.label} gets`}
                value={source?.key ?? NOTHING}
                onChange={(key) => setRoutes({ ...routes, [field.id]: key === NOTHING ? null : key })}
                choices={[
                  { value: NOTHING, label: 'the template’s own' },
                  ...sources
                    .filter((one) => canTake(field, one))
                    .map(({ key, label, value }) => ({
                      value: key,
                      label: `${label}: ${String(value).slice(0, 60)}`,
                    })),
                ]}
              />
            </td>
          </tr>
        ))}
        {kept.map(({ label, value }, i) => (
          <tr key={i} className="border-b border-line bg-leaf-wash">
            <td className="py-1.5 pl-2 text-leaf-ink">kept without a field</td>
            <td className="py-1.5">
              {label}: {String(value)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
