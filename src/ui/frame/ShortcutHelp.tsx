// The keys, in one list.
import { useEffect, useRef } from 'react';

const KEYS: readonly [string, readonly [string, string][]][] = [
  [
    'Everywhere',
    [
      ['Ctrl Z', 'Undo'],
      ['Ctrl Y, Shift Ctrl Z', 'Redo'],
      ['Ctrl F', 'Find and replace'],
      ['Ctrl K', 'Go to a stage, page, division, setting or act'],
      ['Alt 1 to Alt 5', 'Copy, Spec, Pages, Proof, Send out'],
      ['?', 'This list'],
    ],
  ],
  [
    'In the galley',
    [
      ['Enter', 'New paragraph'],
      ['Shift Enter', 'Line break in the paragraph'],
      ['Ctrl I, Ctrl B', 'Emphasis, strong'],
      ['Ctrl ], Ctrl [', 'A list item a level deeper, or back'],
      ['Shift Tab', 'To the style tag of the paragraph'],
      ['Letters', 'At a tag: set the style of that code'],
      ['↑ ↓', 'At a tag: tag above, tag below'],
      ['Enter', 'At a tag: set the style set last'],
      ['Alt Enter', 'Into the note before the caret'],
      ['Esc', 'From a note back to its reference'],
    ],
  ],
  [
    'In the running order',
    [
      ['↑ ↓', 'Division before, division after'],
      ['Alt ↑, Alt ↓', 'Moves the division'],
    ],
  ],
  [
    'On the desk',
    [
      ['← →', 'Spread before, spread after'],
      ['Home, End', 'First spread, last spread'],
      ['Ctrl wheel', 'Zoom at the pointer'],
      ['Space and drag', 'Move the desk'],
      ['S', 'Fit the spread'],
      ['W', 'Fit its width'],
      ['A', 'Actual size'],
      ['G', 'Grid, type area, guides and bleed'],
      ['N, P', 'Next paragraph, paragraph before'],
      ['Esc', 'Point at no paragraph'],
    ],
  ],
];

export function ShortcutHelp({ onClose }: { onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog ref={dialog} className="modal" aria-label="Keys" onClose={onClose}>
      <div className="modal-box max-w-md">
        {KEYS.map(([group, rows]) => (
          <section key={group} className="mb-4">
            <h2 className="mb-1 font-semibold">{group}</h2>
            <dl className="grid grid-cols-[130px_1fr] gap-y-1">
              {rows.map(([keys, what]) => (
                <div key={what} className="contents">
                  <dt className="text-quiet">{keys}</dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
        <form method="dialog" className="text-right">
          <button className="btn btn-sm">Close</button>
        </form>
      </div>
    </dialog>
  );
}
