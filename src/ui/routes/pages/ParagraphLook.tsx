// The look of one paragraph, changed by eye; and its style taught to set all of them so, with what that comes to.
import { useState } from 'react';

import { clearTouches, lessonFrom, setLook, styleFromParagraph, teachStyle } from '../../../state/spec/styleThunks';
import { setTouches } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectParagraph } from '../../../state/book/selectors';
import type { LocalLook } from '../../../core/model/copy/streams';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import type { ParagraphFacts } from '../../../core/model/answers/paragraphFacts';
import { FAMILY_NAMES } from '../../../core/defaults/familyNames';
import { InkField } from '../spec/styles/compoundFields';
import { CAPS, PARAGRAPH_VALUES, WEIGHTS } from '../spec/styles/values';
import { ChoiceSetting, LengthSetting, NumberSetting } from '../../components/Setting';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

const labelOf = (key: string) =>
  PARAGRAPH_VALUES.flatMap(({ values }) => values).find((value) => value.key === key)?.label ?? key;

type LengthKey = 'size' | 'leading' | 'firstIndent' | 'leftIndent' | 'rightIndent';
const LENGTHS: readonly (readonly [LengthKey, string])[] = [
  ['size', 'Size'],
  ['leading', 'Leading'],
  ['firstIndent', 'First-line indent'],
  ['leftIndent', 'Left indent'],
  ['rightIndent', 'Right indent'],
];

const facesWith = (face: string): readonly (readonly [string, string])[] =>
  face in FAMILY_NAMES
    ? Object.entries(FAMILY_NAMES)
    : [...Object.entries(FAMILY_NAMES), [face, face.replace(/^own-/, '')]];

export function ParagraphLook({ place, look }: { place: ParagraphPlace; look: ParagraphFacts['look'] }) {
  const dispatch = useAppDispatch();
  const book = useAppSelector((state) => state.book.book)!;
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const block = useAppSelector((state) => selectParagraph(state, place.stream, place.block));
  const [isAsked, setAsked] = useState(false);
  const [name, setName] = useState<string | null>(null);
  if (block === undefined) return null;
  const lesson = lessonFrom(book, block);
  const set = (change: Partial<Record<keyof LocalLook, unknown>>, what: string) =>
    dispatch(setLook(place, change, `${what} of a paragraph`));
  const own = block.touches?.look ?? {};
  const styleName = book.spec.styles[block.style]?.name ?? block.style;
  const count = Object.keys(own).length + (block.touches?.align === undefined ? 0 : 1);
  return (
    <details className="border-b border-hairline">
      <summary className="flex cursor-pointer justify-between px-3.5 py-1.5">
        <span>Local adjustments</span>
        <span className="text-quiet">{count === 0 ? `as ${block.style}` : `${count} changed`}</span>
      </summary>
      <LookValues look={look} own={own} disabled={readOnly} set={set} />
      <ChoiceSetting
        label="Alignment"
        value={block.touches?.align ?? ''}
        disabled={readOnly}
        choices={[
          ['', `as ${block.style}`],
          ['justify', 'justified'],
          ['left', 'flush left'],
          ['right', 'flush right'],
          ['centre', 'centred'],
        ]}
        onChange={(to) =>
          dispatch(setTouches(place, { align: to === '' ? undefined : to }, 'Alignment of a paragraph'))
        }
      />
      <ChoiceSetting
        label="Italic"
        value={look.italic ? 'yes' : 'no'}
        disabled={readOnly}
        choices={[
          ['yes', 'Yes'],
          ['no', 'No'],
        ]}
        onChange={(to) => set({ italic: to === 'yes' }, 'Slant')}
      />
      <p className="flex flex-wrap gap-1.5 px-3.5 py-1.5">
        <button className={BUTTON} disabled={readOnly || lesson === null} onClick={() => setAsked(true)}>
          Teach the style {block.style}
        </button>
        <button className={BUTTON} disabled={readOnly} onClick={() => setName(`${styleName} 2`)}>
          New style from it
        </button>
        <button
          className={BUTTON}
          disabled={readOnly || count === 0}
          onClick={() => dispatch(clearTouches(block.style, block.id))}
        >
          As the style
        </button>
      </p>
      {name !== null && <NewStyle place={place} suggested={name} onDone={() => setName(null)} />}
      {isAsked && lesson !== null && (
        <LessonOf lesson={lesson} onTake={() => dispatch(teachStyle(place))} onClose={() => setAsked(false)} />
      )}
    </details>
  );
}

interface ValuesProps {
  readonly look: ParagraphFacts['look'];
  readonly own: LocalLook;
  readonly disabled: boolean;
  readonly set: (change: Partial<Record<keyof LocalLook, unknown>>, what: string) => string | null;
}

function LookValues({ look, own, disabled, set }: ValuesProps) {
  return (
    <>
      <ChoiceSetting
        label="Face"
        value={look.face}
        disabled={disabled}
        choices={facesWith(look.face)}
        onChange={(face) => set({ face }, 'Face')}
      />
      <ChoiceSetting
        label="Weight"
        value={String(look.weight)}
        disabled={disabled}
        choices={
          WEIGHTS.some(([key]) => key === String(look.weight))
            ? WEIGHTS
            : [[String(look.weight), String(look.weight)] as const, ...WEIGHTS]
        }
        onChange={(weight) => set({ weight: Number(weight) }, 'Weight')}
      />
      <ChoiceSetting
        label="Case"
        value={look.caps}
        disabled={disabled}
        choices={CAPS}
        onChange={(caps) => set({ caps }, 'Case')}
      />
      <NumberSetting
        label="Tracking"
        unit="‰ em"
        value={look.tracking}
        disabled={disabled}
        onChange={(tracking) => set({ tracking }, 'Tracking')}
      />
      <InkField
        label="Ink"
        note={undefined}
        disabled={disabled}
        none="as the style"
        value={own.ink}
        onChange={(ink) => set({ ink }, 'Ink')}
      />
      {LENGTHS.map(([key, label]) => (
        <LengthSetting
          key={key}
          label={label}
          value={{ pt: look[key], unit: 'pt' }}
          disabled={disabled}
          onChange={({ pt }) => set({ [key]: pt }, label)}
        />
      ))}
      {(['above', 'below'] as const).map((key) => (
        <NumberSetting
          key={key}
          label={key === 'above' ? 'Above' : 'Below'}
          unit="lines"
          value={look[key]}
          disabled={disabled}
          onChange={(lines) => set({ [key]: lines }, key === 'above' ? 'Space above' : 'Space below')}
        />
      ))}
    </>
  );
}

/** What the style would learn, to be taken or left. */
function LessonOf({
  lesson,
  onTake,
  onClose,
}: {
  lesson: NonNullable<ReturnType<typeof lessonFrom>>;
  onTake: () => void;
  onClose: () => void;
}) {
  return (
    <section aria-label="What the style learns" className="px-3.5 pb-2">
      <ul className="text-[12px]">
        {lesson.list.map(({ what, was, is }) => (
          <li key={what} className="flex justify-between gap-2">
            <span>{labelOf(what)}</span>
            <span>
              <span className="text-quiet">{was}</span> → {is}
            </span>
          </li>
        ))}
      </ul>
      <p className="py-1 text-[12px] text-quiet">
        {lesson.paragraphs} {lesson.paragraphs === 1 ? 'paragraph' : 'paragraphs'} will be set so.
      </p>
      <span className="flex gap-1.5">
        <button
          className={BUTTON}
          onClick={() => {
            onClose();
            onTake();
          }}
        >
          Change the style
        </button>
        <button className={BUTTON} onClick={onClose}>
          Cancel
        </button>
      </span>
    </section>
  );
}

function NewStyle({ place, suggested, onDone }: { place: ParagraphPlace; suggested: string; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState(suggested);
  return (
    <form
      className="flex items-center gap-1.5 px-3.5 pb-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (dispatch(styleFromParagraph(place, name)) !== null) onDone();
      }}
    >
      <input
        autoFocus
        aria-label="Name of the new style"
        className="setting-input min-w-0 grow text-left"
        maxLength={80}
        value={name}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && onDone()}
      />
      <button className={BUTTON} disabled={name.trim() === ''}>
        Add
      </button>
    </form>
  );
}
