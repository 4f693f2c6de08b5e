// What a style of a file looks like, told in a line.
import type { IncomingLook } from '../model/copy/manuscript';
import { formatNumber } from '../measure/units';

/** The look of a style of the file in a line. */
export function lookInWords(look: IncomingLook): string {
  const points = (value: number | undefined, name: string) =>
    value === undefined || Math.abs(value) < 0.05 ? null : `${name} ${formatNumber(Math.abs(value), 'pt')} pt`;
  return [
    look.face,
    look.size === undefined ? null : `${formatNumber(look.size, 'pt')} pt`,
    look.bold ? 'bold' : null,
    look.italic ? 'italic' : null,
    look.align === undefined
      ? null
      : { left: 'left', right: 'right', centre: 'centred', justify: 'justified' }[look.align],
    points(look.leading, 'leading'),
    look.leadingLines === undefined || Math.abs(look.leadingLines - 1) < 0.01
      ? null
      : `leading × ${formatNumber(look.leadingLines, 'pt')}`,
    (look.firstIndent ?? 0) < 0 ? points(look.firstIndent, 'hanging') : points(look.firstIndent, 'indent'),
    points(look.leftIndent, 'in from the left'),
    points(look.rightIndent, 'in from the right'),
    points(look.above, 'above'),
    points(look.below, 'below'),
    look.withNext ? 'with the next' : null,
    look.together ? 'kept whole' : null,
    look.colour,
  ]
    .filter((one) => one !== null && one !== undefined)
    .join(', ');
}
