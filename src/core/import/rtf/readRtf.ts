// Reads a rich text file (RTF 1.9.1). Groups are walked without recursion; what is no text of the document goes by the name of its group.
import { takeRowWord } from './rowFacts';
import { ImportError } from '../../base/errors';
import type { Manuscript } from '../../model/copy/manuscript';
import { Incoming } from '../incoming';
import { RtfBytes } from './codePages';
import { linkOfField } from '../links';
import { IN_TEXT, WORDED, type Group } from './rtfGroup';
import { withStyle, withTouches } from './rtfLooks';
import { RtfPicture } from './rtfPicture';
import { RtfColours, RtfFaces, RtfStyleLook } from './rtfTables';
import { PLAIN, RtfStreams, type ParagraphFormat } from './rtfStreams';
import { rtfTokens, type RtfToken } from './tokens';
import { CHARACTERS, SKIPPED, SYMBOLS } from './words';

const TOKENS_PER_STEP = 5000;

export function* readRtf(bytes: Uint8Array): Generator<void, Manuscript> {
  if (!/^\s*\{\\rtf/.test(String.fromCharCode(...bytes.slice(0, 20))))
    throw new ImportError('not-a-document', 'This is not a rich text file, whatever its name says.');
  const reader = new RtfReader();
  let count = 0;
  for (const token of rtfTokens(bytes)) {
    reader.take(token);
    if ((count += 1) % TOKENS_PER_STEP === 0) yield;
  }
  return reader.finish();
}

/** More open groups than this are read as if they were one: their looks are lost, their text is not. */
const DEEPEST = 5000;

class RtfReader {
  private readonly incoming = new Incoming();
  private readonly groups: Group[] = [
    {
      destination: 'text',
      look: {},
      face: null,
      hidden: false,
      deleted: false,
      unicodeSkip: 1,
      opensNote: false,
      isResult: false,
    },
  ];
  private readonly streams = new RtfStreams(this.incoming);
  private readonly metadata: { title?: string; author?: string } = {};
  private readonly bytes = new RtfBytes();
  private depth = 0;
  private toSkip = 0;
  private isIgnorable = false;
  private words = '';
  private picture = new RtfPicture();
  private readonly faces = new RtfFaces();
  private readonly colours = new RtfColours();
  private readonly styleLook = new RtfStyleLook();
  /** Who wrote the comment that follows. */
  private commentBy = '';
  private styleNumber = 0;
  private instruction = '';
  /** Where the field whose result is being read leads. */
  private link: string | null = null;
  private listLevel = 0;

  take(token: RtfToken): void {
    const wasIgnorable = this.isIgnorable;
    this.isIgnorable = false;
    switch (token.kind) {
      case 'open':
        return this.open();
      case 'close':
        return this.close();
      case 'binary':
        if (this.group.destination === 'pict') this.picture.addBytes(token.bytes);
        return;
      case 'text':
        return this.text(token.text);
      case 'byte':
        return this.byte(token.byte);
      case 'symbol':
        return this.symbol(token.symbol);
      case 'word':
        return this.word(token.word, token.value, wasIgnorable);
    }
  }

  finish(): Manuscript {
    return this.incoming.finish(this.streams.finish(), this.metadata);
  }

  private get group(): Group {
    return this.groups[this.groups.length - 1];
  }

  private open(): void {
    this.depth += 1;
    if (this.groups.length < DEEPEST) this.groups.push({ ...this.group, opensNote: false, isResult: false });
    else this.incoming.remark('Groups nested thousands deep read as one', 'No word processor writes them.');
    this.toSkip = 0;
  }

  private close(): void {
    this.depth -= 1;
    if (this.groups.length <= 1 || this.depth >= this.groups.length) return;
    const closed = this.groups.pop()!;
    const outer = this.group.destination;
    if (closed.opensNote) this.streams.endNote();
    if (closed.isResult) this.link = null;
    if (closed.destination === 'stylesheet' && outer === 'stylesheet') this.endStyle();
    if (closed.destination === 'title' || closed.destination === 'author') {
      const words = this.words.trim();
      if (words !== '' && outer === 'info') this.metadata[closed.destination] = words;
      this.words = '';
    }
    const isPlace = closed.destination === 'bookmark';
    if ((isPlace || closed.destination === 'marker') && outer !== closed.destination) {
      if (isPlace) this.incoming.name(this.words);
      else this.streams.current.marker = this.words;
      this.words = '';
    }
    if (closed.destination === 'comment' && outer !== 'comment') {
      this.incoming.comment(this.commentBy, this.words);
      [this.words, this.commentBy] = ['', ''];
    }
    if (closed.destination === 'commentBy' && outer !== 'commentBy') [this.commentBy, this.words] = [this.words, ''];
    if (closed.destination === 'pict' && outer === 'text')
      this.streams.current.builder.addObject(this.picture.finish(this.incoming));
    if (closed.destination === 'fldinst' && outer !== 'fldinst') this.link = linkOfField(this.instruction) ?? null;
  }

  private endStyle(): void {
    const name = this.words.replace(/;\s*$/, '').trim();
    const look = this.styleLook.take();
    if (name !== '') {
      this.streams.styles.set(this.styleNumber, name);
      this.incoming.styleLook(name, look);
    }
    this.words = '';
    this.styleNumber = 0;
  }

  private text(text: string): void {
    let shown = this.toSkip > 0 ? text.slice(this.toSkip) : text;
    this.toSkip = Math.max(0, this.toSkip - text.length);
    if (shown !== '' && this.bytes.isOpen) {
      this.put(this.bytes.read(shown.charCodeAt(0), this.group.face));
      shown = shown.slice(1);
    }
    if (shown !== '') this.put(shown);
  }

  private byte(byte: number): void {
    if (this.toSkip > 0) this.toSkip -= 1;
    else this.put(this.bytes.read(byte, this.group.face));
  }

  private put(text: string): void {
    const { destination, hidden, deleted, look } = this.group;
    if (destination === 'pict') this.picture.addHex(text);
    else if (destination === 'fonttbl') this.faces.text(text);
    else if (destination === 'colortbl') this.colours.text(text);
    else if (destination === 'fldinst') this.instruction += text;
    else if (WORDED.has(destination)) this.words += text;
    if (destination !== 'text') return;
    if (deleted)
      return this.incoming.remark('Deletions taken as accepted', 'Tracked changes are read as their author left them.');
    if (hidden) return this.incoming.remark('Hidden text left out', 'The file itself does not show it.');
    this.streams.current.builder.add(text, this.link === null ? look : { ...look, link: this.link });
  }

  private symbol(symbol: string): void {
    if (symbol === '*') this.isIgnorable = true;
    else if (symbol === '\n' || symbol === '\r') this.word('par', null, false);
    else if (symbol === '\t') this.word('tab', null, false);
    else if (SYMBOLS[symbol] !== undefined) this.put(SYMBOLS[symbol]);
  }

  private word(word: string, value: number | null, isIgnorable: boolean): void {
    const { group } = this;
    if (word === 'u') return this.unicode(value ?? 0x20);
    this.bytes.headWord(word, value);
    if (word === 'uc') group.unicodeSkip = Math.max(0, Math.min(16, value ?? 1));
    else if (this.opensDestination(word, isIgnorable)) return;
    if (group.destination === 'stylesheet') {
      if (word === 's' && value !== null) this.styleNumber = value;
      else this.styleLook.word(word, value, this.faces);
      return;
    }
    if (group.destination === 'fonttbl') {
      this.bytes.faceWord(word, value);
      return this.faces.word(word, value);
    }
    if (group.destination === 'colortbl') return this.colours.word(word, value);
    if (group.destination === 'pict') return this.picture.size(word, value ?? 0);
    if (group.destination !== 'text') return;
    if (CHARACTERS[word] !== undefined) this.put(CHARACTERS[word]);
    else if (word === 'f' || word === 'fs' || word === 'cf') this.faceWord(word, value ?? 0);
    else if (!this.paragraphWord(word, value)) this.characterWord(word, value !== 0);
  }

  private unicode(value: number): void {
    // Numbers are signed 16 bits: a code unit, not a character.
    this.put(String.fromCharCode(value < 0 ? value + 65536 : value));
    this.toSkip = this.group.unicodeSkip;
  }

  private opensDestination(word: string, isIgnorable: boolean): boolean {
    const { group, incoming } = this;
    const isInText = group.destination === 'text';
    if (word === 'footnote' && isInText) {
      this.streams.beginNote();
      this.groups[this.groups.length - 1] = { ...group, look: {}, opensNote: true };
      return true;
    }
    if (word === 'ftnalt' && this.streams.current.note !== null) {
      this.streams.asEndnote();
      return true;
    }
    if (IN_TEXT[word] !== undefined && isInText) {
      group.destination = IN_TEXT[word];
      return true;
    }
    if (word === 'stylesheet' || word === 'info' || word === 'fldinst') {
      group.destination = word;
      this.words = '';
      if (word === 'fldinst') this.instruction = '';
      return true;
    }
    if (group.destination === 'info') {
      group.destination = word === 'title' || word === 'author' ? word : group.destination;
      return true;
    }
    if (word === 'field' && isInText) this.link = null;
    if (word === 'fldrslt') {
      this.groups[this.groups.length - 1] = { ...group, isResult: true };
      return true;
    }
    if (word === 'atnauthor') {
      group.destination = group.destination === 'text' ? 'commentBy' : 'skip';
      if (group.destination === 'commentBy') this.words = '';
      return true;
    }
    if (word === 'annotation' || word === 'atnid') {
      group.destination = word === 'annotation' && group.destination === 'text' ? 'comment' : 'skip';
      if (group.destination === 'comment') this.words = '';
      return true;
    }
    if (word === 'pict' && isInText) {
      this.picture = new RtfPicture();
      group.destination = 'pict';
      return true;
    }
    if (word === 'shptxt') {
      group.destination = 'text';
      incoming.remark('Text boxes read where they stand', 'Boxes have no place of their own in the copy.');
      return true;
    }
    if (word === 'shppict') return true;
    if (SKIPPED.has(word) || (isIgnorable && word !== 'shpinst')) {
      group.destination = 'skip';
      return true;
    }
    return false;
  }

  /** True for a control word of paragraphs (RTF 1.9.1, Paragraph Formatting Properties). One piece: a case a word. */
  private paragraphWord(word: string, value: number | null): boolean {
    const { streams } = this;
    const stream = streams.current;
    const set = (change: Partial<ParagraphFormat>) => streams.set(change);
    switch (word) {
      case 'par':
        streams.endParagraph();
        return true;
      case 'pard':
        stream.format = PLAIN;
        return true;
      case 's':
        set({ style: value ?? 0 });
        return true;
      case 'rtlpar':
      case 'ltrpar':
        set({ direction: word === 'rtlpar' ? 'rtl' : 'ltr' });
        return true;
      case 'qc':
        set({ align: 'centre' });
        return true;
      case 'qr':
        set({ align: 'right' });
        return true;
      case 'ql':
      case 'qj':
        set({ align: undefined });
        return true;
      case 'ls':
        set({ list: { level: this.listLevel, ordered: false } });
        return true;
      case 'ilvl':
        this.listLevel = Math.max(0, value ?? 0);
        if (stream.format.list) set({ list: { ...stream.format.list, level: this.listLevel } });
        return true;
      case 'pnlvlblt':
        set({ list: { level: this.listLevel, ordered: false } });
        return true;
      case 'pndec':
      case 'pnlvlbody':
        set({ list: { level: this.listLevel, ordered: true } });
        return true;
      case 'outlinelevel':
        set({ outline: (value ?? 0) + 1 });
        return true;
      case 'intbl':
        set({ inTable: true });
        return true;
      case 'pagebb':
        this.incoming.pageBreaks += 1;
        set({ breakBefore: true });
        return true;
      case 'page':
      case 'column':
        this.incoming.pageBreaks += 1;
        streams.breakPage();
        return true;
      case 'sect':
        streams.endParagraph();
        return true;
      case 'line':
        stream.builder.addObject({ kind: 'break' });
        return true;
      case 'tab':
        stream.builder.addObject({ kind: 'tab' });
        return true;
      case 'cell':
        streams.endCell();
        return true;
      case 'row':
        streams.endRow();
        return true;
      default:
        return takeRowWord(stream.rowFacts, word);
    }
  }

  /** Face, size or colour of what follows, by the tables of the file. */
  private faceWord(word: 'f' | 'fs' | 'cf', value: number): void {
    const { group } = this;
    if (word === 'f') {
      group.face = value;
      group.look = withTouches(group.look, { face: this.faces.get(value) });
    } else if (word === 'fs') group.look = withTouches(group.look, { size: value / 2 });
    else group.look = withTouches(group.look, { colour: this.colours.get(value) });
  }

  private characterWord(word: string, isOn: boolean): void {
    const { group } = this;
    const touch = (key: 'italic' | 'bold' | 'underline' | 'strike', on: boolean) => {
      group.look = withTouches(group.look, { [key]: on ? true : undefined });
    };
    const style = (tag: string, on: boolean) => {
      group.look = withStyle(group.look, tag, on);
    };
    switch (word) {
      case 'plain':
        group.look = {};
        group.face = null;
        group.hidden = false;
        group.deleted = false;
        return;
      case 'i':
        return touch('italic', isOn);
      case 'b':
        return touch('bold', isOn);
      case 'ul':
      case 'uld':
      case 'uldb':
      case 'ulw':
        return touch('underline', isOn);
      case 'ulnone':
        return touch('underline', false);
      case 'strike':
        return touch('strike', isOn);
      case 'scaps':
        return style('sc', isOn);
      case 'super':
        return style('sup', isOn);
      case 'sub':
        return style('sub', isOn);
      case 'nosupersub':
        style('sup', false);
        return style('sub', false);
      case 'v':
        group.hidden = isOn;
        return;
      case 'deleted':
        group.deleted = isOn;
    }
  }
}
