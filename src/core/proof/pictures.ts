// Pictures that will not print as they should.
import type { Hit } from '../model/checks/finding';
import { PRINTED } from '../model/copy/pictureTypes';
import type { SetPicture, StyledParagraph } from '../model/composed/styled';
import { onParagraph, type LineHit, type ParagraphRunner } from './hits';

/** Pixels to the inch: under the first a picture is coarse on paper, under the second its pixels are seen. */
const ENOUGH = 300;
const LEAST = 150;
/** Photographs of more have pixels that nobody sees. */
const MORE_THAN_SEEN = 2 * ENOUGH;

export const pictures: ParagraphRunner = ({ styled }) =>
  (styled.style.pictures ?? []).flatMap((picture) => hitsOf(picture, styled));

function hitsOf(picture: SetPicture, styled: StyledParagraph): LineHit[] {
  const name = picture.name === '' ? 'A picture' : `The picture “${picture.name}”`;
  const hits: LineHit[] = [];
  const add = (hit: Pick<Hit, 'kind' | 'grade' | 'message'>) => hits.push({ ...onParagraph(styled), ...hit, line: 0 });
  if (picture.asset === '')
    add({
      kind: 'picture-missing',
      message:
        picture.name === ''
          ? 'A picture is to come: a frame keeps its place until its file is chosen.'
          : `${name} did not come with the manuscript: a frame keeps its place until its file is chosen.`,
    });
  else if (!PRINTED.has(picture.format))
    add({
      kind: 'picture-not-printed',
      message: `${name} is of a kind that the press PDF cannot hold: choose it as a JPEG or PNG file.`,
    });
  else if (picture.resolution > 0 && picture.resolution < ENOUGH)
    add({
      kind: 'picture-coarse',
      grade: picture.resolution < LEAST ? 'should' : 'look',
      message: `${name} has ${picture.resolution} pixels to the inch at this size; print wants ${ENOUGH} and more.`,
    });
  else if (picture.format === 'jpeg' && picture.resolution > MORE_THAN_SEEN)
    add({
      kind: 'picture-oversized',
      message: `${name} has ${picture.resolution} pixels to the inch at this size, over twice what print needs: a smaller file looks the same.`,
    });
  if (picture.lacksBleed)
    add({
      kind: 'picture-without-bleed',
      message: `${name} reaches the trim, and the page has no bleed: where the cut falls outside, paper shows.`,
    });
  if (picture.alt === '')
    add({
      kind: 'picture-without-words',
      message: `${name} has no words that tell what it shows: an e-book needs them.`,
    });
  return hits;
}
