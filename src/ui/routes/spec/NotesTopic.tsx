// Notes: their kinds, each with its place, its numbers and its signs; and how notes stand on the page.
import { useEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { addNoteKind } from '../../../state/copy/noteThunks';
import { selectFacing, spreadOfPage } from '../../../state/book/selectors';
import { spreadCalled } from '../../../state/view/viewSlice';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { NoteKindFields } from './NoteKindFields';
import { noteSample } from './noteSample';
import { useSpec } from './useSetSpec';

/** The drawing shows a spread with notes when the topic is opened. */
function useWalkToNotes(): void {
  const dispatch = useAppDispatch();
  const notes = useAppSelector((state) => state.compose.summary?.notes);
  const current = useAppSelector((state) => state.view.spread);
  const facing = useAppSelector(selectFacing);
  const walked = useRef(false);
  useEffect(() => {
    if (walked.current || notes === undefined) return;
    walked.current = true;
    const spreads = Object.values(notes).map(({ page }) => spreadOfPage(page, facing));
    if (spreads.length > 0 && !spreads.includes(current)) dispatch(spreadCalled(Math.min(...spreads)));
  }, [dispatch, notes, current, facing]);
}

export function NotesTopic() {
  useWalkToNotes();
  const { spec } = useSpec();
  const kinds = Object.entries(spec.notes.kinds);
  const [chosen, setChosen] = useState(kinds[0][0]);
  const id = chosen in spec.notes.kinds ? chosen : kinds[0][0];
  return (
    <>
      <Kinds chosen={id} onChoose={setChosen} />
      <NoteKindFields key={id} id={id} kind={spec.notes.kinds[id]} />
      <OnThePage />
    </>
  );
}

/** The kinds as a list, each with a sample of its signs and its count. */
function Kinds({ chosen, onChoose }: { chosen: string; onChoose: (id: string) => void }) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const notes = useAppSelector((state) => state.book.book!.notes);
  const kinds = Object.entries(spec.notes.kinds);
  const counts = new Map<string, number>();
  for (const note of Object.values(notes)) {
    const kind = note.kind in spec.notes.kinds ? note.kind : kinds[0][0];
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  const add = () => {
    const id = dispatch(addNoteKind(freeName(kinds.map(([, { name }]) => name))));
    if (id !== null) onChoose(id);
  };
  return (
    <SettingGroup title="Kinds of notes">
      <ul>
        {kinds.map(([id, kind]) => (
          <li key={id} className="border-b border-hairline">
            <button
              aria-pressed={id === chosen}
              className={`grid w-full grid-cols-[1fr_auto_40px] items-baseline gap-3 px-3.5 py-1.5 text-left ${id === chosen ? 'bg-tint font-semibold' : 'hover:bg-base-200'}`}
              onClick={() => onChoose(id)}
            >
              <span className="truncate">{kind.name}</span>
              <span className="font-book text-[14px] font-normal text-quiet">{noteSample(kind)}</span>
              <span className="text-right font-normal text-quiet">{counts.get(id) ?? 0}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex justify-end px-3.5 py-1.5">
        <button className="btn btn-xs" disabled={readOnly || kinds.length >= 24} onClick={add}>
          Add a kind
        </button>
      </div>
    </SettingGroup>
  );
}

function freeName(taken: readonly string[]): string {
  const base = 'Note';
  for (let number = 2; ; number += 1) {
    const name = `${base} ${number}`;
    if (!taken.includes(name)) return name;
  }
}

/** What holds for notes of all kinds. */
function OnThePage() {
  const { spec, readOnly, set } = useSpec();
  const { notes } = spec;
  return (
    <SettingGroup title="Notes of all kinds">
      <ChoiceSetting
        label="On a short page"
        value={notes.stand}
        disabled={readOnly}
        choices={[
          ['foot', 'on the foot line'],
          ['text', 'close under the text'],
        ]}
        onChange={(to) => set('notes.stand', to, 'Place of notes')}
      />
      <NumberSetting
        label="Space above"
        unit="lines"
        value={notes.space}
        disabled={readOnly}
        onChange={(to) => set('notes.space', to, 'Space above notes')}
      />
      <NumberSetting
        label="Space beside"
        unit="pt"
        value={notes.columnGap}
        disabled={readOnly}
        note="Between columns of notes, and from the text to notes in the margin."
        onChange={(to) => set('notes.columnGap', to, 'Space beside notes')}
      />
      <ChoiceSetting
        label="Gathered"
        value={notes.heads ? 'on' : 'off'}
        disabled={readOnly}
        choices={[
          ['on', 'under division titles'],
          ['off', 'without heads'],
        ]}
        onChange={(to) => set('notes.heads', to === 'on', 'Heads of gathered notes')}
      />
      <ChoiceSetting
        label="Running heads"
        value={notes.pageHeads ? 'on' : 'off'}
        disabled={readOnly}
        choices={[
          ['on', 'show page range'],
          ['off', 'show the title'],
        ]}
        onChange={(to) => set('notes.pageHeads', to === 'on', 'Running heads of notes')}
      />
      <TextSetting
        label="Heading at a division’s end"
        value={notes.divisionHead}
        maxLength={60}
        placeholder="none"
        isWide
        disabled={readOnly}
        onChange={(to) => set('notes.divisionHead', to.trim(), 'Head of notes')}
      />
    </SettingGroup>
  );
}
