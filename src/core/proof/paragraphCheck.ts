// What a check of the composed book is: it looks at one paragraph as it was set.
import type { Finding } from '../model/answers/finding';
import type { ComposedParagraph } from '../model/composed/pages';

/** What a check found in a paragraph: its line, and the finding but for its page. */
export interface LineFinding {
  readonly line: number;
  readonly finding: Omit<Finding, 'page'>;
}

export type ParagraphCheck = (paragraph: ComposedParagraph) => LineFinding[];
