// The words of a paragraph as they are set: quotes, dashes and ellipses by the marks of the spec, spaces that devices know.
import { asTypedStretches } from '../../looks/asTyped';
import { houseMarks, type MarkEdit } from '../../looks/houseMarks';
import type { TypedWords } from '../copy/ourMarks';
import type { Paragraph } from '../../model/copy/streams';
import type { Spec } from '../../model/spec/spec';

export interface SetWords {
  readonly paragraph: Paragraph;
  /** The offset in the set text of one in the copy. */
  readonly offset: (at: number) => number;
  /** What is set otherwise than it was typed, in order. */
  readonly typed: readonly TypedWords[];
}

/** Spaces that few faces of devices have, and what stands for them. */
const KNOWN_SPACES: Readonly<Record<string, string>> = { '\u205F': '\u202F', '\u2004': '\u2009' };

const withKnownSpaces = (text: string) => text.replace(/[\u205F\u2004]/g, (space) => KNOWN_SPACES[space]);

export function setWords(paragraph: Paragraph, spec: Spec, language: string): SetWords {
  const marks = houseMarks(paragraph.text, spec.marks.set, language, asTypedStretches(paragraph, spec)).edits;
  const edits = withSingleSpaces(paragraph.text, marks);
  if (edits.length === 0) return { paragraph, offset: (at) => at, typed: [] };
  let text = '';
  let from = 0;
  const typed: TypedWords[] = [];
  for (const edit of edits) {
    text += paragraph.text.slice(from, edit.from);
    const set = withKnownSpaces(edit.text);
    typed.push([text.length, set, paragraph.text.slice(edit.from, edit.to)]);
    text += set;
    from = edit.to;
  }
  text += paragraph.text.slice(from);
  const offset = offsetsAfter(edits);
  return {
    paragraph: {
      ...paragraph,
      text,
      spans: paragraph.spans
        .map((span) => ({ ...span, from: offset(span.from), to: offset(span.to) }))
        .filter((span) => span.to > span.from),
      objects: paragraph.objects.map((object) => ({ ...object, at: offset(object.at) })),
    },
    offset,
    typed,
  };
}

/** Devices show one space for several, and none at the beginning; what that takes out is told with the rest. */
function withSingleSpaces(text: string, marks: readonly MarkEdit[]): readonly MarkEdit[] {
  if (!/ {2}|^ /.test(text)) return marks;
  const spaces = [...text.matchAll(/^ +| {2,}/g)].map(({ 0: found, index }): MarkEdit => ({
    from: index,
    to: index + found.length,
    text: index === 0 ? '' : ' ',
  }));
  const isApart = ({ from, to }: MarkEdit) => marks.every((mark) => mark.to <= from || mark.from >= to);
  return [...marks, ...spaces.filter(isApart)].sort((a, b) => a.from - b.from);
}

/** Offsets after edits; one inside what an edit replaces is where that begins. */
function offsetsAfter(edits: readonly MarkEdit[]): (at: number) => number {
  return (at) => {
    let shift = 0;
    for (const { from, to, text } of edits) {
      if (at <= from) break;
      if (at < to) return from + shift;
      shift += text.length - (to - from);
    }
    return at + shift;
  };
}
