// The words of a line as a finding quotes them.
import type { ComposedParagraph } from '../model/composed/pages';

/** Most words quoted. */
const QUOTED = 5;

/** `“The first few words …”` of a line. */
export function lineWords({ styled, broken }: ComposedParagraph, line: number): string {
  const words = styled.text.slice(broken.from[line], broken.to[line]).trim().split(/\s+/);
  return `“${words.slice(0, QUOTED).join(' ')}${words.length > QUOTED ? ' …' : ''}”`;
}
