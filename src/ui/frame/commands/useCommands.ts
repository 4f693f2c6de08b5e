// Everything that the search knows: stages, pages, divisions, settings, tools and acts.
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { PRODUCT_IDS, PRODUCTS } from '../../../core/model/products/products';
import { editRedone, editUndone } from '../../../state/book/bookSlice';
import { selectRunningOrder, spreadOfPage } from '../../../state/book/selectors';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import {
  controlCalled,
  copyToolChosen,
  divisionChosen,
  layerToggled,
  spreadCalled,
  styleOpened,
  themeChosen,
  topicChosen,
  zoomChosen,
  LAYERS,
} from '../../../state/view/viewSlice';
import { useStageFacts } from '../useStageFacts';
import { rankCommands, type Command } from './rank';
import { SETTINGS } from './settingList';

/** Tools beside the galley, with other words for them. */
const TOOLS = [
  ['division', 'Division', 'role start sink language furniture of a division'],
  ['arrival', 'Arrival', 'import manuscript newer file author’s next file mapping kept states'],
  ['tidy', 'Tidy', 'clean up copy straight quotes double spaces'],
  ['find', 'Find and replace', 'search change words'],
  ['notes', 'Notes of the book', 'footnotes endnotes list'],
  ['lacking', 'Missing characters', 'glyphs fallback face'],
] as const;

/** Answers what the words typed may mean, the best first: a page by its folio or number goes before all. */
export function useCommands(): (typed: string) => readonly Command[] {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const stages = useStageFacts();
  const rows = useAppSelector(selectRunningOrder);
  const pages = useAppSelector((state) => state.compose.summary?.pages);
  const theme = useAppSelector((state) => state.view.theme);
  const style = useAppSelector((state) => state.view.style);
  return useMemo(() => {
    const goToPage = (page: number) => {
      void navigate('pages');
      dispatch(spreadCalled(spreadOfPage(page)));
    };
    const inCopy = (tool: string) => {
      void navigate('copy');
      dispatch(copyToolChosen(tool));
    };
    const fixed: Command[] = [
      ...stages.map((stage) => ({ name: stage.name, kind: 'stage', run: () => void navigate(stage.path) })),
      ...rows
        .filter((row) => row.firstPage >= 0)
        .map((row) => ({ name: row.name, kind: `page ${row.folio}`, run: () => goToPage(row.firstPage) })),
      ...SETTINGS.map(({ topic, label, group, words }) => ({
        name: group === undefined || group === label ? label : `${group}: ${label.toLowerCase()}`,
        kind: `Spec, ${topic}`,
        words: `${label.toLowerCase()} ${words}`,
        run: () => {
          void navigate('spec');
          dispatch(topicChosen(topic));
          if (topic === 'styles' && style === null) dispatch(styleOpened({ sort: 'paragraph', tag: 'TX' }));
          dispatch(controlCalled({ stage: 'spec', label, group }));
        },
      })),
      ...TOOLS.map(([tool, name, words]) => ({ name, kind: 'Copy', words, run: () => inCopy(tool) })),
      {
        name: 'Particulars',
        kind: 'Copy',
        words: 'title author isbn publisher year rights metadata series people',
        run: () => {
          void navigate('copy');
          dispatch(divisionChosen(null));
        },
      },
      ...PRODUCT_IDS.map((id) => ({
        name: PRODUCTS[id].title,
        kind: 'Send out',
        words: `export ${PRODUCTS[id].action.toLowerCase()}`,
        run: () => {
          void navigate('send-out');
          dispatch(controlCalled({ stage: 'send-out', label: PRODUCTS[id].action }));
        },
      })),
      ...(['spread', 'width'] as const).map((kind) => ({
        name: kind === 'spread' ? 'Fit the spread' : 'Fit the width',
        kind: 'Pages',
        words: 'zoom view',
        run: () => {
          void navigate('pages');
          dispatch(zoomChosen({ kind }));
        },
      })),
      {
        name: 'Actual size',
        kind: 'Pages',
        words: 'zoom 100 percent',
        run: () => {
          void navigate('pages');
          dispatch(zoomChosen({ kind: 'scale', scale: 1 }));
        },
      },
      ...LAYERS.map((layer) => ({
        name: `Show or hide ${layer === 'canon' ? 'canon lines' : layer}`,
        kind: 'Spec, drawing',
        words: `layer view ${layer === 'grid' ? 'baseline grid' : ''}`,
        run: () => {
          void navigate('spec');
          dispatch(layerToggled(layer));
        },
      })),
      { name: 'Undo', kind: 'act', run: () => dispatch(editUndone()) },
      { name: 'Redo', kind: 'act', run: () => dispatch(editRedone()) },
      {
        name: theme === 'day' ? 'Evening colours' : 'Day colours',
        kind: 'act',
        words: 'dark light theme mode',
        run: () => dispatch(themeChosen(theme === 'day' ? 'evening' : 'day')),
      },
      { name: 'To the Shelf', kind: 'act', words: 'close the book all books', run: () => void navigate('/') },
    ];
    return (typed: string) => {
      const wanted = typed.trim().replace(/^(?:page|folio|p\.)\s+/i, '');
      const found = (pages ?? []).filter(({ folio, index }) => folio === wanted || String(index + 1) === wanted);
      const ofFolio = [...found].sort((a, b) => Number(b.folio === wanted) - Number(a.folio === wanted));
      const places = ofFolio.map(({ folio, index }) => ({
        name: folio === '' ? `Page ${index + 1}` : `Folio ${folio}`,
        kind: `page ${index + 1} of ${pages!.length}`,
        run: () => goToPage(index),
      }));
      return [...places, ...rankCommands(fixed, typed)];
    };
  }, [dispatch, navigate, stages, rows, pages, theme, style]);
}
