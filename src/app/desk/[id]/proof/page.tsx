import type { Metadata } from 'next';
import { getProject } from '@/server/usecases/projects';
import { ProofSheet } from '@/ui/desk/proof/ProofSheet';
import { orNotFound } from '../../../orNotFound';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Proof sheet' };

interface Props {
  readonly params: Promise<{ readonly id: string }>;
}

export default async function ProofPage({ params }: Props) {
  const { id } = await params;
  return <ProofSheet key={id} project={await orNotFound(getProject(id))} />;
}
