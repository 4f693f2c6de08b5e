// Names of picture files, by which a text refers to them.

/** A picture file of a kind that a page of text can refer to, by its name. */
export const isPictureName = (name: string): boolean => /\.(?:jpe?g|png|gif|webp|bmp|svg|tiff?)$/i.test(name);

/** The name by which a picture is matched: without folders and escapes, in small letters (Unicode NFC: systems store names in either form). */
export function pictureKey(name: string): string {
  let plain = name;
  try {
    plain = decodeURIComponent(name);
  } catch {
    // A per cent sign that escapes nothing is part of the name.
  }
  return (plain.split(/[\\/]/).pop() ?? '').normalize('NFC').toLowerCase();
}
