// What the drawing shows, each by itself, and all away together for a clean view.
import { useState } from 'react';
import { LAYERS, layersShown, type Layer } from '../../../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';

const NAMES: Readonly<Record<Layer, string>> = {
  text: 'text',
  measures: 'measures',
  bleed: 'bleed',
  grid: 'grid',
  canon: 'canon lines',
  guides: 'guides',
  rulers: 'rulers',
};

export function LayersBar() {
  const dispatch = useAppDispatch();
  const shown = useAppSelector((state) => state.view.layers);
  const [before, setBefore] = useState<readonly Layer[] | null>(null);
  const toggle = (layer: Layer) => {
    setBefore(null);
    dispatch(layersShown(shown.includes(layer) ? shown.filter((one) => one !== layer) : [...shown, layer]));
  };
  const clean = () => {
    dispatch(layersShown(before ?? ['text']));
    setBefore(before === null ? shown : null);
  };
  const look = (isOn: boolean) =>
    `rounded-sm px-1.5 py-0.5 ${isOn ? 'font-semibold text-primary' : 'text-quiet hover:text-base-content'}`;
  return (
    <p className="flex h-9 shrink-0 items-center gap-1 px-[42px]" role="group" aria-label="What the drawing shows">
      <span className="px-1.5 text-quiet">Show</span>
      {LAYERS.map((layer) => (
        <button
          key={layer}
          aria-pressed={shown.includes(layer)}
          className={look(shown.includes(layer))}
          onClick={() => toggle(layer)}
        >
          {NAMES[layer]}
        </button>
      ))}
      <button aria-pressed={before !== null} className={`ml-auto ${look(before !== null)}`} onClick={clean}>
        clean view
      </button>
    </p>
  );
}
