// A note of a web page, as it stands in its tree.
import type { XmlElement } from '../../base/xml';
import type { IncomingNote } from '../../model/copy/manuscript';

export interface NoteBody {
  readonly element: XmlElement;
  readonly kind: IncomingNote['kind'];
}
