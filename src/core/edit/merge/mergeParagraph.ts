// One paragraph of which two people made other versions: word by word, what one changed is taken, what both changed is told.
import type { MergedWords } from '../../model/copy/manuscript';
import type { Paragraph, ParagraphTouches } from '../../model/copy/streams';
import { OBJECT_CHARACTER } from '../../model/copy/streams';
import { commonPlaces } from './commonTokens';
import { joinedPieces, tokensOf, type Piece, type Token } from './tokens';

export interface MergedParagraph {
  /** What each changed, and the desk's words where both changed the same ones. */
  readonly together: Paragraph;
  /** The words of one side alone; the desk's marks, touches and what else only a desk does are in all three. */
  readonly desk: Paragraph;
  readonly author: Paragraph;
  /** Both changed its words, here and there or the same ones. */
  readonly isOfBoth: boolean;
  /** The paragraph word by word. */
  readonly words: readonly MergedWords[];
}

interface Side {
  readonly paragraph: Paragraph;
  readonly tokens: readonly Token[];
  /** For each token of the base its place here, -1 for none. */
  readonly places: Int32Array;
}

/** A stretch of the base between words that all three have, with what the two versions have there: places of tokens. */
interface Chunk {
  readonly base: readonly [number, number];
  readonly desk: readonly [number, number];
  readonly author: readonly [number, number];
}

/** Facts beside the words go three ways as well; touches that only a desk makes are the desk's. */
export function mergeParagraph(base: Paragraph, desk: Paragraph, author: Paragraph): MergedParagraph {
  const tokens = tokensOf(base);
  const keys = tokens.map(({ key }) => key);
  const side = (paragraph: Paragraph): Side => {
    const own = tokensOf(paragraph);
    const places = commonPlaces(
      keys,
      own.map(({ key }) => key),
    );
    return { paragraph, tokens: own, places };
  };
  const merging = new Merging({ paragraph: base, tokens }, side(desk), side(author));
  merging.run();
  const rest = mergedFacts(base, desk, author);
  return {
    together: { ...rest, ...joinedPieces(merging.together) },
    desk: { ...rest, ...joinedPieces(merging.deskPieces) },
    author: { ...rest, ...joinedPieces(merging.authorPieces) },
    isOfBoth: isOfBoth(merging.words),
    words: merging.words,
  };
}

function isOfBoth(words: readonly MergedWords[]): boolean {
  const kinds = new Set(words.map(({ kind }) => kind));
  return kinds.has('both') || (kinds.has('desk') && kinds.has('author'));
}

class Merging {
  readonly together: Piece[] = [];
  readonly deskPieces: Piece[] = [];
  readonly authorPieces: Piece[] = [];
  readonly words: MergedWords[] = [];

  constructor(
    private readonly base: Omit<Side, 'places'>,
    private readonly desk: Side,
    private readonly author: Side,
  ) {}

  run(): void {
    const { base, desk, author } = this;
    let chunk = { base: 0, desk: 0, author: 0 };
    for (let k = 0; k <= base.tokens.length; k += 1) {
      const isEnd = k === base.tokens.length;
      const [d, a] = isEnd ? [desk.tokens.length, author.tokens.length] : [desk.places[k], author.places[k]];
      if (d < 0 || a < 0) continue;
      this.takeChunk({ base: [chunk.base, k], desk: [chunk.desk, d], author: [chunk.author, a] });
      if (!isEnd) this.takeShared(k, d, a);
      chunk = { base: k + 1, desk: d + 1, author: a + 1 };
    }
  }

  /** A word that all have: the look that one of them changed, else the desk's. */
  private takeShared(k: number, d: number, a: number): void {
    const [own, mine] = [this.base.tokens[k], this.desk.tokens[d]];
    const isAuthors = mine.object === null ? mine.look === own.look : sameObject(mine, own);
    const piece = isAuthors ? this.piece(this.author, [a, a + 1]) : this.piece(this.desk, [d, d + 1]);
    this.take([piece], [piece], [piece]);
    this.tell({ kind: 'same', text: this.textOf(piece) });
  }

  private takeChunk({ base, desk, author }: Chunk): void {
    const own = this.base.tokens.slice(...base);
    const mine = this.desk.tokens.slice(...desk);
    const theirs = this.author.tokens.slice(...author);
    if (own.length === 0 && mine.length === 0 && theirs.length === 0) return;
    const [deskPiece, authorPiece] = [this.piece(this.desk, desk), this.piece(this.author, author)];
    const before = textOfTokens(this.base.paragraph, own);
    const [mineSays, theirsSay] = [this.textOf(deskPiece), this.textOf(authorPiece)];
    // Marks that the desk put in go with whatever words stand there.
    const marks = mine.filter((token) => token.object !== null && !own.some(({ key }) => key === token.key));
    const markPieces = marks.map(({ from, to }): Piece => ({ of: this.desk.paragraph, from, to }));
    const isMarked = sameTokens(
      mine.filter((token) => !marks.includes(token)),
      own,
    );
    if (sameTokens(mine, theirs)) {
      this.take([deskPiece], [deskPiece], [deskPiece]);
      this.tell({ kind: 'same', text: mineSays });
    } else if (sameTokens(theirs, own)) {
      this.take([deskPiece], [deskPiece], [...markPieces, authorPiece]);
      this.tell(isMarked ? { kind: 'same', text: mineSays } : { kind: 'desk', text: mineSays, before });
    } else if (isMarked) {
      this.take([...markPieces, authorPiece], [deskPiece], [...markPieces, authorPiece]);
      this.tell({ kind: 'author', text: theirsSay, before });
    } else {
      this.take([deskPiece], [deskPiece], [...markPieces, authorPiece]);
      this.tell({ kind: 'both', text: mineSays, before, author: theirsSay });
    }
  }

  private take(together: readonly Piece[], desk: readonly Piece[], author: readonly Piece[]): void {
    this.together.push(...together);
    this.deskPieces.push(...desk);
    this.authorPieces.push(...author);
  }

  private tell(words: MergedWords): void {
    const last = this.words[this.words.length - 1];
    if (last?.kind === 'same' && words.kind === 'same')
      this.words[this.words.length - 1] = { kind: 'same', text: last.text + words.text };
    else this.words.push(words);
  }

  private piece({ paragraph, tokens }: Side, [from, to]: readonly [number, number]): Piece {
    const start = from < tokens.length ? tokens[from].from : paragraph.text.length;
    return { of: paragraph, from: start, to: to > from ? tokens[to - 1].to : start };
  }

  private textOf({ of, from, to }: Piece): string {
    return plainWords(of.text.slice(from, to));
  }
}

const plainWords = (text: string) => text.replaceAll(OBJECT_CHARACTER, '');

const textOfTokens = ({ text }: Paragraph, tokens: readonly Token[]) =>
  tokens.length === 0 ? '' : plainWords(text.slice(tokens[0].from, tokens[tokens.length - 1].to));

function sameTokens(a: readonly Token[], b: readonly Token[]): boolean {
  return a.length === b.length && a.every(({ key, look }, k) => key === b[k].key && look === b[k].look);
}

function sameObject(a: Token, b: Token): boolean {
  const facts = ({ object }: Token) => JSON.stringify({ ...object, at: 0 });
  return a.look === b.look && facts(a) === facts(b);
}

/** What one of the two changed; the desk's where both did. */
export function threeWay<T>(base: T, desk: T, author: T): T {
  return JSON.stringify(desk ?? null) === JSON.stringify(base ?? null) ? author : desk;
}

/** Touches that a file can bring. */
const OF_FILES = ['align', 'breakBefore', 'direction'] as const;

/** Id, style, list, touches, and the names by which the author's links lead to it. */
function mergedFacts(base: Paragraph, desk: Paragraph, author: Paragraph): Paragraph {
  const touches: Record<string, unknown> = { ...desk.touches };
  for (const key of OF_FILES) {
    const value = threeWay(base.touches?.[key], desk.touches?.[key], author.touches?.[key]);
    if (value === undefined) delete touches[key];
    else touches[key] = value;
  }
  const list = threeWay(base.list, desk.list, author.list);
  const { touches: _, list: __, names: ___, ...rest } = desk;
  const { names } = author;
  return {
    ...rest,
    style: threeWay(base.style, desk.style, author.style),
    ...(Object.keys(touches).length > 0 ? { touches: touches as ParagraphTouches } : {}),
    ...(list === undefined ? {} : { list }),
    ...(names === undefined ? {} : { names }),
  };
}
