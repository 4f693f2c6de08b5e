// The arrival sheet: what came in with the manuscript, what each of its styles became, what was left out and why. It stands
// beside the copy, and nothing waits for it.
import type { ReactNode } from 'react';
import { lookInWords } from '../../../../core/looks/lookInWords';
import type { Arrival } from '../../../../core/model/copy/manuscript';
import { DummyCopy } from '../../../components/DummyCopy';
import { FirstPages } from './FirstPages';
import { HouseMarks } from './HouseMarks';
import { KeptMappings } from './KeptMappings';
import { NewerCopy } from './NewerCopy';
import { SetItAs } from './SetItAs';
import { goToBlock } from '../../../../state/copy/galleyThunks';
import { mapStyle } from '../../../../state/arrival/arrivalThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';

/** Headings listed. */
const MOST_HEADINGS = 60;

export function ArrivalPanel() {
  const arrival = useAppSelector((state) => (state.book.book === null ? undefined : state.arrival[state.book.book.id]));
  return (
    <section aria-label="Arrival">
      <FirstPages />
      {arrival !== undefined && <Sheet arrival={arrival} />}
      <Part title="House marks">
        <HouseMarks />
      </Part>
      <SetItAs />
      <Part title="Dummy copy">
        <DummyCopy />
      </Part>
      <Part title="The author’s next file">
        <NewerCopy />
      </Part>
    </section>
  );
}

function Sheet({ arrival }: { arrival: Arrival }) {
  const dispatch = useAppDispatch();
  const facts: readonly (readonly [string, number])[] = [
    ['Words in the file', arrival.words],
    ['Paragraphs', arrival.paragraphs],
    ['Footnotes', arrival.footnotes],
    ['Endnotes', arrival.endnotes],
    ['Tables', arrival.tables],
    ['Lists', arrival.lists],
    ['Pictures', arrival.images.length],
  ];
  return (
    <>
      <p className="border-b border-hairline px-3.5 py-2 text-quiet">{arrival.fileName}</p>
      <dl>
        {facts
          .filter(([, count]) => count > 0)
          .map(([name, count]) => (
            <div key={name} className="flex justify-between border-b border-hairline px-3.5 py-1">
              <dt>{name}</dt>
              <dd>{groupDigits(count)}</dd>
            </div>
          ))}
      </dl>
      <Part title="Its styles and what they became">
        <KeptMappings />
        {arrival.styles.map((style) => (
          <StyleRow key={style.name} style={style} />
        ))}
      </Part>
      {arrival.comments.length > 0 && (
        <Part title={`Notes to the typesetter, ${arrival.comments.length}`}>
          {arrival.comments.map(({ block, who, text }, index) => (
            <button
              key={index}
              className="block w-full border-b border-hairline px-3.5 py-1.5 text-left"
              title="To its paragraph in the galley"
              onClick={() => dispatch(goToBlock(block))}
            >
              {text}
              {who !== '' && <span className="block text-[12px] text-quiet">{who}</span>}
            </button>
          ))}
        </Part>
      )}
      {arrival.headings.length > 0 && (
        <Part title={`Headings, ${arrival.headings.length}`}>
          {arrival.headings.slice(0, MOST_HEADINGS).map(({ level, text }, index) => (
            <p
              key={index}
              className="truncate px-3.5 py-0.5"
              style={{ paddingLeft: 14 + (level - 1) * 12 }}
              title={text}
            >
              {text}
            </p>
          ))}
        </Part>
      )}
      {arrival.dropped.length > 0 && (
        <Part title="Left out or changed">
          {arrival.dropped.map(({ what, count, why }) => (
            <div key={what} className="border-b border-hairline px-3.5 py-1.5">
              <p className="flex justify-between gap-3">
                <span>{what}</span>
                <span className="text-quiet">{count}</span>
              </p>
              <p className="text-[12px] text-quiet">{why}</p>
            </div>
          ))}
        </Part>
      )}
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h3 className="border-b border-hairline px-3.5 pb-1 pt-3 text-[12px] font-semibold text-quiet">{title}</h3>
      {children}
    </section>
  );
}

function StyleRow({ style }: { style: Arrival['styles'][number] }) {
  const dispatch = useAppDispatch();
  const styles = useAppSelector((state) => state.book.book?.spec.styles) ?? {};
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const mapped = useAppSelector((state) => state.book.book?.source.mapping[style.name]) ?? style.mappedTo;
  return (
    <div className="border-b border-hairline px-3.5 py-1.5">
      <label className="flex items-center justify-between gap-2">
        <span className="min-w-0 truncate" title={style.name}>
          {style.name} <span className="text-quiet">{groupDigits(style.count)}</span>
        </span>
        <select
          className="select select-xs w-32 shrink-0"
          aria-label={`What ${style.name} becomes`}
          value={mapped}
          disabled={readOnly}
          onChange={(event) => dispatch(mapStyle(style.name, event.target.value))}
        >
          {Object.entries(styles).map(([tag, own]) => (
            <option key={tag} value={tag}>
              {own.waits ? `waits: ${tag}` : own.name}
            </option>
          ))}
        </select>
      </label>
      {style.look !== undefined && lookInWords(style.look) !== '' && (
        <p className="truncate text-[12px] text-quiet" title={lookInWords(style.look)}>
          {lookInWords(style.look)}
        </p>
      )}
      {style.sample !== '' && (
        <p className="truncate pt-0.5 font-book text-[13px] text-quiet" title={style.sample}>
          {style.sample}
        </p>
      )}
    </div>
  );
}
