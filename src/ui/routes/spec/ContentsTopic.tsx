// Contents and index: which heads are listed and how their entries stand, author and describing lines, and the index.
import { useEffect, useRef } from 'react';
import type { ContentsLevel, EntryArrangement } from '../../../core/model/spec/contents';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { addDivision } from '../../../state/order/orderThunks';
import { selectRunningOrder } from '../../../state/book/selectors';
import { ChoiceSetting, SettingGroup } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { SuppliedIndex } from './SuppliedIndex';
import { useSpec } from './useSetSpec';
import { callPage } from '../../../state/view/pageThunks';

const ARRANGEMENTS: readonly (readonly [EntryArrangement, string])[] = [
  ['white', 'folio at the end'],
  ['leaders', 'folio over leaders'],
  ['after', 'folio after the words'],
  ['first', 'folio first'],
  ['runIn', 'run in, one after another'],
];

export function ContentsTopic() {
  const show = useWalk();
  return (
    <>
      <div onFocusCapture={() => show('contents')}>
        <Levels />
        <Lines />
      </div>
      <div onFocusCapture={() => show('index')}>
        <Index />
        <SuppliedIndex />
      </div>
    </>
  );
}

/** The drawing shows the contents when the topic is opened, and then the pages of what is worked on: contents or index. */
function useWalk(): (role: 'contents' | 'index') => void {
  const dispatch = useAppDispatch();
  const rows = useAppSelector(selectRunningOrder);
  const pageOf = (wanted: string) => rows.find(({ role }) => role === wanted)?.firstPage ?? -1;
  const page = pageOf('contents');
  const walked = useRef<string | null>(null);
  useEffect(() => {
    if (walked.current !== null || page < 0) return;
    walked.current = 'contents';
    dispatch(callPage(page));
  }, [dispatch, page]);
  return (role) => {
    const to = pageOf(role);
    if (walked.current === role || to < 0) return;
    walked.current = role;
    dispatch(callPage(to));
  };
}

function Levels() {
  const { spec, readOnly, set } = useSpec();
  const headings = useAppSelector((state) => state.compose.summary?.headings) ?? [];
  const { levels, leader } = spec.contents;
  const heads = Object.entries(spec.styles).filter(([, { meaning }]) => /^heading/.test(meaning ?? ''));
  const free = heads.filter(([tag]) => tag !== 'TOH' && !levels.some(({ source }) => source === tag));
  const entryStyles = Object.entries(spec.styles).filter(([tag]) => /^TO[A-Z]/.test(tag) && tag !== 'TOH');
  const change = (at: number, to: Partial<ContentsLevel> | null) =>
    set(
      'contents.levels',
      to === null ? levels.toSpliced(at, 1) : levels.with(at, { ...levels[at], ...to }),
      'Contents',
    );
  const add = (source: string) => {
    const level = Number(/\d/.exec(spec.styles[source]?.meaning ?? '')?.[0] ?? 2);
    const entry = level <= 1 ? 'TOC' : level === 2 ? 'TOS' : 'TOT';
    const order = heads.map(([tag]) => tag);
    const made: ContentsLevel = { source, entry, number: true, arrangement: levels[0]?.arrangement ?? 'white' };
    // Before the first level that heads come below; the others keep the order that they were given.
    const below = levels.findIndex((other) => order.indexOf(other.source) > order.indexOf(source));
    set('contents.levels', levels.toSpliced(below < 0 ? levels.length : below, 0, made), 'Contents');
  };
  return (
    <>
      {levels.map((level, at) => (
        <SettingGroup
          key={level.source}
          title={spec.styles[level.source]?.name ?? level.source}
          aside={`${headings.filter(({ tag }) => tag === level.source).length} listed`}
        >
          <ChoiceSetting
            label="Entry"
            value={level.entry}
            disabled={readOnly}
            choices={entryStyles.map(([tag, { name }]) => [tag, `${tag} ${name.replace('Contents, ', '')}`])}
            onChange={(entry) => change(at, { entry })}
          />
          <ChoiceSetting
            label="Arrangement"
            value={level.arrangement}
            disabled={readOnly}
            choices={ARRANGEMENTS}
            onChange={(arrangement) => change(at, { arrangement: arrangement as EntryArrangement })}
          />
          <ChoiceSetting
            label="Number"
            value={level.number ? 'told' : 'left out'}
            disabled={readOnly}
            choices={[
              ['told', 'before the words'],
              ['left out', 'left out'],
            ]}
            onChange={(to) => change(at, { number: to === 'told' })}
          />
          <div className="flex justify-end px-3.5 py-1">
            <button className="btn btn-xs" disabled={readOnly} onClick={() => change(at, null)}>
              Do not list
            </button>
          </div>
        </SettingGroup>
      ))}
      <SettingGroup title="More heads">
        {free.length > 0 && (
          <ChoiceSetting
            label="List"
            value=""
            disabled={readOnly}
            choices={[['', 'choose …'] as const, ...free.map(([tag, { name }]) => [tag, name] as const)]}
            onChange={add}
          />
        )}
        <TextSetting
          label="Leader"
          value={leader}
          maxLength={4}
          disabled={readOnly || !levels.some(({ arrangement }) => arrangement === 'leaders')}
          note={levels.some(({ arrangement }) => arrangement === 'leaders') ? undefined : 'Where an entry has leaders.'}
          onChange={(to) => set('contents.leader', to, 'Leader of the contents')}
        />
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">
          A single entry is worded otherwise in Copy, under the division of the contents.
        </p>
      </SettingGroup>
    </>
  );
}

/** Lines under an entry, taken from the head of its division. */
function Lines() {
  const { spec, readOnly, set } = useSpec();
  const styles = Object.entries(spec.styles).map(([tag, { name }]) => [tag, `${tag} ${name}`] as const);
  const line = (key: 'author' | 'description', label: string, source: string, entry: string) => {
    const value = spec.contents[key];
    return (
      <ChoiceSetting
        label={label}
        value={value?.source ?? ''}
        disabled={readOnly}
        choices={[['', 'none'] as const, ...styles]}
        note={value === null ? `Usual: the words of ${source} in a piece’s head.` : `Set in ${value.entry}.`}
        onChange={(to) =>
          set(`contents.${key}`, to === '' ? null : { source: to, entry: value?.entry ?? entry }, label)
        }
      />
    );
  };
  return (
    <SettingGroup title="Under an entry">
      {line('author', 'Author line', 'CAU', 'TOA')}
      {line('description', 'Describing line', 'CST', 'TOD')}
    </SettingGroup>
  );
}

function Index() {
  const dispatch = useAppDispatch();
  const { spec, readOnly, set } = useSpec();
  const has = useAppSelector((state) => state.book.book!.divisions.some(({ role }) => role === 'index'));
  const { index } = spec;
  const choose = (key: keyof typeof index, label: string, choices: readonly (readonly [string, string])[]) => (
    <ChoiceSetting
      label={label}
      value={String(index[key])}
      disabled={readOnly}
      choices={choices}
      onChange={(to) =>
        set(`index.${key}`, key === 'letterHeads' ? to === 'true' : to, `Index: ${label.toLowerCase()}`)
      }
    />
  );
  return (
    <SettingGroup title="Index" aside={has ? undefined : 'not in the book'}>
      {!has && (
        <div className="flex justify-between gap-2 border-b border-hairline px-3.5 py-1.5 text-[12px] text-quiet">
          <span>Entries are marked in Copy, with Insert.</span>
          <button className="btn btn-xs" disabled={readOnly} onClick={() => dispatch(addDivision('index'))}>
            Add an index
          </button>
        </div>
      )}
      {choose('order', 'Sorted', [
        ['letters', 'letter by letter'],
        ['words', 'word by word'],
      ])}
      {choose('ranges', 'Ranges', [
        ['elided', '123–24'],
        ['full', '123–124'],
      ])}
      {choose('subentries', 'Sub-entries', [
        ['indented', 'on lines of their own'],
        ['runIn', 'run in'],
      ])}
      {choose('letterHeads', 'Letters', [
        ['true', 'with headings'],
        ['false', 'without'],
      ])}
    </SettingGroup>
  );
}
