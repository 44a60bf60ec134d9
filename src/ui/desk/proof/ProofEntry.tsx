'use client';
import type { Title } from '@/core/model/project';
import { airValue } from '@/core/resolve/fieldValue';
import { lengthToTimecode, frameToTimecode } from '@/core/time/clock';
import { Pill } from '../../shared/Pill';
import { NothingOpen } from './NothingOpen';
import { numbersOf, useClock, useDesk, usePlan, useShownValues, useTitles } from '../deskContext';
import { TitleShot } from '../dialogs/TitleShot';
import { useProofView } from './proofView';

/** One title of the proof sheet: its words and what was found in them, beside its pictures in all deliveries. */
export function ProofEntry({ title }: { readonly title: Title }) {
  const clock = useClock();
  const { editions } = useDesk();
  const { deliveries } = usePlan();
  const number = numbersOf(useTitles()).get(title.id);
  const edition = editions.get(title.editionId);
  const width = deliveries.length > 2 ? 170 : 236;
  return (
    <article aria-label={`Title ${number}`} className="flex gap-4">
      <div className="w-80 shrink-0">
        <p className="flex items-baseline gap-2">
          <span className="font-mono text-[12px] text-soft">{number}</span>
          <span className="font-serif font-semibold">{edition?.document.name ?? 'No template'}</span>
          {edition !== undefined && (
            <span className="text-[12px] text-soft">{`edition ${edition.number}`}</span>
          )}
        </p>
        <p className="pb-1 font-mono text-[12px] text-soft">
          {`${frameToTimecode(title.startFrame, clock)} · ${lengthToTimecode(title.lengthFrames, clock)}`}
        </p>
        <Words title={title} />
        <Findings titleId={title.id} />
      </div>
      <div className="flex min-w-0 flex-1 flex-wrap content-start gap-3">
        {deliveries.map((delivery) => (
          <TitleShot
            key={delivery.id}
            title={title}
            delivery={delivery}
            label={delivery.name}
            width={width}
          />
        ))}
      </div>
    </article>
  );
}

/** The words that go to air, by the names that the editor's card has for them, and where a delivery has others. */
function Words({ title }: { readonly title: Title }) {
  const { editions } = useDesk();
  const { deliveries } = usePlan();
  const values = useShownValues()(title);
  const template = editions.get(title.editionId)?.document;
  if (template === undefined) return null;
  const fields = template.fields.filter(({ kind }) => kind === 'text' || kind === 'rows' || kind === 'date');
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-2 pb-1.5">
      {fields.map((field) => (
        <div key={field.id} className="contents">
          <dt className="text-soft">{field.label}</dt>
          <dd className="whitespace-pre-line" dir="auto">
            {String(values[field.id] ?? airValue(template, field)) || (
              <span className="text-soft">empty</span>
            )}
            {deliveries.map(({ id, name }) => {
              const own = title.perDelivery[id]?.values[field.id];
              return own === undefined ? null : (
                <span key={id} className="block">
                  <span className="text-soft">{`${name}: `}</span>
                  {String(own)}
                </span>
              );
            })}
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Findings({ titleId }: { readonly titleId: string }) {
  const { deliveries } = usePlan();
  const { findingsOf, asideOf, knows } = useProofView();
  const findings = findingsOf(titleId);
  const where = (ids: readonly string[]): string =>
    ids.length === 0 || deliveries.length < 2
      ? ''
      : `${deliveries
          .filter(({ id }) => ids.includes(id))
          .map(({ name }) => name)
          .join(', ')}: `;
  return (
    <>
      {(!knows(titleId) || findings.length === 0) && (
        <NothingOpen known={knows(titleId)} ignored={asideOf(titleId).length} />
      )}
      <ul className="grid gap-1.5">
        {findings.map((finding) => (
          <li key={finding.key}>
            <Pill tone={finding.tone}>{finding.message}</Pill>
            <span className="block pt-0.5 text-[12px] text-soft">
              {where(finding.deliveryIds)}
              {finding.detail}
            </span>
          </li>
        ))}
        {asideOf(titleId).map(({ finding, aside: { reason, by } }) => (
          <li key={finding.key}>
            <Pill tone="quiet">{finding.message}</Pill>
            <span className="block pt-0.5 text-[12px] text-soft">
              {`${where(finding.deliveryIds)}ignored${by === undefined ? '' : ` by ${by}`}: ${reason}`}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
