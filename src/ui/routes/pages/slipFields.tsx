// What the slips of a paragraph and of a figure have in common.
import { formatNumber } from '../../../core/measure/units';
import type { PictureSetting } from '../../../core/model/answers/paragraphFacts';
import type { Edition } from '../../../core/model/copy/editions';
import type { ParagraphTouches } from '../../../core/model/copy/streams';
import type { setTouches } from '../../../state/book/bookThunks';
import { useAppSelector } from '../../../state/hooks';
import { ChoiceSetting } from '../../components/Setting';

/** What is known of a picture as it stands on its page. */
export function PictureFacts({ picture }: { picture: PictureSetting }) {
  const unit = useAppSelector((state) => state.book.book!.spec.page.trim.width.unit);
  const short = (points: number) => formatNumber(points, unit).replace(/(\.\d\d)\d+$/, '$1');
  const size = [picture.width, picture.height].map(short).join(' × ');
  return (
    <dl className="border-b border-hairline px-3.5 py-1.5">
      <dt className="sr-only">Picture</dt>
      <dd className="truncate" title={picture.name}>
        {picture.name || 'Picture'}
      </dd>
      <dd className="text-quiet">
        {size} {unit}
        {picture.resolution > 0 && `, ${picture.resolution} pixels to the inch`}
      </dd>
    </dl>
  );
}

interface ToggleProps {
  readonly label: string;
  readonly isOn: boolean;
  /** What becomes of the pages when it is changed. */
  readonly cost: string;
  readonly disabled: boolean;
  readonly onChange: (to: boolean) => void;
}

export function Toggle({ label, isOn, cost, disabled, onChange }: ToggleProps) {
  return (
    <label className="flex items-center justify-between gap-3 border-b border-hairline px-3.5 py-1.5">
      <span className="min-w-0">
        {label}
        {cost !== '' && <span className="block text-[12px] text-quiet">{cost}</span>}
      </span>
      <input
        type="checkbox"
        className="checkbox checkbox-primary checkbox-xs"
        checked={isOn}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
    </label>
  );
}

const EDITION_CHOICES = [
  ['', 'print and ebook'],
  ['print', 'print only'],
  ['ebook', 'ebook only'],
] as const;

/** The edition in which something stands alone. On the pages only what is printed can be pointed at. */
export function GoesInto({
  value,
  disabled,
  onChange,
}: {
  readonly value: Edition | undefined;
  readonly disabled: boolean;
  readonly onChange: (to: Edition | undefined, name: string) => unknown;
}) {
  return (
    <ChoiceSetting
      label="Goes into"
      value={value ?? ''}
      disabled={disabled}
      choices={EDITION_CHOICES}
      onChange={(to) => onChange(to === '' ? undefined : (to as Edition), `Goes into: ${NAMES.get(to)}`)}
    />
  );
}

const NAMES: ReadonlyMap<string, string> = new Map(EDITION_CHOICES);

interface BeginningProps {
  readonly touches: ParagraphTouches;
  readonly cost: string;
  readonly disabled: boolean;
  readonly set: (change: Parameters<typeof setTouches>[1], name: string) => unknown;
}

/** Whether the paragraph begins a page, on which side, or a column. */
export function Beginning({ touches, cost, disabled, set }: BeginningProps) {
  const columns = useAppSelector((state) => state.book.book?.spec.pages.columns ?? 1);
  return (
    <>
      <Toggle
        label="Begins a page"
        isOn={touches.breakBefore !== undefined && touches.breakBefore !== 'column'}
        cost={cost}
        disabled={disabled}
        onChange={(to) => set({ breakBefore: to || undefined }, to ? 'Page begun here' : 'Page begun here taken back')}
      />
      {touches.breakBefore !== undefined && touches.breakBefore !== 'column' && (
        <ChoiceSetting
          label="On which side"
          value={String(touches.breakBefore)}
          disabled={disabled}
          choices={[
            ['true', 'either'],
            ['recto', 'recto'],
            ['verso', 'verso'],
          ]}
          onChange={(to) =>
            set({ breakBefore: to === 'true' ? true : (to as 'recto' | 'verso') }, 'Side of the page begun here')
          }
        />
      )}
      {(columns > 1 || touches.breakBefore === 'column') && (
        <Toggle
          label="Begins a column"
          isOn={touches.breakBefore === 'column'}
          cost=""
          disabled={disabled}
          onChange={(to) =>
            set({ breakBefore: to ? 'column' : undefined }, to ? 'Column begun here' : 'Column begun here taken back')
          }
        />
      )}
    </>
  );
}
