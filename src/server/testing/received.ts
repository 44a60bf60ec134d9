import { receiveBody } from '../incoming/receiveBody';
import type { ReceivedFile } from '../incoming/receiveBody';

/** A file as it lies on disk, in a folder, once it came in. */
export async function receivedIn(folder: string, bytes: Buffer): Promise<ReceivedFile> {
  const request = new Request('http://127.0.0.1/', { method: 'POST', body: Uint8Array.from(bytes) });
  return receiveBody(request, { where: 'File', folder, mostBytes: 1e9 });
}
