import type { Metadata } from 'next';
import { describeApi } from '@/contract/openapi/openapi';
import { shownOperations } from '@/contract/openapi/shownOperations';
import { InterfaceScreen } from '@/ui/house/InterfaceScreen';

export const metadata: Metadata = { title: 'For other systems' };

export default function InterfacePage() {
  return <InterfaceScreen operations={shownOperations(describeApi())} />;
}
