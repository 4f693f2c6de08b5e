// Inks: the named colours of the book's set, as they look and as the press has them; sets that are swapped as a whole.
import { useState } from 'react';
import { BLACK, type Ink, type InkColour } from '../../../core/model/spec/inks';
import { cssOf } from '../../../core/looks/setInk';
import { addInk, addInkSet, chooseInkSet, dropInk, dropInkSet, setInkOf } from '../../../state/spec/inkThunks';
import { useAppDispatch } from '../../../state/hooks';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { inkUses } from './inkUses';
import { PicturePress } from './PicturePress';
import { useSpec } from './useSetSpec';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function InksTopic() {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const { set, sets } = spec.inks;
  const [problem, setProblem] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const uses = inkUses(spec);
  const inks = Object.entries(sets[set] ?? {});
  const lacking = [...uses.keys()].filter((name) => !(name in (sets[set] ?? {})));
  return (
    <>
      <SettingGroup title="Ink set" aside={`${Object.keys(sets).length}`}>
        <ChoiceSetting
          label="The book is set in"
          isWide
          value={set}
          disabled={readOnly}
          choices={Object.keys(sets).map((name) => [name, name] as const)}
          onChange={(to) => setProblem(dispatch(chooseInkSet(to)))}
        />
        <NameForm
          label="Name of the new set"
          button="Add a set"
          onAdd={(name) => setProblem(dispatch(addInkSet(name)))}
        />
        <p className="px-3.5 py-1.5">
          <button
            className={BUTTON}
            disabled={readOnly || Object.keys(sets).length < 2}
            onClick={() => setProblem(dispatch(dropInkSet()))}
          >
            Remove this set
          </button>
        </p>
        {problem && (
          <p role="alert" className="px-3.5 pb-1 text-[12px] text-error">
            {problem}
          </p>
        )}
      </SettingGroup>
      <SettingGroup title="Inks" aside={`${inks.length}`}>
        {inks.map(([name, ink]) => (
          <div key={name}>
            <button
              aria-expanded={opened === name}
              className="flex w-full items-center gap-2.5 border-b border-hairline px-3.5 py-1.5 text-left hover:bg-base-200"
              onClick={() => setOpened(opened === name ? null : name)}
            >
              <span
                className="h-5 w-9 shrink-0 rounded-sm border border-base-300"
                style={{ background: cssOf(ink.colour) }}
              />
              <span className="min-w-0 grow truncate">{name}</span>
              <span className="text-[12px] text-quiet">{inWords(ink.colour)}</span>
            </button>
            {opened === name && (
              <InkEditor
                name={name}
                ink={ink}
                uses={uses.get(name) ?? 0}
                onProblem={setProblem}
                onDropped={() => setOpened(null)}
              />
            )}
          </div>
        ))}
        {lacking.map((name) => (
          <p key={name} className="border-b border-hairline px-3.5 py-1.5 text-error">
            {name} <span className="text-[12px]">is used but not in this set: set in black</span>
          </p>
        ))}
        <NameForm
          label="Name of the new ink"
          button="Add an ink"
          onAdd={(name) => {
            const fault = dispatch(
              addInk(name, { colour: { kind: 'cmyk', c: 60, m: 20, y: 40, k: 30 }, press: 'cmyk' }),
            );
            setProblem(fault);
            if (fault === null) setOpened(name.trim());
          }}
        />
      </SettingGroup>
      <PicturePress />
    </>
  );
}

function NameForm({ label, button, onAdd }: { label: string; button: string; onAdd: (name: string) => void }) {
  const { readOnly } = useSpec();
  const [name, setName] = useState('');
  return (
    <form
      className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onAdd(name);
        setName('');
      }}
    >
      <input
        aria-label={label}
        placeholder={label}
        maxLength={60}
        className="setting-input min-w-0 grow text-left"
        value={name}
        disabled={readOnly}
        onChange={(event) => setName(event.target.value)}
      />
      <button className={BUTTON} disabled={readOnly || name.trim() === ''}>
        {button}
      </button>
    </form>
  );
}

const KINDS = [
  ['grey', 'Grey'],
  ['cmyk', 'CMYK'],
  ['rgb', 'RGB'],
] as const;
const PARTS: Readonly<Record<InkColour['kind'], readonly (readonly [string, string])[]>> = {
  grey: [['k', 'Black']],
  cmyk: [
    ['c', 'Cyan'],
    ['m', 'Magenta'],
    ['y', 'Yellow'],
    ['k', 'Black'],
  ],
  rgb: [
    ['r', 'Red'],
    ['g', 'Green'],
    ['b', 'Blue'],
  ],
};

const FIRST: Readonly<Record<InkColour['kind'], InkColour>> = {
  grey: { kind: 'grey', k: 100 },
  cmyk: { kind: 'cmyk', c: 0, m: 0, y: 0, k: 100 },
  rgb: { kind: 'rgb', r: 0, g: 0, b: 0 },
};

interface EditorProps {
  readonly name: string;
  readonly ink: Ink;
  readonly uses: number;
  readonly onProblem: (problem: string | null) => void;
  readonly onDropped: () => void;
}

function InkEditor({ name, ink, uses, onProblem, onDropped }: EditorProps) {
  const dispatch = useAppDispatch();
  const { readOnly } = useSpec();
  const { colour } = ink;
  const parts = colour as unknown as Readonly<Record<string, number>>;
  const put = (change: Partial<Ink>) => dispatch(setInkOf(name, { ...ink, ...change }));
  return (
    <div className="border-b border-l-2 border-base-300">
      <ChoiceSetting
        label="Mixed as"
        value={colour.kind}
        disabled={readOnly}
        choices={KINDS}
        onChange={(to) => put({ colour: FIRST[to as InkColour['kind']] })}
      />
      {PARTS[colour.kind].map(([key, label]) => (
        <NumberSetting
          key={key}
          label={label}
          unit={colour.kind === 'rgb' ? 'of 255' : '%'}
          value={parts[key]}
          disabled={readOnly}
          onChange={(to) => put({ colour: { ...colour, [key]: to } })}
        />
      ))}
      <ChoiceSetting
        label="On the press"
        value={ink.press}
        disabled={readOnly}
        choices={[
          ['k', 'Black plate only'],
          ['cmyk', 'Four plates'],
          ['asis', 'As it is mixed'],
        ]}
        onChange={(to) => put({ press: to as Ink['press'] })}
      />
      <p className="flex items-center justify-between px-3.5 py-1.5">
        <span className="text-quiet">
          {uses === 0 ? 'not used' : `used by ${uses} ${uses === 1 ? 'style' : 'styles'}`}
        </span>
        <button
          className={BUTTON}
          disabled={readOnly || name === BLACK}
          onClick={() => {
            const fault = dispatch(dropInk(name));
            onProblem(fault);
            if (fault === null) onDropped();
          }}
        >
          Remove
        </button>
      </p>
    </div>
  );
}

function inWords(colour: InkColour): string {
  switch (colour.kind) {
    case 'grey':
      return `K ${colour.k}`;
    case 'cmyk':
      return `${colour.c} ${colour.m} ${colour.y} ${colour.k}`;
    case 'rgb':
      return `${colour.r} ${colour.g} ${colour.b}`;
  }
}
