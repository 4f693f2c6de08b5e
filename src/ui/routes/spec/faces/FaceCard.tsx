// One family: its name in words, the book's own text in it, what it can do and what it lacks.
import { PageCanvas } from '../../../pageView/PageCanvas';
import { useSpec } from '../useSetSpec';
import { SAMPLE_LINES, SAMPLE_PAD, SAMPLE_SCALE, type Sample } from './sample';
import { KIND_NAMES, lackedBy, type Family } from './families';

interface Props {
  readonly family: Family;
  readonly uses: readonly string[];
  readonly codes: readonly number[];
  readonly sample: Sample | undefined;
  readonly isLiked: boolean;
  readonly onLike: () => void;
  readonly onDrop: () => void;
}

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';
/** What typesetters look for, in this order; the rest is only counted. */
const NAMED: Readonly<Record<string, string>> = {
  smcp: 'small capitals',
  onum: 'text figures',
  tnum: 'tabular figures',
  sups: 'superiors',
  frac: 'fractions',
  liga: 'ligatures',
  dlig: 'discretionary ligatures',
  case: 'capital marks',
  ordn: 'ordinals',
};
/** Characters shown of those that are lacking. */
const SHOWN = 16;

export function FaceCard({ family, uses, codes, sample, isLiked, onLike, onDrop }: Props) {
  const { spec, readOnly, set } = useSpec();
  const { roman, faces } = family;
  const lacking = lackedBy(roman, codes);
  const features = Object.entries(NAMED).filter(([tag]) => roman.features.includes(tag));
  const list = sample?.lists.find(({ items }) => items.some((item) => item.source?.meaning === 'body'));
  const first = list?.items.find((item) => item.source?.meaning === 'body');
  const strip = (SAMPLE_LINES * spec.text.leading.pt + SAMPLE_PAD) * SAMPLE_SCALE;
  return (
    <article aria-label={family.name} className="border-b border-hairline px-3.5 py-2">
      <h3 className="flex items-baseline justify-between gap-2">
        <span className="font-semibold">{family.name}</span>
        <span className="text-[12px] text-quiet">
          {family.isOwn ? `${KIND_NAMES[family.kind]}, own` : KIND_NAMES[family.kind]}
        </span>
      </h3>
      <div className="relative my-1.5 overflow-hidden bg-paper" style={{ height: strip }}>
        {sample !== undefined && list !== undefined && first !== undefined ? (
          <div
            className="absolute left-0"
            style={{ top: (SAMPLE_PAD - (first.y - 0.75 * spec.text.leading.pt)) * SAMPLE_SCALE }}
          >
            <PageCanvas
              list={list}
              outlines={sample.outline}
              width={list.width * SAMPLE_SCALE}
              label={`Words of this book in ${family.name}`}
            />
          </div>
        ) : (
          <p className="p-3 text-[12px] text-[#5f5a51]">
            {sample === undefined ? 'Being composed …' : 'No text to show.'}
          </p>
        )}
      </div>
      <p className="text-[12px] text-quiet">
        {faces.length} {faces.length === 1 ? 'face' : 'faces'};{' '}
        {features.length === 0 ? 'no features' : features.map(([, name]) => name).join(', ')}
      </p>
      <p className={`text-[12px] ${lacking.length > 0 ? 'text-error' : 'text-quiet'}`}>
        {lacking.length === 0
          ? 'Has every character of this book.'
          : `Lacks ${lacking.length} of this book: ${lacking
              .slice(0, SHOWN)
              .map((code) => String.fromCodePoint(code))
              .join(' ')}${lacking.length > SHOWN ? ' …' : ''}`}
      </p>
      <p className="text-[12px] text-quiet">{uses.length === 0 ? 'Not used.' : `Used by ${uses.join(', ')}.`}</p>
      <p className="mt-1.5 flex flex-wrap gap-1.5">
        <button
          className={BUTTON}
          disabled={readOnly || spec.text.face === family.key}
          onClick={() => set('text.face', family.key, `Face ${family.name}`)}
        >
          Set the text in it
        </button>
        <button className={BUTTON} aria-pressed={isLiked} onClick={onLike}>
          {isLiked ? 'Favourite' : 'Mark as a favourite'}
        </button>
        {family.isOwn && (
          <button className={BUTTON} onClick={onDrop}>
            Remove
          </button>
        )}
      </p>
    </article>
  );
}
