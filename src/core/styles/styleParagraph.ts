// Makes the text that is set from the text that is kept: fields filled, references numbered, and every stretch given
// its face, size and features. Order: paragraph style, character style, touches; emphasis inside italic turns roman.
import { table } from '../base/table';
import { embeddingLevels } from '../base/bidi';
import { directionOf } from '../copy/direction';
import {
  FALLBACK_FAMILIES,
  isShippedOrnament,
  coverageTable,
  covers,
  maybeFace,
  type FaceRecord,
  type FaceTable,
} from '../model/spec/faces';
import type { InkUse, SetInk } from '../model/spec/inks';
import type { NotePosition } from '../model/spec/notes';
import { scriptOf, type FallbackFaces } from '../model/spec/scripts';
import type { Spec } from '../model/spec/spec';
import type { LinkTarget, TextLink } from '../model/composed/links';
import type { NoteMark, ResolvedStyle, StyledParagraph, StyledRun } from '../model/composed/styled';
import { withInitial } from './initialLetter';
import { lookOfEach, type Look, type SetText } from './looks';
import { setInk } from '../looks/setInk';
import { setLinks } from './setLinks';
import { titleCase } from './titleCase';
import { figureFeatures, figuresOf } from './figures';
import { asTypedStretches } from '../looks/asTyped';
import { houseMarks, type MarkEdit } from '../looks/houseMarks';
import {
  OBJECT_CHARACTER,
  type BlockId,
  type CrossReference,
  type FieldName,
  type Paragraph,
  type StreamId,
  type StyleTag,
} from '../model/copy/streams';

/** The number of a note with the signs around it, and where it stands. */
export interface NoteSign {
  readonly text: string;
  readonly position: NotePosition;
}

/** What styling asks of the book around the paragraph. */
export interface StyleContext {
  readonly spec: Spec;
  readonly faces: FaceTable;
  readonly fieldText: (field: FieldName) => string;
  /** What stands in the text for a note; empty for none. */
  readonly noteReference: (note: StreamId) => NoteSign;
  /** What a cross-reference at a place says; empty where nothing is known of the book around. */
  readonly referenceText: (reference: CrossReference, block: BlockId, at: number) => string;
}

/** Features that a feature takes the place of. */
const EXCLUDES: Readonly<Record<string, readonly string[]>> = table({
  lnum: ['onum'],
  onum: ['lnum'],
  tnum: ['pnum'],
  pnum: ['tnum'],
  frac: ['onum', 'pnum'],
});

/** Ratio and rise, in em, of figures raised or lowered by us when the face has none of its own. */
const RAISED = { size: 0.62, rise: 0.34 };
const LOWERED = { size: 0.62, rise: -0.14 };
/** Size of small capitals scaled from capitals, when the face has none of its own. */
const SCALED_CAPITALS = 0.78;
/** Letter-space of first words in small capitals, in thousandths of an em. */
const LEAD_TRACKING = 50;

/** A line that a person broke by hand (U+2028 LINE SEPARATOR). */
export const LINE_BREAK = '\u2028';

/** What is put before a paragraph's text and belongs to no source: the number of a note or a head. */
export interface PutBefore {
  readonly prefix?: string;
  /** Its character style from `prefixFrom` on, or none. */
  readonly prefixStyle?: StyleTag | null;
  readonly prefixFrom?: number;
  /** So much of it stands as the sign of a note. */
  readonly prefixSign?: { readonly to: number; readonly position: NotePosition };
  /** Where what is put before leads, white at its end left out. */
  readonly prefixTarget?: LinkTarget;
  /** Links over the source besides those that it has. */
  readonly links?: readonly TextLink[];
}

/** A paragraph with every stretch of its set text given its face, size and features. */
export function styleParagraph(
  stream: StreamId,
  source: Paragraph,
  style: ResolvedStyle,
  context: StyleContext,
  { prefix = '', prefixStyle = null, prefixFrom = 0, prefixSign, prefixTarget, links: given = [] }: PutBefore = {},
): StyledParagraph {
  const asTyped = asTypedStretches(source, context.spec);
  const marks = houseMarks(source.text, context.spec.marks.set, style.language, asTyped);
  const set = {
    ...makeSetText(source, context, prefix, marks.edits),
    prefix: { from: prefixFrom, to: prefix.length, style: prefixStyle },
  };
  if (prefixSign !== undefined) set.references.unshift([0, prefixSign.to, prefixSign.position]);
  const ofPrefix = prefixTarget === undefined ? [] : [{ from: 0, to: prefix.trimEnd().length, target: prefixTarget }];
  const links = setLinks(set, source, ofPrefix, given);
  const looks = lookOfEach(set, source.spans, style, context.spec);
  const missing: number[] = [];
  const lacking: number[] = [];
  const made = titleCase(set.text, makeRuns(set.text, looks, style, context, { missing, lacking }), style);
  const bidi = embeddingLevels(set.text, directionOf(source, style.language));
  const cut = bidi === undefined ? made : made.flatMap((run) => cutByLevel(run, bidi.levels));
  const runs = prefix === '' && bidi === undefined ? withInitial(set.text, cut, style, context.faces) : cut;
  return {
    stream,
    block: source.id,
    style: withTouches(style, source),
    text: set.text,
    source: set.source,
    runs,
    isRtl: (bidi?.base ?? 0) % 2 === 1,
    notes: set.notes,
    ...(links === undefined ? {} : { links }),
    tail: '',
    missing,
    lacking,
    unpaired: marks.unpaired,
    shapeKey: shapeKeyOf(set.text, runs),
  };
}

/** The style with what a person changed of it on the paragraph. */
function withTouches(style: ResolvedStyle, { touches }: Paragraph): ResolvedStyle {
  if (touches?.align === undefined && touches?.liftedTies === undefined) return style;
  const { align = style.align, liftedTies = [] } = touches;
  return { ...style, align, liftedTies: [...style.liftedTies, ...liftedTies] };
}

/** Everything that the glyphs depend on: the text, and the face, features and language of each run; no size. */
export function shapeKeyOf(text: string, runs: readonly StyledRun[]): string {
  return `${text}\u0000${runs.map((run) => `${run.to}:${run.face}:${run.features}:${run.language}${run.upper ? ':upper' : ''}${run.level ? `:${run.level}` : ''}`).join('|')}`;
}

/** A run cut where the direction of its text changes. */
function cutByLevel(run: StyledRun, levels: Uint8Array): StyledRun[] {
  const parts: StyledRun[] = [];
  for (let from = run.from; from < run.to;) {
    let to = from + 1;
    while (to < run.to && levels[to] === levels[from]) to += 1;
    parts.push(levels[from] === 0 ? { ...run, from, to } : { ...run, from, to, level: levels[from] });
    from = to;
  }
  return parts;
}

function makeSetText(source: Paragraph, context: StyleContext, prefix: string, marks: readonly MarkEdit[]): SetText {
  if (source.objects.length === 0 && prefix === '' && marks.length === 0)
    return { text: source.text, source: null, notes: [], references: [], targets: [] };
  const offsets: number[] = [];
  const notes: NoteMark[] = [];
  const targets: TextLink[] = [];
  const references: [number, number, NotePosition][] = [];
  let text = '';
  const put = (piece: string, at: number, step: number) => {
    for (let k = 0; k < piece.length; k += 1) offsets.push(at + k * step);
    text += piece;
  };
  let mark = 0;
  /** The source from one place to another, with what the house sets for its marks. */
  const putSource = (from: number, to: number) => {
    let at = from;
    for (; mark < marks.length && marks[mark].from < to; mark += 1) {
      put(source.text.slice(at, marks[mark].from), at, 1);
      put(marks[mark].text, marks[mark].from, 0);
      at = marks[mark].to;
    }
    put(source.text.slice(at, to), at, 1);
  };
  put(prefix, 0, 0);
  let done = 0;
  for (const object of source.objects) {
    putSource(done, object.at);
    const start = text.length;
    if (object.kind === 'note') {
      const sign = context.noteReference(object.note);
      // Two references side by side would be read as one number.
      const isNext = references.at(-1)?.[1] === start && start > prefix.length && sign.text !== '';
      if (isNext) {
        put(',', object.at, 0);
        references.push([start, start + 1, 'raised']);
      }
      notes.push({ at: text.length, to: text.length + sign.text.length, note: object.note });
      references.push([text.length, text.length + sign.text.length, sign.position]);
      put(sign.text, object.at, 0);
    } else if (object.kind === 'field') put(context.fieldText(object.field), object.at, 0);
    else if (object.kind === 'reference') {
      put(context.referenceText(object, source.id, object.at), object.at, 0);
      targets.push({ from: start, to: text.length, target: { kind: 'reference', target: object.target } });
    } else if (object.kind === 'break' || object.kind === 'tab')
      put(object.kind === 'break' ? LINE_BREAK : '\t', object.at, 0);
    done = object.at + OBJECT_CHARACTER.length;
  }
  putSource(done, source.text.length);
  offsets.push(source.text.length);
  return { text, source: Int32Array.from(offsets), notes, references, targets };
}

function makeRuns(
  text: string,
  looks: readonly [number, number, Look][],
  style: ResolvedStyle,
  context: StyleContext,
  found: Lacks,
): StyledRun[] {
  const runs: StyledRun[] = [];
  const inkOf = (use: InkUse) => setInk(context.spec.inks, use);
  for (const [from, to, look] of looks) {
    for (const piece of cutByCoverage(text, from, to, wishedFace(style, look, context), context, found)) {
      const run = makeRun(piece, style, look, inkOf);
      const last = runs[runs.length - 1];
      if (last !== undefined && sameRun(last, run)) runs[runs.length - 1] = { ...last, to: run.to };
      else runs.push(run);
    }
  }
  return runs;
}

function sameRun(a: StyledRun, b: StyledRun): boolean {
  return (
    a.face === b.face &&
    a.size === b.size &&
    a.features === b.features &&
    a.language === b.language &&
    a.rise === b.rise &&
    a.tracking === b.tracking &&
    a.line === b.line &&
    a.upper === b.upper &&
    a.asTyped === b.asTyped &&
    JSON.stringify(a.ink) === JSON.stringify(b.ink)
  );
}

function wishedFace(style: ResolvedStyle, look: Look, context: StyleContext): FaceRecord {
  const weight = look.touches?.bold ? 700 : (look.style?.weight ?? style.weight);
  let italic = style.italic;
  if (look.style?.italic === 'on') italic = true;
  else if (look.style?.italic === 'opposite') italic = !italic;
  if (look.touches?.italic !== undefined) italic = look.touches.italic;
  const family = look.style?.face ?? localFamily(look, context.faces) ?? style.family;
  const face =
    maybeFace(context.faces, family, weight, italic) ?? maybeFace(context.faces, 'eb-garamond', weight, italic);
  return face ?? context.faces[0];
}

/** The family that a person chose by its name for a stretch; undefined when there is none of that name. */
function localFamily({ touches }: Look, faces: FaceTable): string | undefined {
  if (touches?.face === undefined) return undefined;
  const name = touches.face.toLowerCase();
  return faces.find((face) => face.familyName.toLowerCase() === name)?.family;
}

interface Lacks {
  /** Code points that no face has, and places of those that the wished face lacks. */
  readonly missing: number[];
  readonly lacking: number[];
}

interface Piece {
  readonly from: number;
  readonly to: number;
  readonly face: FaceRecord;
}

/** Characters that the engine draws or that draw nothing: never missing from a face. */
const DRAWN_BY_ENGINE = /[\s\u00AD\u2010\u2011\u200B-\u200F\u2028\u202A-\u202E\u2060\u2066-\u2069\uFEFF\uFFFC]/;

const TAB = 0x09;

/** Cuts a stretch where the wished face lacks a character and another one has it. */
function cutByCoverage(
  text: string,
  from: number,
  to: number,
  face: FaceRecord,
  { faces, spec }: StyleContext,
  found: Lacks,
): Piece[] {
  const pieces: Piece[] = [];
  let start = from;
  let current = face;
  const covered = coverageTable(face);
  for (let at = from; at < to;) {
    // The face that is wished for has nearly every character: looked up without a search.
    if (current === face && covered[text.charCodeAt(at)] === 1) {
      at += 1;
      continue;
    }
    const code = text.codePointAt(at)!;
    const given = covers(face, code) ? undefined : givenFace(code, face, spec.text.fallbacks, faces);
    const needed = given ?? faceFor(code, text[at], face, current, faces, found.missing);
    const isOurs = code === 0x20 || isShippedOrnament(code) || DRAWN_BY_ENGINE.test(text[at]);
    if (given === undefined && !isOurs && !covers(face, code)) found.lacking.push(at);
    if (needed !== current) {
      if (at > start) pieces.push({ from: start, to: at, face: current });
      [start, current] = [at, needed];
    }
    at += code > 0xffff ? 2 : 1;
  }
  if (to > start) pieces.push({ from: start, to, face: current });
  return pieces;
}

/** The face that a person gave to the script of a character; undefined: none, or one that lacks it too. */
function givenFace(
  code: number,
  wished: FaceRecord,
  fallbacks: FallbackFaces,
  faces: FaceTable,
): FaceRecord | undefined {
  const family = fallbacks[scriptOf(code)];
  const face = family === undefined ? undefined : maybeFace(faces, family, wished.weight, wished.italic);
  return face !== undefined && covers(face, code) ? face : undefined;
}

function faceFor(
  code: number,
  char: string,
  wished: FaceRecord,
  current: FaceRecord,
  faces: FaceTable,
  missing: number[],
): FaceRecord {
  if ((code > 0x7f || code === TAB) && DRAWN_BY_ENGINE.test(char)) return current;
  // A space between two words of another face is theirs.
  if (code === 0x20 && covers(current, code)) return current;
  if (covers(wished, code)) return wished;
  for (const family of FALLBACK_FAMILIES) {
    const face = maybeFace(faces, family, wished.weight, wished.italic);
    if (face !== undefined && covers(face, code)) return face;
  }
  missing.push(code);
  return wished;
}

function makeRun(piece: Piece, style: ResolvedStyle, look: Look, inkOf: (use: InkUse) => SetInk | null): StyledRun {
  const { face } = piece;
  const has = (feature: string) => face.features.includes(feature);
  const features = figureFeatures(figuresOf(style, look), face);
  // Letters larger than the leading would run into the lines around.
  const base = Math.min(look.touches?.size ?? look.style?.size ?? style.size, Math.max(style.size, style.leading));
  let size = base;
  let rise = style.rise + (look.style?.rise ?? 0);
  const position = look.reference === null ? look.style?.position : look.reference === 'line' ? undefined : 'superior';
  if (position === 'superior' && look.reference !== 'raised' && has('sups'))
    features.splice(0, features.length, 'sups');
  else if (position !== undefined) {
    const place = position === 'superior' ? RAISED : LOWERED;
    [size, rise] = [base * place.size, rise + base * place.rise];
  }
  const caps = look.isLead ? 'small' : (look.style?.caps ?? style.caps);
  let upper = caps === 'all';
  let isScaled = false;
  if (upper && has('case')) features.push('case');
  if (caps === 'small') {
    if (has('smcp')) features.push('smcp');
    else {
      size *= SCALED_CAPITALS;
      upper = isScaled = true;
    }
  }
  const tracking = look.style?.tracking ?? (look.isLead ? LEAD_TRACKING : style.tracking);
  // Letterspaced type takes no ligatures: their inside cannot be spaced.
  if (tracking !== 0) features.push('-liga', '-clig');
  // What the style asks for comes last: of two that exclude each other the later one counts.
  for (const own of [style.features, look.style?.features ?? '']) {
    for (const tag of own === '' ? [] : own.split(',')) {
      if (EXCLUDES[tag] !== undefined)
        features.splice(0, features.length, ...features.filter((one) => !EXCLUDES[tag].includes(one)));
      features.push(tag);
    }
  }
  const line = look.style?.line ?? (look.touches?.underline ? 'under' : look.touches?.strike ? 'through' : undefined);
  const ink = look.style?.ink === undefined ? style.ink : inkOf(look.style.ink);
  return {
    from: piece.from,
    to: piece.to,
    face: face.id,
    size,
    features: features.join(','),
    language: look.language ?? look.style?.language ?? style.language,
    rise,
    tracking,
    ...(upper ? { upper } : {}),
    ...(isScaled ? { isScaled } : {}),
    ...(line ? { line } : {}),
    ...(look.style?.asTyped === 'on' ? { asTyped: true as const } : {}),
    ...(ink ? { ink } : {}),
  };
}
