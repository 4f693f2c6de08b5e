// Ways of damaging a file: its bytes; the elements and attributes of its markup; the members of its archive.
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { CorpusFile } from './corpus';
import type { Random } from './random';

/** What stands in places where a program expects something else. */
const WORDS = [
  ...[
    '',
    ' ',
    'constructor',
    '__proto__',
    'toString',
    'hasOwnProperty',
    'NaN',
    '-1',
    '0',
    '1e309',
    '99999999999',
    '-0',
    '1.5',
  ],
  ...[
    '\u0000',
    '\uFFFC',
    '\uFFFE',
    '\uD800',
    '\u2028',
    '\u202E',
    '😀',
    '%zz',
    '&#0;',
    '&amp;',
    '<',
    '"',
    "'",
    '\\',
    '#',
    'true',
  ],
  ...[
    'x'.repeat(300),
    'x'.repeat(5000),
    'a b '.repeat(400),
    '"'.repeat(200),
    'http://[',
    '../../../etc',
    'javascript:x',
  ],
];

export function mutate(file: CorpusFile, random: Random): Uint8Array {
  const isZip = file.bytes[0] === 0x50 && file.bytes[1] === 0x4b;
  let { bytes } = file;
  for (let left = 1 + random.below(4); left > 0; left -= 1) {
    const way = random.next();
    const before = bytes;
    try {
      bytes = once(bytes, isZip, way, random);
    } catch {
      // What is damaged so that it cannot be damaged any more goes as it is.
      bytes = before;
    }
  }
  return bytes;
}

function once(bytes: Uint8Array, isZip: boolean, way: number, random: Random): Uint8Array {
  if (isZip && way < 0.985) return mutateZip(bytes, random) ?? mutateBytes(bytes, random);
  return !isZip && way < 0.8 ? mutateText(bytes, random) : mutateBytes(bytes, random);
}

function mutateBytes(bytes: Uint8Array, { below, pick }: Random): Uint8Array {
  const made = [...bytes];
  const at = below(made.length + 1);
  switch (below(6)) {
    case 0:
      for (let k = 0; k < 8; k += 1) made[below(made.length)] = below(256);
      break;
    case 1:
      made.splice(at, below(200));
      break;
    case 2:
      return bytes.slice(0, at);
    case 3:
      made.splice(at, 0, ...Array.from({ length: below(100) }, () => below(256)));
      break;
    case 4:
      made.splice(at, 0, ...made.slice(at, at + below(2000)));
      break;
    default:
      made.splice(at, 0, ...strToU8(pick(WORDS)));
  }
  return new Uint8Array(made);
}

/** Null where the archive cannot be opened any more. */
function mutateZip(bytes: Uint8Array, random: Random): Uint8Array | null {
  let members: Record<string, Uint8Array>;
  try {
    members = { ...unzipSync(bytes) };
  } catch {
    return null;
  }
  const names = Object.keys(members);
  if (names.length === 0) return null;
  const name = random.pick(names);
  switch (random.below(10)) {
    case 0:
      delete members[name];
      break;
    case 1:
      members[name] = members[random.pick(names)];
      break;
    case 2:
      members[`${name}${random.pick(['', 'x', '/../x'])}`] = members[name];
      delete members[name];
      break;
    case 3:
      members[name] = mutateBytes(members[name], random);
      break;
    default:
      members[name] = mutateText(members[name], random);
  }
  return zipSync(members);
}

/** Most characters of a damaged text: those that are larger are made by tests of their own. */
const MOST = 500_000;

function mutateText(bytes: Uint8Array, random: Random): Uint8Array {
  const text = strFromU8(bytes);
  if (text.length > MOST) return bytes;
  const isJson = /^\s*[{[]/.test(text) && !text.startsWith('{\\rtf');
  const isXml = /^\s*</.test(text) && random.next() < 0.85;
  const made = isJson ? mutateJson(text, random) : isXml ? mutateElement(text, random) : mutateMarkup(text, random);
  return strToU8(made.slice(0, MOST));
}

/** Elements, groups of RTF, marks of Markdown: doubled, dropped, nested deep; attributes and words exchanged for odd ones. */
function mutateMarkup(text: string, { below, pick }: Random): string {
  const tags = [...text.matchAll(/<[^<>]+>|[{}]|\\[a-z]+-?\d*|[*_>`#|[\]]+/g)];
  if (tags.length === 0) return `${text.slice(0, below(text.length))}${pick(WORDS)}`;
  const tag = pick(tags);
  const [from, to] = [tag.index, tag.index + tag[0].length];
  const name = /^<([\w:-]+)/.exec(tag[0])?.[1];
  switch (below(8)) {
    case 0:
      return text.slice(0, from) + text.slice(to);
    case 1:
      return text.slice(0, to) + tag[0].repeat(1 + below(40)) + text.slice(to);
    case 2: {
      // Nested, closed again or not.
      const depth = pick([3, 30, 300, 3000]);
      const inner = text.slice(to, to + 200);
      const open = name === undefined ? pick(['{', '> ', '- ', '*', '[', '_']) : tag[0].replace('/>', '>');
      const close = name === undefined ? pick(['}', '', '', '*', ']', '_']) : `</${name}>`;
      return text.slice(0, to) + open.repeat(depth) + inner + close.repeat(depth) + text.slice(to);
    }
    case 3:
      return text.replace(/="[^"]*"/g, (value) =>
        below(20) === 0 ? `="${pick(WORDS).replace(/["<&]/g, '')}"` : value,
      );
    case 4: {
      const other = pick(tags);
      return text.slice(0, from) + other[0] + text.slice(to);
    }
    case 5:
      return text.slice(0, to) + pick(WORDS).replace(/[<&]/g, '') + text.slice(to);
    case 6:
      return text.replace(/-?\d+/g, (value) =>
        below(30) === 0 ? pick(['-1', '0', '999999999', '1e9', '2147483648']) : value,
      );
    default: {
      const other = pick(tags).index;
      const [a, b] = [Math.min(from, other), Math.max(from, other)];
      return text.slice(0, b) + text.slice(a, b) + text.slice(b);
    }
  }
}

/** From the start of an element to behind its end; null where it has none. */
function elementFrom(text: string, start: number): readonly [number, number] | null {
  let depth = 0;
  const tags = /<(\/?)[^<>]*?(\/?)>/g;
  tags.lastIndex = start;
  for (let tag = tags.exec(text); tag !== null; tag = tags.exec(text)) {
    if (tag[0].startsWith('<!') || tag[0].startsWith('<?')) continue;
    depth += tag[1] === '/' ? -1 : tag[2] === '/' ? 0 : 1;
    if (depth <= 0) return [start, tag.index + tag[0].length];
  }
  return null;
}

/** An element of XML doubled, dropped, moved, nested in itself, its words or attributes exchanged: it stays well-formed. */
function mutateElement(text: string, { below, pick }: Random): string {
  const opens = [...text.matchAll(/<[A-Za-z][^<>]*>/g)];
  if (opens.length === 0) return text;
  const open = pick(opens);
  const found = elementFrom(text, open.index);
  if (found === null) return text;
  const [from, to] = found;
  const element = text.slice(from, to);
  const [before, after] = [text.slice(0, from), text.slice(to)];
  const escaped = pick(WORDS).replace(/[<&"\u0000-\u0008\uFFFE\uD800]/g, '');
  switch (below(8)) {
    case 0:
      return before + element.repeat(2 + below(30)) + after;
    case 1:
      return before + after;
    case 2: {
      const tag = open[0].replace(/\/>$/, '>');
      const name = /^<([^\s/>]+)/.exec(tag)![1];
      const depth = pick([2, 10, 120, 4000]);
      return before + tag.repeat(depth) + element + `</${name}>`.repeat(depth) + after;
    }
    case 3: {
      const other = pick(opens);
      const place = other.index + (other.index >= to ? element.length : 0);
      if (other.index > from && other.index < to) return text;
      const without = before + element + after;
      return without.slice(0, place) + element + without.slice(place);
    }
    case 4:
      return before + element.replace(/="[^"]*"/g, (value) => (below(3) === 0 ? `="${escaped}"` : value)) + after;
    case 5:
      return before + element.replace(/>[^<]+</g, (words) => (below(2) === 0 ? `>${escaped}<` : words)) + after;
    case 6:
      return (
        before +
        element.replace(/-?\d+/g, (value) => (below(3) === 0 ? pick(['-1', '0', '999999999', '1e9']) : value)) +
        after
      );
    default: {
      const other = pick(opens);
      return (
        before +
        element
          .replace(/^<[A-Za-z:]+/, /^<[A-Za-z:]+/.exec(other[0])![0])
          .replace(/<\/[^<>]+>$/, `</${/^<([A-Za-z:]+)/.exec(other[0])![1]}>`) +
        after
      );
    }
  }
}

/** One value of a JSON text, somewhere, exchanged, dropped, doubled or nested. */
function mutateJson(text: string, { below, pick }: Random): string {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return text;
  }
  const holders: (Record<string, unknown> | unknown[])[] = [];
  const visit = (one: unknown) => {
    if (one === null || typeof one !== 'object') return;
    holders.push(one as Record<string, unknown>);
    for (const inner of Object.values(one)) visit(inner);
  };
  visit(value);
  if (holders.length === 0) return text;
  const holder = pick(holders) as Record<string, unknown>;
  const keys = Object.keys(holder);
  const key = keys.length === 0 ? 'x' : pick(keys);
  const odd = () => pick<unknown>([null, 0, -1, 1e21, 0.5, true, [], {}, [null], '', ...WORDS]);
  switch (below(5)) {
    case 0:
      if (Array.isArray(holder)) (holder as unknown[]).splice(Number(key) || 0, 1);
      else delete holder[key];
      break;
    case 1:
      holder[pick(WORDS) || 'y'] = odd();
      break;
    case 2: {
      let nested: unknown = holder[key];
      for (let depth = pick([2, 50, 2000]); depth > 0; depth -= 1)
        nested = Array.isArray(holder) ? [nested] : { blocks: [nested] };
      holder[key] = nested;
      break;
    }
    case 3:
      holder[key] = holders[below(holders.length)] === holder ? odd() : structuredClone(pick(holders));
      break;
    default:
      holder[key] = odd();
  }
  try {
    return JSON.stringify(value);
  } catch {
    return text;
  }
}
