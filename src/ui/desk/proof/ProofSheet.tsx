'use client';
import { PrinterIcon } from '@heroicons/react/24/outline';
import Link from 'next/link';
import { useState } from 'react';
import type { DeskProject } from '@/contract/projects';
import type { Title } from '@/core/model/project';
import type { Finding } from '@/core/proof/finding';
import { lengthToTimecode, frameToTimecode } from '@/core/time/clock';
import { Button } from '../../shared/Button';
import { Pill } from '../../shared/Pill';
import { SelectBox } from '../../shared/SelectBox';
import { sayDelivery } from '../DeliverySwitch';
import {
  DeskProvider,
  numbersOf,
  useClock,
  useDesk,
  usePlan,
  useTemplateOf,
  useTitles,
} from '../deskContext';
import { useDeskView } from '../DeskScreen';
import { TitleShot } from '../dialogs/TitleShot';
import { ProofProvider, useProofView } from './proofView';
import { useProof } from './useProof';
import { counted } from '../../shared/counted';

const A_PAGE = [40, 100, 200];

/** The proof sheet: every title in every delivery as a picture, with what was found in it. Made to be printed. */
export function ProofSheet({ project }: { readonly project: DeskProject }) {
  const { view } = useDeskView(project);
  const proof = useProof(view);
  return (
    <DeskProvider value={view}>
      <ProofProvider value={proof}>
        <SheetPages />
      </ProofProvider>
    </DeskProvider>
  );
}

/** The pages of the proof sheet, from whatever proof is round it. */
export function SheetPages() {
  const { settings, projectId, rate } = useDesk();
  const { deliveries, setAside } = usePlan();
  const titles = useTitles();
  const { progress, toneOf } = useProofView();
  const [page, setPage] = useState(0);
  const [perPage, setPerPage] = useState(A_PAGE[0]);
  const pages = Math.max(1, Math.ceil(titles.length / perPage));
  const shown = titles.slice(page * perPage, (page + 1) * perPage);
  const done = progress.total > 0 && progress.done >= progress.total;
  const count = (tone: 'stop' | 'look'): number => titles.filter(({ id }) => toneOf(id) === tone).length;
  return (
    <div className="min-h-dvh bg-card text-ink print:bg-white">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b border-line bg-card px-6 py-2.5 print:static">
        <h1 className="font-serif text-[19px] font-semibold">{settings.name}</h1>
        <span className="text-soft" role="status" data-proofed={done}>
          {done
            ? `${counted(titles.length, 'title')} · ${count('stop')} to fix · ${count('look')} to look at · ${counted(setAside.length, 'finding')} set aside`
            : `${Math.floor((progress.done / Math.max(1, progress.total)) * 100)} % looked at`}
        </span>
        <span className="flex-1" />
        <span className="flex items-center gap-2 print:hidden">
          {titles.length > A_PAGE[0] && (
            <>
              <SelectBox
                label="Titles a page"
                value={String(perPage)}
                choices={A_PAGE.map((count) => ({ value: String(count), label: `${count} a page` }))}
                onChange={(count) => {
                  setPerPage(Number(count));
                  setPage(0);
                }}
              />
              <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
                Before
              </Button>
              <span className="text-soft">{`${page + 1} of ${pages}`}</span>
              <Button disabled={page === pages - 1} onClick={() => setPage(page + 1)}>
                After
              </Button>
            </>
          )}
          <Link href={`/desk/${projectId}`} className="px-2 font-semibold text-leaf-ink hover:underline">
            To the desk
          </Link>
          <Button look="gold" onClick={() => window.print()}>
            <PrinterIcon className="h-4 w-4" /> Print
          </Button>
        </span>
      </header>
      <main className="px-6 py-4">
        <p className="pb-3 text-soft">
          {deliveries.map((one) => `${one.name}, ${sayDelivery(one, rate.label)}`).join(' · ')}
        </p>
        <ul className="grid gap-3">
          {shown.map((title) => (
            <li key={title.id} className="break-inside-avoid rounded-lg border border-line p-3">
              <Entry title={title} />
            </li>
          ))}
        </ul>
        {titles.length === 0 && <p className="text-soft">This project has no titles yet.</p>}
      </main>
    </div>
  );
}

function Entry({ title }: { readonly title: Title }) {
  const clock = useClock();
  const { deliveries } = usePlan();
  const titles = useTitles();
  const templateOf = useTemplateOf();
  const { findingsOf, asideOf, knows } = useProofView();
  const findings = findingsOf(title.id);
  const where = ({ deliveryId }: Finding): string =>
    deliveryId === null || deliveries.length < 2
      ? ''
      : `${deliveries.find(({ id }) => id === deliveryId)?.name}: `;
  return (
    <article aria-label={`Title ${numbersOf(titles).get(title.id)}`} className="flex gap-4">
      <div className="w-72 shrink-0">
        <p className="flex items-baseline gap-2">
          <span className="font-mono text-[12px] text-soft">{numbersOf(titles).get(title.id)}</span>
          <span className="font-serif font-semibold">{templateOf(title.editionId)?.name}</span>
        </p>
        <p className="pb-1.5 font-mono text-[12px] text-soft">
          {`${frameToTimecode(title.startFrame, clock)} · ${lengthToTimecode(title.lengthFrames, clock)}`}
        </p>
        {findings.length === 0 && (
          <Pill tone={knows(title.id) ? 'pass' : 'quiet'}>
            {knows(title.id) ? 'clear' : 'being looked at'}
          </Pill>
        )}
        <ul className="grid gap-1.5">
          {findings.map((finding) => (
            <li key={finding.key}>
              <Pill tone={finding.tone}>{finding.message}</Pill>
              <span className="block pt-0.5 text-[12px] text-soft">
                {where(finding)}
                {finding.detail}
              </span>
            </li>
          ))}
          {asideOf(title.id).map(({ finding, reason }) => (
            <li key={finding.key}>
              <Pill tone="quiet">{finding.message}</Pill>
              <span className="block pt-0.5 text-[12px] text-soft">{`${where(finding)}set aside: ${reason}`}</span>
            </li>
          ))}
        </ul>
      </div>
      <div className="flex min-w-0 flex-1 flex-wrap gap-3">
        {deliveries.map((delivery) => (
          <TitleShot key={delivery.id} title={title} delivery={delivery} label={delivery.name} width={236} />
        ))}
      </div>
    </article>
  );
}
