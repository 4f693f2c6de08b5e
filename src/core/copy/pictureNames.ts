// Names of picture files, by which a text refers to them.
import { unescapedAddress } from '../base/unescaped';

/** A picture file of a kind that a page of text can refer to, by its name. */
export const isPictureName = (name: string): boolean => /\.(?:jpe?g|png|gif|webp|bmp|svg|tiff?)$/i.test(name);

/** The name by which a picture is matched: without folders and escapes, in small letters (Unicode NFC: systems store names in either form). */
export const pictureKey = (name: string): string =>
  (unescapedAddress(name).split(/[\\/]/).pop() ?? '').normalize('NFC').toLowerCase();
