// On the arrival sheet: the first decisions on how the book is set, with its first text spread as it comes to then.
import { useState } from 'react';
import { LANGUAGES } from '../../../../core/model/copy/languages';
import { setParticulars } from '../../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { ChoiceSetting } from '../../../components/Setting';
import { StartingSpecChoice } from '../../../components/StartingSpecChoice';
import { selectSpreads } from '../../../../state/book/selectors';
import { PageCanvas } from '../../../pageView/PageCanvas';
import { usePageCache, usePictures } from '../../../pageView/pageCacheContext';
import { TrimChoice } from '../../spec/TrimChoice';

/** Opened when it is wanted: its pages are drawn again with every change of the book. */
export function SetItAs() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="border-b border-hairline px-3.5 pb-1 pt-3 text-[12px] font-semibold text-quiet">
        Set it as
      </summary>
      {isOpen && <Choices />}
    </details>
  );
}

function Choices() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const language = useAppSelector((state) => state.book.book?.particulars.language) ?? 'en';
  return (
    <>
      <StartingSpecChoice />
      <TrimChoice />
      <ChoiceSetting
        label="Language"
        value={language}
        disabled={readOnly}
        choices={Object.entries(LANGUAGES)}
        onChange={(to) => dispatch(setParticulars('language', to, 'Language'))}
      />
      <FirstSpread />
    </>
  );
}

/** CSS pixels of a page. */
const WIDTH = 121;

/** The first two facing pages of text, as they are composed now. */
function FirstSpread() {
  const spreads = useAppSelector(selectSpreads);
  const spread = spreads.find(({ verso, recto }) => verso?.role === 'text' && recto?.role === 'text');
  const { cache, version } = usePageCache();
  const pictures = usePictures();
  if (spread === undefined) return null;
  return (
    <div className="flex justify-center gap-px bg-desk px-3.5 py-3">
      {[spread.verso!, spread.recto!].map(({ index }) => {
        const list = cache.get(index);
        return (
          <div key={index} className="bg-paper" style={{ width: WIDTH }}>
            {list && (
              <PageCanvas
                list={list}
                outlines={(face, glyph) => cache.outline(face, glyph)}
                width={WIDTH}
                version={version}
                pictures={pictures}
                label={`Page ${index + 1} as it is set now`}
              />
            )}
          </div>
        );
      })}
    </div>
  );
}
