// Spacing and breaks: what pages keep, and what may give to make good ones.
import { useEffect, useState } from 'react';
import type { SpacingFacts } from '../../../core/model/answers/spacingFacts';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { askSpacing } from '../../../state/spec/specThunks';
import { Decided } from './Decided';
import { SpaceGauge } from './SpaceGauge';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { useSpec } from './useSetSpec';

/** Prices of a spread a line short or long; in the words that a person chooses by. */
const PRICES: readonly (readonly [string, string])[] = [
  ['0.5', 'Freely'],
  ['1', 'When it helps'],
  ['3', 'When little else does'],
  ['8', 'As a last resort'],
  ['never', 'Never'],
];

export function SpacingTopic() {
  const { spec, readOnly, set } = useSpec();
  const { pages } = spec;
  const priceOf = (value: number | null) => (value === null ? 'never' : String(value));
  const prices = (value: number | null) =>
    PRICES.some(([key]) => key === priceOf(value))
      ? PRICES
      : [...PRICES, [priceOf(value), `At a cost of ${value}`] as const];
  const asPrice = (to: string) => (to === 'never' ? null : Number(to));
  const facts = useSpacingFacts();
  return (
    <>
      <SettingGroup title="Word space" aside="em">
        {facts === null ? (
          <p className="px-3.5 py-2 text-quiet">Known when the book is composed.</p>
        ) : (
          <SpaceGauge facts={facts} />
        )}
      </SettingGroup>
      <SettingGroup title="What pages keep">
        <NumberSetting
          label="Lines at a page’s foot"
          unit="lines"
          value={pages.linesAtFoot}
          disabled={readOnly}
          onChange={(to) => set('pages.linesAtFoot', to, 'Lines at the foot')}
        />
        <NumberSetting
          label="Lines at a page’s head"
          unit="lines"
          value={pages.linesAtHead}
          disabled={readOnly}
          onChange={(to) => set('pages.linesAtHead', to, 'Lines at the head')}
        />
        <NumberSetting
          label="A chapter’s last page"
          unit="lines"
          value={pages.chapterEnd}
          disabled={readOnly}
          note="The fewest lines that may stand on it."
          onChange={(to) => set('pages.chapterEnd', to, 'Chapter end')}
        />
        <ChoiceSetting
          label="Facing pages"
          value={pages.footFree ? 'free' : 'level'}
          disabled={readOnly}
          choices={[
            ['level', 'End level'],
            ['free', 'End where they fall'],
          ]}
          onChange={(to) => set('pages.footFree', to === 'free', to === 'free' ? 'Pages end free' : 'Pages end level')}
        />
      </SettingGroup>
      <SettingGroup title="What may vary">
        <ChoiceSetting
          label="Paragraphs may vary"
          value={pages.elastic ? 'yes' : 'no'}
          disabled={readOnly}
          choices={[
            ['yes', 'A line, spaces half a line'],
            ['no', 'Nothing'],
          ]}
          onChange={(to) => set('pages.elastic', to === 'yes', to === 'yes' ? 'Paragraphs may vary' : 'Nothing varies')}
        />
        <ChoiceSetting
          label="Short spreads"
          value={priceOf(pages.spreadShort)}
          disabled={readOnly || pages.footFree}
          choices={prices(pages.spreadShort)}
          onChange={(to) => set('pages.spreadShort', asPrice(to), 'Short spreads')}
        />
        <ChoiceSetting
          label="Long spreads"
          value={priceOf(pages.spreadLong)}
          disabled={readOnly || pages.footFree}
          choices={prices(pages.spreadLong)}
          onChange={(to) => set('pages.spreadLong', asPrice(to), 'Long spreads')}
        />
      </SettingGroup>
      {facts !== null && <Decided facts={facts} />}
    </>
  );
}

/** What the rules came to in the pages composed last; the facts of before stay until new ones are there. */
function useSpacingFacts(): SpacingFacts | null {
  const dispatch = useAppDispatch();
  const revision = useAppSelector((state) => state.compose.summary?.revision);
  const [facts, setFacts] = useState<SpacingFacts | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(askSpacing()).then((found) => isCurrent && found !== null && setFacts(found));
    return () => {
      isCurrent = false;
    };
  }, [dispatch, revision]);
  return facts;
}
