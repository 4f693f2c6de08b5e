// Where justified text is set ragged all the same (house rules, sections 3 and 6): in columns under 45 characters, and in items of a
// list that take a line or two, whose first line alone would be justified.
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Paragraph } from '../../model/copy/streams';
import { charactersIn } from '../../measure/characters';
import type { ComposeContext } from './composeContext';

/** A column of fewer characters is ragged. */
const NARROW = 45;
/** Lines of an item that is ragged, at most. */
const SHORT_ITEM = 2;

/** The style of a paragraph in its column; one that a person set justified stays so. */
export function raggedWhere(style: ResolvedStyle, { text }: Paragraph, compose: ComposeContext): ResolvedStyle {
  if (style.align !== 'justify' || compose.book.spec.styles[style.tag]?.align === 'justify') return style;
  const { measure, geometry } = compose;
  const characters = charactersIn(measure - style.leftIndent - style.rightIndent, style.family, style.size);
  const isNarrow = geometry.columns.length > 1 && characters < NARROW;
  const isShortItem = style.meaning === 'listItem' && text.length <= SHORT_ITEM * characters;
  if (!isNarrow && !isShortItem) return style;
  const { letterWidth, letterPlay } = RAGGED;
  return compose.context.interner.intern({ ...style, align: 'left', letterWidth, letterPlay });
}

/** Nothing is played with in ragged text. */
const RAGGED = { letterWidth: 0, letterPlay: 0 } as const;
