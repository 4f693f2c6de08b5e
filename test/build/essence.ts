// What of a composed book must not depend on how it was arrived at.
import type { TypesetBook } from '../../src/core/model/composed/pages';

export function essence(composed: TypesetBook): unknown {
  return composed.pages.map((page) => [
    page.role,
    page.side,
    page.folio,
    page.division,
    page.noteRules,
    ...[...page.fragments, ...page.notes].map(({ paragraph, from, to, x, y }) => [
      paragraph.styled.block,
      paragraph.styled.text,
      paragraph.styled.style,
      from,
      to,
      x,
      y,
      [...paragraph.broken.from],
      [...paragraph.broken.spaceDelta],
    ]),
    page.furniture.map((item) => [item.kind, item.paragraph.styled.text, item.x, item.y]),
  ]);
}
