// A style with all that it says: each value with where it comes from; where it is used, its local touches, and what can be
// done with it as a whole.
import { useState } from 'react';
import {
  characterUsesOf,
  heirsOf,
  isBuiltIn,
  localTouchesOf,
  originOf,
  usesOf,
} from '../../../../state/spec/styleThunks';
import type { CharacterStyle, ParagraphStyle } from '../../../../core/model/spec/spec';
import {
  addStyle,
  clearTouches,
  dropStyle,
  retagStyle,
  setCharacterStyle,
  setStyle,
  walkTo,
  type StyleSort,
} from '../../../../state/spec/styleThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { ChoiceSetting, SettingGroup } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useSpec } from '../useSetSpec';
import type { OpenStyle } from './openStyle';
import { ValueRow } from './ValueRow';
import { CHARACTER_VALUES, PARAGRAPH_VALUES, type ValueGroup } from './values';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

interface EditorProps {
  readonly tag: string;
  readonly onOpen: (style: OpenStyle | null) => void;
}

export function ParagraphStyleEditor({ tag, onOpen }: EditorProps) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const { styles } = spec;
  const style = styles[tag];
  const set = (change: { [K in keyof ParagraphStyle]?: ParagraphStyle[K] | undefined }, what: string) =>
    dispatch(setStyle(tag, change, `${style.name}, ${what}`));
  const heirs = heirsOf(styles, tag);
  return (
    <>
      <Head sort="paragraph" tag={tag} name={style.name} onOpen={onOpen} rename={(name) => set({ name }, 'name')} />
      <ChoiceSetting
        label="Takes from"
        value={style.basedOn ?? ''}
        disabled={readOnly || tag === 'TX'}
        choices={[['', 'the text'], ...others(styles, tag, (other) => !heirs.has(other))]}
        onChange={(to) => set({ basedOn: to === '' ? undefined : to }, 'takes from')}
      />
      <ChoiceSetting
        label="Followed by"
        value={style.next ?? ''}
        disabled={readOnly}
        choices={[['', 'the same'], ...others(styles, tag, () => true)]}
        onChange={(to) => set({ next: to === '' ? undefined : to }, 'followed by')}
      />
      {style.waits && (
        <p className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5 text-quiet">
          <span>Not matched yet.</span>
          <button className={BUTTON} disabled={readOnly} onClick={() => set({ waits: undefined }, 'taken over')}>
            Take it over
          </button>
        </p>
      )}
      <Values
        groups={PARAGRAPH_VALUES}
        styles={styles}
        tag={tag}
        set={(key, to) => set({ [key]: to }, labelOf(PARAGRAPH_VALUES, key))}
      />
      <Touches tag={tag} />
      <Uses sort="paragraph" tag={tag} />
      <Whole sort="paragraph" tag={tag} onOpen={onOpen} />
    </>
  );
}

export function CharacterStyleEditor({ tag, onOpen }: EditorProps) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const { characterStyles: styles } = spec;
  const style = styles[tag];
  const set = (change: { [K in keyof CharacterStyle]?: CharacterStyle[K] | undefined }, what: string) =>
    dispatch(setCharacterStyle(tag, change, `${style.name}, ${what}`));
  const heirs = heirsOf(styles, tag);
  return (
    <>
      <Head sort="character" tag={tag} name={style.name} onOpen={onOpen} rename={(name) => set({ name }, 'name')} />
      <ChoiceSetting
        label="Takes from"
        value={style.basedOn ?? ''}
        disabled={readOnly}
        choices={[['', 'surrounding text'], ...others(styles, tag, (other) => !heirs.has(other))]}
        onChange={(to) => set({ basedOn: to === '' ? undefined : to }, 'takes from')}
      />
      <Values
        groups={CHARACTER_VALUES}
        styles={styles}
        tag={tag}
        set={(key, to) => set({ [key]: to }, labelOf(CHARACTER_VALUES, key))}
      />
      <Uses sort="character" tag={tag} />
      <Whole sort="character" tag={tag} onOpen={onOpen} />
    </>
  );
}

type Named = Readonly<Record<string, { readonly name: string; readonly basedOn?: string }>>;

const others = (styles: Named, tag: string, isGood: (other: string) => boolean) =>
  Object.entries(styles)
    .filter(([other]) => other !== tag && isGood(other))
    .map(([other, { name }]) => [other, name] as const);

const labelOf = (groups: readonly ValueGroup<string>[], key: string) =>
  groups
    .flatMap(({ values }) => values)
    .find((value) => value.key === key)
    ?.label.toLowerCase() ?? key;

function Head({
  sort,
  tag,
  name,
  onOpen,
  rename,
}: EditorProps & { sort: StyleSort; name: string; rename: (name: string) => string | null }) {
  const dispatch = useAppDispatch();
  const { readOnly } = useSpec();
  return (
    <>
      <div className="flex items-center justify-between border-b border-base-300 px-3.5 pb-1.5 pt-2.5">
        <h2 className="min-w-0 truncate font-semibold" title={name}>
          {name}
        </h2>
        <button className={BUTTON} onClick={() => onOpen(null)}>
          All styles
        </button>
      </div>
      <TextSetting
        label="Name"
        value={name}
        disabled={readOnly}
        maxLength={80}
        onChange={(to) => (to.trim() === '' ? 'A style has a name.' : rename(to.trim()))}
      />
      <TextSetting
        label="Tag"
        value={tag}
        maxLength={12}
        disabled={readOnly || sort === 'character' || isBuiltIn(tag)}
        onChange={(to) => {
          const fault = dispatch(retagStyle(tag, to.trim()));
          if (fault === null) onOpen({ sort, tag: to.trim() });
          return fault;
        }}
      />
    </>
  );
}

function Values<K extends string>({
  groups,
  styles,
  tag,
  set,
}: {
  groups: readonly ValueGroup<K>[];
  styles: Readonly<Record<string, { readonly basedOn?: string } & { readonly [P in K]?: unknown }>>;
  tag: string;
  set: (key: K, to: unknown) => string | null;
}) {
  return groups.map(({ title, values }, index) => {
    const own = values.filter(({ key }) => styles[tag][key] !== undefined).length;
    return (
      <details key={title} open={index === 0 || undefined}>
        <summary className="flex cursor-pointer justify-between border-b border-base-300 px-3.5 pb-1.5 pt-3 font-semibold">
          <span>{title}</span>
          <span className="font-normal text-quiet">{own === 0 ? '' : `${own} set here`}</span>
        </summary>
        {values.map((value) => {
          const origin = originOf(styles, tag, value.key);
          return (
            <ValueRow
              key={value.key}
              value={value}
              tag={tag}
              origin={origin}
              effective={origin === null ? undefined : styles[origin][value.key]}
              set={(to) => set(value.key, to)}
            />
          );
        })}
      </details>
    );
  });
}

/** Places listed before the rest is only counted. */
const LISTED = 12;

function Touches({ tag }: { tag: string }) {
  const dispatch = useAppDispatch();
  const { readOnly } = useSpec();
  const book = useAppSelector((state) => state.book.book)!;
  const touches = localTouchesOf(book, tag);
  if (touches.length === 0) return null;
  return (
    <SettingGroup title="Local touches" aside={String(touches.length)}>
      {touches.slice(0, LISTED).map(({ stream, block, what, words }, index) => (
        <div key={index} className="flex items-start gap-2 border-b border-hairline px-3.5 py-1">
          <button className="min-w-0 grow text-left" onClick={() => void dispatch(walkTo({ stream, block }))}>
            <span className="block truncate font-book" title={words}>
              {words}
            </span>
            <span className="block text-[12px] text-quiet">{what}</span>
          </button>
          <button className={BUTTON} disabled={readOnly} onClick={() => dispatch(clearTouches(tag, block))}>
            Clear
          </button>
        </div>
      ))}
      <p className="flex items-center justify-between px-3.5 py-1.5 text-quiet">
        <span>{touches.length > LISTED ? `and ${touches.length - LISTED} more` : ''}</span>
        <button className={BUTTON} disabled={readOnly} onClick={() => dispatch(clearTouches(tag))}>
          Clear all
        </button>
      </p>
    </SettingGroup>
  );
}

/** Where the style is used: the places are walked through one by one. */
function Uses({ sort, tag }: { sort: StyleSort; tag: string }) {
  const dispatch = useAppDispatch();
  const book = useAppSelector((state) => state.book.book)!;
  const [at, setAt] = useState<number | null>(null);
  const uses = sort === 'paragraph' ? usesOf(book, tag) : characterUsesOf(book, tag);
  const go = (to: number) => {
    const next = (to + uses.length) % uses.length;
    setAt(next);
    void dispatch(walkTo(uses[next]));
  };
  const here = at === null ? undefined : uses[at];
  return (
    <SettingGroup title="Where it is used" aside={String(uses.length)}>
      <p className="flex items-center justify-between gap-2 px-3.5 py-1.5">
        <span className="min-w-0 truncate font-book" title={here?.words}>
          {here?.words ?? ''}
        </span>
        <span className="flex shrink-0 items-center gap-1.5">
          {at !== null && uses.length > 0 && (
            <span className="text-quiet">
              {at + 1} of {uses.length}
            </span>
          )}
          <button className={BUTTON} disabled={uses.length === 0} onClick={() => go((at ?? 0) - 1)}>
            Back
          </button>
          <button className={BUTTON} disabled={uses.length === 0} onClick={() => go(at === null ? 0 : at + 1)}>
            {at === null ? 'Show' : 'Next'}
          </button>
        </span>
      </p>
    </SettingGroup>
  );
}

function Whole({ sort, tag, onOpen }: EditorProps & { sort: StyleSort }) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const [into, setInto] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const styles: Named = sort === 'paragraph' ? spec.styles : spec.characterStyles;
  const add = (isCopy: boolean) => {
    const made = dispatch(addStyle(sort, tag, isCopy));
    if (made !== null) onOpen({ sort, tag: made });
  };
  const drop = () => {
    const fault = dispatch(dropStyle(sort, tag, into === '' ? null : into));
    setProblem(fault);
    if (fault === null) onOpen(into === '' ? null : { sort, tag: into });
  };
  const isKept = sort === 'paragraph' && isBuiltIn(tag);
  return (
    <SettingGroup title="This style">
      <p className="flex gap-1.5 border-b border-hairline px-3.5 py-1.5">
        <button className={BUTTON} disabled={readOnly} onClick={() => add(true)}>
          Duplicate
        </button>
        <button className={BUTTON} disabled={readOnly} onClick={() => add(false)}>
          New from it
        </button>
      </p>
      {isKept ? (
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">The book itself sets text in this style, so it stays.</p>
      ) : (
        <>
          <ChoiceSetting
            label="Replaced by"
            value={into}
            disabled={readOnly}
            choices={[['', sort === 'paragraph' ? 'choose' : 'none'], ...others(styles, tag, () => true)]}
            onChange={setInto}
          />
          <p className="px-3.5 py-1.5">
            <button className={BUTTON} disabled={readOnly || (sort === 'paragraph' && into === '')} onClick={drop}>
              Merge and remove
            </button>
          </p>
        </>
      )}
      {problem && (
        <p role="alert" className="px-3.5 pb-1 text-[12px] text-error">
          {problem}
        </p>
      )}
    </SettingGroup>
  );
}
