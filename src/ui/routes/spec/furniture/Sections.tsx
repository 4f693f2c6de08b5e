// Named sections: what each is called, where it begins and how many pages it has; named in place, walked to. Their other facts
// are edited in the running order.
import { useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { setSection } from '../../../../state/order/sectionThunks';
import { selectSections, type SectionRow } from '../../../../state/book/selectors';
import { SettingGroup } from '../../../components/Setting';
import { useDraft } from '../../../components/useDraft';
import { callPage } from '../../../../state/view/pageThunks';

export function Sections() {
  const sections = useAppSelector(selectSections);
  return (
    <SettingGroup title="Sections" aside={sections.length > 0 ? String(sections.length) : undefined}>
      {sections.length === 0 && (
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">
          A section begins at a paragraph (Pages, the slip; Copy, Insert) or at a folio (Copy, Add). The token Section
          says its name.
        </p>
      )}
      {sections.length > 0 && (
        <div className="grid grid-cols-[1fr_48px_40px_40px_20px] px-3.5 pt-1 text-[12px] text-quiet">
          <span>name</span>
          <span className="text-right">run</span>
          <span className="text-right">folio</span>
          <span className="text-right">pages</span>
        </div>
      )}
      {sections.map((section) => (
        <Row key={section.block} {...section} />
      ))}
    </SettingGroup>
  );
}

/** The folio run by the look of a folio of it. */
function runOf(folio: string): string {
  if (folio === '') return 'none';
  const parts = /^(.*?)(\d+|[ivxlcdm]+|[IVXLCDM]+|[a-z]+|[A-Z]+)$/.exec(folio);
  if (parts === null) return 'words';
  const numerals = /^\d/.test(parts[2]) ? 'arabic' : /^[ivxlcdm]+$/i.test(parts[2]) ? 'roman' : 'letters';
  return parts[1] === '' ? numerals : `${parts[1]}…`;
}

function Row({ division, block, name, page, folio, pages }: SectionRow) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const { field, problem } = useDraft(name, (typed) => {
    if (typed.length > 200) return 'At most 200 characters.';
    dispatch(setSection(division, block, typed.trim()));
    return null;
  });
  return (
    <div className="border-b border-hairline px-3.5 py-0.5">
      <div className="grid grid-cols-[1fr_48px_40px_40px_20px] items-center">
        <input
          {...field}
          aria-label={`Name of the section on ${folio}`}
          className="h-6 min-w-0 bg-transparent hover:bg-base-200"
          disabled={readOnly}
        />
        <span className="truncate text-right text-quiet">{runOf(folio)}</span>
        <button
          className="text-right underline-offset-2 hover:underline"
          aria-label={`To folio ${folio}`}
          disabled={page < 0}
          onClick={() => {
            dispatch(callPage(page));
            void navigate('../pages', { relative: 'path' });
          }}
        >
          {folio || '–'}
        </button>
        <span className="text-right text-quiet">{pages ?? ''}</span>
        <button
          className="text-right text-quiet hover:text-error"
          aria-label={`Remove the section ${name}`}
          disabled={readOnly}
          onClick={() => dispatch(setSection(division, block, undefined))}
        >
          ×
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-[12px] text-error">
          {problem}
        </p>
      )}
    </div>
  );
}
