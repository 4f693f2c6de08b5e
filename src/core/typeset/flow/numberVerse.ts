// Line numbers of verse: counted over the stanzas that follow each other, turnovers left out.
import { LINE_END } from '../../model/composed/broken';
import type { ComposedParagraph } from '../../model/composed/pages';
import { paragraph as makeParagraph } from '../../model/copy/streams';
import type { FlowParagraph } from '../../paginate';
import type { ComposeContext } from './composeContext';
import { composeGenerated } from './composeParagraph';

type Marginal = NonNullable<FlowParagraph['marginal']>;

/** A place with its numbers, by the place that it was made from. */
const numbered = new WeakMap<FlowParagraph, FlowParagraph>();

/** The flow with the numbers of its verse; the same list when there is none. */
export function numberVerse(text: readonly FlowParagraph[], compose: ComposeContext): readonly FlowParagraph[] {
  const stepOf = ({ paragraph }: FlowParagraph) => paragraph.styled.style.lineNumbers;
  if (!text.some((place) => stepOf(place) > 0)) return text;
  let lines = 0;
  return text.map((place) => {
    const step = stepOf(place);
    if (step === 0) {
      lines = 0;
      return place;
    }
    const marginal: Marginal[number][] = [];
    const { broken } = place.paragraph;
    for (let line = 0; line < broken.count; line += 1) {
      if (line > 0 && broken.end[line - 1] !== LINE_END.forced) continue;
      lines += 1;
      if (lines % step === 0) marginal.push({ line, paragraph: numberOf(lines, place.paragraph, compose) });
    }
    return withMarginal(place, marginal);
  });
}

function numberOf(count: number, { styled }: ComposedParagraph, compose: ComposeContext): ComposedParagraph {
  const style = compose.sheet.get('VN') ?? styled.style;
  const job = {
    stream: styled.stream,
    paragraph: makeParagraph('verse-number', style.tag, String(count)),
    style,
    measure: compose.measure,
    prefix: '',
    tail: '',
    variants: 'none' as const,
  };
  return composeGenerated(job, compose.style, compose.context, compose.clock);
}

function withMarginal(place: FlowParagraph, marginal: Marginal): FlowParagraph {
  if (marginal.length === 0) return place;
  const known = numbered.get(place);
  const isSame = (one: Marginal[number], k: number) =>
    one.line === marginal[k].line && one.paragraph === marginal[k].paragraph;
  if (known?.marginal?.length === marginal.length && known.marginal.every(isSame)) return known;
  const made = { ...place, marginal };
  numbered.set(place, made);
  return made;
}
