// The style sheet: every style with its tag and how much is set in it; one of them opened with all that it says.
import { useState } from 'react';
import { usesByStyle } from './useStyleUses';
import { styleSheetPrinted } from '../../../../state/spec/styleSheetPrint';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { styleOpened } from '../../../../state/view/viewSlice';
import { SettingGroup } from '../../../components/Setting';
import { useSpec } from '../useSetSpec';
import type { OpenStyle } from './openStyle';
import { CharacterStyleEditor, ParagraphStyleEditor } from './StyleEditor';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function StylesTopic() {
  const { spec } = useSpec();
  const dispatch = useAppDispatch();
  const opened = useAppSelector((state) => state.view.style);
  const setOpened = (style: OpenStyle | null) => void dispatch(styleOpened(style));
  const own = opened?.sort === 'character' ? spec.characterStyles : spec.styles;
  if (opened === null || own[opened.tag] === undefined) return <StyleList onOpen={setOpened} />;
  const Editor = opened.sort === 'paragraph' ? ParagraphStyleEditor : CharacterStyleEditor;
  return <Editor key={`${opened.sort} ${opened.tag}`} tag={opened.tag} onOpen={setOpened} />;
}

function StyleList({ onOpen }: { onOpen: (style: OpenStyle) => void }) {
  const dispatch = useAppDispatch();
  const { spec } = useSpec();
  const book = useAppSelector((state) => state.book.book)!;
  const uses = usesByStyle(book);
  const [problem, setProblem] = useState<string | null>(null);
  const [isAll, setAll] = useState(false);
  const styles = Object.entries(spec.styles);
  const waiting = styles.filter(([, style]) => style.waits);
  const ours = styles.filter(([tag, style]) => !style.waits && (isAll || (uses.paragraphs.get(tag) ?? 0) > 0));
  return (
    <>
      {waiting.length > 0 && (
        <SettingGroup title="From the file, unmatched" aside={String(waiting.length)}>
          {waiting.map(([tag, { name }]) => (
            <Row
              key={tag}
              sort="paragraph"
              tag={tag}
              name={name}
              count={uses.paragraphs.get(tag) ?? 0}
              onOpen={onOpen}
            />
          ))}
        </SettingGroup>
      )}
      <SettingGroup
        title="Paragraph styles"
        aside={
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={isAll} onChange={(event) => setAll(event.target.checked)} /> unused too
          </label>
        }
      >
        {ours.map(([tag, { name }]) => (
          <Row key={tag} sort="paragraph" tag={tag} name={name} count={uses.paragraphs.get(tag) ?? 0} onOpen={onOpen} />
        ))}
      </SettingGroup>
      <SettingGroup title="Character styles">
        {Object.entries(spec.characterStyles).map(([tag, { name }]) => (
          <Row key={tag} sort="character" tag={tag} name={name} count={uses.characters.get(tag) ?? 0} onOpen={onOpen} />
        ))}
      </SettingGroup>
      <div className="px-3.5">
        <button className={BUTTON} onClick={() => void dispatch(styleSheetPrinted()).then(setProblem)}>
          Style sheet as a PDF
        </button>
        {problem && (
          <p role="alert" className="pt-1 text-[12px] text-error">
            {problem}
          </p>
        )}
      </div>
    </>
  );
}

interface RowProps extends OpenStyle {
  readonly name: string;
  readonly count: number;
  readonly onOpen: (style: OpenStyle) => void;
}

function Row({ sort, tag, name, count, onOpen }: RowProps) {
  return (
    <button
      className="flex w-full items-baseline gap-2 border-b border-hairline px-3.5 py-1 text-left hover:bg-base-200"
      onClick={() => onOpen({ sort, tag })}
    >
      <span className="w-[76px] shrink-0 truncate text-quiet">{tag}</span>
      <span className="min-w-0 grow truncate">{name}</span>
      <span className="text-quiet">{count === 0 ? '' : count}</span>
    </button>
  );
}
