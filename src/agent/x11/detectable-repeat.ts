import type { Client, XkbExtension } from 'x11';
import type { XConnection } from './x-connection';

/** PerClientFlags (XKB protocol 1.0; numbers as in XKBproto.h): its number among requests, its size in bytes, and the flag. */
const PER_CLIENT_FLAGS = 21;
const SIZE = 28;
const DETECTABLE_AUTOREPEAT = 1;

/**
 * From now on this connection hears a key that repeats as pressed again and again, and let go once; without it each time is a
 * release, too, which may be heard long before the press that belongs to it. The package does not have this request.
 */
export async function hearRepeatsAsPresses({ client }: XConnection, xkb: XkbExtension): Promise<void> {
  const request = Buffer.alloc(SIZE);
  request.writeUInt8(xkb.majorOpcode, 0);
  request.writeUInt8(PER_CLIENT_FLAGS, 1);
  request.writeUInt16LE(SIZE / 4, 2);
  request.writeUInt16LE(xkb.UseCoreKbd, 4);
  request.writeUInt32LE(DETECTABLE_AUTOREPEAT, 8);
  request.writeUInt32LE(DETECTABLE_AUTOREPEAT, 12);
  await answered(client, request);
}

/** Sends a request as it is. @throws what the server says against it */
function answered(client: Client, request: Buffer): Promise<void> {
  return new Promise((resolve, reject) => {
    client.seq_num += 1;
    client.pack_stream.put(request);
    client.replies[client.seq_num] = [
      () => undefined,
      (error) => {
        if (error) reject(error);
        else resolve();
        return true;
      },
    ];
    client.pack_stream.submit(true);
  });
}
