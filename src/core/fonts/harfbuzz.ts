// The one file that knows HarfBuzz: its two wasm modules instantiated with imports of our own, raw memory read directly
// (the package's objects cost 30-45 % over that). Everything is at scale = units per em, so no result depends on a size.
import { invariant, InvariantError } from '../base/errors';
import { makeGlyphArrays, type ShapedGlyphs } from './glyphArrays';

type Fn = (...values: number[]) => number;

export interface HarfBuzzFont {
  readonly unitsPerEm: number;
  readonly bytes: Uint8Array;
  readonly font: number;
}

/** Commands of an outline: 0 move, 1 line, 2 quadratic, 3 cubic, 4 close, each followed by its coordinates. */
export type Outline = Float32Array;

const PAGE = 65536;
const DIRECTION_LTR = 4;
const DIRECTION_RTL = 5;
const INFO_BYTES = 20;

/** HarfBuzz itself: shapes runs and reads outlines. One instance serves a worker for its whole life. */
export class HarfBuzz {
  private readonly calls: Record<string, Fn>;
  private readonly memory: WebAssembly.Memory;
  private readonly buffer: number;
  private readonly languages = new Map<string, number>();
  private readonly featureLists = new Map<string, [number, number]>();
  private textAt = 0;
  private textRoom = 0;
  private lengthAt: number;
  private draw = 0;
  private pen: number[] = [];

  /** `wasm`: the bytes of harfbuzzjs/dist/harfbuzz.wasm. */
  constructor(wasm: Uint8Array<ArrayBuffer>) {
    const fail = (what: string) => () => invariant(false, what);
    const holder: { memory?: WebAssembly.Memory } = {};
    const imports = {
      env: {
        _emscripten_runtime_keepalive_clear: () => undefined,
        _abort_js: fail('HarfBuzz stopped'),
        _setitimer_js: () => 0,
        emscripten_resize_heap: (wanted: number) => growTo(holder.memory!, wanted >>> 0),
      },
      wasi_snapshot_preview1: { proc_exit: fail('HarfBuzz left') },
    };
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(wasm), imports);
    this.calls = exports as Record<string, Fn>;
    this.memory = exports.memory as WebAssembly.Memory;
    holder.memory = this.memory;
    this.calls.__wasm_call_ctors();
    this.buffer = this.calls.hb_buffer_create();
    this.lengthAt = this.calls.malloc(8);
    this.makePen(exports.__indirect_function_table as WebAssembly.Table);
  }

  /** Opens a font file. It lives as long as the instance. */
  openFont(bytes: Uint8Array): HarfBuzzFont {
    const at = this.calls.malloc(bytes.length);
    new Uint8Array(this.memory.buffer).set(bytes, at);
    const blob = this.calls.hb_blob_create(at, bytes.length, 1, 0, 0);
    const face = this.calls.hb_face_create(blob, 0);
    const font = this.calls.hb_font_create(face);
    const unitsPerEm = this.calls.hb_face_get_upem(face);
    this.calls.hb_font_set_scale(font, unitsPerEm, unitsPerEm);
    return { unitsPerEm, bytes, font };
  }

  /**
   * Shapes `text`. From right to left the glyphs are given in the order of the text too, last seen first. `features` is a list such as `smcp,-liga`; `language` a BCP 47 tag;
   * `script` an ISO 15924 tag, by default that of the first letter. The arrays are copies and stay valid.
   */
  shape(
    font: HarfBuzzFont,
    text: string,
    features: string,
    language: string,
    isRtl = false,
    script?: string,
  ): ShapedGlyphs {
    const { calls, buffer } = this;
    const at = this.putText(text);
    calls.hb_buffer_clear_contents(buffer);
    calls.hb_buffer_add_utf16(buffer, at, text.length, 0, text.length);
    if (script !== undefined) calls.hb_buffer_set_script(buffer, tagNumber(script));
    calls.hb_buffer_guess_segment_properties(buffer);
    calls.hb_buffer_set_direction(buffer, isRtl ? DIRECTION_RTL : DIRECTION_LTR);
    calls.hb_buffer_set_language(buffer, this.languageOf(language));
    const [list, count] = this.featuresOf(features);
    calls.hb_shape(font.font, buffer, list, count);
    const glyphCount = calls.hb_buffer_get_length(buffer);
    const infos = calls.hb_buffer_get_glyph_infos(buffer, this.lengthAt) >> 2;
    const positions = calls.hb_buffer_get_glyph_positions(buffer, this.lengthAt) >> 2;
    const shaped = this.copyGlyphs(glyphCount, infos, positions);
    if (isRtl) {
      const { glyphs, clusters, advances, xOffsets, yOffsets, unsafe } = shaped;
      for (const array of [glyphs, clusters, advances, xOffsets, yOffsets, unsafe]) array.reverse();
    }
    return shaped;
  }

  /** The glyph of a code point, without shaping; 0 when the font has none. */
  nominalGlyph(font: HarfBuzzFont, codePoint: number): number {
    const found = this.calls.hb_font_get_nominal_glyph(font.font, codePoint, this.lengthAt);
    return found ? new Uint32Array(this.memory.buffer)[this.lengthAt >> 2] : 0;
  }

  /** Horizontal advance of a glyph in font units. */
  advanceOf(font: HarfBuzzFont, glyph: number): number {
    return this.calls.hb_font_get_glyph_h_advance(font.font, glyph);
  }

  /** Left and right edge of a glyph's ink, from its origin, in font units. */
  inkOf(font: HarfBuzzFont, glyph: number): { readonly left: number; readonly right: number } {
    const at = this.calls.malloc(16);
    this.calls.hb_font_get_glyph_extents(font.font, glyph, at);
    const [left, , width] = new Int32Array(this.memory.buffer, at, 4);
    this.calls.free(at);
    return { left, right: left + width };
  }

  /** The outline of a glyph in font units, y upwards. */
  outlineOf(font: HarfBuzzFont, glyph: number): Outline {
    this.pen = [];
    this.calls.hb_font_draw_glyph(font.font, glyph, this.draw, 0);
    return Float32Array.from(this.pen);
  }

  private copyGlyphs(count: number, infos: number, positions: number): ShapedGlyphs {
    // hb_glyph_info_t: codepoint, mask (its low bits are the glyph flags), cluster, two private words: 20 bytes.
    // hb_glyph_position_t: x advance, y advance, x offset, y offset, one private word: 20 bytes.
    const heap = new Int32Array(this.memory.buffer);
    const words = INFO_BYTES / 4;
    const result = makeGlyphArrays(count);
    for (let k = 0, info = infos, position = positions; k < count; k += 1, info += words, position += words) {
      result.glyphs[k] = heap[info];
      result.unsafe[k] = heap[info + 1] & 1;
      result.clusters[k] = heap[info + 2];
      result.advances[k] = heap[position];
      result.xOffsets[k] = heap[position + 2];
      result.yOffsets[k] = heap[position + 3];
    }
    return result;
  }

  private putText(text: string): number {
    if (text.length * 2 > this.textRoom) {
      if (this.textAt !== 0) this.calls.free(this.textAt);
      this.textRoom = Math.max(4096, text.length * 3);
      this.textAt = this.calls.malloc(this.textRoom);
    }
    const units = new Uint16Array(this.memory.buffer, this.textAt, text.length);
    for (let k = 0; k < text.length; k += 1) units[k] = text.charCodeAt(k);
    return this.textAt;
  }

  private putAscii(text: string): number {
    const at = this.calls.malloc(text.length + 1);
    const bytes = new Uint8Array(this.memory.buffer, at, text.length + 1);
    for (let k = 0; k < text.length; k += 1) bytes[k] = text.charCodeAt(k);
    bytes[text.length] = 0;
    return at;
  }

  private languageOf(tag: string): number {
    const known = this.languages.get(tag);
    if (known !== undefined) return known;
    const at = this.putAscii(tag);
    const language = this.calls.hb_language_from_string(at, tag.length);
    this.calls.free(at);
    this.languages.set(tag, language);
    return language;
  }

  /** Address and count of an hb_feature_t array (16 bytes each), made once per list and kept. */
  private featuresOf(list: string): [number, number] {
    const known = this.featureLists.get(list);
    if (known !== undefined) return known;
    const tags = list === '' ? [] : list.split(',');
    const at = tags.length === 0 ? 0 : this.calls.malloc(tags.length * 16);
    tags.forEach((tag, index) => {
      const text = this.putAscii(tag);
      const read = this.calls.hb_feature_from_string(text, tag.length, at + index * 16);
      this.calls.free(text);
      invariant(read !== 0, `“${tag}” is a feature`);
    });
    this.featureLists.set(list, [at, tags.length]);
    return [at, tags.length];
  }

  private makePen(table: WebAssembly.Table): void {
    const pen = {
      // The arguments are: functions, data, state, coordinates ..., user data.
      move: (...v: number[]) => void this.pen.push(0, v[3], v[4]),
      line: (...v: number[]) => void this.pen.push(1, v[3], v[4]),
      quadratic: (...v: number[]) => void this.pen.push(2, v[3], v[4], v[5], v[6]),
      cubic: (...v: number[]) => void this.pen.push(3, v[3], v[4], v[5], v[6], v[7], v[8]),
      close: () => void this.pen.push(4),
    };
    const first = table.grow(5);
    const { calls } = this;
    this.draw = calls.hb_draw_funcs_create();
    const put = (slot: number, setter: string, floats: number, callback: (...v: number[]) => void) => {
      table.set(first + slot, wasmCallback(floats, callback));
      calls[setter](this.draw, first + slot, 0, 0);
    };
    put(0, 'hb_draw_funcs_set_move_to_func', 2, pen.move);
    put(1, 'hb_draw_funcs_set_line_to_func', 2, pen.line);
    put(2, 'hb_draw_funcs_set_quadratic_to_func', 4, pen.quadratic);
    put(3, 'hb_draw_funcs_set_cubic_to_func', 6, pen.cubic);
    put(4, 'hb_draw_funcs_set_close_path_func', 0, pen.close);
  }
}

/** Subset flag of HarfBuzz: glyph ids stay as they are (this build exports no map from old to new). */
const RETAIN_GIDS = 2;

/** Cuts font files down to the glyphs used, ids kept. */
export class HarfBuzzSubsetter {
  private readonly calls: Record<string, Fn>;
  private readonly memory: WebAssembly.Memory;

  /** `wasm`: the bytes of harfbuzzjs/dist/harfbuzz-subset.wasm. */
  constructor(wasm: Uint8Array<ArrayBuffer>) {
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(wasm), {});
    this.calls = exports as Record<string, Fn>;
    this.memory = exports.memory as WebAssembly.Memory;
    this.calls._initialize();
  }

  /** Whether a font file can be cut down at all, whatever glyphs are kept: a damaged one cannot. Its memory may be spoilt after. */
  canSubset(bytes: Uint8Array): boolean {
    try {
      return this.subset(bytes, allGlyphs()).length > 0;
    } catch (error) {
      // What is damaged may lead the library out of its memory.
      if (error instanceof InvariantError || (error as Error).name === 'RuntimeError') return false;
      throw error;
    }
  }

  /** A font file with only `glyphs` and what they are composed of; layout tables are dropped, shaping is done. */
  subset(bytes: Uint8Array, glyphs: Iterable<number>): Uint8Array<ArrayBuffer> {
    return this.cut(bytes, (input) => {
      const { calls } = this;
      calls.hb_subset_input_set_flags(input, RETAIN_GIDS);
      const wanted = calls.hb_subset_input_glyph_set(input);
      for (const glyph of glyphs) calls.hb_set_add(wanted, glyph);
      const DROP_TABLES = 3;
      const dropped = calls.hb_subset_input_set(input, DROP_TABLES);
      for (const tag of ['GSUB', 'GPOS', 'GDEF']) calls.hb_set_add(dropped, tagNumber(tag));
    });
  }

  /** A font file that sets text of some characters (code points), with the features of its maker that are on by default. */
  subsetFor(bytes: Uint8Array, characters: Iterable<number>): Uint8Array<ArrayBuffer> {
    return this.cut(bytes, (input) => {
      const wanted = this.calls.hb_subset_input_unicode_set(input);
      for (const character of characters) this.calls.hb_set_add(wanted, character);
    });
  }

  /** `choose` says what is kept, into an input of the library. */
  private cut(bytes: Uint8Array, choose: (input: number) => void): Uint8Array<ArrayBuffer> {
    const { calls } = this;
    const at = calls.malloc(bytes.length);
    new Uint8Array(this.memory.buffer).set(bytes, at);
    const blob = calls.hb_blob_create(at, bytes.length, 1, 0, 0);
    const face = calls.hb_face_create(blob, 0);
    const input = calls.hb_subset_input_create_or_fail();
    choose(input);
    const result = calls.hb_subset_or_fail(face, input);
    invariant(result !== 0, 'the font can be cut down');
    const out = calls.hb_face_reference_blob(result);
    const start = calls.hb_blob_get_data(out, 0);
    const copy = new Uint8Array(this.memory.buffer, start, calls.hb_blob_get_length(out)).slice();
    calls.hb_blob_destroy(out);
    calls.hb_face_destroy(result);
    calls.hb_subset_input_destroy(input);
    calls.hb_face_destroy(face);
    calls.hb_blob_destroy(blob);
    calls.free(at);
    return copy;
  }
}

function tagNumber(tag: string): number {
  return ((tag.charCodeAt(0) << 24) | (tag.charCodeAt(1) << 16) | (tag.charCodeAt(2) << 8) | tag.charCodeAt(3)) >>> 0;
}

function growTo(memory: WebAssembly.Memory, wanted: number): number {
  const missing = wanted - memory.buffer.byteLength;
  if (missing > 0) memory.grow(Math.ceil(Math.max(missing, memory.buffer.byteLength / 4) / PAGE));
  return 1;
}

/**
 * A JavaScript function as an entry of a wasm table. Only functions of wasm can stand there, so a module of one import
 * and one export passes it through: (i32, i32, i32, f32 x `floats`, i32) -> nothing.
 */
function wasmCallback(floats: number, callback: (...values: number[]) => void): unknown {
  const I32 = 0x7f;
  const F32 = 0x7d;
  const types = [I32, I32, I32, ...Array<number>(floats).fill(F32), I32];
  const bytes = [0, 97, 115, 109, 1, 0, 0, 0]; // magic and version
  bytes.push(1, types.length + 4, 1, 0x60, types.length, ...types, 0); // type section
  bytes.push(2, 7, 1, 1, 101, 1, 102, 0, 0); // import e.f
  bytes.push(7, 5, 1, 1, 102, 0, 0); // export f
  const instance = new WebAssembly.Instance(new WebAssembly.Module(Uint8Array.from(bytes)), { e: { f: callback } });
  return instance.exports.f;
}

/** Every number that a glyph can have. */
function* allGlyphs(): Generator<number, void> {
  for (let glyph = 0; glyph < 0xffff; glyph += 1) yield glyph;
}
