'use client';
import { useEffect, useRef, useState } from 'react';
import { editionIdOf } from '@/core/captions/editionOf';
import { CHECKS } from '@/core/proof/checks';
import type { ToldFinding } from '@/core/proof/toldFindings';
import type { AsideScope } from '@/core/proof/setAside';
import { Button } from '../../shared/Button';
import { SelectBox } from '../../shared/SelectBox';
import { useApplyWork, useDesk, usePlan } from '../deskContext';
import { withSetAside, withTakenUp } from './proofView';

const NAME_KEY = 'gilder.name';
const FIELD = 'h-8 min-w-0 rounded-lg border border-line-strong bg-field px-2.5';

/** Has a finding ignored: how far it reaches, why, and who says so. */
export function SetAsideForm({ finding }: { readonly finding: ToldFinding }) {
  const { editions, store } = useDesk();
  const { deliveries } = usePlan();
  const apply = useApplyWork();
  const [scope, setScope] = useState<AsideScope>('finding');
  const [reason, setReason] = useState('');
  const form = useRef<HTMLFormElement>(null);
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => {
    first.current?.focus({ preventScroll: true });
    // Opened under the last of what is in sight, it would not be seen.
    form.current?.scrollIntoView?.({ block: 'nearest' });
  }, []);
  const [by, setBy] = useState(() => window.localStorage.getItem(NAME_KEY) ?? '');
  const edition = editions.get(editionIdOf(store.getState(), finding.titleId) ?? '');
  const label = CHECKS.find(finding.check)?.label ?? finding.check;
  const delivery = deliveries.find(({ id }) => id === finding.deliveryId);
  const choices: { value: AsideScope; label: string }[] = [
    { value: 'finding', label: 'This finding' },
    ...(edition === undefined
      ? []
      : [{ value: 'template' as const, label: `“${label}” in all “${edition.document.name}”` }]),
    ...(delivery === undefined || deliveries.length < 2
      ? []
      : [{ value: 'delivery' as const, label: `“${label}” in ${delivery.name}` }]),
    { value: 'check', label: `“${label}” in the whole project` },
  ];
  const ready = reason.trim() !== '' && by.trim() !== '';
  const keep = (): void => {
    window.localStorage.setItem(NAME_KEY, by.trim());
    const said = { reason: reason.trim(), by: by.trim() };
    apply((work) => ({ ...work, plan: withSetAside(work.plan, finding, scope, edition?.templateId, said) }));
  };
  return (
    <form
      ref={form}
      aria-label="Ignore"
      className="grid gap-1.5 pt-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) keep();
      }}
    >
      <SelectBox label="What is ignored" value={scope} choices={choices} onChange={setScope} />
      <input
        ref={first}
        aria-label="Reason"
        placeholder="Why it is right as it is"
        value={reason}
        maxLength={400}
        onChange={(event) => setReason(event.target.value)}
        className={FIELD}
      />
      <div className="flex gap-2">
        <input
          aria-label="Your name"
          placeholder="Your name"
          value={by}
          maxLength={80}
          onChange={(event) => setBy(event.target.value)}
          className={`${FIELD} flex-1`}
        />
        <Button look="plain" type="submit" disabled={!ready}>
          Keep
        </Button>
      </div>
    </form>
  );
}

/** What somebody decided about, with the reasons; each can be taken up again. */
export function SetAsideList() {
  const { setAside, deliveries } = usePlan();
  const { editions } = useDesk();
  const apply = useApplyWork();
  const reach = ({ like }: (typeof setAside)[number]): string => {
    if (like === undefined) return '';
    const template = [...editions.values()].find(({ templateId }) => templateId === like.templateId);
    const delivery = deliveries.find(({ id }) => id === like.deliveryId);
    return ` · ${template?.document.name ?? delivery?.name ?? 'the whole project'}`;
  };
  return (
    <details className="pt-3">
      <summary className="caps cursor-pointer">{`${setAside.length} ignored`}</summary>
      <ul className="divide-y divide-line pt-1">
        {setAside.map((one) => (
          <li key={one.key} className="flex items-center gap-2 py-1.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate">
                {`${CHECKS.find(one.like?.check ?? one.key.split(' ')[0])?.label ?? one.key}${reach(one)}`}
              </span>
              <span className="block truncate text-soft">
                {one.by === undefined ? one.reason : `${one.reason} (${one.by})`}
              </span>
            </span>
            <Button onClick={() => apply((work) => ({ ...work, plan: withTakenUp(work.plan, one.key) }))}>
              Stop ignoring
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
