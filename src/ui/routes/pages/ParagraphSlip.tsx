// The slip of the paragraph pointed at: how it is set, and a person's wishes for its place. Each choice says beforehand
// what its lines would come to, and is grey with the reason when they cannot be set so.
import { useEffect, useState } from 'react';
import { hasLettersFromRight } from '../../../core/copy/direction';
import type { ParagraphFacts, SettingFacts } from '../../../core/model/answers/paragraphFacts';
import { askParagraph, setTouches } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { setSection } from '../../../state/order/sectionThunks';
import { selectHeadNumbers, selectParagraph } from '../../../state/book/selectors';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { ChoiceSetting } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { Choices } from './Choices';
import { costInWords, useWishCosts } from './useWishCosts';
import { NoteHere } from './NoteHere';
import { Beginning, GoesInto, PictureFacts, Toggle } from './slipFields';
import { ParagraphLook } from './ParagraphLook';
import { TiesOfParagraph } from './TiesOfParagraph';

export function ParagraphSlip({ place }: { place: ParagraphPlace }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const revision = useAppSelector((state) => state.compose.summary?.revision);
  const [facts, setFacts] = useState<ParagraphFacts | null>(null);
  const block = useAppSelector((state) => selectParagraph(state, place.stream, place.block));
  useEffect(() => {
    let isCurrent = true;
    void dispatch(askParagraph(place.stream, place.block)).then((found) => {
      if (isCurrent && found !== null) setFacts(found);
    });
    return () => {
      isCurrent = false;
    };
  }, [dispatch, place.stream, place.block, revision]);
  const isOfDivision = useAppSelector(({ book }) => book.book!.divisions.some(({ id }) => id === place.stream));
  const touches = block?.touches ?? {};
  const costs = useWishCosts(facts === null ? undefined : place, [
    { lines: -1 },
    { lines: undefined },
    { lines: 1 },
    { breakBefore: touches.breakBefore ? undefined : true },
    { together: touches.together ? undefined : true },
  ]);
  const numbers = useAppSelector(selectHeadNumbers);
  if (block === undefined || facts === null) return null;
  const isPicture = facts.pictures.length > 0;
  const keepName = isPicture ? 'Keep in its place' : 'Keep whole and with next';
  const set = (change: Parameters<typeof setTouches>[1], name: string) => dispatch(setTouches(place, change, name));
  return (
    <section aria-label="This paragraph">
      <h2 className="border-b border-base-300 px-3.5 pb-1.5 pt-2.5 font-semibold">
        This paragraph <span className="font-normal text-quiet">{facts.tag}</span>
      </h2>
      {!isPicture && <p className="border-b border-hairline px-3.5 py-1.5">{told(facts.set)}</p>}
      {facts.pictures.map((picture, k) => (
        <PictureFacts key={k} picture={picture} />
      ))}
      {!isPicture && (
        <Choices
          label="Lines"
          name="Lines of the paragraph"
          disabled={readOnly}
          value={touches.lines ?? 0}
          choices={[
            {
              value: -1,
              name: 'one fewer',
              facts: facts.shorter,
              why: 'not without tight lines',
              cost: costInWords(costs[0]),
            },
            { value: 0, name: 'best', facts: facts.best, cost: costInWords(costs[1]) },
            {
              value: 1,
              name: 'one more',
              facts: facts.longer,
              why: 'not without loose lines',
              cost: costInWords(costs[2]),
            },
          ]}
          onChange={(to) => set({ lines: to === 0 ? undefined : to }, LINE_NAMES[to + 1])}
        />
      )}
      <Beginning touches={touches} cost={costInWords(costs[3])} disabled={readOnly} set={set} />
      <Toggle
        label={keepName}
        isOn={touches.together === true}
        cost={costInWords(costs[4])}
        disabled={readOnly}
        onChange={(to) => set({ together: to || undefined }, to ? keepName : `${keepName}: taken back`)}
      />
      {touches.section === undefined ? (
        <Toggle
          label="Begins a section"
          isOn={false}
          cost=""
          disabled={readOnly}
          onChange={() => dispatch(setSection(place.stream, place.block, ''))}
        />
      ) : (
        <SectionName place={place} name={touches.section} disabled={readOnly} />
      )}
      {(touches.direction !== undefined || hasLettersFromRight(block.text)) && (
        <ChoiceSetting
          label="Direction"
          value={touches.direction ?? ''}
          disabled={readOnly}
          choices={[
            ['', 'of its language'],
            ['ltr', 'left to right'],
            ['rtl', 'right to left'],
          ]}
          onChange={(to) =>
            set({ direction: to === '' ? undefined : (to as 'ltr' | 'rtl') }, 'Direction of a paragraph')
          }
        />
      )}
      {numbers.has(place.block) || touches.unnumbered === true ? (
        <Toggle
          label="Without its number"
          isOn={touches.unnumbered === true}
          cost=""
          disabled={readOnly}
          onChange={(to) => set({ unnumbered: to || undefined }, to ? 'Number taken away' : 'Number given back')}
        />
      ) : null}
      {isOfDivision && (
        <GoesInto value={touches.onlyIn} disabled={readOnly} onChange={(onlyIn, name) => set({ onlyIn }, name)} />
      )}
      {!isPicture && <NoteHere key={`${place.block} ${place.offset}`} place={place} />}
      {!isPicture && <ParagraphLook key={place.block} place={place} look={facts.look} />}
      <TiesOfParagraph place={place} ties={facts.ties} />
    </section>
  );
}

/** The name of the section that begins here; empty, it is named by its own words. */
function SectionName({ place, name, disabled }: { place: ParagraphPlace; name: string; disabled: boolean }) {
  const dispatch = useAppDispatch();
  return (
    <>
      <TextSetting
        label="Section"
        isWide
        value={name}
        placeholder="named by its own words"
        disabled={disabled}
        onChange={(to) => {
          dispatch(setSection(place.stream, place.block, to.trim()));
          return null;
        }}
      />
      <div className="flex justify-end border-b border-hairline px-3.5 py-1">
        <button
          className="btn btn-xs"
          disabled={disabled}
          onClick={() => dispatch(setSection(place.stream, place.block, undefined))}
        >
          No section here
        </button>
      </div>
    </>
  );
}

const LINE_NAMES = ['Paragraph a line shorter', 'Paragraph at its best', 'Paragraph a line longer'];

function told({ lines, widest }: SettingFacts): string {
  const count = `${lines} ${lines === 1 ? 'line' : 'lines'}`;
  return widest === 0 ? count : `${count}, widest space ${widest.toFixed(2)} em`;
}
