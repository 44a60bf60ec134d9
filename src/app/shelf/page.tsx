import type { Metadata } from 'next';
import { getProjects } from '@/server/usecases/projects';
import { getShelf } from '@/server/usecases/templates';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Shelf' };

interface Props {
  /** `show` says which template to begin with. */
  readonly searchParams: Promise<{ readonly show?: string | string[] }>;
}

export default async function ShelfPage({ searchParams }: Props) {
  const [entries, projects, { show }] = await Promise.all([getShelf(), getProjects(), searchParams]);
  return (
    <ShelfScreen entries={entries} projects={projects} first={typeof show === 'string' ? show : undefined} />
  );
}
