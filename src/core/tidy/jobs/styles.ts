// What was done by hand or typed as signs becomes style: scene breaks, chapter lines, italics, small capitals.
import { cutParagraph } from '../../copy/cutParagraph';
import { looksLikeHeading, readHeading } from '../../copy/headings';
import { normaliseSpans, type Block, type Paragraph, type Span, type TextTouches } from '../../model/copy/streams';
import { eachParagraph, paragraphJob } from '../makeJobs';
import { editText } from '../../copy/textEdit';
import type { TidyContext, TidyJob, TidyPlace, TidyResult } from '../types';

/** Every guise of a scene break: asterisks, rules, swung dashes, ornaments made of letters. */
const SCENE_BREAK =
  /^(?:[*•·∙●○◦~∼–—_=+#§❦❧☙✦✻⁂†x-]\s*){1,12}$|^-\s*o\s*-$|^[oO0](?:\s*[oO0]){2,4}$|^~\s*\*\s*~$|^\[?(?:scene|section) break\]?$/iu;
const ORNAMENT = '* * *';

/** Letters and signs that mean something by themselves are a break from three of them on. */
const isSceneBreak = (text: string) =>
  SCENE_BREAK.test(text) && !(/^[x–—_+=-]/.test(text) && text.replace(/\s/g, '').length < 3);

/** Text that a scene break may part from other text; null at the end of the stream. */
const isProse = (block: Block | undefined) =>
  block !== undefined && (block.kind === 'table' || (block.text.trim() !== '' && !isSceneBreak(block.text.trim())));

export const BREAK_JOBS: readonly TidyJob[] = [
  paragraphJob(
    { id: 'scene-breaks', name: 'Scene breaks to one style', kind: 'safe', stage: 'breaks' },
    (paragraph, _context, blocks, index) => {
      const { text, style, id } = paragraph;
      if (!['TX', 'SB', 'SBO'].includes(style) || !isSceneBreak(text.trim()) || (style === 'SBO' && text === ORNAMENT))
        return null;
      // Alone in a cell, or one of several lines of its kind to be written on, it is something else.
      const [before, after] = [blocks[index - 1], blocks[index + 1]];
      if (style === 'TX' && (!isProse(before) || !isProse(after))) return null;
      const made: Paragraph = { kind: 'paragraph', id, style: 'SBO', text: ORNAMENT, spans: [], objects: [] };
      return { paragraph: made, was: text.trim(), is: ORNAMENT };
    },
  ),
];

export const STYLE_JOBS: readonly TidyJob[] = [
  { id: 'chapter-lines', name: 'Chapter lines to chapter style', kind: 'look', stage: 'styles', run: chapterLines },
  {
    id: 'typed-emphasis',
    name: 'Underscores and asterisks to italic and bold',
    kind: 'look',
    stage: 'styles',
    run: (blocks, context) => eachParagraph(blocks, (paragraph) => typedEmphasis(paragraph, context)),
  },
  paragraphJob(
    // A face of signs, or a colour that means something, is told from an accident by looking.
    { id: 'bare-looks', name: 'Faces, sizes and colours by hand dropped', kind: 'look', stage: 'styles' },
    (paragraph) => {
      const spans = normaliseSpans(paragraph.spans.map(withoutBareLook));
      const changed = paragraph.spans.filter((span) => withoutBareLook(span) !== span);
      if (changed.length === 0) return null;
      const words = changed.map((span) => paragraph.text.slice(span.from, span.to)).join(', ');
      const looks = changed.map(({ touches }) => bareLook(touches!)).join(', ');
      return {
        paragraph: { ...paragraph, spans },
        was: `${words.slice(0, 40)} (${looks.slice(0, 40)})`,
        is: words.slice(0, 40),
      };
    },
  ),
  paragraphJob(
    { id: 'local-emphasis', name: 'Italics and bold by hand to styles', kind: 'safe', stage: 'styles' },
    (paragraph, { isItalic }) => {
      // In an italic style italics by hand say nothing, and emphasis would turn them roman.
      if (isItalic?.(paragraph.style)) return null;
      const spans = normaliseSpans(paragraph.spans.map(byStyle));
      const changed = paragraph.spans.filter((span) => byStyle(span) !== span);
      if (changed.length === 0) return null;
      const words = changed.map((span) => paragraph.text.slice(span.from, span.to)).join(', ');
      return { paragraph: { ...paragraph, spans }, was: words.slice(0, 60), is: words.slice(0, 60) };
    },
  ),
  paragraphJob(
    { id: 'emphasis-ends', name: 'Italics on a trailing space or stop', kind: 'safe', stage: 'styles' },
    (paragraph) => {
      const spans = normaliseSpans(paragraph.spans.map((span) => withoutEdges(span, paragraph.text)));
      if (JSON.stringify(spans) === JSON.stringify(paragraph.spans)) return null;
      return { paragraph: { ...paragraph, spans }, was: paragraph.text.slice(0, 40), is: paragraph.text.slice(0, 40) };
    },
  ),
  paragraphJob(
    { id: 'capitals', name: 'Words typed in capitals to small capitals', kind: 'look', stage: 'styles' },
    smallCapitals,
  ),
];

/** Emphasis by one touch alone becomes the character style that means it. */
function byStyle(span: Span): Span {
  if (span.style !== undefined || span.touches === undefined) return span;
  const keys = Object.keys(span.touches).filter((key) => span.touches![key as 'italic'] !== undefined);
  if (keys.length !== 1 || span.touches[keys[0] as 'italic'] !== true) return span;
  const style = keys[0] === 'italic' ? 'em' : keys[0] === 'bold' ? 'strong' : undefined;
  if (style === undefined) return span;
  const { touches: _, ...rest } = span;
  return { ...rest, style };
}

/** A face, size and colour in words. */
const bareLook = ({ face, size, colour }: TextTouches) =>
  [face, size === undefined ? undefined : `${size} pt`, colour].filter((one) => one !== undefined).join(' ');

function withoutBareLook(span: Span): Span {
  const { face, size, colour, ...kept } = span.touches ?? {};
  if (face === undefined && size === undefined && colour === undefined) return span;
  const { touches: _, ...rest } = span;
  return Object.keys(kept).length > 0 ? { ...rest, touches: kept } : rest;
}

const isEmphasis = ({ style, touches }: Span) =>
  style === 'em' || style === 'strong' || touches?.italic === true || touches?.bold === true;

/** Without the spaces at its ends; gone when nothing but spaces and a stop was in it. */
function withoutEdges(span: Span, text: string): Span {
  if (!isEmphasis(span)) return span;
  const words = text.slice(span.from, span.to);
  if (span.link !== undefined) return span;
  if (!/[\p{L}\p{N}]/u.test(words) && /^[\s.,;:]*$/.test(words)) return { ...span, to: span.from };
  const lead = words.length - words.trimStart().length;
  const trail = words.length - words.trimEnd().length;
  return lead + trail === 0 ? span : { ...span, from: span.from + lead, to: span.to - trail };
}

const EMPHASIS =
  /(?<![\p{L}\p{N}_*])(?:_([^\s_](?:[^_\n]{0,200}?[^\s_])?)_|\*\*([^\s*](?:[^*\n]{0,200}?[^\s*])?)\*\*|\*([^\s*](?:[^*\n]{0,200}?[^\s*])?)\*)(?![\p{L}\p{N}_*])/gu;

function typedEmphasis(paragraph: Paragraph, { accepts }: TidyContext) {
  const added: Span[] = [];
  const places: TidyPlace[] = [];
  const edits: { from: number; to: number; text: string }[] = [];
  let shift = 0;
  for (const match of paragraph.text.matchAll(EMPHASIS)) {
    const [whole, underscored, bold, starred] = match;
    const words = underscored ?? bold ?? starred;
    const marks = bold === undefined ? 1 : 2;
    const start = match.index;
    const place = { block: paragraph.id, at: start, was: whole, is: words };
    if (!accepts(place)) continue;
    places.push(place);
    edits.push({ from: start, to: start + marks, text: '' });
    edits.push({ from: start + whole.length - marks, to: start + whole.length, text: '' });
    added.push({ from: start - shift, to: start - shift + words.length, style: bold === undefined ? 'em' : 'strong' });
    shift += marks * 2;
  }
  if (added.length === 0) return { paragraph, places };
  const plain = editText(paragraph, edits);
  const apart = added.filter((span) => plain.spans.every((own) => own.to <= span.from || own.from >= span.to));
  return { paragraph: { ...plain, spans: normaliseSpans([...plain.spans, ...apart]) }, places };
}

/** Two words or more in capitals, or one of five letters or more: shorter ones are mostly initials of something. */
const CAPITALS = /(?<![\p{L}\p{N}])(?:\p{Lu}{2,}(?:[ ’'-]\p{Lu}+)+|\p{Lu}{5,})(?![\p{L}\p{N}])/gu;
const ROMAN = /^[IVXLCDM]+$/;

function smallCapitals(paragraph: Paragraph) {
  const { text, style } = paragraph;
  if (!['TX', 'EXT', 'NT'].includes(style) || text === text.toUpperCase()) return null;
  const found = [...text.matchAll(CAPITALS)].filter(([words]) => !ROMAN.test(words));
  const free = found.filter((match) =>
    paragraph.spans.every((span) => span.to <= match.index || span.from >= match.index + match[0].length),
  );
  if (free.length === 0) return null;
  const edits = free.map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
    text: lowered(text, match.index, match[0]),
  }));
  const spans = edits.map(({ from, to }) => ({ from, to, style: 'sc' }));
  const made = editText(paragraph, edits);
  if (made.text.length !== text.length) return null;
  return {
    paragraph: { ...made, spans: normaliseSpans([...made.spans, ...spans]) },
    was: free.map(([words]) => words).join(', '),
    is: edits.map((edit) => edit.text).join(', '),
  };
}

/** In small letters; a sentence keeps its capital. */
function lowered(text: string, at: number, words: string): string {
  const small = words.toLowerCase();
  return /(^|[.!?…]["”’')\]]?\s+|^[“‘"'(]+)$/.test(text.slice(0, at)) ? words[0] + small.slice(1) : small;
}

/** `Chapter One: The Weir` alone on a line: number and title apart, each in its style. */
function chapterLines(blocks: readonly Block[], { accepts, takeId }: TidyContext): TidyResult {
  const places: TidyPlace[] = [];
  const made = blocks.flatMap((block): Block[] => {
    if (block.kind !== 'paragraph' || block.style !== 'TX' || !looksLikeHeading(block.text)) return [block];
    const words = readHeading(block.text);
    const place = {
      block: block.id,
      at: 0,
      was: block.text.trim(),
      is: [words.number, words.title].filter((part) => part !== '').join(' | '),
    };
    if (!accepts(place)) return [block];
    places.push(place);
    const [numberTag, titleTag] = words.kind === 'part' ? ['PN', 'PT'] : ['CN', 'CT'];
    const { touches: _, list: __, ...plain } = block;
    if (words.number === '' || words.title === '') return [{ ...plain, style: titleTag }];
    const at = plain.text.indexOf(words.number);
    return [
      { ...cutParagraph(plain, at, at + words.number.length), style: numberTag },
      { ...cutParagraph(plain, words.titleAt, plain.text.trimEnd().length), id: takeId(), style: titleTag },
    ];
  });
  return { blocks: places.length > 0 ? made : blocks, places };
}
