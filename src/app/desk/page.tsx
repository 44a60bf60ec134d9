import type { Metadata } from 'next';
import { getProjects } from '@/server/usecases/projects';
import { ProjectList } from '@/ui/desk/ProjectList';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Desk' };

export default async function DeskListPage() {
  return <ProjectList projects={await getProjects()} />;
}
