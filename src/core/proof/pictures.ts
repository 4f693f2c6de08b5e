// Pictures that will not print as they should.
import type { Finding } from '../model/answers/finding';
import type { ComposedParagraph } from '../model/composed/pages';
import { PRINTED } from '../model/copy/pictureTypes';
import type { LineFinding } from './paragraphCheck';

/** Pixels to the inch: under the first a picture is coarse on paper, under the second its pixels are seen. */
const ENOUGH = 200;
const LEAST = 120;

export function pictures({ styled }: ComposedParagraph): LineFinding[] {
  const { picture } = styled.style;
  if (picture === undefined) return [];
  const { stream, block } = styled;
  const name = picture.name === '' ? 'A picture' : `The picture “${picture.name}”`;
  const found: LineFinding[] = [];
  const add = (finding: Pick<Finding, 'kind' | 'grade' | 'message'>) =>
    found.push({ line: 0, finding: { ...finding, stream, block } });
  if (picture.asset === '')
    add({
      kind: 'picture-missing',
      grade: 'must',
      message: `${name} did not come with the manuscript: a frame keeps its place until its file is chosen.`,
    });
  else if (!PRINTED.has(picture.format))
    add({
      kind: 'picture-not-printed',
      grade: 'must',
      message: `${name} is of a kind that the press PDF cannot hold: choose it as a JPEG or PNG file.`,
    });
  else if (picture.resolution > 0 && picture.resolution < ENOUGH)
    add({
      kind: 'picture-coarse',
      grade: picture.resolution < LEAST ? 'should' : 'look',
      message: `${name} has ${picture.resolution} pixels to the inch at this size; print wants ${ENOUGH} and more.`,
    });
  if (picture.alt === '')
    add({
      kind: 'picture-without-words',
      grade: 'look',
      message: `${name} has no words that tell what it shows: an e-book needs them.`,
    });
  return found;
}
