// Ways of making jobs: by what is to be edited in each paragraph's text.
import { append } from '../base/append';
import type { Block, Paragraph } from '../model/copy/streams';
import { editText, type TextEdit } from '../copy/textEdit';
import type { JobKind, TidyContext, TidyJob, TidyPlace, TidyResult, TidyStage } from './types';

interface Facts {
  readonly id: string;
  readonly name: string;
  readonly kind: JobKind;
  readonly stage: TidyStage;
}

/** Characters around a change that a place shows. */
const AROUND = 18;
const MOST_ROUNDS = 6;

/** A job that edits the text of paragraphs one by one. Those that look at no other are asked once for a paragraph that they leave as it is. */
export function textJob(
  facts: Facts,
  editsOf: (paragraph: Paragraph, context: TidyContext, blocks: readonly Block[], index: number) => readonly TextEdit[],
): TidyJob {
  const left = editsOf.length <= 2 ? new Map<string, WeakSet<Paragraph>>() : null;
  return {
    ...facts,
    run: (blocks, context) => {
      const clean = left?.get(context.language) ?? new WeakSet();
      left?.set(context.language, clean);
      return eachParagraph(blocks, (paragraph, index, list) => {
        if (clean.has(paragraph)) return { paragraph, places: NO_PLACES };
        const places: TidyPlace[] = [];
        let current = paragraph;
        // What one edit leaves may be the next one's: jobs go on until nothing is left of theirs.
        for (let round = 0; round < MOST_ROUNDS; round += 1) {
          const edits = editsOf(current, context, list, index).filter(
            (edit) => current.text.slice(edit.from, edit.to) !== edit.text,
          );
          if (round === 0 && edits.length === 0) {
            if (left !== null) clean.add(paragraph);
            break;
          }
          const found = edits.map((edit) => [edit, placeOf(current, edit)] as const);
          const taken = found.filter(([, place]) => context.accepts(place));
          if (round === 0 || facts.kind !== 'tell')
            append(
              places,
              taken.map(([, place]) => place),
            );
          if (facts.kind === 'tell' || taken.length === 0) break;
          const next = editText(
            current,
            taken.map(([edit]) => edit),
          );
          if (next === current) break;
          current = next;
        }
        return { paragraph: current, places };
      });
    },
  };
}

const NO_PLACES: readonly TidyPlace[] = [];

/** A job that changes whole paragraphs: null leaves one as it is. */
export function paragraphJob(
  facts: Facts,
  change: (
    paragraph: Paragraph,
    context: TidyContext,
    blocks: readonly Block[],
    index: number,
  ) => { readonly paragraph: Paragraph; readonly was: string; readonly is: string } | null,
): TidyJob {
  return {
    ...facts,
    run: (blocks, context) =>
      eachParagraph(blocks, (paragraph, index, list) => {
        const made = change(paragraph, context, list, index);
        if (made === null || made.paragraph === paragraph) return { paragraph, places: [] };
        const place = { block: paragraph.id, at: 0, was: made.was, is: made.is };
        return context.accepts(place) ? { paragraph: made.paragraph, places: [place] } : { paragraph, places: [] };
      }),
  };
}

/** Works on each paragraph of a list; untouched blocks stay the same objects. */
export function eachParagraph(
  blocks: readonly Block[],
  work: (
    paragraph: Paragraph,
    index: number,
    blocks: readonly Block[],
  ) => { paragraph: Paragraph; places: readonly TidyPlace[] },
): TidyResult {
  const places: TidyPlace[] = [];
  let isChanged = false;
  const made = blocks.map((block, index) => {
    if (block.kind !== 'paragraph') return block;
    const result = work(block, index, blocks);
    append(places, result.places);
    isChanged ||= result.paragraph !== block;
    return result.paragraph;
  });
  return { blocks: isChanged ? made : blocks, places };
}

function placeOf({ id, text }: Paragraph, edit: TextEdit): TidyPlace {
  const before = text.slice(Math.max(0, edit.from - AROUND), edit.from);
  const after = text.slice(edit.to, edit.to + AROUND);
  return {
    block: id,
    at: edit.from,
    was: `${before}${text.slice(edit.from, edit.to)}${after}`,
    is: `${before}${edit.text}${after}`,
    range: { from: edit.from, to: edit.to, text: edit.text },
  };
}

/** Edits for every match of a pattern; `to` gives the new text, null leaves the match. */
export function replaceAll(text: string, pattern: RegExp, to: (match: RegExpExecArray) => string | null): TextEdit[] {
  const edits: TextEdit[] = [];
  for (const match of text.matchAll(pattern)) {
    const made = to(match as RegExpExecArray);
    if (made !== null) edits.push({ from: match.index, to: match.index + match[0].length, text: made });
  }
  return edits;
}
