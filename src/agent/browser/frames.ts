/** Takes messages of a browser's pipe apart: UTF-8 with a NUL after each, in pieces of any size. */
export class Frames {
  #rest: Buffer[] = [];

  /** The messages that are whole with these bytes. */
  take(bytes: Buffer): string[] {
    const whole: string[] = [];
    let from = 0;
    for (let end = bytes.indexOf(0); end >= 0; end = bytes.indexOf(0, from)) {
      whole.push(Buffer.concat([...this.#rest, bytes.subarray(from, end)]).toString());
      this.#rest = [];
      from = end + 1;
    }
    if (from < bytes.length) this.#rest.push(bytes.subarray(from));
    return whole;
  }
}
