import type { Metadata } from 'next';
import { getTemplates } from '@/server/usecases/templates';
import { BenchList } from '@/ui/bench/BenchList';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Bench' };

export default async function BenchListPage() {
  return <BenchList templates={await getTemplates()} />;
}
