import type { Metadata } from 'next';
import { getHouse } from '@/server/usecases/house';
import { getTemplateDocuments } from '@/server/usecases/templates';
import { HouseScreen } from '@/ui/house/HouseScreen';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  return <HouseScreen saved={await getHouse()} templates={await getTemplateDocuments()} />;
}
