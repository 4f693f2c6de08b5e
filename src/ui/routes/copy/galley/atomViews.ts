// The inline objects of the galley: note references with their numbers, fields with their words, breaks and tabs.
import type { Node } from 'prosemirror-model';
import type { NodeViewConstructor } from 'prosemirror-view';
import type { FieldName } from '../../../../core/model/streams';
import type { GalleyHost } from './host';
import { PictureView } from './pictureView';

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
      dom.title = `From the particulars: ${field}`;
      dom.textContent = words === '' ? `${field}: not given` : words;
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
