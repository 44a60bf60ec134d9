'use client';
import { ArrowDownTrayIcon, PrinterIcon } from '@heroicons/react/24/outline';
import { format } from 'date-fns';
import Link from 'next/link';
import { useRef, useState } from 'react';
import type { DeskProject } from '@/contract/projects';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { saveFile } from '../../shared/saveFile';
import { SelectBox } from '../../shared/SelectBox';
import { sayDelivery } from '../DeliverySwitch';
import { DeskProvider, useDesk, usePlan, useTitles } from '../deskContext';
import { useDeskView } from '../DeskScreen';
import { ProofEntry } from './ProofEntry';
import type { Tone } from './proofView';
import { ProofProvider, useProofView } from './proofView';
import { sheetFile } from './sheetFile';
import { useProof } from './useProof';

const AT_ONCE = 48;
const A_PAGE = ['6', '8', '12'] as const;

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
  const { settings } = useDesk();
  const titles = useTitles();
  const { progress } = useProofView();
  const [part, setPart] = useState(0);
  const [perPage, setPerPage] = useState<(typeof A_PAGE)[number]>('8');
  const sheet = useRef<HTMLElement>(null);
  const parts = Math.max(1, Math.ceil(titles.length / AT_ONCE));
  const shown = titles.slice(part * AT_ONCE, (part + 1) * AT_ONCE);
  const pages = Array.from({ length: Math.ceil(shown.length / Number(perPage)) }, (_, i) =>
    shown.slice(i * Number(perPage), (i + 1) * Number(perPage)),
  );
  const done = progress.total > 0 && progress.done >= progress.total;
  const counts = useCounts(done);
  const save = (): void => {
    if (sheet.current === null) return;
    const name = `${settings.name}, proof sheet${parts > 1 ? ` ${part + 1} of ${parts}` : ''}`;
    saveFile(`${name}.html`, sheetFile(sheet.current, name), 'text/html');
  };
  return (
    <div className="min-h-dvh bg-card text-ink print:bg-white">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b border-line bg-card px-6 py-2.5 print:hidden">
        <h1 className="font-serif text-[19px] font-semibold">{settings.name}</h1>
        <span className="text-soft" role="status" data-proofed={done}>
          {counts}
        </span>
        <span className="flex-1" />
        <span className="w-32">
          <SelectBox
            label="Titles a page"
            value={perPage}
            choices={A_PAGE.map((count) => ({ value: count, label: `${count} a page` }))}
            onChange={setPerPage}
          />
        </span>
        {parts > 1 && (
          <>
            <Button disabled={part === 0} onClick={() => setPart(part - 1)}>
              Before
            </Button>
            <span className="text-soft">{`part ${part + 1} of ${parts}`}</span>
            <Button disabled={part === parts - 1} onClick={() => setPart(part + 1)}>
              After
            </Button>
          </>
        )}
        <DeskLink />
        <Button disabled={!done} onClick={save}>
          <ArrowDownTrayIcon className="h-4 w-4" /> Save as a file
        </Button>
        <Button look="gold" disabled={!done} onClick={() => window.print()}>
          <PrinterIcon className="h-4 w-4" /> Print
        </Button>
      </header>
      <main ref={sheet} className="px-6 py-4">
        <SheetHead counts={counts} />
        {pages.map((page, i) => (
          <section
            key={page[0].id}
            aria-label={`Page ${i + 1}`}
            className={i < pages.length - 1 ? 'break-after-page' : undefined}
          >
            <ul className="grid gap-3 pb-3">
              {page.map((title) => (
                <li key={title.id} className="break-inside-avoid rounded-lg border border-line p-3">
                  <ProofEntry title={title} />
                </li>
              ))}
            </ul>
          </section>
        ))}
        {titles.length === 0 && <p className="text-soft">This project has no titles yet.</p>}
        <Signature />
      </main>
    </div>
  );
}

function DeskLink() {
  const { projectId } = useDesk();
  return (
    <Link href={`/desk/${projectId}`} className="px-2 font-semibold text-leaf-ink hover:underline">
      To the desk
    </Link>
  );
}

/** What was found in how many titles, in words. */
function useCounts(done: boolean): string {
  const titles = useTitles();
  const { setAside } = usePlan();
  const { progress, toneOf } = useProofView();
  const count = (tone: Tone): number => titles.filter(({ id }) => toneOf(id) === tone).length;
  const unseen = count('unseen');
  const parts = [
    counted(titles.length, 'title'),
    `${count('stop')} to fix`,
    ...(unseen === 0 ? [] : [`${unseen} not looked at`]),
    `${count('look')} to look at`,
    `${counted(setAside.length, 'finding')} ignored`,
  ];
  return done
    ? parts.join(' · ')
    : `${Math.floor((progress.done / Math.max(1, progress.total)) * 100)} % looked at`;
}

/** What was looked at and when: without this a printed sheet says nothing. */
function SheetHead({ counts }: { readonly counts: string }) {
  const { settings, rate } = useDesk();
  const { deliveries } = usePlan();
  const [now] = useState(() => new Date());
  return (
    <div className="pb-3">
      <p className="font-serif text-[19px] font-semibold">{`${settings.name}, proof sheet`}</p>
      {settings.production !== '' && <p className="text-soft">{settings.production}</p>}
      <p className="text-soft" suppressHydrationWarning>
        {`Looked at on ${format(now, 'd MMMM yyyy, HH:mm')} · ${counts}`}
      </p>
      <p className="text-soft">
        {deliveries.map((one) => `${one.name}, ${sayDelivery(one, rate.label)}`).join(' · ')}
      </p>
    </div>
  );
}

/** Where the one who checked it signs. */
function Signature() {
  return (
    <div className="flex break-inside-avoid gap-6 pt-8 text-[12px] text-soft">
      {['Checked by', 'Date', 'Signature'].map((label) => (
        <span key={label} className="flex-1 border-t border-line-strong pt-1">
          {label}
        </span>
      ))}
    </div>
  );
}
