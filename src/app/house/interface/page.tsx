import type { Metadata } from 'next';
import { describeApi } from '@/contract/openapi/openapi';
import { shownOperations } from '@/contract/openapi/shownOperations';
import { InterfaceScreen } from '@/ui/house/InterfaceScreen';

// What a page may run is told anew with every answer.
export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'For other systems' };

export default function InterfacePage() {
  return <InterfaceScreen operations={shownOperations(describeApi())} />;
}
