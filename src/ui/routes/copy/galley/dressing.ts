// What is laid over the galley's text and is no part of it: signs of spaces and breaks when they are shown, and places
// that a panel points at. Only paragraphs that changed are looked through again.
import type { Node } from 'prosemirror-model';
import { Plugin, PluginKey, type EditorState, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import type { ShownPlace } from '../../../../state/view/viewSlice';
import { SIGNS, UNSEEN } from '../signs';

export type Place = ShownPlace;
export type Places = readonly Place[];

interface Dressing {
  readonly marks: boolean;
  readonly places: Places;
  /** Ends of a selection over several documents. */
  readonly range: Places;
  readonly shown: DecorationSet;
}

const key = new PluginKey<Dressing>('dressing');

const plugin = new Plugin<Dressing>({
  key,
  state: {
    init: (_config, state) => made({ marks: false, places: [], range: [] }, state),
    apply(transaction: Transaction, old, _before, state) {
      const wish = transaction.getMeta(plugin) as Partial<Dressing> | undefined;
      if (wish !== undefined) return made({ ...old, ...wish }, state);
      if (!transaction.docChanged) return old;
      if (!old.marks) return { ...old, shown: old.shown.map(transaction.mapping, transaction.doc) };
      return { ...old, shown: remarked(old.shown, transaction) };
    },
  },
  props: {
    decorations: (state) => key.getState(state)?.shown,
    attributes: (state): Record<string, string> => (key.getState(state)?.marks ? { 'data-marks': 'shown' } : {}),
  },
});

export const dressPlugin = plugin;

function made({ marks, places, range }: Omit<Dressing, 'shown'>, { doc }: EditorState): Dressing {
  const found: Decoration[] = [];
  if (marks) doc.descendants((node, at) => void (node.isText && found.push(...signsOf(node, at))));
  const byBlock = new Map<string, Place[]>();
  for (const place of [...places, ...range]) byBlock.set(place.block, [...(byBlock.get(place.block) ?? []), place]);
  if (byBlock.size > 0)
    doc.descendants((node, at) => {
      for (const place of byBlock.get(node.attrs.id as string) ?? []) {
        const to = place.to === Infinity ? node.content.size : place.to;
        if (to <= node.content.size) found.push(...decorationsOf({ ...place, to }, at + 1));
      }
    });
  return { marks, places, range, shown: DecorationSet.create(doc, found) };
}

function decorationsOf({ from, to, className, title, shows }: Place, start: number): Decoration[] {
  const marked = to > from ? [Decoration.inline(start + from, start + to, { class: className, title })] : [];
  if (shows === undefined || shows === '') return marked;
  const sign = () => {
    const dom = document.createElement('span');
    dom.className = 'place-becomes';
    dom.title = title;
    dom.textContent = shows;
    return dom;
  };
  return [...marked, Decoration.widget(start + to, sign, { side: 1, key: `${from} ${shows}` })];
}

function signsOf(node: Node, at: number): Decoration[] {
  const found: Decoration[] = [];
  for (const match of node.text!.matchAll(UNSEEN))
    found.push(Decoration.inline(at + match.index, at + match.index + 1, signAttributes(match[0])));
  return found;
}

function signAttributes(char: string): Record<string, string> {
  const { sign, name, hasWidth } = SIGNS[char];
  return { class: hasWidth ? 'sign' : 'sign sign-narrow', 'data-sign': sign, title: name };
}

/** Signs of the stretches that a transaction changed are made anew. */
function remarked(shown: DecorationSet, transaction: Transaction): DecorationSet {
  let next = shown.map(transaction.mapping, transaction.doc);
  const { doc } = transaction;
  transaction.mapping.maps.forEach((map, step) =>
    map.forEach((_from, _to, start, end) => {
      const rest = transaction.mapping.slice(step + 1);
      const from = doc.resolve(Math.min(rest.map(start, -1), doc.content.size));
      const to = doc.resolve(Math.min(rest.map(end, 1), doc.content.size));
      const [low, high] = [from.depth > 0 ? from.before(1) : from.pos, to.depth > 0 ? to.after(1) : to.pos];
      const old = next.find(low, high).filter((one) => (one.spec as { key?: string }).key === undefined);
      next = next.remove(old);
      const fresh: Decoration[] = [];
      doc.nodesBetween(low, high, (node, at) => void (node.isText && fresh.push(...signsOf(node, at))));
      next = next.add(doc, fresh);
    }),
  );
  return next;
}
