// Addresses without their escapes (RFC 3986, 2.1).

/** As it is where a per cent sign escapes nothing. */
export function unescapedAddress(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    return address;
  }
}
