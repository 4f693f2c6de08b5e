// Of the slip of a figure beside text: on which side of it text stands, along what, and how much white is between. Each way says beforehand how
// far it pushes the text.
import {
  FIGURE_LIMITS,
  FIGURE_SIDES,
  PLAIN_AROUND,
  TEXT_AROUND,
  type Around,
  type FigureSide,
  type TextAround,
} from '../../../core/model/copy/figureSetting';
import type { Figure } from '../../../core/model/copy/figures';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { ChoiceSetting, LengthSetting, NumberSetting } from '../../components/Setting';
import { Choices } from './Choices';
import { FigureOutline } from './FigureOutline';
import { pushInWords, useWishCosts } from './useWishCosts';

const TEXTS: Readonly<Record<TextAround, string>> = {
  wider: 'wider side',
  both: 'both sides',
  none: 'over or under it',
};

const SIDES: Readonly<Record<FigureSide, string>> = {
  outer: 'fore-edge',
  inner: 'back',
  left: 'left',
  right: 'right',
};

interface Props {
  readonly place: ParagraphPlace;
  readonly figure: Figure;
  /** First page on which it stands. */
  readonly page: number;
  readonly disabled: boolean;
  readonly set: (change: { readonly around: Around }, name: string) => unknown;
}

export function FigureAround({ place, figure, page, disabled, set }: Props) {
  const around = figure.around ?? PLAIN_AROUND;
  const costs = useWishCosts(
    place,
    TEXT_AROUND.map((text) => ({ figure: { around: { ...around, text } } })),
  );
  const put = (change: Partial<Around>) => set({ around: { ...around, ...change } }, 'Text around a figure');
  return (
    <>
      <Choices
        label="Text around it"
        name="Text around the figure"
        disabled={disabled}
        value={around.text}
        choices={TEXT_AROUND.map((one, k) => ({ value: one, name: TEXTS[one], cost: pushInWords(costs[k]) }))}
        onChange={(text) => put({ text })}
      />
      {figure.parts.length === 1 && around.text !== 'none' && (
        <FigureOutline
          {...{ place, figure, page, disabled }}
          put={(to) => set({ around: to }, 'Outline of a figure')}
        />
      )}
      <ChoiceSetting
        label="Edge"
        value={around.side}
        disabled={disabled}
        choices={FIGURE_SIDES.map((side) => [side, SIDES[side]] as const)}
        onChange={(side) => put({ side: side as FigureSide })}
      />
      <White
        label="From that edge"
        value={around.inset}
        limits={FIGURE_LIMITS.inset}
        disabled={disabled}
        note={around.inset < 0 ? 'Into the margin.' : undefined}
        onChange={(inset) => put({ inset })}
      />
      <NumberSetting
        label="Lower by"
        unit="lines"
        value={around.from}
        disabled={disabled}
        onChange={(from) => {
          const [least, most] = FIGURE_LIMITS.from;
          if (!Number.isInteger(from) || from < least || from > most) return `Whole lines, ${least} to ${most}.`;
          put({ from });
          return null;
        }}
      />
      <White
        label="White above"
        value={around.above}
        limits={FIGURE_LIMITS.white}
        disabled={disabled}
        onChange={(above) => put({ above })}
      />
      <White
        label="White beside"
        value={around.beside}
        limits={FIGURE_LIMITS.white}
        disabled={disabled}
        onChange={(beside) => put({ beside })}
      />
      <White
        label="White below"
        value={around.below}
        limits={FIGURE_LIMITS.white}
        disabled={disabled}
        onChange={(below) => put({ below })}
      />
    </>
  );
}

interface WhiteProps {
  readonly label: string;
  readonly value: number;
  /** Points. */
  readonly limits: readonly [number, number];
  readonly disabled: boolean;
  readonly note?: string | undefined;
  readonly onChange: (to: number) => void;
}

function White({ label, value, limits: [least, most], disabled, note, onChange }: WhiteProps) {
  return (
    <LengthSetting
      label={label}
      value={{ pt: value, unit: 'pt' }}
      disabled={disabled}
      note={note}
      onChange={({ pt }) => {
        if (pt < least || pt > most) return `${least} to ${most} pt.`;
        onChange(pt);
        return null;
      }}
    />
  );
}
