// The inline objects of the galley: note references with their numbers, fields with their words, breaks and tabs.
import type { Node } from 'prosemirror-model';
import type { NodeViewConstructor } from 'prosemirror-view';
import type { IndexMark } from '../../../../core/model/spec/indexSpec';
import type { CrossReference, FieldName } from '../../../../core/model/copy/streams';
import type { GalleyHost } from './host';
import { PictureView } from './pictureView';

const FIELDS: Readonly<Record<FieldName, string>> = {
  title: 'title',
  subtitle: 'subtitle',
  author: 'author',
  otherPeople: 'other people',
  publisher: 'publisher',
  place: 'place',
  publisherAndPlace: 'publisher and place',
  rights: 'rights',
  edition: 'edition',
  isbn: 'ISBN',
  isbnPrint: 'ISBN, print',
  printAddress: 'address of the printed book',
  series: 'series',
  credits: 'credits',
};

export function atomViews(host: GalleyHost): Record<string, NodeViewConstructor> {
  return {
    note: (node: Node) => {
      const dom = document.createElement('sup');
      dom.className = 'galley-reference';
      dom.dataset.object = 'note';
      dom.dataset.note = node.attrs.note as string;
      dom.textContent = host.label(node.attrs.note as string);
      return { dom };
    },
    field: (node: Node) => {
      const field = node.attrs.field as FieldName;
      const dom = document.createElement('span');
      const words = host.fieldWords(field);
      dom.className = words === '' ? 'galley-field is-missing' : 'galley-field';
      dom.title = `From the particulars: ${FIELDS[field]}`;
      dom.textContent = words === '' ? `${FIELDS[field]}: not given` : words;
      return { dom };
    },
    reference: (node: Node) => {
      const dom = document.createElement('span');
      const words = host.referenceWords(node.attrs as CrossReference);
      dom.className = words === '' ? 'galley-field is-missing' : 'galley-field';
      dom.title = 'Cross-reference: select it and press Insert to change it';
      dom.textContent = words === '' ? 'what it goes to is gone' : words;
      return { dom };
    },
    index: (node: Node) => {
      const { term, sub, range } = node.attrs as IndexMark;
      const dom = document.createElement('span');
      const words = [term, sub].filter(Boolean).join(', ') || 'no term';
      dom.className = 'galley-mark';
      dom.title = `In the index: ${words}. Select it and press Insert to change it`;
      dom.setAttribute('aria-label', `Index mark: ${words}`);
      dom.textContent = range === 'from' ? '⌜' : range === 'to' ? '⌟' : '‸';
      return { dom };
    },
    picture: (node, view, getPos) => new PictureView(node, view, getPos, host),
    tab: () => {
      const dom = document.createElement('span');
      dom.className = 'galley-tab';
      dom.textContent = '\u2003';
      return { dom };
    },
  };
}
