// Links inside the text, in files of XHTML. An element is written only where its block has words, so that whether a link leads to one is
// known when all files are there.

/** A link to an element by its address: `#id` or `file#id`. */
export const placeLink = (href: string, words: string): string => `<a data-place="" href="${href}">${words}</a>`;

/** Those of places, and in an ebook cross-references: either may lead to a paragraph without words, which has no element. */
const LINK = /<a (?:data-place="" href="([^"]*)"|href="([^"]*)"( data-shows="[^"]*"))>([\s\S]*?)<\/a>/g;
const ID = / id="([^"]*)"/g;

/** The files with the links that lead to an element of theirs; the others are words. `files`: by their names. */
export function withPlaceLinks(files: Readonly<Record<string, string>>): Record<string, string> {
  const ids = new Map<string, ReadonlySet<string>>();
  const idsOf = (name: string) => {
    let found = ids.get(name);
    if (found === undefined) {
      found = new Set([...(files[name] ?? '').matchAll(ID)].map((match) => match[1]));
      ids.set(name, found);
    }
    return found;
  };
  return Object.fromEntries(
    Object.entries(files).map(([name, text]) => [
      name,
      /data-place|data-shows/.test(text)
        ? text.replace(LINK, (_, place: string | undefined, head: string, shows: string | undefined, words: string) => {
            const href = place ?? head;
            const [file, id] = href.split('#');
            return idsOf(file === '' ? name : file).has(id) ? `<a href="${href}"${shows ?? ''}>${words}</a>` : words;
          })
        : text,
    ]),
  );
}
