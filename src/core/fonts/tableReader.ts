// Tables of a TrueType or OpenType file as they lie there (OpenType 1.9: big-endian, offsets from the table's start).

/** A big-endian view of one table. Reading beyond its end throws RangeError. */
export class TableReader {
  constructor(private readonly view: DataView) {}
  u16 = (at: number) => this.view.getUint16(at);
  i16 = (at: number) => this.view.getInt16(at);
  u32 = (at: number) => this.view.getUint32(at);
  tag = (at: number) => String.fromCharCode(...[0, 1, 2, 3].map((k) => this.view.getUint8(at + k)));
  bytes = (at: number, count: number) => new Uint8Array(this.view.buffer, this.view.byteOffset + at, count);
}

/** The tables of a file by their tags; undefined for one that it has not. */
export function tablesOf(bytes: Uint8Array): (tag: string) => TableReader | undefined {
  const file = new TableReader(new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  const offsets = new Map<string, [number, number]>();
  for (let k = 0; k < file.u16(4); k += 1)
    offsets.set(file.tag(12 + k * 16), [file.u32(12 + k * 16 + 8), file.u32(12 + k * 16 + 12)]);
  return (tag) => {
    const place = offsets.get(tag);
    return place && new TableReader(new DataView(bytes.buffer, bytes.byteOffset + place[0], place[1]));
  };
}
