// One slot of furniture: its tokens as chips and its words, in order, with their styles.
import { X } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { TOKENS, type FurniturePart, type Token } from '../../../../core/model/spec/furniture';
import { useAppDispatch } from '../../../../state/hooks';
import { slotChosen, type SlotPlace } from '../../../../state/view/viewSlice';
import { useDraft } from '../../../components/useDraft';
import { hasLevel, HEAD_LEVELS, partName, SPACES, TOKEN_NAMES } from './tokens';
import { useFurniture } from './useFurniture';

const WIDTH = 540;

interface Props {
  readonly place: SlotPlace;
  /** Middle of the slot, and the edge at which the editor stands, in pixels of the drawing. */
  readonly middle: number;
  /** Head and foot of the slot, and what of the drawing is in view, in its pixels. */
  readonly top: number;
  readonly bottom: number;
  readonly room: { readonly width: number; readonly height: number };
}

/** Pixels between the editor and its slot, and the edges of the drawing. */
const OFF = 6;

/** Beside the slot, on the side of it that has room, and never out of view: however many parts there are. */
function usePlace({ place, middle, top, bottom, room }: Props, panel: RefObject<HTMLElement | null>) {
  const [height, setHeight] = useState(0);
  useLayoutEffect(() => {
    const element = panel.current;
    if (element === null) return;
    const observer = new ResizeObserver(() => setHeight(element.offsetHeight));
    observer.observe(element);
    return () => observer.disconnect();
  }, [panel]);
  const width = Math.min(WIDTH, room.width - 2 * OFF);
  const within = (at: number, most: number) => Math.max(OFF, Math.min(most, at));
  const [above, below] = [top - OFF - height, bottom + OFF];
  const fits = (at: number) => at >= OFF && at + height <= room.height - OFF;
  const wished = place.at === 'head' ? [above, below] : [below, above];
  return {
    left: within(middle - width / 2, room.width - OFF - width),
    top: within(wished.find(fits) ?? wished[0], room.height - OFF - height),
    width,
    maxHeight: room.height - 2 * OFF,
  };
}

export function SlotEditor(props: Props) {
  const { place } = props;
  const dispatch = useAppDispatch();
  const { spec, slotAt, setSlot, lineOrNew } = useFurniture();
  const slot = slotAt(place);
  const panel = useRef<HTMLDivElement>(null);
  const [picked, setPicked] = useState<number | null>(null);
  useEffect(() => panel.current?.querySelector<HTMLElement>('select, input, button')?.focus(), []);
  const setParts = (parts: readonly FurniturePart[], what: string) => setSlot(place, { ...slot, parts }, what);
  const replace = (at: number, part: FurniturePart | null, what: string) =>
    setParts(part === null ? slot.parts.toSpliced(at, 1) : slot.parts.with(at, part), what);
  const add = (what: string) => {
    if (what === 'text') setParts([...slot.parts, { kind: 'text', text: ' ' }], 'Words in the furniture');
    else if (what === 'tab') setParts([...slot.parts, { kind: 'tab' }], 'Tab in the furniture');
    else if (what === 'rule') setParts([...slot.parts, { kind: 'rule', length: 2 }], 'Rule in the furniture');
    else if (what.startsWith('space:'))
      setParts([...slot.parts, { kind: 'text', text: what.slice(6) }], 'Space in the furniture');
    else {
      const token = what as Token;
      const part: FurniturePart = { kind: 'token', token, ...(hasLevel(token) ? { level: 2 } : {}) };
      setParts([...slot.parts, part], `${TOKEN_NAMES[token]} in the furniture`);
    }
    setPicked(slot.parts.length);
  };
  const isShared = lineOrNew(place.at).verso === null;
  const style = usePlace(props, panel);
  return (
    <div
      ref={panel}
      role="dialog"
      aria-label={`Furniture at the ${place.at}`}
      className="absolute z-20 overflow-y-auto border border-base-300 bg-base-100 shadow-sm"
      style={style}
      onKeyDown={(event) => {
        if (event.key === 'Escape') dispatch(slotChosen(null));
      }}
    >
      <div className="flex items-start gap-3 px-3 py-1.5">
        <span className="shrink-0 py-0.5 font-semibold">
          {place.at === 'head' ? 'Head' : 'Foot'}, {isShared ? 'both sides' : place.side}
        </span>
        <ul className="flex grow flex-wrap items-center gap-1.5" aria-label="Its parts">
          {slot.parts.map((part, at) => (
            <li key={at}>
              <Chip
                part={part}
                isPicked={picked === at}
                onPick={() => setPicked(picked === at ? null : at)}
                onText={(text) => replace(at, { kind: 'text', text }, 'Words in the furniture')}
                onRemove={() => {
                  setPicked(null);
                  replace(at, null, 'Furniture');
                }}
              />
            </li>
          ))}
          {slot.parts.length === 0 && <li className="py-0.5 text-quiet">Empty</li>}
        </ul>
        <button
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Close"
          onClick={() => dispatch(slotChosen(null))}
        >
          <X size={13} />
        </button>
      </div>
      {picked !== null && slot.parts[picked] !== undefined && (
        <PartFields part={slot.parts[picked]} onChange={(part) => replace(picked, part, 'Furniture')} />
      )}
      <div className="flex items-center gap-2 border-t border-hairline px-3 py-1.5">
        <select
          aria-label="Add to the slot"
          className="setting-select w-[118px]"
          value=""
          onChange={(event) => add(event.target.value)}
        >
          <option value="">Add …</option>
          <option value="text">Words</option>
          <option value="tab">Tab</option>
          <option value="rule">Rule</option>
          {TOKENS.map((token) => (
            <option key={token} value={token}>
              {TOKEN_NAMES[token]}
            </option>
          ))}
          {[...SPACES].map(([text, name]) => (
            <option key={name} value={`space:${text}`}>
              {name[0].toUpperCase() + name.slice(1)}
            </option>
          ))}
        </select>
        <label className="ml-auto flex items-center gap-2">
          <span className="text-quiet">Style</span>
          <select
            className="setting-select w-[130px]"
            value={slot.style}
            onChange={(event) => setSlot(place, { ...slot, style: event.target.value }, 'Style of the furniture')}
          >
            {Object.entries(spec.styles).map(([tag, { name }]) => (
              <option key={tag} value={tag}>
                {tag} {name}
              </option>
            ))}
          </select>
        </label>
      </div>
    </div>
  );
}

interface ChipProps {
  readonly part: FurniturePart;
  readonly isPicked: boolean;
  readonly onPick: () => void;
  readonly onText: (text: string) => string | null;
  readonly onRemove: () => void;
}

function Chip({ part, isPicked, onPick, onText, onRemove }: ChipProps) {
  const isWords = part.kind === 'text' && !SPACES.has(part.text);
  return (
    <span
      className={`flex h-6 items-center rounded-sm border ${isPicked ? 'border-primary bg-tint' : 'border-base-300 bg-base-200'}`}
    >
      {isWords ? (
        <Words text={part.text} onText={onText} />
      ) : (
        <button className="px-1.5" aria-pressed={isPicked} onClick={onPick}>
          {partName(part)}
        </button>
      )}
      <button className="pr-1 text-quiet hover:text-error" aria-label={`Remove ${partName(part)}`} onClick={onRemove}>
        <X size={11} />
      </button>
    </span>
  );
}

function Words({ text, onText }: { text: string; onText: (text: string) => string | null }) {
  const { field } = useDraft(text, (typed) => (typed === '' ? 'Type the words.' : onText(typed)));
  return (
    <input
      {...field}
      aria-label="Words"
      className="bg-transparent px-1.5"
      style={{ width: `${Math.max(3, field.value.length + 2)}ch` }}
    />
  );
}

/** Level, what is told otherwise, and the character style of a part. */
function PartFields({ part, onChange }: { part: FurniturePart; onChange: (part: FurniturePart) => void }) {
  const { spec } = useFurniture();
  const styled = (style: string): FurniturePart => {
    const { style: _, ...rest } = part;
    return style === '' ? rest : { ...rest, style };
  };
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-hairline px-3 py-1.5">
      {part.kind === 'token' && hasLevel(part.token) && (
        <>
          <span className="text-quiet">Level</span>
          <select
            aria-label="Level of the head"
            className="setting-select w-[84px]"
            value={String(part.level ?? 2)}
            onChange={(event) => onChange({ ...part, level: Number(event.target.value) })}
          >
            {HEAD_LEVELS.map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </>
      )}
      {part.kind === 'rule' && (
        <label className="flex items-center gap-2">
          <span className="text-quiet">Length</span>
          <select
            className="setting-select w-[84px]"
            value={String(part.length)}
            onChange={(event) => onChange({ ...part, length: Number(event.target.value) })}
          >
            {[1, 2, 3, 4, 6, 8, 12, 16, 24, 40].map((length) => (
              <option key={length} value={length}>
                {length} em
              </option>
            ))}
          </select>
        </label>
      )}
      {part.kind === 'token' && (
        <>
          <span className="text-quiet">If missing, show</span>
          <select
            aria-label="If missing, show"
            className="setting-select w-[118px]"
            value={part.orElse ?? ''}
            onChange={(event) => {
              const { orElse: _, ...rest } = part;
              onChange(event.target.value === '' ? rest : { ...rest, orElse: event.target.value as Token });
            }}
          >
            <option value="">nothing</option>
            {TOKENS.filter((token) => token !== part.token).map((token) => (
              <option key={token} value={token}>
                {TOKEN_NAMES[token]}
              </option>
            ))}
          </select>
        </>
      )}
      <span className="text-quiet">Set in</span>
      <select
        aria-label="Character style of the part"
        className="setting-select w-[104px]"
        value={part.style ?? ''}
        onChange={(event) => onChange(styled(event.target.value))}
      >
        <option value="">as the slot</option>
        {Object.entries(spec.characterStyles).map(([tag, { name }]) => (
          <option key={tag} value={tag}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}
