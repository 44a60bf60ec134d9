import { receiveAndTakeIn } from '@/server/incoming/receiveAndTakeIn';
import { respond } from '@/server/respond';
import { LARGEST_PACKAGE, takeInPackage } from '@/server/usecases/packages';

export function POST(request: Request): Promise<Response> {
  return respond(request, () => receiveAndTakeIn(request, 'package', LARGEST_PACKAGE, takeInPackage));
}
