// The stretches of a paragraph that are set with a value, whatever says so: the style, a character style, a local touch or the
// book.
import type { AskedValue } from '../model/answers/find';
import type { Paragraph, Span } from '../model/copy/streams';
import { BLACK } from '../model/spec/inks';
import { valueOf } from '../model/spec/inheritance';
import type { Spec } from '../model/spec/spec';

/** Sizes this near are one, in points. */
const SAME_SIZE = 0.05;

interface Source {
  readonly spec: Spec;
  /** Of the division. */
  readonly language: string;
}

/** From, to: sorted, apart, none empty. */
export function valueStretches(block: Paragraph, { spec, language }: Source, asked: AskedValue): [number, number][] {
  const ofStyle = paragraphHas(block, spec, language, asked);
  const found: [number, number][] = [];
  const add = (from: number, to: number) => {
    const last = found.at(-1);
    if (from === to) return;
    if (last !== undefined && last[1] === from) last[1] = to;
    else found.push([from, to]);
  };
  let at = 0;
  for (const span of block.spans) {
    if (ofStyle) add(at, span.from);
    if (spanHas(span, spec, asked) ?? ofStyle) add(span.from, span.to);
    at = span.to;
  }
  if (ofStyle) add(at, block.text.length);
  return found;
}

function paragraphHas(block: Paragraph, spec: Spec, language: string, asked: AskedValue): boolean {
  const { styles } = spec;
  const { look } = block.touches ?? {};
  switch (asked.of) {
    case 'size':
      return isSize(look?.size ?? valueOf(styles, block.style, 'size') ?? spec.text.size.pt, asked.pt);
    case 'face':
      return (look?.face ?? valueOf(styles, block.style, 'face') ?? spec.text.face) === asked.family;
    case 'ink':
      return (valueOf(styles, block.style, 'ink')?.ink ?? BLACK) === asked.ink;
    case 'language':
      return (valueOf(styles, block.style, 'language') ?? language) === asked.tag;
  }
}

/** Undefined: the stretch says nothing of its own. */
function spanHas({ style, touches, language }: Span, spec: Spec, asked: AskedValue): boolean | undefined {
  const styles = spec.characterStyles;
  const tag = style ?? '';
  switch (asked.of) {
    case 'size': {
      const size = touches?.size ?? valueOf(styles, tag, 'size');
      return size === undefined ? undefined : isSize(size, asked.pt);
    }
    case 'face': {
      const face = touches?.face ?? valueOf(styles, tag, 'face');
      return face === undefined ? undefined : keyOf(face) === keyOf(asked.family);
    }
    case 'ink': {
      const ink = touches?.colour ?? valueOf(styles, tag, 'ink')?.ink;
      return ink === undefined ? undefined : ink.toLowerCase() === asked.ink.toLowerCase();
    }
    case 'language': {
      const own = language ?? valueOf(styles, tag, 'language');
      return own === undefined ? undefined : own === asked.tag;
    }
  }
}

const isSize = (size: number, pt: number) => Math.abs(size - pt) <= SAME_SIZE;
/** A file names a family as it is shown: `EB Garamond`; the spec by its key. */
const keyOf = (family: string) => family.toLowerCase().replaceAll(' ', '-');
