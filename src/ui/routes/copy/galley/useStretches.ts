// The documents that a division's text is cut into: they follow its edits, and keep their keys while they live.
import { useMemo, useState } from 'react';
import type { Block } from '../../../../core/model/copy/streams';
import { cutStretches, followStretches, type Stretch } from '../../../../galley';

/** A document of the galley: so many blocks of the division from `from` on. */
export interface PlacedStretch {
  readonly key: number;
  readonly from: number;
  readonly count: number;
}

export function useStretches(blocks: readonly Block[]): readonly PlacedStretch[] {
  const [cut, setCut] = useState(() => ({ blocks, stretches: cutStretches(blocks) as readonly Stretch[] }));
  // Followed before anything is drawn, so that documents and blocks never differ on the screen.
  const stretches = cut.blocks === blocks ? cut.stretches : followStretches(cut.stretches, cut.blocks, blocks);
  if (cut.blocks !== blocks) setCut({ blocks, stretches });
  return useMemo(() => placed(stretches), [stretches]);
}

function placed(stretches: readonly Stretch[]): PlacedStretch[] {
  let next = 0;
  return stretches.map(({ key, count }) => {
    const from = next;
    next += count;
    return { key, from, count };
  });
}
