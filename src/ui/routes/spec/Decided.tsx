// The rules of lines and pages in words, with how often each decided in this book as it is composed.
import type { Spec } from '../../../core/model/spec/spec';
import type { SpacingFacts } from '../../../core/model/answers/spacingFacts';
import { SettingGroup } from '../../components/Setting';
import { groupDigits } from '../../frame/useStageFacts';
import { useSpec } from './useSetSpec';

export function Decided({ facts }: { facts: SpacingFacts }) {
  const { spec } = useSpec();
  return (
    <SettingGroup title="What decided, and how often" aside="places">
      <dl>
        {rulesInWords(spec, facts).map(([rule, count]) => (
          <div key={rule} className="flex items-baseline justify-between gap-3 border-b border-hairline px-3.5 py-1">
            <dt>{rule}</dt>
            <dd className={count === 0 ? 'text-quiet' : ''}>{groupDigits(count)}</dd>
          </div>
        ))}
      </dl>
    </SettingGroup>
  );
}

function rulesInWords({ text, pages, marks }: Spec, facts: SpacingFacts): readonly (readonly [string, number])[] {
  const { hyphenation } = text;
  const list: (readonly [string, number])[] = [];
  if (hyphenation.on) {
    list.push([
      `Words of ${hyphenation.smallestWord} letters or more divided, ${hyphenation.before} before and ${hyphenation.after} after`,
      facts.hyphenated,
    ]);
    list.push([`Divided words on two lines running, of ${hyphenation.running} at most`, facts.hyphenPairs]);
  }
  if (facts.ragged > 0) {
    list.push(['Ragged lines', facts.ragged]);
    list.push(['Ragged lines under 70 % of the measure', facts.shortRagged]);
  }
  if (text.ties) list.push(['Words tied by rule', facts.ties]);
  if (marks.set !== 'typed') list.push(['House marks set where others were typed', facts.marks]);
  list.push([
    `Paragraphs over a page end, ${pages.linesAtFoot} lines at the foot and ${pages.linesAtHead} at the head at least`,
    facts.divided,
  ]);
  if (pages.elastic) {
    list.push(['Paragraphs a line shorter than their best', facts.shorter]);
    list.push(['Paragraphs a line longer', facts.longer]);
  }
  if (pages.spreadShort !== null) list.push(['Spreads a line short', facts.shortSpreads]);
  if (pages.spreadLong !== null) list.push(['Spreads a line long', facts.longSpreads]);
  list.push([`Chapters that end within two lines of the least, ${pages.chapterEnd}`, facts.nearChapterEnds]);
  return list;
}
