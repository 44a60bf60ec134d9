import { readFileName } from '../respond';
import { workshop } from '../workshop';
import type { ReceivedFile } from './receiveBody';
import { receiveBody } from './receiveBody';

/** Takes in a file that comes as the body of one request; the answer says what was kept of it. Throws InputError. */
export async function receiveAndTakeIn<T>(
  request: Request,
  what: string,
  mostBytes: number,
  takeIn: (name: string, file: ReceivedFile) => Promise<T>,
): Promise<Response> {
  const name = readFileName(new URL(request.url).searchParams.get('name'), what);
  const folder = (await workshop()).incomingFolder;
  const file = await receiveBody(request, { where: `File "${name}"`, folder, mostBytes });
  try {
    const taken = await takeIn(name, file);
    const received = { bytes: file.bytes, sha256: file.sha256 };
    return Response.json({ ...taken, received }, { status: 201 });
  } finally {
    await file.discard();
  }
}
