// Which characters of the set text are word spaces that a line may stretch: line breaking and rendering must agree.

const SPACE = 0x20;
const NO_BREAK_SPACE = 0xa0;

/** True for a space that grows and shrinks with its line: a no-break space, and the first of a run of spaces. */
export function isElasticSpace(text: string, offset: number): boolean {
  const code = text.charCodeAt(offset);
  return (code === SPACE && text.charCodeAt(offset - 1) !== SPACE) || code === NO_BREAK_SPACE;
}
