import type { Metadata } from 'next';
import { getProjects } from '@/server/usecases/projects';
import { getShelf } from '@/server/usecases/templates';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Shelf' };

export default async function ShelfPage() {
  return <ShelfScreen entries={await getShelf()} projects={await getProjects()} />;
}
