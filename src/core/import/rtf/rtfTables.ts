// The tables at the head of a rich text file that its runs refer to by number: faces, colours, and the looks of styles
// (RTF 1.9.1, Font Table, Color Table, Style Sheet).
import { table } from '../../base/table';
import type { IncomingLook } from '../../model/copy/manuscript';

const TWIPS = 20;

/** Faces by number. */
export class RtfFaces {
  private readonly names = new Map<number, string>();
  private number = 0;
  private words = '';

  word(word: string, value: number | null): void {
    if (word !== 'f' || value === null) return;
    this.end();
    this.number = value;
  }

  /** Names end in a semicolon. */
  text(text: string): void {
    for (const char of text) {
      if (char === ';') this.end();
      else this.words += char;
    }
  }

  private end(): void {
    const name = this.words.trim();
    if (name !== '' && !this.names.has(this.number)) this.names.set(this.number, name);
    this.words = '';
  }

  get(number: number): string | undefined {
    return this.names.get(number);
  }
}

/** Colours by number, from 0: that of the program itself. */
export class RtfColours {
  private readonly colours: (string | undefined)[] = [];
  private parts: Record<string, number> = {};

  word(word: string, value: number | null): void {
    if (/^(red|green|blue)$/.test(word)) this.parts[word] = Math.max(0, Math.min(255, value ?? 0));
  }

  text(text: string): void {
    for (const char of text) {
      if (char !== ';') continue;
      const { red, green, blue } = this.parts;
      const isOwn = red === undefined && green === undefined && blue === undefined;
      this.colours.push(isOwn ? undefined : `rgb(${red ?? 0},${green ?? 0},${blue ?? 0})`);
      this.parts = {};
    }
  }

  get(number: number): string | undefined {
    return this.colours[number];
  }
}

/** The look of a style while its words are met. */
export class RtfStyleLook {
  private look: Record<string, unknown> = {};

  word(word: string, value: number | null, faces: RtfFaces): void {
    const points = (value ?? 0) / TWIPS;
    const isOn = value !== 0;
    const set = (change: IncomingLook) => Object.assign(this.look, change);
    switch (word) {
      case 'f': {
        const face = faces.get(value ?? 0);
        return void (face !== undefined && set({ face }));
      }
      case 'fs':
        return void set({ size: (value ?? 24) / 2 });
      case 'b':
        return void set({ bold: isOn });
      case 'i':
        return void set({ italic: isOn });
      case 'fi':
        return void set({ firstIndent: points });
      case 'li':
      case 'lin':
        return void set({ leftIndent: points });
      case 'ri':
      case 'rin':
        return void set({ rightIndent: points });
      case 'sb':
        return void set({ above: points });
      case 'sa':
        return void set({ below: points });
      case 'sl':
        return void set({ leading: Math.abs(points) });
      case 'keepn':
        return void set({ withNext: isOn });
      case 'keep':
        return void set({ together: isOn });
      default:
        if (ALIGN[word] !== undefined) set({ align: ALIGN[word] });
    }
  }

  /** The look, and a new one is begun. */
  take(): IncomingLook {
    const { look } = this;
    this.look = {};
    return look as IncomingLook;
  }
}

const ALIGN: Readonly<Record<string, IncomingLook['align']>> = table({
  ql: 'left',
  qr: 'right',
  qc: 'centre',
  qj: 'justify',
});
