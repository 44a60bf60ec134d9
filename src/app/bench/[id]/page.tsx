import type { Metadata } from 'next';
import { getTemplate } from '@/server/usecases/templates';
import { BenchScreen } from '@/ui/bench/BenchScreen';
import { orNotFound } from '../../orNotFound';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Bench' };

export default async function BenchPage({ params }: { readonly params: Promise<{ readonly id: string }> }) {
  const { id } = await params;
  return <BenchScreen key={id} record={await orNotFound(getTemplate(id))} />;
}
