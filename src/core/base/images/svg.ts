// Drawings as SVG 1.1: how large they are, and cleaned of everything that would run, reach out or grow without end.
import { SaxesParser } from 'saxes';
import { escapeXml } from '../xml';

export interface SvgSize {
  readonly width: number;
  readonly height: number;
}

/** Characters looked at for the first element. */
const HEAD = 20_000;
/** Elements in one another. */
const DEEPEST = 256;
const PIXELS: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  pt: 4 / 3,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
};

export const isSvg = (bytes: Uint8Array): boolean =>
  /^\uFEFF?\s*(?:<\?xml[^>]*\?>\s*)?(?:<!--[\s\S]*?-->\s*|<!DOCTYPE[^>[]*(?:\[[\s\S]*?\])?\s*>\s*)*<(?:\w+:)?svg[\s>]/.test(
    new TextDecoder().decode(bytes.subarray(0, HEAD)),
  );

/** Pixels at 96 in the inch, by width and height, else by the box of the view; 0 by 0 where neither says. */
export function svgSize(bytes: Uint8Array): SvgSize {
  const head = new TextDecoder().decode(bytes.subarray(0, HEAD));
  const opening = /<(?:\w+:)?svg\b[^>]*>/.exec(head)?.[0] ?? '';
  const said = (name: string) => new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)["']`).exec(opening)?.[1] ?? '';
  const length = (value: string) => {
    const found = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*([a-z]*)\s*$/i.exec(value);
    return found === null ? 0 : Number(found[1]) * (PIXELS[found[2].toLowerCase()] ?? 0);
  };
  const box = said('viewBox')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [boxWidth, boxHeight] = box.length === 4 && box.every(Number.isFinite) ? box.slice(2) : [0, 0];
  let [width, height] = [length(said('width')), length(said('height'))];
  if (width === 0 && height > 0 && boxHeight > 0) width = (height * boxWidth) / boxHeight;
  if (height === 0 && width > 0 && boxWidth > 0) height = (width * boxHeight) / boxWidth;
  return width > 0 && height > 0 ? { width, height } : { width: Math.max(0, boxWidth), height: Math.max(0, boxHeight) };
}

/** The drawing with a size that it says itself: one that says half of it is as large everywhere as here. */
export function withSize(text: string, { width, height }: SvgSize): string {
  return text.replace(
    /<((?:\w+:)?svg)\b([^>]*)>/,
    (_, name: string, said: string) =>
      `<${name}${said.replace(/\s(?:width|height)\s*=\s*(?:"[^"]*"|'[^']*')/g, '')} width="${width}" height="${height}">`,
  );
}

const DROPPED = new Set(['script', 'foreignobject', 'iframe', 'audio', 'video', 'animate', 'animatetransform', 'set']);
const isAddress = (name: string) => /^(?:xlink:)?href$/i.test(name);
/** What stays inside the file. */
const isInside = (value: string) => /^\s*(?:#|data:image\/(?:png|jpeg|gif|webp);)/i.test(value);
const REACHES_OUT = /@import[^;]*;?|url\(\s*["']?(?!#|data:)[^)]*\)/gi;

/**
 * The drawing without scripts, foreign objects, what listens to events, and addresses outside of it. Null for what is no well-formed XML, what
 * declares entities of its own (they may grow without end), and what is too deep.
 */
export function cleanSvg(text: string): string | null {
  const parser = new SaxesParser();
  const parts: string[] = [];
  let [depth, dropped, isWrong] = [0, 0, false];
  let isStyle = false;
  const fail = () => {
    isWrong = true;
  };
  parser.on('error', fail);
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype)) fail();
  });
  parser.on('opentag', ({ name, attributes, isSelfClosing }) => {
    depth += 1;
    if (depth > DEEPEST) fail();
    const local = name.replace(/^.*:/, '').toLowerCase();
    if (dropped > 0 || DROPPED.has(local)) dropped += 1;
    if (dropped > 0) return;
    isStyle = local === 'style';
    const kept = Object.entries(attributes as Record<string, string>).filter(
      ([key, value]) => !/^on/i.test(key) && (!isAddress(key) || isInside(value)),
    );
    // One without its namespace is a drawing in a page of HTML alone.
    if (depth === 1 && name === 'svg' && !('xmlns' in attributes))
      kept.unshift(['xmlns', 'http://www.w3.org/2000/svg']);
    const said = kept.map(([key, value]) => ` ${key}="${escapeXml(value.replace(REACHES_OUT, 'none'))}"`).join('');
    parts.push(`<${name}${said}${isSelfClosing ? '/' : ''}>`);
  });
  parser.on('closetag', ({ name, isSelfClosing }) => {
    depth -= 1;
    if (dropped > 0) dropped -= 1;
    else if (!isSelfClosing) parts.push(`</${name}>`);
    isStyle = false;
  });
  const words = (said: string) => {
    if (dropped === 0) parts.push(escapeXml(isStyle ? said.replace(REACHES_OUT, '') : said));
  };
  parser.on('text', words);
  parser.on('cdata', words);
  try {
    parser.write(text.replace(/^\uFEFF/, '')).close();
  } catch {
    return null;
  }
  return isWrong || parts.length === 0 ? null : parts.join('');
}
