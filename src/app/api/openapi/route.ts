import { describeApi } from '@/contract/openapi/openapi';
import { respond, respondWithTag } from '@/server/respond';

/** What can be asked for here, as OpenAPI 3.1. */
export function GET(request: Request): Promise<Response> {
  return respond(request, async () => respondWithTag(request, describeApi()));
}
