import type { Metadata } from 'next';
import { getPress } from '@/server/usecases/jobs';
import { PressScreen } from '@/ui/press/PressScreen';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Press' };

export default async function PressPage() {
  return <PressScreen {...await getPress()} />;
}
