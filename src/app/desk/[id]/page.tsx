import type { Metadata } from 'next';
import { getProject } from '@/server/usecases/projects';
import { DeskScreen } from '@/ui/desk/DeskScreen';
import { sheetAsked } from '@/ui/desk/deskAddress';
import { orNotFound } from '../../orNotFound';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Desk' };

interface Props {
  readonly params: Promise<{ readonly id: string }>;
  readonly searchParams: Promise<{ readonly place?: string | string[]; readonly sheet?: string | string[] }>;
}

export default async function DeskPage({ params, searchParams }: Props) {
  const { id } = await params;
  const { place, sheet } = await searchParams;
  const placeEditionId = typeof place === 'string' && /^[\w-]{1,64}$/.test(place) ? place : null;
  const project = await orNotFound(getProject(id, placeEditionId));
  return <DeskScreen key={id} project={project} placeEditionId={placeEditionId} sheet={sheetAsked(sheet)} />;
}
