// Puts a content stream together as bytes: numbers and glyph strings go into the buffer without passing through text,
// which took most of the time of a press PDF.

const ZERO = 0x30;
const MINUS = 0x2d;
const POINT = 0x2e;
const SPACE = 0x20;
const BACKSLASH = 0x5c;
const LEFT = 0x28;
const RIGHT = 0x29;
const RETURN = 0x0d;
const POWERS = [1, 10, 100, 1000, 10_000] as const;

export class ByteWriter {
  private bytes = new Uint8Array(1 << 15);
  private length = 0;

  /** ASCII text. */
  text(value: string): this {
    this.room(value.length);
    for (let k = 0; k < value.length; k += 1) this.bytes[this.length + k] = value.charCodeAt(k);
    this.length += value.length;
    return this;
  }

  /** A number with at most `decimals` decimals, from 0 to 4, and no trailing zeros. */
  number(value: number, decimals = 3): this {
    this.room(24);
    let scaled = Math.round(value * POWERS[decimals]);
    if (scaled < 0) {
      this.bytes[this.length++] = MINUS;
      scaled = -scaled;
    }
    let places: number = decimals;
    while (places > 0 && scaled % 10 === 0) {
      scaled /= 10;
      places -= 1;
    }
    const power = POWERS[places];
    this.whole(Math.floor(scaled / power));
    if (places === 0) return this;
    this.bytes[this.length++] = POINT;
    let rest = scaled % power;
    for (let digit = power / 10; digit >= 1; digit /= 10) {
      this.bytes[this.length++] = ZERO + Math.floor(rest / digit);
      rest %= digit;
    }
    return this;
  }

  space(): this {
    this.room(1);
    this.bytes[this.length++] = SPACE;
    return this;
  }

  openString(): void {
    this.room(1);
    this.bytes[this.length++] = LEFT;
  }

  closeString(): void {
    this.room(1);
    this.bytes[this.length++] = RIGHT;
  }

  /** A glyph id in two bytes of a literal string (ISO 32000-1, 7.3.4.2). */
  glyph(id: number): void {
    this.room(4);
    this.stringByte(id >> 8);
    this.stringByte(id & 0xff);
  }

  /** A copy of what was written; the writer begins anew. */
  take(): Uint8Array<ArrayBuffer> {
    const taken = this.bytes.slice(0, this.length);
    this.length = 0;
    return taken;
  }

  private stringByte(byte: number): void {
    if (byte === LEFT || byte === RIGHT || byte === BACKSLASH) this.bytes[this.length++] = BACKSLASH;
    if (byte === RETURN) {
      // A bare carriage return in a string is read as a line feed.
      this.bytes[this.length++] = BACKSLASH;
      this.bytes[this.length++] = 0x72;
    } else this.bytes[this.length++] = byte;
  }

  private whole(value: number): void {
    if (value < 10) {
      this.bytes[this.length++] = ZERO + value;
      return;
    }
    let end = this.length;
    for (let rest = value; rest >= 1; rest = Math.floor(rest / 10)) end += 1;
    let at = end;
    for (let rest = value; rest >= 1; rest = Math.floor(rest / 10)) this.bytes[--at] = ZERO + (rest % 10);
    this.length = end;
  }

  private room(count: number): void {
    if (this.length + count <= this.bytes.length) return;
    const larger = new Uint8Array(Math.max(this.bytes.length * 2, this.length + count));
    larger.set(this.bytes);
    this.bytes = larger;
  }
}
