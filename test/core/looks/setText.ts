// A text as the house's marks set it; fixed spaces are drawn as `_`.
import type { MarkSet } from '../../../src/core/model/spec/spec';
import { houseMarks } from '../../../src/core/looks/houseMarks';

export function setText(text: string, marks: MarkSet, language = 'en'): string {
  const { edits } = houseMarks(text, marks, language);
  let out = '';
  let done = 0;
  for (const edit of edits) {
    out += text.slice(done, edit.from) + edit.text;
    done = edit.to;
  }
  return (out + text.slice(done)).replace(/[\u2004\u2009\u200A\u202F\u205F]/g, '_');
}
