// The styles of tables: what rows of each kind are set in, rules, white and grounds, and what stands where a table goes on.
import { useEffect, useRef, useState } from 'react';
import { TABLE_ROW_KINDS, type Block, type TableRowKind } from '../../../core/model/copy/streams';
import type { Book } from '../../../core/model/copy/book';
import {
  PLAIN_TABLE,
  TABLE_RULE_PLACES,
  type TableRulePlace,
  type TableStyle,
} from '../../../core/model/spec/tableStyle';
import { callPage } from '../../../state/view/pageThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { InkField } from './styles/compoundFields';
import { useSpec } from './useSetSpec';

const KINDS: Readonly<Record<TableRowKind, string>> = {
  head: 'Heads',
  units: 'Units',
  body: 'Body',
  group: 'Names of groups',
  total: 'Totals',
};

const RULES: Readonly<Record<TableRulePlace, string>> = {
  top: 'Over the table',
  head: 'Under the heads',
  body: 'Between rows',
  group: 'Over a group',
  total: 'Over a total',
  foot: 'Under the table',
};

const MOST_STYLES = 40;

export function TablesTopic() {
  const { spec, readOnly, set } = useSpec();
  const [chosen, setChosen] = useState(PLAIN_TABLE);
  const tag = chosen in spec.tables ? chosen : PLAIN_TABLE;
  const style = spec.tables[tag];
  useTableShown();
  const put = (path: string, to: unknown, name: string) => set(`tables.${tag}.${path}`, to, name);
  return (
    <>
      <TableStyles tag={tag} onChoose={setChosen} />
      <SettingGroup title="Rows">
        {TABLE_ROW_KINDS.map((kind) => (
          <ChoiceSetting
            key={kind}
            label={KINDS[kind]}
            value={style.text[kind]}
            disabled={readOnly}
            choices={paragraphStyles(spec.styles, style.text[kind])}
            onChange={(to) => void put(`text.${kind}`, to, `Style of ${KINDS[kind].toLowerCase()}`)}
          />
        ))}
        <InkField
          label="Every second row"
          note=""
          none="paper"
          isGround
          disabled={readOnly}
          value={style.band}
          onChange={(to) => put('band', to ?? null, 'Ground of every second row')}
        />
      </SettingGroup>
      <SettingGroup title="Rules">
        {TABLE_RULE_PLACES.map((place) => (
          <NumberSetting
            key={place}
            label={RULES[place]}
            unit="pt"
            value={style.rules[place].weight}
            disabled={readOnly}
            onChange={(to) => put(`rules.${place}.weight`, to, `Rule ${RULES[place].toLowerCase()}`)}
          />
        ))}
        <RuleInk tag={tag} style={style} />
      </SettingGroup>
      <SettingGroup title="White">
        <NumberSetting
          label="Between rule and type"
          unit="pt"
          value={style.clear}
          disabled={readOnly}
          note="At least: the white around a rule comes to half lines of the grid."
          onChange={(to) => put('clear', to, 'White between rule and type')}
        />
        <NumberSetting
          label="Between rows"
          unit="pt"
          value={style.between}
          disabled={readOnly}
          note="Where some entries take several lines."
          onChange={(to) => put('between', to, 'White between rows')}
        />
        <NumberSetting
          label="Between columns"
          unit="em"
          value={style.gap}
          disabled={readOnly}
          onChange={(to) => put('gap', to, 'White between columns')}
        />
      </SettingGroup>
      <SettingGroup title="Where it goes on">
        <ChoiceSetting
          label="Heads"
          value={style.repeatHead ? 'again' : 'once'}
          disabled={readOnly}
          choices={[
            ['again', 'on each page'],
            ['once', 'at the beginning'],
          ]}
          onChange={(to) => void put('repeatHead', to === 'again', 'Heads of a table that goes on')}
        />
        <TextSetting
          label="Said over it"
          value={style.continued}
          disabled={readOnly}
          maxLength={40}
          placeholder="nothing"
          note="After the number of its caption, such as “Table 3, continued”."
          onChange={(to) => put('continued', to.trim(), 'Line over a table that goes on')}
        />
      </SettingGroup>
    </>
  );
}

/** Styles that cells may be set in: those of tables first. */
function paragraphStyles(
  styles: Book['spec']['styles'],
  chosen: string,
): readonly (readonly [string, string, string?])[] {
  const all = Object.entries(styles).map(([tag, { name, meaning }]) => ({
    tag,
    name,
    isOfTables: meaning === 'table',
  }));
  const known = all.some(({ tag }) => tag === chosen) ? [] : [[chosen, `${chosen}, not there`] as const];
  return [
    ...known,
    ...all.filter(({ isOfTables }) => isOfTables).map(({ tag, name }) => [tag, name, 'Tables'] as const),
    ...all.filter(({ isOfTables }) => !isOfTables).map(({ tag, name }) => [tag, name, 'Others'] as const),
  ];
}

/** One ink for all rules. */
function RuleInk({ tag, style }: { tag: string; style: TableStyle }) {
  const { readOnly, set } = useSpec();
  const { ink } = style.rules.top;
  const isMixed = TABLE_RULE_PLACES.some((place) => JSON.stringify(style.rules[place].ink) !== JSON.stringify(ink));
  return (
    <InkField
      label="Ink of the rules"
      none="as the text"
      note={isMixed ? 'They have several: a choice here is for all of them.' : ''}
      disabled={readOnly}
      value={ink}
      onChange={(to) => {
        const rules = TABLE_RULE_PLACES.map((place) => [place, { ...style.rules[place], ink: to ?? null }] as const);
        return set(`tables.${tag}.rules`, Object.fromEntries(rules), 'Ink of the rules of tables');
      }}
    />
  );
}

function TableStyles({ tag, onChoose }: { tag: string; onChoose: (tag: string) => void }) {
  const { spec, readOnly, set } = useSpec();
  const book = useAppSelector((state) => state.book.book!);
  const { tables } = spec;
  const used = tablesOf(book);
  const uses = used.filter((own) => (own in tables ? own : PLAIN_TABLE) === tag).length;
  const names = Object.values(tables).map(({ name }) => name);
  const add = () => {
    let number = 2;
    while (`T${number}` in tables) number += 1;
    let name = `${tables[tag].name} ${number}`;
    while (names.includes(name)) name = `${name} copy`;
    const made = { ...tables, [`T${number}`]: { ...tables[tag], name: name.slice(0, 60) } };
    if (set('tables', made, 'Table style added') === null) onChoose(`T${number}`);
  };
  const remove = () => {
    const { [tag]: _, ...others } = tables;
    if (set('tables', others, 'Table style taken away') === null) onChoose(PLAIN_TABLE);
  };
  const rename = (to: string) => {
    const wanted = to.trim();
    if (wanted === tables[tag].name) return null;
    if (wanted === '') return 'A style has a name.';
    return names.includes(wanted)
      ? `There is a style “${wanted}” already.`
      : set(`tables.${tag}.name`, wanted, 'Table style renamed');
  };
  return (
    <SettingGroup title="Table style" aside={uses === 1 ? 'of 1 table' : `of ${uses} tables`}>
      {Object.keys(tables).length > 1 && (
        <ChoiceSetting
          label="Style"
          value={tag}
          choices={Object.entries(tables).map(([key, { name }]) => [key, name] as const)}
          onChange={onChoose}
        />
      )}
      <TextSetting label="Name" value={tables[tag].name} disabled={readOnly} maxLength={60} onChange={rename} />
      <div className="flex flex-wrap justify-end gap-1.5 px-3.5 py-1.5">
        <button
          className="btn btn-xs"
          disabled={readOnly || Object.keys(tables).length >= MOST_STYLES}
          title="A style that begins as this one"
          onClick={add}
        >
          New style
        </button>
        {tag !== PLAIN_TABLE && (
          <button
            className="btn btn-xs"
            disabled={readOnly || uses > 0}
            title={uses > 0 ? 'Tables use it' : undefined}
            onClick={remove}
          >
            Remove
          </button>
        )}
      </div>
      <p className="px-3.5 pb-1 text-[12px] text-quiet">
        A table takes another style in Copy, on the line over the text while the caret stands in it.
      </p>
    </SettingGroup>
  );
}

/** The styles of all tables of the book. */
function tablesOf({ divisions }: Book): string[] {
  const of = (blocks: readonly Block[]) => blocks.flatMap((block) => (block.kind === 'table' ? [block.style] : []));
  return divisions.flatMap(({ blocks }) => of(blocks));
}

/** The drawing shows the first table that has a caption, when the topic is opened. */
function useTableShown(): void {
  const dispatch = useAppDispatch();
  const page = useAppSelector(
    (state) => state.compose.summary?.captions.find(({ kind }) => kind === 'table')?.page ?? -1,
  );
  const isShown = useRef(false);
  useEffect(() => {
    if (isShown.current || page < 0) return;
    isShown.current = true;
    dispatch(callPage(page));
  }, [dispatch, page]);
}
