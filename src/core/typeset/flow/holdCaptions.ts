// Pictures hold their captions, so that no page end parts them, and go over to a later page where there is no room for them: then what
// follows stands as if they were not there.
import { depthOfWhole, type FlowParagraph, type CaptionParagraph } from '../../paginate';
import { gapBetween } from './flowParagraph';

interface Held {
  /** The caption places under it, by which the same one is known again. */
  readonly captions: readonly FlowParagraph[];
  readonly mayPass: boolean;
  readonly made: FlowParagraph;
}

const held = new WeakMap<FlowParagraph, Held>();
const followers = new WeakMap<FlowParagraph, FlowParagraph>();

/**
 * The flow with captions under their pictures; the same list where there are none. `page`: its grid lines and leading, in points. A picture that
 * is too deep for a page together with its caption stays by itself.
 */
export function holdCaptions(
  text: readonly FlowParagraph[],
  page: { readonly lines: number; readonly leading: number },
): readonly FlowParagraph[] {
  if (!text.some(isPicture)) return text;
  const made: FlowParagraph[] = [];
  /** The last place that stays where it is. */
  let staying: FlowParagraph | undefined;
  for (let k = 0; k < text.length;) {
    const place = text[k];
    if (!isPicture(place)) {
      const hasPassable = made[made.length - 1]?.mayPass === true;
      made.push(hasPassable ? withGapPassed(place, staying) : place);
      staying = place;
      k += 1;
      continue;
    }
    let end = k + 1;
    while (end < text.length && isCaption(text[end])) end += 1;
    const whole = heldPicture(place, text.slice(k + 1, end), page);
    if (whole === null) made.push(...text.slice(k, end));
    else made.push(made[made.length - 1]?.mayPass === true ? withGapPassed(whole, staying) : whole);
    if (whole === null || !whole.mayPass) staying = text[end - 1];
    k = end;
  }
  return made;
}

const isPicture = ({ paragraph, rows }: FlowParagraph) =>
  paragraph.styled.style.pictures !== undefined || rows?.mayPass === true;
const isCaption = ({ paragraph }: FlowParagraph) => paragraph.styled.style.meaning === 'caption';

/** Captions and credit lines of one picture stand close. */
function captionsOf({ paragraph: { styled } }: FlowParagraph, captions: readonly FlowParagraph[]): CaptionParagraph[] {
  const isBeside = styled.style.captionAt === 'beside';
  return captions.map(({ paragraph, gap }, k) => ({ paragraph, gap: k === 0 && !isBeside ? gap : 0 }));
}

/** A picture with the captions under it as one; the same object while these are the same. */
export function withCaptions(
  picture: FlowParagraph,
  captions: readonly FlowParagraph[],
  mayPass = false,
): FlowParagraph {
  const known = held.get(picture);
  const isSame = known?.mayPass === mayPass && known.captions.length === captions.length;
  if (isSame && known.captions.every((one, k) => one === captions[k])) return known.made;
  const own = captionsOf(picture, captions);
  const insertions = [picture, ...captions].flatMap((one) => one.insertions);
  const made: FlowParagraph = { ...picture, ...(own.length > 0 ? { captions: own } : {}), insertions, mayPass };
  held.set(picture, { captions, mayPass, made });
  return made;
}

function heldPicture(
  picture: FlowParagraph,
  captions: readonly FlowParagraph[],
  { lines, leading }: { readonly lines: number; readonly leading: number },
): FlowParagraph | null {
  const own = captionsOf(picture, captions);
  if (depthOfWhole({ paragraph: picture.paragraph, captions: own }, leading) > lines) return null;
  const all = [picture, ...captions];
  // What a person wished for its page, and its notes, keep it in its place.
  const mayPass = all.every(({ insertions, wishes, held: at }) => insertions.length === 0 && !wishes && !at);
  return withCaptions(picture, captions, mayPass);
}

/** A place after a picture that may go over; `before`: what then stands before it. */
function withGapPassed(place: FlowParagraph, before: FlowParagraph | undefined): FlowParagraph {
  const gapPassed = gapBetween(place.paragraph, before);
  if (gapPassed === place.gap) return place;
  const known = followers.get(place);
  if (known?.gapPassed === gapPassed) return known;
  const made = { ...place, gapPassed };
  followers.set(place, made);
  return made;
}
