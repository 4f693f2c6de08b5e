// Text for files of XML.
/** Without what XML cannot hold (XML 1.0, 2.2). */
export function clean(text: string): string {
  return text.replace(/\p{Surrogate}/gu, '\uFFFD').replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g, '');
}
